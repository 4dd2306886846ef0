import type { SheetSize } from '../forms/form';
import { EXACT } from './fold-ways';
import type { MarkGoal } from './mark-goals';
import type { MarkMaker, MarkWay } from './mark-way';
import { creasedBy } from './search/creased';
import { alongEdge, creasesOf, type MarkFold, placeOf, type PlaceRef } from './search/mark-fold';
import { lastMark, type MarkSpread, markSpread } from './search/mark-spread';
import { sharedFolds } from './search/turned-folds';

/** Where the last fold of a sequence meets the edge of a goal, from its first end. */
export const markedAt = ({ edge }: MarkGoal, folds: readonly MarkFold[], size: SheetSize): number => {
  const lines = creasesOf(folds, size);
  return alongEdge(size, edge, placeOf(lines, lastMark(edge, folds)));
};

/** Sequences for several goals as one way, in which what they share is folded once; null where no hand can make it. */
export function sharedWay(
  sequences: readonly (readonly MarkFold[])[],
  goals: readonly MarkGoal[],
  size: SheetSize,
  { handMm, eye }: MarkMaker,
): Omit<MarkWay, 'id' | 'kind'> | null {
  const { folds, refs } = sharedFolds(sequences, size);
  const marks = goals.map(({ edge }, k): PlaceRef => [edge, refs[k][refs[k].length - 1]]);
  const creased = creasedBy(folds, marks, size);
  const spreads = marks.map((mark) => markSpread(folds, creased, mark, size));
  if (spreads.some((one) => one === null)) return null;
  const known = spreads as MarkSpread[];
  const offs = goals.map((goal, k) => markedAt(goal, sequences[k], size) - goal.mm);
  const sds = known.map(({ ofHand, ofEye }) => Math.hypot(ofHand * handMm, ofEye * eye));
  const longer = Math.max(size.widthMm, size.heightMm);
  return {
    school: 'fold',
    exact: offs.every((off) => Math.abs(off) < EXACT * longer),
    misses: goals.flatMap(({ places }, k) =>
      places.map(({ measured, moves }) => ({
        ...{ measured, biasMm: moves * offs[k], sdMm: Math.abs(moves) * sds[k], luck: k },
      })),
    ),
    expectedMm: most((moves, k) => [moves * offs[k], (moves * sds[k]) ** 2]),
    worstMm: most((moves, k) => [
      Math.abs(moves) * (Math.abs(offs[k]) + known[k].worst * handMm + known[k].ofEye * eye),
      0,
    ]),
    folded: { folds, marks, creased, square: goals.every(({ square }) => square) },
  };
  /** The most that any place misses: what its marks miss always, and the squares of what they miss by luck. */
  function most(part: (moves: number, goal: number) => readonly [number, number]): number {
    const sums = new Map<number, readonly [number, number]>();
    goals.forEach(({ places }, k) => {
      for (const { measured, moves } of places) {
        const [bias, square] = sums.get(measured) ?? [0, 0];
        const [b, s] = part(moves, k);
        sums.set(measured, [bias + b, square + s]);
      }
    });
    return Math.max(...[...sums.values()].map(([bias, square]) => Math.hypot(bias, Math.sqrt(square))));
  }
}
