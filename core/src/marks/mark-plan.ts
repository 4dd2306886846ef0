import type { PlaceMiss } from '../fit/mark-misses';
import type { Mark } from '../folding/pose';
import type { SheetSize } from '../forms/form';
import type { MarkWay } from './mark-way';
import { type MarkSteps, markSteps } from './mark-steps';
import { type Creased, creasedBy } from './search/creased';
import { FIRST_FOLD, type MarkFold, type PlaceRef } from './search/mark-fold';
import { sharedFolds } from './search/turned-folds';

/** A mark of a piece and the way that was chosen for it. */
export interface ChosenWay {
  /** What the maker calls the mark: its number in the picture of the sheet, or its name. */
  readonly called: string;
  readonly way: MarkWay;
}

/** A pinch that a plan makes, and which mark it is, if it is one. */
export interface PlannedPinch extends Mark {
  readonly called: string | null;
}

/** How the marks of a piece are made before it is folded, and how they come out. */
export interface MarkPlan extends MarkSteps {
  readonly creased: readonly Creased[];
  readonly folds: readonly MarkFold[];
  readonly misses: readonly PlaceMiss[];
  readonly pinches: readonly PlannedPinch[];
}

/**
 * All chosen ways as one sequence on the open sheet: folds that several marks share are made once. Its steps come before the first
 * step of the piece.
 */
export function planMarks(chosen: readonly ChosenWay[], size: SheetSize): MarkPlan {
  const folding = chosen.flatMap(({ called, way }) => (way.folded ? [{ called, folded: way.folded }] : []));
  const { folds, refs } = sharedFolds(
    folding.map(({ folded }) => folded.folds),
    size,
  );
  const wanted = new Map<number, string>();
  const marks = folding.flatMap(({ called, folded }, k) =>
    folded.marks.map(([edge, fold]): PlaceRef => {
      const at = refs[k][fold];
      const before = wanted.get(at - FIRST_FOLD);
      wanted.set(at - FIRST_FOLD, before && before !== called ? `${before} and ${called}` : called);
      return [edge, at];
    }),
  );
  const creased = creasedBy(folds, marks, size);
  let luck = 0;
  const misses = chosen.flatMap(({ way }) => {
    const first = luck;
    luck += 1 + Math.max(0, ...way.misses.map((miss) => miss.luck));
    return way.misses.map((miss) => ({ ...miss, luck: first + miss.luck }));
  });
  const made = markSteps(size, folds, creased, wanted);
  const callings = folds.flatMap((_, k) => creased[k].pieces.map(() => wanted.get(k) ?? null));
  return { ...made, creased, folds, misses, pinches: made.marks.map((mark, k) => ({ ...mark, called: callings[k] })) };
}
