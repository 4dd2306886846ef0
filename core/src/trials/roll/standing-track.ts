import type { Pose } from '../../folding/pose';
import { apply } from '../../folding/transform';
import type { Run } from '../../forms/form';
import { distance, type Point } from '../../measure/point';
import { cross, dot, minus, plus, type Point3, scaledBy, unitOf } from '../../measure/vector3';
import type { TrackShape } from './roll-down';

/** A point turned about an axis through another by an angle (Rodrigues). */
function turnedAbout(p: Point3, through: Point3, axis: Point3, deg: number): Point3 {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  const from = minus(p, through);
  const along = scaledBy(axis, dot(axis, from) * (1 - c));
  return plus(through, plus(scaledBy(from, c), plus(scaledBy(cross(axis, from), s), along)));
}

/**
 * Where each vertex stands when it lies a little beside its place on the sheet: moved with the faces round it, in their middle,
 * since paper bends and holds together. Exact where nothing is missed.
 */
function verticesOf({ pattern, placed }: Pose, onSheet: readonly Point[]): readonly Point3[] {
  const sums = pattern.vertices.map(() => ({ at: { x: 0, y: 0, z: 0 }, of: 0 }));
  pattern.faces.forEach(({ vertices }, f) => {
    for (const v of vertices) {
      sums[v].at = plus(sums[v].at, apply(placed[f], onSheet[v]));
      sums[v].of++;
    }
  });
  return sums.map(({ at, of }) => scaledBy(at, 1 / Math.max(1, of)));
}

/** The vertex at a place of the sheet. */
function vertexAt({ vertices }: Pose['pattern'], p: Point): number {
  const far = vertices.map((q) => distance(p, q));
  return far.indexOf(Math.min(...far));
}

/**
 * The faces of a standing track with the tips of its corner walls lifted: each wall is bent up, soft, about the line between
 * the ridges beside its turn; its leg follows the tip. The two ends stay as they are.
 * @param missed the vertices of its pattern as a hand that misses creased them; where they should be when left out
 */
export function standingTrack(pose: Pose, { corners }: Run, liftDeg: number, missed?: readonly Point[]): TrackShape {
  const { pattern } = pose;
  const onSheet = missed?.length === pattern.vertices.length ? missed : pattern.vertices;
  const at = [...verticesOf(pose, onSheet)];
  const named = corners.map(({ turn, tip, ridge }) => ({
    turn: vertexAt(pattern, turn),
    tip: vertexAt(pattern, tip),
    ridge: vertexAt(pattern, ridge),
  }));
  const lifted = new Map<number, Point3>();
  named.slice(1, -1).forEach(({ turn, tip }, k) => {
    const axis = unitOf(minus(at[named[k + 2].ridge], at[named[k].ridge]));
    const [one, other] = [liftDeg, -liftDeg].map((deg) => turnedAbout(at[tip], at[turn], axis, deg));
    lifted.set(tip, one.z > other.z ? one : other);
  });
  for (const [v, p] of lifted) at[v] = p;
  // Where it bends a face is flat no more.
  const faces = pattern.faces.flatMap(({ vertices: [first, ...rest] }) =>
    rest.slice(1).map((v, k) => [at[first], at[rest[k]], at[v]]),
  );
  return { faces, path: named.map(({ turn }) => at[turn]).reverse(), tray: null };
}
