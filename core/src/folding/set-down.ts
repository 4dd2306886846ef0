import type { Point } from '../measure/point';
import { cross, dot, minus, type Point3, scaledBy, unitOf } from '../measure/vector3';
import { placedOutline, type Pose, whereIs } from './pose';
import { compose, type Transform } from './transform';

/**
 * How a piece is set on the table: two directions on it that come to lie level, and a sheet point that is above; for paper that
 * lies flat none is, and the second direction is to the left of the first.
 */
export interface SetDown {
  /** From the middle of some points to the middle of others. */
  readonly along: readonly [readonly Point[], readonly Point[]];
  readonly across: readonly [Point, Point];
  readonly above?: Point;
}

/** The motion that sets a piece down: level, square to the table, its lowest point on it. */
export function setDown(pose: Pose, { along, across, above }: SetDown): Transform {
  const at = (p: Point) => whereIs(pose, p);
  const total = (points: readonly Point[]): Point3 =>
    points.map(at).reduce((sum, p) => ({ x: sum.x + p.x, y: sum.y + p.y, z: sum.z + p.z }));
  const [middle, end] = along.map((points) => scaledBy(total(points), 1 / points.length));
  const x = unitOf(minus(end, middle));
  const side = minus(at(across[1]), at(across[0]));
  const z = unitOf(cross(x, side));
  const up = !above || dot(z, minus(at(above), middle)) > 0 ? z : { x: -z.x, y: -z.y, z: -z.z };
  const y = cross(up, x);
  // Its length runs across the table, the way that it was headed.
  const c = x.x < 0 ? -1 : 1;
  const turn: Transform = [c, 0, 0, 0, c, 0, 0, 0, 1, 0, 0, 0];
  const level = compose(turn, [x.x, x.y, x.z, y.x, y.y, y.z, up.x, up.y, up.z, 0, 0, 0]);
  const height = (p: { x: number; y: number; z: number }): number => level[6] * p.x + level[7] * p.y + level[8] * p.z;
  const lowest = Math.min(...pose.pattern.faces.flatMap((_, f) => placedOutline(pose, f).map(height)));
  const [px, py] = [0, 3].map((k) => level[k] * middle.x + level[k + 1] * middle.y + level[k + 2] * middle.z);
  return [...level.slice(0, 9), middle.x - px, middle.y - py, -lowest];
}
