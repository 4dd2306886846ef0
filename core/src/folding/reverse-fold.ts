import type { Line, Point } from '../measure/point';
import { isBorder } from '../pattern/crease-pattern';
import { creaseFlap, isOnLine } from './crease-flap';
import { FoldRefused } from './fold-refused';
import { sideOfFace } from './layer-order';
import { isFlat, type Pose } from './pose';
import { heldFlat } from './roots';
import { settle } from './settle';
import type { Folded } from './simple-fold';

export interface ReverseFold {
  /** Fold line on the table, the point of the flap on its left. */
  readonly line: Line;
  /** A sheet point on the flap, beyond the line. */
  readonly flap: Point;
  /** `inside`: the point goes between the flap's two layers; `outside`: it wraps round them. */
  readonly way: 'inside' | 'outside';
  readonly name: string;
}

/**
 * Reverses the point of a folded flap: its ridge beyond the line turns inside out, and the two layers crease opposite ways
 * along the line. The layer solver decides how the layers within the flap come to lie.
 * @throws FoldRefused when the flap has no folded ridge, or not two sides to go between, or layers are in the way
 */
export function foldReverse(start: Pose, { line, flap, way, name }: ReverseFold): Folded {
  if (!isFlat(start)) throw new FoldRefused('ambiguous', 'This fold is made on the table, with the paper flat.');
  const { before, split, moving } = creaseFlap(start, line, { flap }, name);
  const { pattern, order } = before;
  const across = pattern.edges.flatMap((edge, e) => {
    if (isBorder(edge) || moving[edge.left] === moving[edge.right]) return [];
    if (!isOnLine(before, e, line))
      throw new FoldRefused('tears', `The paper would tear along “${edge.name}”.`, [edge.left, edge.right]);
    return [{ edge: e, stays: moving[edge.left] ? edge.right : edge.left }];
  });
  const ridges = pattern.edges.some(
    (edge, e) => !isBorder(edge) && moving[edge.left] && moving[edge.right] && Math.abs(before.angles[e]) === 180,
  );
  if (!ridges)
    throw new FoldRefused('ambiguous', 'A reverse fold needs a folded edge beyond the line; this flap has none.');
  const angles = before.angles.map((angle, e) => {
    const edge = pattern.edges[e];
    // What was folded one way beyond the line is folded the other way afterwards.
    return !isBorder(edge) && moving[edge.left] && moving[edge.right] ? -angle : angle;
  });
  for (const { edge, stays } of across) {
    const sides = new Set(across.map((other) => sideOfFace(order, stays, other.stays)).filter((side) => side !== 0));
    if (sides.size !== 1)
      throw new FoldRefused('ambiguous', 'The flap has not two sides: its point could go either way.', [stays]);
    const [towardsOther] = sides;
    angles[edge] = 180 * towardsOther * (way === 'inside' ? 1 : -1);
  }
  const pose = settle({ ...before, angles, ...heldFlat(before, moving) }, { from: before });
  return { pose, split, before };
}
