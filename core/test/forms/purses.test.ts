import * as fc from 'fast-check';
import { EIGHT_SIDED, leastAcross, make, TRIANGLE, type Point3, whereIs } from '../../src/index';
import { lengthOf, made, roomIn, sheet } from './made';

describe('triangular purse', () => {
  const depth = fc.double({ min: (3 - Math.sqrt(3)) / 8, max: 1 / 4, noNaN: true });

  it('has length, height, slope, strip and flap of its fact sheet at any depth', () =>
    fc.assert(
      fc.property(sheet, depth, (s, d) => {
        const purse = made('triangular-purse', s, { depthMm: d * s });
        const r = Math.sqrt(1 / 16 + (d * d) / 4);
        const room = roomIn(TRIANGLE, purse);
        expect(room.lengthMm / s).toBeCloseTo(1 / 2, 9);
        expect(room.heightMm / s).toBeCloseTo(1 / 4, 9);
        expect(room.baseMm / s).toBeCloseTo(d, 9);
        expect(lengthOf(purse, 'strip turned in') / s).toBeCloseTo(Math.max(0, 1 / 2 - d - r), 9);
        expect(lengthOf(purse, 'seam below') / s).toBeCloseTo(d / 2, 9);
        expect(purse.sizes.volumes![0].ml / (s / 10) ** 3).toBeCloseTo(d / 16, 9);
        // Without a strip to turn in, layers 5 in the pockets; 7 with one.
        expect(purse.sizes.layers[0].count).toBe(1 / 2 - d - r > 1e-3 ? 7 : 5);
      }),
      { numRuns: 8 },
    ));

  it('brings all four quarters together: the tops of both walls and of the end are one point', () => {
    const purse = made('triangular-purse', 170);
    const at = (x: number, y: number): Point3 => whereIs(purse.folding.finished, { x: x * 170, y: y * 170 });
    const r = Math.sqrt(1 / 16 + 0.01);
    const tops = [at(0, 0.5), at(1 / 4, 0.5 - 0.1 - r), at(1 / 4, 0.5 + 0.1 + r)];
    for (const top of tops) for (const key of ['x', 'y', 'z'] as const) expect(top[key]).toBeCloseTo(tops[0][key], 8);
  });

  it('refuses a depth from which on the seam gapes, and one whose strip is higher than its flap', () => {
    for (const depthMm of [0.1 * 170, 0.26 * 170])
      expect(() => made('triangular-purse', 170, { depthMm })).toThrow('does not suit a sheet of');
  });
});

describe('twist pouch', () => {
  it.each(['right', 'left'])('is the star of its fact sheet, pleats to the %s', (mirror) =>
    fc.assert(
      fc.property(sheet, (s) => {
        const pouch = made('twist-pouch', s, { mirror });
        expect(roomIn(EIGHT_SIDED, pouch).acrossMm / s).toBeCloseTo((Math.sqrt(3) - 1) / 2, 9);
        expect(lengthOf(pouch, 'tip to tip') / s).toBeCloseTo(Math.sqrt(3) - 1, 9);
        expect(lengthOf(pouch, 'notch to notch') / s).toBeCloseTo(Math.SQRT2 * (2 - Math.sqrt(3)), 9);
        expect(lengthOf(pouch, 'side of the smallest') / s).toBeCloseTo((Math.sqrt(3) - 1) / Math.SQRT2, 9);
        expect(pouch.sizes.layers[0].count).toBe(9);
      }),
      { numRuns: 3 },
    ),
  );

  it('lies its things at the angle that takes least: no turn of a finer search does better', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 100, noNaN: true }),
        fc.double({ min: 1, max: 100, noNaN: true }),
        (w, h) => {
          const { acrossMm } = leastAcross(w, h);
          for (let deg = 0; deg < 180; deg += 0.13) {
            const need = Math.max(
              ...[30, 60, 120, 150].map((edge) => {
                const turn = ((edge - deg) * Math.PI) / 180;
                return w * Math.abs(Math.cos(turn)) + h * Math.abs(Math.sin(turn));
              }),
            );
            expect(acrossMm).toBeLessThan(need * (1 + 5e-3));
          }
          // A square turned by an eighth, as worked out by hand.
          expect(leastAcross(w, w).acrossMm / w).toBeCloseTo(Math.cos(Math.PI / 12) + Math.sin(Math.PI / 12), 9);
        },
      ),
      { numRuns: 20 },
    ));

  it('shows colour in front and white behind', () => {
    const { folding } = make('twist-pouch', {
      sheet: { widthMm: 200, heightMm: 200 },
      params: {},
      paper: { thicknessMm: 0.1 },
    });
    const { finished } = folding;
    // The base lies lowest and shows its white side down.
    const base = finished.pattern.faces.findIndex((_, f) => {
      const m = finished.placed[f];
      return Math.hypot(m[0] * 100 + m[1] * 100 + m[9] - 100, m[3] * 100 + m[4] * 100 + m[10] - 100) < 1 && m[8] < 0;
    });
    expect(base).toBeGreaterThanOrEqual(0);
  });
});
