import type { Point } from '../../measure/point';
import type { Point3 } from '../../measure/vector3';

/** A triangle of a wall; lengths in mm. */
export type WallTriangle = readonly [Point3, Point3, Point3];

/** Cells of a grid that belong together, by their numbers. */
export type Cells = readonly number[];

/** Cells along the longer side of what is looked at. */
const CELLS = 120;

/** Where a level cuts the walls, on a grid of cells: walls are marked, and what of the rest is shut in. */
export class Slice {
  private readonly marks: Uint8Array;
  constructor(
    private readonly low: { readonly x: number; readonly y: number },
    private readonly cellMm: number,
    private readonly wide: number,
    private readonly high: number,
  ) {
    this.marks = new Uint8Array(wide * high);
  }

  /** Marks all cells that a stretch of wall runs through. */
  wall(a: Point3, b: Point3): void {
    const steps = Math.max(1, Math.ceil((3 * Math.hypot(b.x - a.x, b.y - a.y)) / this.cellMm));
    for (let k = 0; k <= steps; k++) {
      const t = k / steps;
      const i = Math.floor((a.x + t * (b.x - a.x) - this.low.x) / this.cellMm);
      const j = Math.floor((a.y + t * (b.y - a.y) - this.low.y) / this.cellMm);
      if (i >= 0 && j >= 0 && i < this.wide && j < this.high) this.marks[j * this.wide + i] = 1;
    }
  }

  /** All parts that are shut in by walls, the largest first. */
  shut(): readonly Cells[] {
    const { wide, high } = this;
    const seen = this.marks.slice();
    const steps = [-1, 1, -wide, wide];
    // One queue for all: it is asked for tens of times with each piece.
    const queue = new Int32Array(seen.length);
    const part = (from: number): Cells | null => {
      let leaks = false;
      let known = 1;
      queue[0] = from;
      seen[from] = 1;
      for (let k = 0; k < known; k++) {
        const cell = queue[k];
        const i = cell % wide;
        if (i === 0 || i === wide - 1 || cell < wide || cell >= wide * (high - 1)) {
          leaks = true;
          continue;
        }
        for (let s = 0; s < 4; s++) {
          const next = cell + steps[s];
          if (seen[next]) continue;
          seen[next] = 1;
          queue[known++] = next;
        }
      }
      return leaks ? null : Array.from(queue.subarray(0, known));
    };
    const parts: Cells[] = [];
    for (let k = 0; k < seen.length; k++) {
      const found = seen[k] ? null : part(k);
      if (found) parts.push(found);
    }
    return parts.sort((p, q) => q.length - p.length);
  }

  /** Cells of walls that touch a part: half of each is room. */
  edge(part: Cells): Cells {
    const { wide, marks } = this;
    const walls = new Set<number>();
    for (const k of part) for (const next of [k - 1, k + 1, k - wide, k + wide]) if (marks[next]) walls.add(next);
    return [...walls];
  }
}

/** The walls of a piece, to be cut at any level; lengths in mm. */
export interface LevelSlices {
  readonly triangles: readonly WallTriangle[];
  readonly lowest: number;
  readonly highest: number;
  readonly cellMm: number;
  readonly at: (z: number) => Slice;
  /** The middle of a cell. */
  readonly middle: (cell: number) => Point;
}

/**
 * @param faces flat faces of the walls, each by its corners
 * @returns null for what has no height or no width
 */
export function levelSlices(faces: readonly (readonly Point3[])[]): LevelSlices | null {
  const triangles = faces.flatMap((corners) =>
    corners.slice(2).map((c, k): WallTriangle => [corners[0], corners[k + 1], c]),
  );
  const all = triangles.flat();
  if (!all.length) return null;
  const low = { x: Infinity, y: Infinity, z: Infinity };
  const high = { x: -Infinity, y: -Infinity, z: -Infinity };
  for (const p of all)
    for (const axis of ['x', 'y', 'z'] as const) {
      low[axis] = Math.min(low[axis], p[axis]);
      high[axis] = Math.max(high[axis], p[axis]);
    }
  const cellMm = Math.max(high.x - low.x, high.y - low.y) / CELLS;
  if (!(cellMm > 0) || high.z - low.z < cellMm) return null;
  const origin = { x: low.x - 2 * cellMm, y: low.y - 2 * cellMm };
  const [wide, deep] = [high.x - low.x, high.y - low.y].map((mm) => Math.ceil(mm / cellMm) + 4);
  return {
    ...{ triangles, cellMm, lowest: low.z, highest: high.z },
    at: (z) => {
      const slice = new Slice(origin, cellMm, wide, deep);
      for (const corners of triangles) {
        const cut: Point3[] = [];
        corners.forEach((p, k) => {
          const q = corners[(k + 1) % 3];
          if (p.z > z === q.z > z) return;
          const t = (z - p.z) / (q.z - p.z);
          cut.push({ x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y), z });
        });
        if (cut.length === 2) slice.wall(cut[0], cut[1]);
      }
      return slice;
    },
    middle: (cell) => ({
      x: origin.x + ((cell % wide) + 0.5) * cellMm,
      y: origin.y + (Math.floor(cell / wide) + 0.5) * cellMm,
    }),
  };
}
