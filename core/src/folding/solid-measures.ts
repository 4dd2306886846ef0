import { placedOutline, type Pose } from './pose';
import { cross, dot, minus, onWay, type Point3 } from '../measure/vector3';

/** A flat convex polygon in space. */
export type Polygon3 = readonly Point3[];

/** Smallest and largest coordinates of polygons. */
export function boundsOf(polygons: readonly Polygon3[]): { readonly low: Point3; readonly high: Point3 } {
  const low = { x: Infinity, y: Infinity, z: Infinity };
  const high = { x: -Infinity, y: -Infinity, z: -Infinity };
  for (const polygon of polygons)
    for (const p of polygon)
      for (const axis of ['x', 'y', 'z'] as const) {
        low[axis] = Math.min(low[axis], p[axis]);
        high[axis] = Math.max(high[axis], p[axis]);
      }
  return { low, high };
}

/** How far paper reaches along x, y and z as it stands. */
export function spanOf(pose: Pose): Point3 {
  const { low, high } = boundsOf(pose.pattern.faces.map((_, f) => placedOutline(pose, f)));
  return minus(high, low);
}

/**
 * Volume within a closed surface, in mm³, positive when its polygons run counter-clockwise seen from outside
 * (divergence theorem). For an open surface it is the volume of the cone over it from the origin.
 */
export function signedVolume(polygons: readonly Polygon3[]): number {
  let six = 0;
  for (const polygon of polygons)
    for (let k = 2; k < polygon.length; k++) six += dot(polygon[0], cross(polygon[k - 1], polygon[k]));
  return six / 6;
}

/** The pieces of line in which polygons cross a plane `normal · p = offset`; a polygon that lies in the plane gives none. */
export function crossSection(
  polygons: readonly Polygon3[],
  normal: Point3,
  offset: number,
): (readonly [Point3, Point3])[] {
  return polygons.flatMap((polygon) => {
    const cuts: Point3[] = [];
    polygon.forEach((p, k) => {
      const q = polygon[(k + 1) % polygon.length];
      const [hp, hq] = [dot(normal, p) - offset, dot(normal, q) - offset];
      if (hp === 0 && hq !== 0) cuts.push(p);
      else if (hp * hq < 0) cuts.push(onWay(p, q, hp / (hp - hq)));
    });
    return cuts.length === 2 ? [[cuts[0], cuts[1]] as const] : [];
  });
}

/** Least distance between two flat convex polygons, in mm; 0 where they touch or cross. */
export function distanceBetween(a: Polygon3, b: Polygon3): number {
  if (pierces(a, b) || pierces(b, a)) return 0;
  let least = Infinity;
  for (const [one, other] of [
    [a, b],
    [b, a],
  ])
    for (const p of one) least = Math.min(least, pointToPolygon(p, other));
  a.forEach((p, i) =>
    b.forEach(
      (q, j) => (least = Math.min(least, segmentToSegment(p, a[(i + 1) % a.length], q, b[(j + 1) % b.length]))),
    ),
  );
  return least;
}

function normalOf(polygon: Polygon3): Point3 {
  let n = { x: 0, y: 0, z: 0 };
  for (let k = 2; k < polygon.length; k++) {
    const c = cross(minus(polygon[k - 1], polygon[0]), minus(polygon[k], polygon[0]));
    n = { x: n.x + c.x, y: n.y + c.y, z: n.z + c.z };
  }
  const length = Math.sqrt(dot(n, n));
  return { x: n.x / length, y: n.y / length, z: n.z / length };
}

function inside(p: Point3, polygon: Polygon3, n: Point3): boolean {
  return polygon.every((a, k) => dot(n, cross(minus(polygon[(k + 1) % polygon.length], a), minus(p, a))) >= 0);
}

/** Whether an edge of one polygon goes through the other's inside. */
function pierces(edges: Polygon3, polygon: Polygon3): boolean {
  const n = normalOf(polygon);
  return edges.some((p, k) => {
    const q = edges[(k + 1) % edges.length];
    const [hp, hq] = [dot(n, minus(p, polygon[0])), dot(n, minus(q, polygon[0]))];
    return hp * hq < 0 && inside(onWay(p, q, hp / (hp - hq)), polygon, n);
  });
}

function pointToPolygon(p: Point3, polygon: Polygon3): number {
  const n = normalOf(polygon);
  const height = dot(n, minus(p, polygon[0]));
  const foot = { x: p.x - height * n.x, y: p.y - height * n.y, z: p.z - height * n.z };
  return inside(foot, polygon, n) ? Math.abs(height) : Infinity;
}

const clamp = (t: number): number => Math.max(0, Math.min(1, t));

/** Closest points of two segments, clamped one after the other. */
function segmentToSegment(p1: Point3, q1: Point3, p2: Point3, q2: Point3): number {
  const [d1, d2, r] = [minus(q1, p1), minus(q2, p2), minus(p1, p2)];
  const [a, e, f, c, b] = [dot(d1, d1), dot(d2, d2), dot(d2, r), dot(d1, r), dot(d1, d2)];
  const denominator = a * e - b * b;
  let s = denominator > 1e-12 * a * e ? clamp((b * f - c * e) / denominator) : 0;
  let t = (b * s + f) / e;
  if (t < 0) {
    t = 0;
    s = clamp(-c / a);
  } else if (t > 1) {
    t = 1;
    s = clamp((b - c) / a);
  }
  const gap = minus(onWay(p1, q1, s), onWay(p2, q2, t));
  return Math.sqrt(dot(gap, gap));
}
