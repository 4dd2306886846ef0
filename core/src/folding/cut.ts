import type { Line } from '../measure/point';
import type { Stretch } from '../pattern/crease-stretches';
import { creaseStretches } from '../pattern/crease-stretches';
import { removeFaces, slitEdges } from '../pattern/remove-faces';
import { type Split, splitAfter } from '../pattern/split-faces';
import { edgesOn } from './collapse';
import { creaseFlap, type FoldLayers } from './crease-flap';
import { FoldRefused } from './fold-refused';
import { isFlat, type Pose } from './pose';
import { refine } from './refine';

interface Cut {
  readonly split: Split;
  readonly pose: Pose;
}

/** Takes away the paper on the left of a table line, of the layers chosen. */
export function trim(start: Pose, line: Line, layers: FoldLayers): Cut {
  if (!isFlat(start)) throw new FoldRefused('ambiguous', 'Paper is cut on the table, lying flat.');
  const { before, split, moving } = creaseFlap(start, line, layers, 'cut');
  const removed = removeFaces(before.pattern, moving);
  return { split: splitAfter(split, removed), pose: refine(before, removed) };
}

/**
 * Slits the paper along stretches of the sheet, the first of which begins at a raw edge.
 * @throws FoldRefused when the slit does not begin at a raw edge
 */
export function cutAlong(start: Pose, stretches: readonly Pick<Stretch, 'from' | 'to'>[]): Cut {
  const creased = creaseStretches(
    start.pattern,
    stretches.map((stretch) => ({ ...stretch, name: 'cut' })),
  );
  const pose = refine(start, creased);
  const slit = slitEdges(pose.pattern, new Set(stretches.flatMap((stretch) => edgesOn(pose.pattern, stretch))));
  return { split: splitAfter(creased, slit), pose: refine(pose, slit) };
}
