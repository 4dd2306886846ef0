import type { Item } from '../bodies/contents';
import type { Purpose } from './purpose';

/** So many pieces stand in each other at most; more would be a tower. */
export const MOST_NESTED = 6;

/** Among so many equal pieces contents are divided at most. */
export const MOST_UNITS = 48;

/** The share of a purpose that each of so many equal units takes: things are divided as evenly as they can be. */
export function perUnit(purpose: Purpose, units: number): Purpose {
  if (!(Number.isInteger(units) && units >= 1)) throw new RangeError('Count whole units, one or more.');
  const weighing = (grams?: number): { readonly grams?: number } =>
    grams === undefined ? {} : { grams: grams / units };
  const divided = (item: Item): Item => ({ ...item, count: Math.ceil(item.count / units) });
  switch (purpose.kind) {
    case 'hold':
      return {
        ...purpose,
        pieces: purpose.pieces.map(divided),
        ...weighing(purpose.grams),
      };
    case 'loose':
      return { ...purpose, piece: divided(purpose.piece), ...weighing(purpose.grams) };
    case 'liquid':
      return { kind: 'liquid', ml: purpose.ml / units };
    case 'bulk':
      return { ...purpose, ml: purpose.ml / units };
    case 'load':
      return { ...purpose, grams: purpose.grams / units };
    default:
      return purpose;
  }
}
