import { type CreasePattern, isBorder, toleranceOf } from '../pattern/crease-pattern';
import { creaseStretches, onStretch, type Stretch } from '../pattern/crease-stretches';
import type { Split } from '../pattern/split-faces';
import { FoldRefused } from './fold-refused';
import { type KnownLayers, knownFaces } from './known-layers';
import { faceAt, type Pose } from './pose';
import { refine } from './refine';
import { heldBy } from './roots';
import { settle } from './settle';
import type { Point } from '../measure/point';

/** One stretch of crease, in sheet coordinates, and the angle that it takes; its name is used if it has to be made anew. */
export interface CreaseAngle extends Stretch {
  /**
   * + valley seen from the white side, 0 open, ±180 flat; `folded` for flat one way or the other, as the layers can lie.
   */
  readonly angleDeg: number | 'folded';
}

/** The refinement of the pattern, then the pose reached. */
export interface Collapsed {
  readonly split: Split;
  readonly pose: Pose;
}

/** Edges that lie on a stretch, borders left out. */
export function edgesOn(pattern: CreasePattern, stretch: Pick<Stretch, 'from' | 'to'>): number[] {
  const tolerance = 100 * toleranceOf(pattern);
  return pattern.edges.flatMap((edge, e) =>
    !isBorder(edge) && [edge.from, edge.to].every((v) => onStretch(pattern.vertices[v], stretch, tolerance)) ? [e] : [],
  );
}

/**
 * Many creases move at once: the stretches named take their angles, all other creases keep theirs. Stretches that are
 * not creased yet are creased.
 * @param stays sheet point on the part that stays where it is
 * @param known which layers lie over which afterwards, where there is a choice
 * @throws FoldRefused when the paper does not close, layers cannot lie so, or a part goes through another
 */
export function collapse(
  start: Pose,
  creases: readonly CreaseAngle[],
  stays: Point,
  known: readonly KnownLayers[] = [],
): Collapsed {
  const split = creaseStretches(start.pattern, creases);
  const pose = refine(start, split);
  const angles = [...pose.angles];
  const eitherWay = new Set<number>();
  for (const crease of creases) {
    const on = edgesOn(pose.pattern, crease);
    if (!on.length) throw new FoldRefused('unknown-mark', `There is no crease where “${crease.name}” should move.`);
    for (const e of on) {
      angles[e] = crease.angleDeg === 'folded' ? 180 : crease.angleDeg;
      if (crease.angleDeg === 'folded') eitherWay.add(e);
      else eitherWay.delete(e);
    }
  }
  return {
    split,
    pose: settle(
      { ...pose, angles, ...heldBy(pose, faceAt(pose.pattern, stays)) },
      { from: pose, eitherWay, known: knownFaces(pose.pattern, known) },
    ),
  };
}
