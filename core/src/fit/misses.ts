import { type Folded, measure, measureMissed } from '../forms/folded';
import type { FormSizes } from '../forms/form';
import { flattened } from './size-model';

/** What missing either end of each fold by one millimetre does to each size, in mm: the derivative at an exact hand. */
export interface Misses {
  readonly names: readonly string[];
  /** For each name, by fold and end: first end of the first fold, its second end, and so on. */
  readonly rows: readonly Float64Array[];
  /** The folds that are lined up, in order. */
  readonly folds: readonly string[];
}

/** Small enough that what comes of a miss is in proportion to it. */
const SMALL_MM = 0.02;

/**
 * Misses the ends of each fold of a piece one by one, a little to either side. A miss along the crease moves the line into
 * itself and is left out. Yields after every fold so that the caller can stop.
 * @param read which sizes, by name
 */
export function* missesOf(
  folded: Folded,
  read: (sizes: FormSizes) => Readonly<Record<string, number>> = flattened,
): Generator<void, Misses, void> {
  const names = Object.keys(read(measure(folded, 0)));
  const { aligned } = folded;
  const rows = names.map(() => new Float64Array(2 * aligned.length));
  for (let fold = 0; fold < aligned.length; fold++) {
    for (const end of [0, 1]) {
      const missed = (sign: number): Readonly<Record<string, number>> =>
        read(measureMissed(folded, { sigmaMm: SMALL_MM, seed: 0, only: fold, ends: end ? [0, sign] : [sign, 0] }, 0));
      const [less, more] = [missed(-1), missed(1)];
      names.forEach((name, r) => (rows[r][2 * fold + end] = (more[name] - less[name]) / (2 * SMALL_MM)));
    }
    yield;
  }
  return { names, rows, folds: aligned };
}
