import { type Point, sideOf, lineThrough } from '../measure/point';
import { cross, dot, minus, type Point3, unitOf } from '../measure/vector3';

/** A corner of the paper: on the sheet, and where it stands. */
export interface StandingCorner {
  readonly sheet: Point;
  readonly at: Point3;
}

/**
 * The fold angle of a crease whose faces stand so, in degrees: + valley seen from the white side.
 * @param one, other a corner of each of the two faces beside it, in either order
 */
export function foldAngleDeg(
  from: StandingCorner,
  to: StandingCorner,
  one: StandingCorner,
  other: StandingCorner,
): number {
  const oneIsLeft = sideOf(lineThrough(from.sheet, to.sheet), one.sheet) > 0;
  const [left, right] = oneIsLeft ? [one, other] : [other, one];
  const edge = unitOf(minus(to.at, from.at));
  // Both look out of the white side.
  const l = unitOf(cross(edge, minus(left.at, from.at)));
  const r = unitOf(cross(minus(right.at, from.at), edge));
  return (-Math.atan2(dot(cross(l, r), edge), dot(l, r)) * 180) / Math.PI;
}
