import * as fc from 'fast-check';
import { lengthOf, made, sheet } from './made';

describe('page-corner bookmark', () => {
  it('covers half the sheet’s side along both edges of the page, with six layers in front and one behind', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const piece = made('page-corner-bookmark', s);
        expect(piece.sizes.cavity).toMatchObject({ kind: 'corner' });
        if (piece.sizes.cavity.kind !== 'corner') return;
        expect(piece.sizes.cavity.legMm / s).toBeCloseTo(1 / 2, 9);
        expect(piece.sizes.cavity.depthMm / s).toBeCloseTo(Math.SQRT2 / 4, 9);
        expect(lengthOf(piece, 'widest round') / s).toBeCloseTo(1 - Math.SQRT1_2, 6);
        expect(piece.sizes.layers.map(({ count }) => count)).toEqual([7, 1]);
      }),
      { numRuns: 10 },
    ));
});
