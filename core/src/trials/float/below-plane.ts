import { cross, dot, minus, onWay, plus, type Point3, scaledBy, unitOf } from '../../measure/vector3';

/** A surface of the water as a hull sees it: all points with `up · p = height`. */
export interface WaterPlane {
  /** A unit vector. */
  readonly up: Point3;
  readonly heightMm: number;
}

/** What of a hull is under water. */
export interface Submerged {
  /** In mm³. */
  readonly volume: number;
  /** The middle of the water that is pushed aside. */
  readonly centre: Point3;
  /** The cut through the hull at the water: its area in mm², its middle, and its second moments about axes through that, in mm⁴. */
  readonly cut: {
    readonly area: number;
    readonly centre: Point3;
    /** About the given axis. */
    readonly about: (axis: Point3) => number;
  };
}

/** Corners of a polygon that lie below, and where its edges cross the surface. */
function below(polygon: readonly Point3[], { up, heightMm }: WaterPlane): { kept: Point3[]; cut: Point3[] } {
  const [kept, cut]: [Point3[], Point3[]] = [[], []];
  polygon.forEach((p, k) => {
    const q = polygon[(k + 1) % polygon.length];
    const [hp, hq] = [dot(up, p) - heightMm, dot(up, q) - heightMm];
    if (hp <= 0) kept.push(p);
    // A corner in the surface counts as below it: so every panel crosses twice or not at all.
    if (hp <= 0 !== hq <= 0) {
      const at = onWay(p, q, hp / (hp - hq));
      kept.push(at);
      // First where the panel goes up through the surface, then where it comes down again.
      if (hp <= 0) cut.unshift(at);
      else cut.push(at);
    }
  });
  return { kept, cut };
}

/**
 * What of a hull lies below a plane, exactly: its flat panels are cut at the water, and pyramids over them from a point in the
 * surface are summed; the surface itself spans none.
 * @param panels counter-clockwise seen from outside; the mouth is open and has to be above the water
 */
export function submerged(panels: readonly (readonly Point3[])[], plane: WaterPlane): Submerged {
  const { up, heightMm } = plane;
  const origin = scaledBy(up, heightMm);
  let six = 0;
  let first: Point3 = { x: 0, y: 0, z: 0 };
  const edges: (readonly [Point3, Point3])[] = [];
  for (const panel of panels) {
    const { kept, cut } = below(panel, plane);
    if (cut.length === 2) edges.push([cut[0], cut[1]]);
    const [a, ...rest] = kept.map((p) => minus(p, origin));
    for (let k = 1; k < rest.length; k++) {
      const part = dot(a, cross(rest[k - 1], rest[k]));
      six += part;
      first = plus(first, scaledBy(plus(a, plus(rest[k - 1], rest[k])), part / 4));
    }
  }
  const volume = six / 6;
  return {
    volume,
    centre: six ? plus(origin, scaledBy(first, 1 / six)) : origin,
    cut: cutOf(edges, up, origin),
  };
}

/** Area, middle and second moments of what edges enclose in a plane (Green's theorem): whichever way round they run. */
function cutOf(edges: readonly (readonly [Point3, Point3])[], up: Point3, origin: Point3): Submerged['cut'] {
  const east = unitOf(Math.abs(up.x) < 0.9 ? cross({ x: 1, y: 0, z: 0 }, up) : cross({ x: 0, y: 1, z: 0 }, up));
  const north = cross(up, east);
  let [a, u, v, uu, uv, vv] = [0, 0, 0, 0, 0, 0];
  for (const [p, q] of edges) {
    const [pu, pv] = [dot(east, minus(p, origin)), dot(north, minus(p, origin))];
    const [qu, qv] = [dot(east, minus(q, origin)), dot(north, minus(q, origin))];
    const w = pu * qv - qu * pv;
    a += w / 2;
    u += (w * (pu + qu)) / 6;
    v += (w * (pv + qv)) / 6;
    uu += (w * (pu * pu + pu * qu + qu * qu)) / 12;
    vv += (w * (pv * pv + pv * qv + qv * qv)) / 12;
    uv += (w * (pu * qv + 2 * pu * pv + 2 * qu * qv + qu * pv)) / 24;
  }
  const turn = a < 0 ? -1 : 1;
  [a, u, v, uu, uv, vv] = [a, u, v, uu, uv, vv].map((part) => turn * part);
  const [cu, cv] = a ? [u / a, v / a] : [0, 0];
  return {
    area: a,
    centre: plus(origin, plus(scaledBy(east, cu), scaledBy(north, cv))),
    about(axis) {
      const [s, t] = [dot(axis, east), dot(axis, north)];
      const size = Math.hypot(s, t) || 1;
      // Distance from the axis, squared: of (−t, s) · (u, v).
      const [m, n] = [-t / size, s / size];
      return m * m * (uu - a * cu * cu) + 2 * m * n * (uv - a * cu * cv) + n * n * (vv - a * cv * cv);
    },
  };
}
