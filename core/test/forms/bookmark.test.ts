import * as fc from 'fast-check';
import { CORNER } from '../../src/index';
import { lengthOf, made, sheet, roomIn } from './made';

describe('page-corner bookmark', () => {
  it('covers half the sheet’s side along both edges of the page, with six layers in front and one behind', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const piece = made('page-corner-bookmark', s);
        const room = roomIn(CORNER, piece);
        expect(room.legMm / s).toBeCloseTo(1 / 2, 9);
        expect(room.depthMm / s).toBeCloseTo(Math.SQRT2 / 4, 9);
        expect(lengthOf(piece, 'widest round') / s).toBeCloseTo(1 - Math.SQRT1_2, 6);
        expect(piece.sizes.layers.map(({ count }) => count)).toEqual([7, 1]);
      }),
      { numRuns: 10 },
    ));
});
