import { type BodiesShown, type PouredThing, seededRandom, sidesOf } from '../../src/index';

const POINTS = 20_000;

/** Whether a point lies in a body that stands as shown. */
function inside(
  bodies: BodiesShown,
  k: number,
  { shape }: PouredThing,
  half: readonly number[],
  p: readonly number[],
): boolean {
  const [dx, dy, dz] = [0, 1, 2].map((axis) => p[axis] - bodies[7 * k + axis]);
  const [a, b, c] = half;
  if (dx * dx + dy * dy + dz * dz > a * a + b * b + c * c) return false;
  if (shape === 'ball') return dx * dx + dy * dy + dz * dz <= a * a;
  // Turned back into its own axes.
  const [qx, qy, qz, s] = [-bodies[7 * k + 3], -bodies[7 * k + 4], -bodies[7 * k + 5], bodies[7 * k + 6]];
  const [tx, ty, tz] = [2 * (qy * dz - qz * dy), 2 * (qz * dx - qx * dz), 2 * (qx * dy - qy * dx)];
  const x = dx + s * tx + qy * tz - qz * ty;
  const y = dy + s * ty + qz * tx - qx * tz;
  const z = dz + s * tz + qx * ty - qy * tx;
  if (shape === 'disc') return Math.abs(y) <= c && x * x + z * z <= a * a;
  if (shape === 'seed') return x * x + z * z + Math.max(0, Math.abs(y) - (a - b)) ** 2 <= b * b;
  return Math.abs(x) <= a && Math.abs(y) <= b && Math.abs(z) <= c;
}

/** Which share of the inner part of a box bodies fill, by points drawn in it: away from walls, and below what lies on top. */
export function filledShare(
  bodies: BodiesShown,
  thing: PouredThing,
  { x, y, low }: { readonly x: readonly [number, number]; readonly y: readonly [number, number]; readonly low: number },
): number {
  const half = sidesOf(thing).map((mm) => mm / 2);
  const count = bodies.length / 7;
  const heights = Array.from({ length: count }, (_, k) => bodies[7 * k + 2]).sort((a, b) => a - b);
  const high = heights[Math.floor(0.85 * count)] - half[0];
  const random = seededRandom(1);
  let filled = 0;
  for (let n = 0; n < POINTS; n++) {
    const p = [x[0] + random() * (x[1] - x[0]), y[0] + random() * (y[1] - y[0]), low + random() * (high - low)];
    for (let k = 0; k < count; k++)
      if (inside(bodies, k, thing, half, p)) {
        filled++;
        break;
      }
  }
  return filled / POINTS;
}
