import type { SheetSize } from '../forms/form';
import { foldWay, type FoldWay } from './fold-ways';
import { foldsInRound, type Fraction, halvingFolds } from './halving';
import type { LineRef } from './search/mark-fold';

/** A guess is forgotten when less than this is left of it in the mark, in mm. */
const FORGOTTEN_MM = 0.15;
const MOST_ROUNDS = 4;

/** Fractions in more parts than this take too many folds to converge, as do rounds of more folds; halves need no guess. */
const MOST_PARTS = 15;
const CONVERGES: ReadonlySet<number> = new Set([2, 3, 4]);

/** Whether halving a guess comes round to a fraction soon enough to be worth it. */
export const converges = (fraction: Fraction): boolean =>
  fraction.of <= MOST_PARTS && CONVERGES.has(foldsInRound(fraction));

/** How much of a guess is left in a mark after each round of halving, in mm, and after how many it is forgotten. */
export function roundsOf(
  edge: LineRef,
  fraction: Fraction,
  size: SheetSize,
  eye: number,
): { readonly left: readonly number[]; readonly enough: number } {
  const left = Array.from(
    { length: MOST_ROUNDS },
    (_, k) => foldWay(halvingFolds(edge, fraction, k + 1), edge, 0, size, 0, eye)?.expectedMm ?? Infinity,
  );
  const enough = left.findIndex((mm) => mm < FORGOTTEN_MM);
  return { left, enough: enough < 0 ? MOST_ROUNDS : enough + 1 };
}

/** The way that converges on a fraction of an edge, with as many rounds as it takes; null where there is none worth telling. */
export function halvingWayTo(
  edge: LineRef,
  fraction: Fraction,
  size: SheetSize,
  { handMm, eye }: { readonly handMm: number; readonly eye: number },
): { readonly way: FoldWay; readonly round: number; readonly left: readonly number[] } | null {
  if (!converges(fraction)) return null;
  const { left, enough } = roundsOf(edge, fraction, size, eye);
  const way = foldWay(halvingFolds(edge, fraction, enough), edge, 0, size, handMm, eye);
  return way && { way, left, round: foldsInRound(fraction) };
}
