import * as fc from 'fast-check';
import { marksOf, type SizePoint, type Way, formById } from '../../src/index';

/** A sheet and lengths at which a way can be made, anywhere in their ranges; null where a sheet leaves no range. */
export function pointOf(way: Way, largestMm = 400): fc.Arbitrary<Pick<SizePoint, 'sheet' | 'lengths'> | null> {
  const { sheetShape, leastSheetMm } = formById(way.pieceId);
  const [least, most] = sheetShape === 'square' ? [1, 1] : sheetShape.longPerShort;
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  return fc
    .tuple(
      fc.double({ min: leastSheetMm, max: largestMm, noNaN: true }),
      share,
      fc.array(share, { minLength: 4, maxLength: 4 }),
    )
    .map(([heightMm, oblong, shares]) => {
      const sheet = { widthMm: heightMm * (least + oblong * Math.min(0.5, most - least)), heightMm };
      const lengths: number[] = [];
      while (lengths.length < way.lengths.length) {
        const { from, to, stepMm } = marksOf(formById(way.pieceId), way, sheet, lengths, 'mm');
        if (to < from) return null;
        lengths.push(stepMm * (from + shares[lengths.length] * (to - from)));
      }
      return { sheet, lengths };
    });
}
