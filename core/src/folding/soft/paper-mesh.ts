import { distance, type Point } from '../../measure/point';
import { middle } from '../../pattern/convex';
import { faceOutline, isBorder } from '../../pattern/crease-pattern';
import type { Pose } from '../pose';
import type { Point3 } from '../../measure/vector3';
import { apply } from '../transform';
import type { FoldTarget } from './relax';
import type { SoftMesh } from './soft-mesh';

/** A piece of crease in a mesh: its two corners, the pattern's edge that it belongs to, and its length in mm. */
export interface MeshCrease {
  readonly a: number;
  readonly b: number;
  readonly edge: number;
  readonly lengthMm: number;
}

/** A pose cut into triangles, with the way back to its creases. */
export interface PaperMesh {
  readonly mesh: SoftMesh;
  readonly creases: readonly MeshCrease[];
  /** For each triangle the face of the pattern that it is a part of. */
  readonly faceOf: readonly number[];
}

export interface PaperMeshOptions {
  /** No edge of the mesh is longer, in mm. */
  readonly cellMm: number;
  /** The faces to take; all when left out. Layers stuck to a wall may be left out and their stiffness added. */
  readonly faces?: (face: number) => boolean;
}

interface Triangle {
  readonly corners: [number, number, number];
  readonly face: number;
}

/**
 * Cuts a pose into triangles no larger than asked, along its creases: each face into wedges round its middle, then the
 * longest edges halved, with both their triangles, until all are short enough (Rivara's longest-edge bisection, which keeps
 * angles from getting slim). Corners rest where they lie on the sheet and start where the pose has them.
 */
export function paperMesh(pose: Pose, { cellMm, faces = () => true }: PaperMeshOptions): PaperMesh {
  if (!(cellMm > 0)) throw new RangeError(`A mesh needs cells with a size, not ${cellMm} mm.`);
  const { pattern, placed } = pose;
  const rest: Point[] = [...pattern.vertices];
  const start: (Point3 | undefined)[] = rest.map(() => undefined);
  const triangles: Triangle[] = [];
  const edgeOf = new Map<string, number>();
  const key = (a: number, b: number): string => (a < b ? `${a} ${b}` : `${b} ${a}`);
  pattern.faces.forEach((face, f) => {
    if (!faces(f)) return;
    for (const v of face.vertices) start[v] ??= apply(placed[f], rest[v]);
    face.edges.forEach((e) => {
      if (!isBorder(pattern.edges[e])) edgeOf.set(key(pattern.edges[e].from, pattern.edges[e].to), e);
    });
    const loop = face.vertices;
    if (loop.length === 3) {
      triangles.push({ corners: [loop[0], loop[1], loop[2]], face: f });
      return;
    }
    const centre = rest.push(middle(faceOutline(pattern, f))) - 1;
    start.push(apply(placed[f], rest[centre]));
    loop.forEach((v, k) => triangles.push({ corners: [v, loop[(k + 1) % loop.length], centre], face: f }));
  });
  const halve = (a: number, b: number): void => {
    const m = rest.push({ x: (rest[a].x + rest[b].x) / 2, y: (rest[a].y + rest[b].y) / 2 }) - 1;
    const [p, q] = [start[a]!, start[b]!];
    start.push({ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2, z: (p.z + q.z) / 2 });
    const edge = edgeOf.get(key(a, b));
    if (edge !== undefined) {
      edgeOf.delete(key(a, b));
      edgeOf.set(key(a, m), edge);
      edgeOf.set(key(m, b), edge);
    }
    const count = triangles.length;
    for (let t = 0; t < count; t++) {
      const { corners, face } = triangles[t];
      const k = corners.findIndex(
        (v, i) => (v === a && corners[(i + 1) % 3] === b) || (v === b && corners[(i + 1) % 3] === a),
      );
      if (k < 0) continue;
      const [u, v, w] = [corners[k], corners[(k + 1) % 3], corners[(k + 2) % 3]];
      triangles[t] = { corners: [u, m, w], face };
      triangles.push({ corners: [m, v, w], face });
    }
  };
  for (;;) {
    let longest = cellMm;
    let found: readonly [number, number] | null = null;
    for (const { corners } of triangles)
      corners.forEach((a, i) => {
        const b = corners[(i + 1) % 3];
        const length = distance(rest[a], rest[b]);
        if (length > longest * (1 + 1e-9)) [longest, found] = [length, [a, b]];
      });
    if (!found) break;
    halve(found[0], found[1]);
  }
  return numbered(rest, start, triangles, edgeOf);
}

/** Leaves out the corners that no triangle has. */
function numbered(
  rest: readonly Point[],
  start: readonly (Point3 | undefined)[],
  triangles: readonly Triangle[],
  edgeOf: ReadonlyMap<string, number>,
): PaperMesh {
  const used = [...new Set(triangles.flatMap(({ corners }) => corners))].sort((a, b) => a - b);
  const now = new Map(used.map((v, k) => [v, k]));
  const at = (v: number): number => now.get(v)!;
  const sides = new Map<string, number>();
  for (const { corners } of triangles)
    corners.forEach((a, i) => {
      const b = corners[(i + 1) % 3];
      const side = a < b ? `${a} ${b}` : `${b} ${a}`;
      sides.set(side, (sides.get(side) ?? 0) + 1);
    });
  return {
    mesh: {
      rest: used.map((v) => ({ ...rest[v], z: 0 })),
      start: used.map((v) => start[v]!),
      triangles: triangles.map(({ corners: [a, b, c] }) => [at(a), at(b), at(c)]),
    },
    faceOf: triangles.map(({ face }) => face),
    creases: [...edgeOf].flatMap(([side, edge]) => {
      if (sides.get(side) !== 2) return [];
      const [a, b] = side.split(' ').map(Number);
      return [{ a: at(a), b: at(b), edge, lengthMm: distance(rest[a], rest[b]) }];
    }),
  };
}

/**
 * Fold targets for the creases of a mesh.
 * @param angleDeg the angle that an edge of the pattern strives for, or null to leave it to the paper's bending
 * @param stiffnessPerMm moment per radian and mm of crease, in N
 */
export function foldTargets(
  { creases }: PaperMesh,
  angleDeg: (edge: number) => number | null,
  stiffnessPerMm: number,
): FoldTarget[] {
  return creases.flatMap(({ a, b, edge, lengthMm }) => {
    const angle = angleDeg(edge);
    return angle === null ? [] : [{ a, b, angleDeg: angle, stiffness: stiffnessPerMm * lengthMm }];
  });
}
