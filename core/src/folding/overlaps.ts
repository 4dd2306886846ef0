import type { Point } from '../measure/point';
import { area, counterClockwise, intersect } from '../pattern/convex';
import { type CreasePattern, faceOutline } from '../pattern/crease-pattern';
import { apply, compose, inverse, type Transform } from './transform';

/** Two faces that lie on each other: `parallel` is +1 when their white sides face the same way, -1 when opposite. */
export interface Overlap {
  readonly i: number;
  readonly j: number;
  readonly parallel: 1 | -1;
}

/** Overlaps smaller than this share of the sheet's area are touching edges, not layers. */
export const OVERLAP_SHARE = 1e-9;

const COPLANAR = 1e-7;

/** +1 or -1 when face j lies in the plane of face i (white sides alike or opposite), 0 when it does not. */
export function coplanar(a: Transform, b: Transform, size: number): 1 | -1 | 0 {
  const cosine = a[2] * b[2] + a[5] * b[5] + a[8] * b[8];
  if (Math.abs(Math.abs(cosine) - 1) > 1e-12 + COPLANAR * COPLANAR) return 0;
  const offset = a[2] * (b[9] - a[9]) + a[5] * (b[10] - a[10]) + a[8] * (b[11] - a[11]);
  if (Math.abs(offset) > COPLANAR * size) return 0;
  return cosine > 0 ? 1 : -1;
}

/** Face j's outline seen in the sheet coordinates of face i, counter-clockwise. */
export function outlineInFrameOf(pattern: CreasePattern, placed: readonly Transform[], i: number, j: number): Point[] {
  const m = compose(inverse(placed[i]), placed[j]);
  return counterClockwise(faceOutline(pattern, j).map((p) => apply(m, p)));
}

/** The faces sorted into planes, each face's outline in the coordinates of its plane (those of its first face). */
export interface PlaneSorting {
  /** Which plane a face lies in. */
  readonly plane: readonly number[];
  /** Whether its white side faces the plane's side: +1 or -1. */
  readonly facing: readonly (1 | -1)[];
  /** Counter-clockwise outlines in plane coordinates. */
  readonly outlines: readonly (readonly Point[])[];
}

/** Sorts placed faces into planes, so that each outline is mapped once. */
export function sortIntoPlanes(pattern: CreasePattern, placed: readonly Transform[]): PlaneSorting {
  const leaders: { readonly m: Transform; readonly back: Transform }[] = [];
  const plane: number[] = [];
  const facing: (1 | -1)[] = [];
  const outlines = placed.map((m, f) => {
    let k = 0;
    let side: 1 | -1 | 0 = 0;
    for (; k < leaders.length; k++) {
      side = coplanar(leaders[k].m, m, pattern.size);
      if (side) break;
    }
    if (!side) {
      leaders.push({ m, back: inverse(m) });
      side = 1;
    }
    plane.push(k);
    facing.push(side);
    const toPlane = compose(leaders[k].back, m);
    const outline = pattern.faces[f].vertices.map((v) => {
      const p = pattern.vertices[v];
      return {
        x: toPlane[0] * p.x + toPlane[1] * p.y + toPlane[9],
        y: toPlane[3] * p.x + toPlane[4] * p.y + toPlane[10],
      };
    });
    return side < 0 ? outline.reverse() : outline;
  });
  return { plane, facing, outlines };
}

/**
 * All pairs i < j of faces that lie in one plane and share area.
 * @param known whether two faces share area, of pairs for which that is known; only the others are measured
 */
export function findOverlaps(
  pattern: CreasePattern,
  placed: readonly Transform[],
  known?: (i: number, j: number) => boolean | undefined,
  sorted: PlaneSorting = sortIntoPlanes(pattern, placed),
): Overlap[] {
  const found: Overlap[] = [];
  const n = pattern.faces.length;
  const smallest = OVERLAP_SHARE * pattern.size * pattern.size;
  const { plane, facing, outlines } = sorted;
  const box = new Float64Array(4 * n);
  for (let f = 0; f < n; f++) {
    let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
    for (const { x, y } of outlines[f]) {
      if (x < x0) x0 = x;
      if (x > x1) x1 = x;
      if (y < y0) y0 = y;
      if (y > y1) y1 = y;
    }
    box.set([x0, x1, y0, y1], 4 * f);
  }
  const margin = 1e-9 * pattern.size;
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      if (plane[i] !== plane[j]) continue;
      if (box[4 * i] > box[4 * j + 1] - margin || box[4 * j] > box[4 * i + 1] - margin) continue;
      if (box[4 * i + 2] > box[4 * j + 3] - margin || box[4 * j + 2] > box[4 * i + 3] - margin) continue;
      if (known?.(i, j) ?? area(intersect(outlines[i], outlines[j])) > smallest)
        found.push({ i, j, parallel: facing[i] === facing[j] ? 1 : -1 });
    }
  return found;
}
