import type { Point3 } from '../../src/index';

const rect = (l: number, w: number, z: number): Point3[] => [
  { x: 0, y: 0, z },
  { x: l, y: 0, z },
  { x: l, y: w, z },
  { x: 0, y: w, z },
];

/** Four walls upright over a rectangle, its floor before them where it has one. */
export function openBox(l: number, w: number, h: number, floored = true): Point3[][] {
  const [low, high] = [rect(l, w, 0), rect(l, w, h)];
  return [...(floored ? [low] : []), ...low.map((p, k) => [p, low[(k + 1) % 4], high[(k + 1) % 4], high[k]])];
}
