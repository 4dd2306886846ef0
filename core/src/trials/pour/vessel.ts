import type { Point3 } from '../../measure/vector3';
import { type Cells, levelSlices, type WallTriangle } from './level-slices';

/** Something that can be filled from above: its walls as triangles, and the room between them. Lengths in mm. */
export interface Vessel {
  readonly triangles: readonly WallTriangle[];
  /** The lowest point inside, and the height up to which it holds. */
  readonly floorMm: number;
  readonly rimMm: number;
  /** Area inside at equal steps from floor to rim, the first half a step above the floor; in mm². */
  readonly areas: readonly number[];
  /** Where it is poured: the cells inside at the rim, and how wide a cell is. */
  readonly mouth: readonly { readonly x: number; readonly y: number }[];
  readonly cellMm: number;
}

/** Slices from floor to rim. */
const SLICES = 20;
/** A rim is found to this share of the height. */
const RIM_STEPS = 12;
/** A mouth through which nothing goes is none. */
export const LEAST_CELLS = 12;

/**
 * The room in an open piece, by level slices: what is shut in at a height holds what lies there. Its rim is the highest level at
 * which anything is.
 * @param faces flat faces of its walls, each by its corners
 * @returns null for what shuts nothing in
 */
export function vesselOf(faces: readonly (readonly Point3[])[]): Vessel | null {
  const slices = levelSlices(faces);
  if (!slices) return null;
  const { triangles, cellMm, lowest, highest } = slices;
  const held = (z: number): Cells => {
    const [largest = []] = slices.at(z).shut();
    return largest.length >= LEAST_CELLS ? largest : [];
  };
  // From below upwards: as long as something is shut in.
  const step = (highest - lowest) / (2 * SLICES);
  let first: number | null = null;
  let last = lowest;
  for (let k = 0; k < 2 * SLICES; k++) {
    const z = lowest + (k + 0.5) * step;
    if (held(z).length) {
      first ??= z;
      last = z;
    } else if (first !== null) break;
  }
  if (first === null) return null;
  let [shut, open] = [last, Math.min(highest, last + step)];
  for (let k = 0; k < RIM_STEPS; k++) {
    const mid = (shut + open) / 2;
    if (held(mid).length) shut = mid;
    else open = mid;
  }
  const rimMm = shut;
  let [below, floorMm] = [Math.max(lowest, first - step), first];
  for (let k = 0; k < RIM_STEPS; k++) {
    const mid = (below + floorMm) / 2;
    if (held(mid).length) floorMm = mid;
    else below = mid;
  }
  const areas = Array.from({ length: SLICES }, (_, k) => {
    const slice = slices.at(floorMm + ((k + 0.5) / SLICES) * (rimMm - floorMm));
    const [cells = []] = slice.shut();
    return (cells.length + slice.edge(cells).length / 2) * cellMm * cellMm;
  });
  return { triangles, floorMm, rimMm, areas, mouth: held(rimMm).map(slices.middle), cellMm };
}

/** The room from its floor up to a share of its height, in mm³. */
export function roomUpTo({ areas, floorMm, rimMm }: Vessel, share = 1): number {
  const step = (rimMm - floorMm) / areas.length;
  return areas.reduce((sum, area, k) => sum + area * step * Math.max(0, Math.min(1, share * areas.length - k)), 0);
}
