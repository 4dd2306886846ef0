import type { SheetSize } from '../forms/form';
import { type Creased, creasedBy } from './search/creased';
import { effortOf, type LineRef, type MarkFold } from './search/mark-fold';
import { EFFORT } from './search/one-fold';
import type { MarkFound, MarkSearch } from './search/mark-search';
import { lastMark, type MarkSpread, markSpread } from './search/mark-spread';

/** Folds beyond which no way is told: a ruler is quicker by then. */
export const MOST_FOLDS = 5;

/** Marks nearest to what is wanted that are looked at for each number of folds. */
const LOOKED_AT = 24;

/** A place that is found nearer than this, as a share of the sheet's longer side, is found exactly. */
export const EXACT = 1e-9;

/** One more fold must bring the mark so much nearer, as a share, to be worth making. */
const WORTH = 0.85;

/** A mark on an edge by folding alone. */
export interface FoldWay {
  readonly folds: readonly MarkFold[];
  /** By how much exact folds miss the place, in mm, from the edge's first end on. */
  readonly offMm: number;
  readonly exact: boolean;
  readonly spread: MarkSpread;
  readonly creased: readonly Creased[];
  /** What is to be expected that it misses in all, in mm: both together, one standard deviation. */
  readonly expectedMm: number;
}

/**
 * Ways to find a place on an edge by folding alone, the fewest folds first: each next one comes nearer in this hand, by so much that
 * it is worth its folds; and the first that is exact.
 * @param edge 0 near, 1 right, 2 far, 3 left
 * @param mm from the edge's first end, counter-clockwise round the sheet
 * @param handMm by how much the hand misses, one standard deviation; 0 for one that misses nothing
 */
export function foldWaysTo(
  search: MarkSearch,
  size: SheetSize,
  edge: LineRef,
  mm: number,
  handMm: number,
  mostFolds = MOST_FOLDS,
): readonly FoldWay[] {
  const longer = Math.max(size.widthMm, size.heightMm);
  const told: FoldWay[] = [];
  let [best, exact] = [Infinity, false];
  for (let n = 1; n <= mostFolds; n++) {
    const ways = looked(search.near(edge, mm / longer, n, LOOKED_AT), size, edge, handMm, exact ? best : Infinity);
    const way = easiest(ways.filter(({ expectedMm }) => expectedMm < best * WORTH));
    if (way) told.push(way);
    const sure = exact ? null : easiest(ways.filter((one) => one.exact));
    if (sure) {
      exact = true;
      if (way && way !== sure && way.expectedMm >= sure.expectedMm) told.pop();
      if (!told.includes(sure)) told.push(sure);
    }
    best = Math.min(best, ...ways.map(({ expectedMm }) => expectedMm));
  }
  // Far beside its place a mark is none, however few folds it takes.
  return told.filter(({ expectedMm }) => expectedMm <= FAR * Math.max(best, SEEN_MM));
}

/** Ways that miss by more than so many times what the best one misses are not told. */
const FAR = 3;

/** Nearer than this, in mm, nobody sees a miss. */
const SEEN_MM = 0.1;

/** What is to be expected of marks near a place: all of them, as far as exact folds bring them nearer than `within`. */
function looked(
  found: readonly MarkFound[],
  size: SheetSize,
  edge: LineRef,
  handMm: number,
  within: number,
): readonly FoldWay[] {
  const longer = Math.max(size.widthMm, size.heightMm);
  const ways: FoldWay[] = [];
  let least = within;
  for (const { folds, off } of found) {
    // What exact folds miss is missed by every hand.
    if (Math.abs(off) * longer >= HARDEST * least) break;
    const way = foldWay(folds, edge, off * longer, size, handMm);
    if (!way) continue;
    ways.push(way);
    least = Math.min(least, way.expectedMm);
  }
  return ways;
}

/** So many times as hard to line up as the easiest is the hardest fold. */
const HARDEST = Math.max(...EFFORT);

/** The mark that comes nearest for how easily its folds are lined up. */
function easiest(ways: readonly FoldWay[]): FoldWay | null {
  const score = ({ folds, expectedMm }: FoldWay): number =>
    (expectedMm * folds.reduce((sum, { by }) => sum + effortOf(by), 0)) / folds.length;
  return ways.reduce<FoldWay | null>((best, one) => (!best || score(one) < score(best) ? one : best), null);
}

/** A sequence with all that is to be known of it; null where no hand can make it. */
export function foldWay(
  folds: readonly MarkFold[],
  edge: LineRef,
  offMm: number,
  size: SheetSize,
  handMm: number,
  eye = 0,
): FoldWay | null {
  const mark = lastMark(edge, folds);
  const creased = creasedBy(folds, [mark], size);
  const spread = markSpread(folds, creased, mark, size);
  return (
    spread && {
      ...{ folds, offMm, spread, creased },
      exact: Math.abs(offMm) < EXACT * Math.max(size.widthMm, size.heightMm),
      expectedMm: Math.hypot(offMm, spread.ofHand * handMm, spread.ofEye * eye),
    }
  );
}
