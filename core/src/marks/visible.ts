import { sideOfFace } from '../folding/layer-order';
import { outlineInFrameOf } from '../folding/overlaps';
import { faceAt, type Pose } from '../folding/pose';
import { between, distance, type Point } from '../measure/point';
import { contains } from '../pattern/convex';
import { toleranceOf } from '../pattern/crease-pattern';

/** Creases are looked at in steps of this length, in mm. */
const STEP_MM = 2;

/** How much of a piece of crease no other paper lies against in a finished piece, in mm, on either side of the sheet. */
export interface Visible {
  readonly white: number;
  readonly coloured: number;
}

/**
 * Which part of creases on the sheet stays in sight when it is folded: where no layer lies against the side of the paper, read
 * off the folded layers. Paper that stands over it at a distance hides nothing.
 * @param pieces from one sheet point to another
 */
export function visibleOn(finished: Pose, pieces: readonly (readonly [Point, Point])[]): Visible {
  const { pattern, placed, order } = finished;
  let [white, coloured] = [0, 0];
  for (const [from, to] of pieces) {
    const steps = Math.max(1, Math.round(distance(from, to) / STEP_MM));
    const each = distance(from, to) / steps;
    for (let k = 0; k < steps; k++) {
      const p = between(from, to, (k + 0.5) / steps);
      const face = faceAt(pattern, p);
      const covered = { over: false, under: false };
      pattern.faces.forEach((_, other) => {
        const side = other === face ? 0 : sideOfFace(order, face, other);
        if (side === 0 || (side > 0 ? covered.over : covered.under)) return;
        if (contains(outlineInFrameOf(pattern, placed, face, other), p, -10 * toleranceOf(pattern)))
          covered[side > 0 ? 'over' : 'under'] = true;
      });
      if (!covered.over) white += each;
      if (!covered.under) coloured += each;
    }
  }
  return { white, coloured };
}
