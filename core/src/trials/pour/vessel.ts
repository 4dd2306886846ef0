import type { Point3 } from '../../measure/vector3';

/** Something that can be filled from above: its walls as triangles, and the room between them. Lengths in mm. */
export interface Vessel {
  readonly triangles: readonly (readonly [Point3, Point3, Point3])[];
  /** The lowest point inside, and the height up to which it holds. */
  readonly floorMm: number;
  readonly rimMm: number;
  /** Area inside at equal steps from floor to rim, the first half a step above the floor; in mm². */
  readonly areas: readonly number[];
  /** Where it is poured: the cells inside at the rim, and how wide a cell is. */
  readonly mouth: readonly { readonly x: number; readonly y: number }[];
  readonly cellMm: number;
}

/** Cells along the longer side of what is looked at; slices from floor to rim. */
const [CELLS, SLICES] = [120, 20] as const;
/** A rim is found to this share of the height. */
const RIM_STEPS = 12;
/** A mouth through which nothing goes is none. */
const LEAST_CELLS = 12;

/** Where a level cuts the walls, on a grid of cells: walls are marked, and what of the rest is shut in. */
class Slice {
  private readonly marks: Uint8Array;
  constructor(
    private readonly low: Point3,
    private readonly cellMm: number,
    readonly wide: number,
    readonly high: number,
  ) {
    this.marks = new Uint8Array(wide * high);
  }

  /** All cells that a stretch runs through. */
  wall(a: Point3, b: Point3): void {
    const steps = Math.max(1, Math.ceil((3 * Math.hypot(b.x - a.x, b.y - a.y)) / this.cellMm));
    for (let k = 0; k <= steps; k++) {
      const t = k / steps;
      const i = Math.floor((a.x + t * (b.x - a.x) - this.low.x) / this.cellMm);
      const j = Math.floor((a.y + t * (b.y - a.y) - this.low.y) / this.cellMm);
      if (i >= 0 && j >= 0 && i < this.wide && j < this.high) this.marks[j * this.wide + i] = 1;
    }
  }

  /** The largest part that is shut in by walls, as cells; empty where all of it leaks. */
  shut(): readonly number[] {
    const { wide, high } = this;
    const seen = this.marks.slice();
    const part = (from: number): { readonly cells: readonly number[]; readonly leaks: boolean } => {
      const cells: number[] = [from];
      seen[from] = 1;
      let leaks = false;
      for (let k = 0; k < cells.length; k++) {
        const [i, j] = [cells[k] % wide, Math.floor(cells[k] / wide)];
        if (i === 0 || j === 0 || i === wide - 1 || j === high - 1) {
          leaks = true;
          continue;
        }
        for (const next of [cells[k] - 1, cells[k] + 1, cells[k] - wide, cells[k] + wide])
          if (!seen[next]) {
            seen[next] = 1;
            cells.push(next);
          }
      }
      return { cells, leaks };
    };
    let most: readonly number[] = [];
    for (let k = 0; k < seen.length; k++) {
      if (seen[k]) continue;
      const { cells, leaks } = part(k);
      if (!leaks && cells.length > most.length) most = cells;
    }
    return most;
  }

  /** Cells of a part that touch a wall: half of each such wall cell is room. */
  edge(part: readonly number[]): number {
    const { wide, marks } = this;
    const walls = new Set<number>();
    for (const k of part) for (const next of [k - 1, k + 1, k - wide, k + wide]) if (marks[next]) walls.add(next);
    return walls.size;
  }
}

/**
 * The room in an open piece, by level slices: what is shut in at a height holds what lies there. Its rim is the highest level at
 * which anything is.
 * @param faces flat faces of its walls, each by its corners
 * @returns null for what shuts nothing in
 */
export function vesselOf(faces: readonly (readonly Point3[])[]): Vessel | null {
  const triangles = faces.flatMap((corners) =>
    corners.slice(2).map((c, k): readonly [Point3, Point3, Point3] => [corners[0], corners[k + 1], c]),
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
  const origin = { x: low.x - 2 * cellMm, y: low.y - 2 * cellMm, z: 0 };
  const [wide, deep] = [high.x - low.x, high.y - low.y].map((mm) => Math.ceil(mm / cellMm) + 4);
  const sliceAt = (z: number): Slice => {
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
  };
  const held = (z: number): readonly number[] => {
    const cells = sliceAt(z).shut();
    return cells.length >= LEAST_CELLS ? cells : [];
  };
  // From below upwards: as long as something is shut in.
  const step = (high.z - low.z) / (2 * SLICES);
  let first: number | null = null;
  let last = low.z;
  for (let k = 0; k < 2 * SLICES; k++) {
    const z = low.z + (k + 0.5) * step;
    if (held(z).length) {
      first ??= z;
      last = z;
    } else if (first !== null) break;
  }
  if (first === null) return null;
  let [shut, open] = [last, Math.min(high.z, last + step)];
  for (let k = 0; k < RIM_STEPS; k++) {
    const mid = (shut + open) / 2;
    if (held(mid).length) shut = mid;
    else open = mid;
  }
  const rimMm = shut;
  let [below, floorMm] = [Math.max(low.z, first - step), first];
  for (let k = 0; k < RIM_STEPS; k++) {
    const mid = (below + floorMm) / 2;
    if (held(mid).length) floorMm = mid;
    else below = mid;
  }
  const areas = Array.from({ length: SLICES }, (_, k) => {
    const slice = sliceAt(floorMm + ((k + 0.5) / SLICES) * (rimMm - floorMm));
    const cells = slice.shut();
    return (cells.length + slice.edge(cells) / 2) * cellMm * cellMm;
  });
  const mouth = held(rimMm).map((k) => ({
    x: origin.x + ((k % wide) + 0.5) * cellMm,
    y: origin.y + (Math.floor(k / wide) + 0.5) * cellMm,
  }));
  return { triangles, floorMm, rimMm, areas, mouth, cellMm };
}

/** The room from its floor up to a share of its height, in mm³. */
export function roomUpTo({ areas, floorMm, rimMm }: Vessel, share = 1): number {
  const step = (rimMm - floorMm) / areas.length;
  return areas.reduce((sum, area, k) => sum + area * step * Math.max(0, Math.min(1, share * areas.length - k)), 0);
}
