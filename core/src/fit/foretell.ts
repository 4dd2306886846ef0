import { foldAnew } from '../forms/folded';
import type { FormSizes } from '../forms/form';
import { foldMake, type Make } from '../forms/made-make';
import { SHELF, type Shelf } from '../forms/shelf';
import { atOnce } from '../purpose/prepare';
import { missesOf } from './misses';

/** A size as folding should give it, in mm, and how far a hand spreads it: one standard deviation. */
export interface Foretold {
  readonly mm: number;
  readonly sdMm: number;
}

/** Sizes of a make by what they are called in all makes: `tray/box.lengthMm`, `lid/outer.heightMm`. */
export type ForetoldSizes = Readonly<Record<string, Foretold>>;

/** What the outside is called among the rooms of a piece. */
const OUTER = 'outer';

/** All sizes of a piece: those of its rooms, a second one of a kind with a number, then the outside. */
export function sizesByKey(entryKey: string, { rooms, outer }: FormSizes): Record<string, number> {
  const row: Record<string, number> = {};
  const met = new Map<string, number>();
  for (const { kind, sizes } of rooms) {
    const n = (met.get(kind) ?? 0) + 1;
    met.set(kind, n);
    for (const [name, mm] of Object.entries(sizes)) row[`${entryKey}/${kind}${n > 1 ? `-${n}` : ''}.${name}`] = mm;
  }
  for (const [name, mm] of Object.entries(outer)) row[`${entryKey}/${OUTER}.${name}`] = mm;
  return row;
}

/**
 * Folds a make, proves that its entries go together, and foretells every size of it. All folds are missed by themselves, so
 * that what they do to a size adds up as squares.
 * @param handMm by how much the hand misses, one standard deviation in mm
 * @throws RangeError for a form, an entry, a sheet or parameters that there are not, saying which
 * @throws FoldRefused when it cannot be folded so, or its entries do not go together
 */
export function foretell(make: Make, handMm: number, shelf: Shelf = SHELF): ForetoldSizes {
  const { entries } = foldMake(make, undefined, shelf);
  const told: Record<string, Foretold> = {};
  for (const [key, { entry, sizes }] of entries) {
    const { sheet } = make.entries[key];
    const read = (measured: FormSizes): Record<string, number> => sizesByKey(key, measured);
    const folded = foldAnew(shelf.piece(entry.pieceId), sheet, entry.params);
    const { names, rows } = atOnce(missesOf(folded, read));
    const exact = read(sizes);
    names.forEach((name, r) => {
      told[name] = { mm: exact[name], sdMm: handMm * Math.hypot(...rows[r]) };
    });
  }
  return told;
}
