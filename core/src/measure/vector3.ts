/** A point or vector in space, in mm; z points up from the table. */
export interface Point3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export const minus = (p: Point3, q: Point3): Point3 => ({ x: p.x - q.x, y: p.y - q.y, z: p.z - q.z });

export const plus = (p: Point3, q: Point3): Point3 => ({ x: p.x + q.x, y: p.y + q.y, z: p.z + q.z });

export const scaledBy = (p: Point3, k: number): Point3 => ({ x: p.x * k, y: p.y * k, z: p.z * k });

export const dot = (p: Point3, q: Point3): number => p.x * q.x + p.y * q.y + p.z * q.z;

/** By the right hand: x cross y is z. */
export const cross = (p: Point3, q: Point3): Point3 => ({
  x: p.y * q.z - p.z * q.y,
  y: p.z * q.x - p.x * q.z,
  z: p.x * q.y - p.y * q.x,
});

/** Written out: `Math.hypot` takes ten times as long. */
export const lengthOf = (p: Point3): number => Math.sqrt(p.x * p.x + p.y * p.y + p.z * p.z);

export const distance3 = (p: Point3, q: Point3): number => lengthOf(minus(p, q));

/** The point at a share of the way from one to another. */
export const onWay = (p: Point3, q: Point3, share: number): Point3 => ({
  x: p.x + share * (q.x - p.x),
  y: p.y + share * (q.y - p.y),
  z: p.z + share * (q.z - p.z),
});

/** The same direction with length 1. */
export const unitOf = (p: Point3): Point3 => scaledBy(p, 1 / lengthOf(p));
