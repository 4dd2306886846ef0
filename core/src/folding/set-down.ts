import type { Point } from '../measure/point';
import { cross, dot, minus, unitOf } from '../measure/vector3';
import { placedOutline, type Pose, whereIs } from './pose';
import { compose, type Transform } from './transform';

/**
 * How a piece is set on the table: two directions on it that come to lie level, and a sheet point that is above; for paper that
 * lies flat none is, and the second direction is to the left of the first.
 */
export interface SetDown {
  readonly along: readonly [Point, Point];
  readonly across: readonly [Point, Point];
  readonly above?: Point;
}

/** The motion that sets a piece down: level, as it was headed, its lowest point on the table. */
export function setDown(pose: Pose, { along, across, above }: SetDown): Transform {
  const at = (p: Point) => whereIs(pose, p);
  const middle = at(along[0]);
  const x = unitOf(minus(at(along[1]), middle));
  const side = minus(at(across[1]), at(across[0]));
  const z = unitOf(cross(x, side));
  const up = !above || dot(z, minus(at(above), middle)) > 0 ? z : { x: -z.x, y: -z.y, z: -z.z };
  const y = cross(up, x);
  // It keeps its heading: the way that its length ran before.
  const length = Math.hypot(x.x, x.y) || 1;
  const [c, s] = [x.x / length, x.y / length];
  const turn: Transform = [c, -s, 0, s, c, 0, 0, 0, 1, 0, 0, 0];
  const level = compose(turn, [x.x, x.y, x.z, y.x, y.y, y.z, up.x, up.y, up.z, 0, 0, 0]);
  const height = (p: { x: number; y: number; z: number }): number => level[6] * p.x + level[7] * p.y + level[8] * p.z;
  const lowest = Math.min(...pose.pattern.faces.flatMap((_, f) => placedOutline(pose, f).map(height)));
  const [px, py] = [0, 3].map((k) => level[k] * middle.x + level[k + 1] * middle.y + level[k + 2] * middle.z);
  return [...level.slice(0, 9), middle.x - px, middle.y - py, -lowest];
}
