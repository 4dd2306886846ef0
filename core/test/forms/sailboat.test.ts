import * as fc from 'fast-check';
import { centreOfWeight, goesDown, HOLDER, whereIs } from '../../src/index';
import { lengthOf, made, roomIn, sheet } from './made';

/** Half of the diagonal. */
const H = Math.SQRT1_2;

describe('table sailboat', () => {
  it('has the sizes of its fact sheet, whatever the foot', () =>
    fc.assert(
      fc.property(sheet, fc.double({ min: 0.3, max: 0.6, noNaN: true }), (s, k) => {
        const boat = made('table-sailboat', s, { footMm: (k * H * s) / 2, standDeg: 90 });
        expect(lengthOf(boat, 'hull, high') / s).toBeCloseTo(((1 - k) * H) / 2, 9);
        expect(lengthOf(boat, 'foot, wide') / s).toBeCloseTo(k * H, 9);
        expect(lengthOf(boat, 'foot, deep') / s).toBeCloseTo((k * H) / 2, 9);
        expect(boat.sizes.outer.heightMm / s).toBeCloseTo(H * (1 - k / 2), 9);
        expect(roomIn(HOLDER, boat).mouthMm / s).toBeCloseTo(H, 9);
      }),
      { numRuns: 8 },
    ));

  it.each([
    [90, 0.011, 4.9],
    [80, null, 14.8],
    [75, null, 19.6],
    [60, null, 34.1],
  ])('stands at %d degrees as far from tipping forward as all its faces together say', (standDeg, behind, margin) => {
    const boat = made('table-sailboat', 1000, { standDeg });
    const mm = lengthOf(boat, 'weight, behind');
    if (behind !== null) expect(mm / 1000).toBeCloseTo(behind, 4);
    const { z } = centreOfWeight(boat.folding.finished);
    expect((Math.atan2(mm, z) * 180) / Math.PI).toBeCloseTo(margin, 0);
  });

  it('lets a card down until its lower corners meet the sides of the pocket', () =>
    fc.assert(
      fc.property(sheet, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (s, share) => {
        const room = roomIn(HOLDER, made('table-sailboat', s));
        const across = share * room.mouthMm;
        expect(goesDown(room, across)).toBeCloseTo(Math.min(room.depthMm, (room.mouthMm - across) / 2), 9);
      }),
      { numRuns: 20 },
    ));

  it.each(['hull', 'sails'])('stands with its feet on the table, %s to the front', (face) => {
    const { folding } = made('table-sailboat', 170, { face });
    const heights = folding.finished.pattern.vertices.map((p) => whereIs(folding.finished, p).z);
    expect(Math.min(...heights)).toBeCloseTo(0, 9);
    expect(Math.max(...heights)).toBeGreaterThan(80);
  });
});
