import type { SheetSize } from '../forms/form';
import { HANDS } from '../fit/hands';
import { foldWay, foldWaysTo, type FoldWay } from './fold-ways';
import { type Fraction, fractionOf } from './halving';
import { readFolds, writeFolds } from './search/fold-code';
import { creasesOf, type LineRef, placeOf } from './search/mark-fold';
import type { MarkSearch } from './search/mark-search';
import { lastMark } from './search/mark-spread';

/** Fractions in up to so many parts are common. */
export const COMMON_PARTS = 16;

/** Proportions of common sheets, the near edge to the left one: squares, and the ISO sheets either way. */
export const COMMON_SHAPES: readonly number[] = [1, Math.SQRT2, Math.SQRT1_2];

/** Sheets cut to whole millimetres are taken for one of a proportion that is this near. */
const ALIKE = 2e-3;

/** Ways to common fractions of a near edge, made once: by shape and fraction, the folds as they are written. */
export type CommonMarks = Readonly<Record<string, readonly string[]>>;

const keyOf = (shape: number, { part, of }: Fraction): string => `${shape}:${part}/${of}`;

/** All fractions in up to so many parts of the near edge of a sheet of one shape. */
export function commonMarks(shape: number, search: MarkSearch, parts = COMMON_PARTS): CommonMarks {
  const size = { widthMm: 100 * COMMON_SHAPES[shape], heightMm: 100 };
  const told: Record<string, readonly string[]> = {};
  for (let of = 2; of <= parts; of++)
    for (let part = 1; part < of; part++) {
      const fraction = fractionOf(part / of);
      if (fraction?.of !== of) continue;
      const ways = foldWaysTo(search, size, 0, (size.widthMm * part) / of, HANDS.practised.missMm);
      told[keyOf(shape, fraction)] = ways.map(({ folds }) => writeFolds(folds));
    }
  return told;
}

/**
 * Ways to a place on the near edge out of the table, worked out for this sheet and hand; null where the place or the sheet is not in
 * it.
 */
export function fromCommon(
  table: CommonMarks,
  size: SheetSize,
  edge: LineRef,
  mm: number,
  handMm: number,
): readonly FoldWay[] | null {
  const shape = COMMON_SHAPES.findIndex((one) => Math.abs(size.widthMm / size.heightMm / one - 1) < ALIKE);
  const fraction = fractionOf(mm / size.widthMm);
  if (shape < 0 || edge !== 0 || !fraction) return null;
  const key = keyOf(shape, fraction);
  if (!Object.hasOwn(table, key)) return null;
  const ways = table[key].map((code) => {
    const folds = readFolds(code);
    if (!folds) return null;
    // On a sheet that is only nearly of the shape what was exact is a little off, and is told so.
    const off = placeOf(creasesOf(folds, size), lastMark(edge, folds)).x - mm;
    return foldWay(folds, edge, off, size, handMm);
  });
  return ways.some((way) => way === null) ? null : (ways as readonly FoldWay[]);
}
