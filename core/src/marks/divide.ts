import type { SheetSize } from '../forms/form';
import { foldWaysTo } from './fold-ways';
import { type Creased, creasedBy } from './search/creased';
import {
  alongEdge,
  creasesOf,
  edgeLength,
  FIRST_FOLD,
  type LineRef,
  type MarkFold,
  placeOf,
  type PlaceRef,
} from './search/mark-fold';
import type { MarkSearch } from './search/mark-search';
import { markSpread } from './search/mark-spread';
import { sharedFolds } from './search/turned-folds';

/** An edge divided by folding: one sequence for all marks. */
export interface Division {
  readonly folds: readonly MarkFold[];
  readonly creased: readonly Creased[];
  /** The marks in order along the edge. */
  readonly marks: readonly {
    readonly place: PlaceRef;
    /** From the edge's first end. */
    readonly mm: number;
    readonly offMm: number;
    readonly expectedMm: number;
  }[];
}

/** Nearer than this share of the edge, a mark is the one that is wanted. */
const SAME = 1e-9;

/**
 * Divides an edge by folding: what lies halfway between two marks is halved, and a mark that none leads to is found by itself,
 * by the fewest folds that any of those left takes.
 * @param places from the edge's first end, in mm
 * @returns null where this hand cannot make one of them
 */
export function divideBy(
  search: MarkSearch,
  size: SheetSize,
  edge: LineRef,
  places: readonly number[],
  handMm: number,
): Division | null {
  const length = edgeLength(size, edge);
  const known: { mm: number; line: LineRef }[] = [
    { mm: 0, line: (edge + 3) % 4 },
    { mm: length, line: (edge + 1) % 4 },
  ];
  let folds: readonly MarkFold[] = [];
  const left = new Set(places);
  const take = (mm: number, line: LineRef): void => {
    left.delete(mm);
    known.push({ mm, line });
  };
  const halved = (): boolean => {
    for (const mm of left)
      for (const a of known)
        for (const b of known) {
          if (b.mm <= a.mm || Math.abs((a.mm + b.mm) / 2 - mm) > SAME * length) continue;
          const by = { kind: 'point-onto-point', point: [edge, a.line], onto: [edge, b.line] } as const;
          folds = [...folds, { by, root: 0 }];
          take(mm, FIRST_FOLD + folds.length - 1);
          return true;
        }
    return false;
  };
  while (left.size) {
    if (halved()) continue;
    const found = [...left]
      .map((mm) => {
        const ways = foldWaysTo(search, size, edge, mm, handMm);
        return { mm, way: ways.find((one) => one.exact) ?? ways[ways.length - 1] };
      })
      .filter(({ way }) => way !== undefined)
      .sort((p, q) => p.way.folds.length - q.way.folds.length || p.way.expectedMm - q.way.expectedMm);
    const [first] = found;
    if (!first) return null;
    const shared = sharedFolds([folds, first.way.folds], size);
    ({ folds } = shared);
    take(first.mm, shared.refs[1][shared.refs[1].length - 1]);
  }
  const marks = places.map((mm): PlaceRef => [edge, known.find((one) => one.mm === mm)!.line]);
  const creased = creasedBy(folds, marks, size);
  const lines = creasesOf(folds, size);
  const told = marks.flatMap((place, k) => {
    const spread = markSpread(folds, creased, place, size);
    const offMm = alongEdge(size, edge, placeOf(lines, place)) - places[k];
    return spread ? [{ place, mm: places[k], offMm, expectedMm: Math.hypot(offMm, spread.ofHand * handMm) }] : [];
  });
  return told.length === places.length ? { folds, creased, marks: told } : null;
}
