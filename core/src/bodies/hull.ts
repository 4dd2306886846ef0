import { signedVolume } from '../folding/solid-measures';
import { cross, dot, minus, type Point3, unitOf } from '../measure/vector3';

/** A hull of flat panels, floor at z = 0: one quarter's corners, the others are mirror images in x and y. */
export interface Hull {
  /** Where floor, side and bend meet. */
  readonly chine: Point3;
  /** Above it on the rim. */
  readonly rim: Point3;
  /** The tip, on the middle line. */
  readonly tip: Point3;
}

/** How the boat's floor and sides bend where the ends begin, for walls that stand at an angle to the floor, in radians. */
export function bendOf(wallRad: number): number {
  return Math.asin((Math.SQRT2 - 1) * Math.tan(wallRad / 2));
}

/** All panels, counter-clockwise from outside. */
export function panels({ chine, rim, tip }: Hull): Point3[][] {
  const at = ({ x, y, z }: Point3, sx: number, sy: number): Point3 => ({ x: sx * x, y: sy * y, z });
  const list: Point3[][] = [[at(chine, -1, 1), at(chine, 1, 1), at(chine, 1, -1), at(chine, -1, -1)]];
  for (const sx of [1, -1]) list.push(oriented([at(chine, sx, -1), at(chine, sx, 1), at(tip, sx, 1)]));
  for (const sy of [1, -1]) {
    list.push(oriented([at(chine, 1, sy), at(chine, -1, sy), at(rim, -1, sy), at(rim, 1, sy)]));
    for (const sx of [1, -1]) list.push(oriented([at(chine, sx, sy), at(rim, sx, sy), at(tip, sx, sy)]));
  }
  return list;
}

/** The cross product of the sides of a triangle from its first corner. */
const normal = (a: Point3, b: Point3, c: Point3): Point3 => cross(minus(b, a), minus(c, a));

/** Turned so that it faces away from the middle of the boat. */
function oriented(panel: Point3[]): Point3[] {
  const [a, b, c] = panel;
  const n = normal(a, b, c);
  // The middle of the mouth lies inside of every panel's plane.
  const inside = { x: 0, y: 0, z: Math.max(a.z, b.z, c.z) };
  const away = n.x * (a.x - inside.x) + n.y * (a.y - inside.y) + n.z * (a.z - inside.z);
  return away >= 0 ? panel : [...panel].reverse();
}

/** A quarter of the water plane at a height below rim and tips: out along the side, then in along the end. */
interface QuarterPlane {
  readonly side: { readonly x: number; readonly y: number };
  readonly end: { readonly x: number; readonly y: number };
}

/** Where the water meets the edges from chine to rim and from chine to tip. */
export function waterPlane({ chine, rim, tip }: Hull, heightMm: number): QuarterPlane {
  const [up, out] = [heightMm / rim.z, heightMm / tip.z];
  return {
    side: { x: chine.x + up * (rim.x - chine.x), y: chine.y + up * (rim.y - chine.y) },
    end: { x: chine.x + out * (tip.x - chine.x), y: chine.y * (1 - out) },
  };
}

function planeArea(hull: Hull, heightMm: number): number {
  const { side, end } = waterPlane(hull, heightMm);
  return 4 * side.x * side.y + 2 * (end.x - side.x) * (side.y + end.y);
}

/**
 * Volume below a water line, in mm³. Up to rim and tips the water plane's area is a quadratic of the height, for which
 * Simpson's rule is exact; above them the water's surface closes what is left of the hull.
 */
export function displacedMm3(hull: Hull, draughtMm: number): number {
  if (draughtMm <= Math.min(hull.rim.z, hull.tip.z))
    return (draughtMm / 6) * (planeArea(hull, 0) + 4 * planeArea(hull, draughtMm / 2) + planeArea(hull, draughtMm));
  return volumeBelow(hull, draughtMm);
}

/** The same at any height, from the pieces of all panels that lie below it. */
export function volumeBelow(hull: Hull, draughtMm: number): number {
  const below = panels(hull).flatMap((panel) => {
    const kept: Point3[] = [];
    panel.forEach((p, k) => {
      const q = panel[(k + 1) % panel.length];
      if (p.z <= draughtMm) kept.push(p);
      if ((p.z < draughtMm && q.z > draughtMm) || (p.z > draughtMm && q.z < draughtMm)) {
        const t = (draughtMm - p.z) / (q.z - p.z);
        kept.push({ x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y), z: draughtMm });
      }
    });
    return kept.length >= 3 ? [kept] : [];
  });
  // Seen from a point in the water's surface that surface itself spans no volume.
  return signedVolume(below.map((panel) => panel.map((p) => ({ ...p, z: p.z - draughtMm }))));
}

/** The fold angle at the edge from chine to tip, in degrees: how far the end of the wall turns up from the end of the floor. */
export function endFoldDeg({ chine, rim, tip }: Hull): number {
  const across = { ...chine, y: -chine.y };
  // Both seen with the tip's edge running the same way: unfolded, the two normals agree.
  const floor = unitOf(normal(chine, tip, across));
  const wall = unitOf(normal(chine, rim, tip));
  const cosine = dot(floor, wall);
  return (Math.acos(Math.max(-1, Math.min(1, cosine))) * 180) / Math.PI;
}
