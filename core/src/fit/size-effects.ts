import { foldAnew } from '../forms/folded';
import type { FormSizes } from '../forms/form';
import { foldMake, type Make } from '../forms/made-make';
import { SHELF, type Shelf } from '../forms/shelf';
import { atOnce } from '../purpose/prepare';
import { sizesByKey } from './foretell';
import { missesOf } from './misses';

/** What moves the sizes of a make: misses of its folds, and thicker paper. */
export interface SizeEffects {
  /** Sizes by what they are called in all makes: `tray/box.lengthMm`. */
  readonly keys: readonly string[];
  /** For each size, by entry, fold and end: what a miss of 1 mm does to it, in mm. */
  readonly misses: readonly (readonly number[])[];
  /** For each size, what a layer that is 1 mm thicker does to it, in mm. */
  readonly perThickness: readonly number[];
}

/** Thicker by so much to see what follows, in mm: sizes are affine in it. */
const THICKER_MM = 0.02;

/**
 * Reads off what moves each size of a make: pieces of different entries are missed each by itself.
 * @throws RangeError for a form, an entry, a sheet or parameters that there are not
 * @throws FoldRefused when it cannot be folded so
 */
export function sizeEffects(make: Make, shelf: Shelf = SHELF): SizeEffects {
  const thicker: Make = {
    ...make,
    entries: Object.fromEntries(
      Object.entries(make.entries).map(([key, entry]) => [
        key,
        { ...entry, thicknessMm: entry.thicknessMm + THICKER_MM },
      ]),
    ),
  };
  const [as, more] = [make, thicker].map((one) => foldMake(one, undefined, shelf).entries);
  const found = [...as].map(([key, { entry, sizes }]) => {
    const read = (measured: FormSizes): Record<string, number> => sizesByKey(key, measured);
    const folded = foldAnew(shelf.piece(entry.pieceId), make.entries[key].sheet, entry.params);
    const [now, then] = [read(sizes), read(more.get(key)!.sizes)];
    const { names, rows } = atOnce(missesOf(folded, read));
    return { names, rows, perThickness: names.map((name) => (then[name] - now[name]) / THICKER_MM) };
  });
  const total = found.reduce((sum, { rows }) => sum + (rows[0]?.length ?? 0), 0);
  let before = 0;
  const misses = found.flatMap(({ rows }) => {
    const own = rows.map((row) => {
      const all = new Array<number>(total).fill(0);
      row.forEach((slope, k) => (all[before + k] = slope));
      return all;
    });
    before += rows[0]?.length ?? 0;
    return own;
  });
  return {
    keys: found.flatMap(({ names }) => names),
    misses,
    perThickness: found.flatMap(({ perThickness }) => perThickness),
  };
}
