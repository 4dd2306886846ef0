import { orient2d } from 'robust-predicates';
import type { Point } from '../measure/point';
import { area } from './convex';

/** Whether a → b → c turns left (+), right (-) or runs straight (0), decided exactly. */
export function turn(a: Point, b: Point, c: Point): number {
  // The predicate's y axis points down: its sign is opposite to ours.
  return -Math.sign(orient2d(a.x, a.y, b.x, b.y, c.x, c.y));
}

/**
 * A sheet's outline, counter-clockwise, corners that lie on a straight side left out.
 * @throws RangeError naming the corner when it is not a convex polygon with area
 */
export function convexOutline(corners: readonly Point[]): Point[] {
  corners.forEach((p, k) => {
    if (!Number.isFinite(p.x) || !Number.isFinite(p.y))
      throw new RangeError(`Corner ${k} of the sheet is (${p.x}, ${p.y}); it needs two numbers.`);
  });
  const ring = area(corners) < 0 ? [...corners].reverse() : [...corners];
  const distinct = ring.filter((p, k) => {
    const before = ring[(k + ring.length - 1) % ring.length];
    return p.x !== before.x || p.y !== before.y;
  });
  const real = distinct.filter(
    (p, k) => turn(distinct[(k + distinct.length - 1) % distinct.length], p, distinct[(k + 1) % distinct.length]) !== 0,
  );
  if (real.length < 3)
    throw new RangeError(
      `A sheet needs three corners that do not lie in a line; ${real.length} of ${corners.length} do.`,
    );
  real.forEach((p, k) => {
    if (turn(real[(k + real.length - 1) % real.length], p, real[(k + 1) % real.length]) < 0)
      throw new RangeError(`The sheet is not convex at (${p.x}, ${p.y}).`);
  });
  if (Math.round(turning(real) / (2 * Math.PI)) !== 1)
    throw new RangeError('The sheet’s outline goes round more than once.');
  return real;
}

/** Sum of the angles turned at the corners: 2π for each time round. */
function turning(ring: readonly Point[]): number {
  return ring.reduce((sum, p, k) => {
    const [before, after] = [ring[(k + ring.length - 1) % ring.length], ring[(k + 1) % ring.length]];
    const [ux, uy, vx, vy] = [p.x - before.x, p.y - before.y, after.x - p.x, after.y - p.y];
    return sum + Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy);
  }, 0);
}
