import type { FormSizes, SheetSize } from '../forms/form';
import { type Folded, follow, measure } from '../forms/folded';
import { paramsAt, type SizePoint, type Way } from './ways';

/** What a piece measures, flattened: sizes of its first room, then of the outside. */
export function flattened({ rooms, outer }: FormSizes): Readonly<Record<string, number>> {
  const row: Record<string, number> = { ...rooms[0].sizes };
  for (const [key, value] of Object.entries(outer)) row[`outer ${key}`] = value;
  return row;
}

/**
 * How sizes of a folded piece depend on its sheet, its lengths and the paper's thickness, near it: as long as the layers
 * lie as they do. Fold lines are set off from edges and creases by these lengths, and folding is made of reflections in
 * lines of fixed directions, so that sizes are affine in them. It proposes; what is told is folded.
 */
export interface SizeModel {
  readonly names: readonly string[];
  /** For each name: per mm of width, of height, of each length, of thickness, and a constant. */
  readonly rows: readonly Float64Array[];
  /** Which of the names are of the room inside. */
  readonly inside: readonly number[];
}

/** How far a sheet or a length is moved to see what follows, as a share of the sheet: sizes being affine, hardly at all. */
const NUDGE = 1e-4;
const THICK_MM = 0.2;

/**
 * Reads off how all sizes follow from sheet, lengths and thickness, by following a piece to its neighbours.
 * @param read which sizes, by name
 * @returns null when its layers lie so at this very sheet and these lengths only
 */
export function sizeModel(
  way: Way,
  folded: Folded,
  lengths: readonly number[],
  read: (sizes: FormSizes) => Readonly<Record<string, number>> = flattened,
): SizeModel | null {
  const { piece, size } = folded;
  const origin = read(measure(folded, 0));
  const names = Object.keys(origin);
  const nudge = NUDGE * size.widthMm;
  /** Slopes of all sizes, by whichever way of two the piece can be followed. */
  const slope = (moved: (by: number) => readonly [SheetSize, readonly number[]]): Float64Array | null => {
    for (const by of [nudge, -nudge]) {
      const [sheet, at] = moved(by);
      // Which side is the longer one decides how the sheet lies.
      const beside = sheet.widthMm >= sheet.heightMm ? followed(folded, way, sheet, at) : null;
      if (!beside) continue;
      const row = read(measure(beside, 0));
      return Float64Array.from(names, (name) => (row[name] - origin[name]) / by);
    }
    return null;
  };
  const { widthMm, heightMm } = size;
  const square = piece.sheetShape === 'square';
  const columns = [
    slope((by) => [{ widthMm: widthMm + by, heightMm: heightMm + (square ? by : 0) }, lengths]),
    square ? new Float64Array(names.length) : slope((by) => [{ widthMm, heightMm: heightMm + by }, lengths]),
    ...lengths.map((_, k) => slope((by) => [size, lengths.map((mm, i) => (i === k ? mm + by : mm))])),
  ];
  if (columns.includes(null)) return null;
  const thick = read(measure(folded, THICK_MM));
  const slopes = [
    ...(columns as Float64Array[]),
    Float64Array.from(names, (name) => (thick[name] - origin[name]) / THICK_MM),
  ];
  const at = [widthMm, square ? 0 : heightMm, ...lengths, 0];
  return {
    names,
    inside: names.flatMap((name, r) => (name.startsWith('outer ') ? [] : [r])),
    rows: names.map((name, r) => {
      const row = Float64Array.from([...slopes.map((column) => column[r]), 0]);
      row[slopes.length] = origin[name] - at.reduce((sum, x, c) => sum + x * slopes[c][r], 0);
      return row;
    }),
  };
}

/** A folded piece followed to a sheet and lengths; null where that is another structure or out of range. */
export function followed(folded: Folded, way: Way, sheet: SheetSize, lengths: readonly number[]): Folded | null {
  try {
    return follow(folded, sheet, paramsAt(way, lengths));
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** One size at a point. */
export function sizeAt({ rows }: SizeModel, r: number, { sheet, lengths, thicknessMm }: SizePoint): number {
  const row = rows[r];
  const k = lengths.length;
  let value = row[k + 3] + row[0] * sheet.widthMm + row[1] * sheet.heightMm + row[k + 2] * thicknessMm;
  for (let i = 0; i < k; i++) value += row[2 + i] * lengths[i];
  return value;
}

const keys = new WeakMap<SizeModel, string>();

/** What tells models apart whose rooms run differently: slopes to six places, constants to a thousandth of a mm. */
export function sizesKey(model: SizeModel): string {
  let key = keys.get(model);
  if (key === undefined) {
    key = model.inside
      .map((r) => [...model.rows[r]].map((v, k, row) => v.toFixed(k === row.length - 1 ? 3 : 6)).join())
      .join(';');
    keys.set(model, key);
  }
  return key;
}
