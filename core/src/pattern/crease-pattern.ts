import type { Point } from '../measure/point';

/** The name that border edges carry; every crease has another. */
export const RAW_EDGE = 'raw edge';

/** A straight piece of border or crease between two vertices; `left` and `right` are faces, -1 outside the sheet. */
export interface Edge {
  readonly from: number;
  readonly to: number;
  readonly left: number;
  readonly right: number;
  /** Which crease this piece belongs to, as the maker would call it. */
  readonly name: string;
}

/** A face, counter-clockwise seen from the white side: `edges[i]` joins `vertices[i]` to the next vertex. */
export interface Face {
  readonly vertices: readonly number[];
  readonly edges: readonly number[];
}

/**
 * A planar straight-line graph on a sheet, in sheet coordinates (mm).
 *
 * Invariants: the faces tile the outline; each crease has two different faces, each border edge one; edges meet only
 * at vertices. Angles are kept beside the pattern, in a pose.
 */
export interface CreasePattern {
  readonly vertices: readonly Point[];
  readonly edges: readonly Edge[];
  readonly faces: readonly Face[];
  /** Largest extent of the sheet, in mm: what tolerances are relative to. */
  readonly size: number;
  /** For a pattern folded a little off: where the vertices were meant to be. Sheet points are looked up there. */
  readonly meant?: readonly Point[];
}

/**
 * The one tolerance of the geometry: points closer than this share of the sheet's size are one point. Double
 * arithmetic over some dozens of folds stays three orders of magnitude below it; a maker's crease, five above.
 */
export const RELATIVE_TOLERANCE = 1e-8;

export function toleranceOf(pattern: CreasePattern): number {
  return pattern.size * RELATIVE_TOLERANCE;
}

export function isBorder(edge: Edge): boolean {
  return edge.left < 0 || edge.right < 0;
}

/** The corners of a face in sheet coordinates. */
export function faceOutline(pattern: CreasePattern, face: number): Point[] {
  return pattern.faces[face].vertices.map((v) => pattern.vertices[v]);
}

/** The largest width or height of a set of points. */
export function extentOf(points: readonly Point[]): number {
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  return Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys));
}

/** Completes edges with their faces, from face loops over undirected vertex pairs. */
export function assemble(
  vertices: readonly Point[],
  loops: readonly (readonly number[])[],
  nameOf: (from: number, to: number) => string,
  size: number,
): CreasePattern {
  const edges: { from: number; to: number; left: number; right: number; name: string }[] = [];
  const index = new Map<number, number>();
  const key = (a: number, b: number): number => Math.min(a, b) * vertices.length + Math.max(a, b);
  const faces = loops.map((loop, face) => ({
    vertices: loop,
    edges: loop.map((from, i) => {
      const to = loop[(i + 1) % loop.length];
      const known = index.get(key(from, to));
      if (known !== undefined) {
        edges[known].right = face;
        return known;
      }
      index.set(key(from, to), edges.length);
      return edges.push({ from, to, left: face, right: -1, name: nameOf(from, to) }) - 1;
    }),
  }));
  return { vertices, edges, faces, size };
}
