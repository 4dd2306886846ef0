import type { Point } from '../measure/point';
import type { Point3 } from '../measure/vector3';

/** A rigid motion: nine rotation entries row by row, then the translation in mm. */
export type Transform = readonly number[];

export const IDENTITY: Transform = [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0];

/** Where a motion takes a point of the sheet (z = 0) or of space. */
export function apply(m: Transform, p: Point & { readonly z?: number }): Point3 {
  const z = p.z ?? 0;
  return {
    x: m[0] * p.x + m[1] * p.y + m[2] * z + m[9],
    y: m[3] * p.x + m[4] * p.y + m[5] * z + m[10],
    z: m[6] * p.x + m[7] * p.y + m[8] * z + m[11],
  };
}

/** First `b`, then `a`. Written out: poses are made of thousands of these. */
export function compose(a: Transform, b: Transform): Transform {
  return [
    a[0] * b[0] + a[1] * b[3] + a[2] * b[6],
    a[0] * b[1] + a[1] * b[4] + a[2] * b[7],
    a[0] * b[2] + a[1] * b[5] + a[2] * b[8],
    a[3] * b[0] + a[4] * b[3] + a[5] * b[6],
    a[3] * b[1] + a[4] * b[4] + a[5] * b[7],
    a[3] * b[2] + a[4] * b[5] + a[5] * b[8],
    a[6] * b[0] + a[7] * b[3] + a[8] * b[6],
    a[6] * b[1] + a[7] * b[4] + a[8] * b[7],
    a[6] * b[2] + a[7] * b[5] + a[8] * b[8],
    a[0] * b[9] + a[1] * b[10] + a[2] * b[11] + a[9],
    a[3] * b[9] + a[4] * b[10] + a[5] * b[11] + a[10],
    a[6] * b[9] + a[7] * b[10] + a[8] * b[11] + a[11],
  ];
}

export function inverse(m: Transform): Transform {
  const [x, y, z] = [m[9], m[10], m[11]];
  return [
    m[0],
    m[3],
    m[6],
    m[1],
    m[4],
    m[7],
    m[2],
    m[5],
    m[8],
    -(m[0] * x + m[3] * y + m[6] * z),
    -(m[1] * x + m[4] * y + m[7] * z),
    -(m[2] * x + m[5] * y + m[8] * z),
  ];
}

/** Exact cosine and sine at the quarter turns that folding uses most. */
export function cosSin(deg: number): readonly [number, number] {
  switch (((deg % 360) + 360) % 360) {
    case 0:
      return [1, 0];
    case 90:
      return [0, 1];
    case 180:
      return [-1, 0];
    case 270:
      return [0, -1];
    default: {
      const rad = (deg * Math.PI) / 180;
      return [Math.cos(rad), Math.sin(rad)];
    }
  }
}

/** Rotation by the right hand about the sheet line from `a` towards `b`. */
export function aboutSheetLine(a: Point, b: Point, deg: number): Transform {
  const [c, s] = cosSin(deg);
  const length = Math.sqrt((b.x - a.x) ** 2 + (b.y - a.y) ** 2);
  const ux = (b.x - a.x) / length;
  const uy = (b.y - a.y) / length;
  const v = 1 - c;
  const r = [c + ux * ux * v, ux * uy * v, uy * s, ux * uy * v, c + uy * uy * v, -ux * s, -uy * s, ux * s, c];
  r.push(a.x - r[0] * a.x - r[1] * a.y, a.y - r[3] * a.x - r[4] * a.y, -r[6] * a.x - r[7] * a.y);
  return r;
}

/** Rotation in the table's plane about a table point, counter-clockwise seen from above. */
export function turnOnTable(at: Point, deg: number): Transform {
  const [c, s] = cosSin(deg);
  return [c, -s, 0, s, c, 0, 0, 0, 1, at.x - c * at.x + s * at.y, at.y - s * at.x - c * at.y, 0];
}

/** Half turn in space about the upright table line x = `x`: the paper turned over like a page. */
export function overUpright(x: number): Transform {
  return [-1, 0, 0, 0, 1, 0, 0, 0, -1, 2 * x, 0, 0];
}
