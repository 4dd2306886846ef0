import * as fc from 'fast-check';
import { openPouch, POUCH } from '../../src/index';
import { made, sheet, roomIn } from './made';

describe('flat-folding cup', () => {
  it('has the mouth, depth and bottom of its fact sheet', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const piece = made('flat-folding-cup', s);
        const { layers } = piece.sizes;
        const room = roomIn(POUCH, piece);
        expect(room.mouthMm / s).toBeCloseTo(2 - Math.SQRT2, 6);
        expect(room.depthMm / s).toBeCloseTo(Math.SQRT2 - 1, 6);
        expect(room.bottomMm / s).toBeCloseTo(3 * Math.SQRT2 - 4, 6);
        expect(layers[0].count).toBe(8);
      }),
      { numRuns: 8 },
    ));

  it('holds 0.0202 of its sheet’s side cubed at most, within 2 %, in a shape that stretches by less than half a percent', () => {
    const s = 170;
    const room = roomIn(POUCH, made('flat-folding-cup', s));
    const run = () => {
      const work = openPouch(room);
      let state = work.next(false);
      while (!state.done) state = work.next(false);
      return state.value;
    };
    const { volumeMm3, strain } = run();
    expect(Math.abs(volumeMm3 / s ** 3 / 0.0202 - 1)).toBeLessThan(0.02);
    expect(strain).toBeLessThan(0.005);
    expect(run().volumeMm3).toBe(volumeMm3);
  });

  it('can be stopped while it opens', () => {
    const work = openPouch({ mouthMm: 90, bottomMm: 31, depthMm: 60 });
    work.next(false);
    const stopped = work.next(true);
    expect(stopped.done && stopped.value.rested).toBe(false);
  });
});
