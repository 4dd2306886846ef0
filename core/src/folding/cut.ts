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

/** Draws lines where paper is to be slit; nothing moves yet. */
export function drawn(start: Pose, stretches: readonly Stretch[]): Cut {
  const split = creaseStretches(start.pattern, stretches);
  return { split, pose: refine(start, split) };
}

/**
 * Slits the paper along stretches that are creased or drawn, the first of which begins at a raw edge.
 * @throws FoldRefused when the slit does not begin at a raw edge
 */
export function cutAlong(start: Pose, stretches: readonly Pick<Stretch, 'from' | 'to'>[]): Cut {
  const split = slitEdges(start.pattern, new Set(stretches.flatMap((stretch) => edgesOn(start.pattern, stretch))));
  return { split, pose: refine(start, split) };
}
