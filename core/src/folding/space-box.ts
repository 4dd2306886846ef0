import type { Point3 } from '../measure/vector3';

/** Least and largest x, y and z of some points. */
export type SpaceBox = readonly [number, number, number, number, number, number];

export function boxOf(points: readonly Point3[]): SpaceBox {
  let [x0, x1, y0, y1, z0, z1] = [Infinity, -Infinity, Infinity, -Infinity, Infinity, -Infinity];
  for (const { x, y, z } of points) {
    if (x < x0) x0 = x;
    if (x > x1) x1 = x;
    if (y < y0) y0 = y;
    if (y > y1) y1 = y;
    if (z < z0) z0 = z;
    if (z > z1) z1 = z;
  }
  return [x0, x1, y0, y1, z0, z1];
}

/** Whether two boxes are further apart than `margin` in some direction; a negative margin asks for that much in common. */
export function apart(a: SpaceBox, b: SpaceBox, margin: number): boolean {
  return (
    a[0] > b[1] + margin ||
    b[0] > a[1] + margin ||
    a[2] > b[3] + margin ||
    b[2] > a[3] + margin ||
    a[4] > b[5] + margin ||
    b[4] > a[5] + margin
  );
}
