import * as fc from 'fast-check';
import {
  floorCarries,
  floorUnder,
  isSized,
  parsePurpose,
  perUnit,
  sayPurpose,
  sizeFor,
  writePurpose,
} from '../../src/index';
import { runs } from '../runs';
import { fitting, USUAL } from './usual-options';

const side = fc.double({ min: 20, max: 300, noNaN: true });
const thick = fc.double({ min: 0.05, max: 0.6, noNaN: true });

describe('what a floor carries before it sags', () => {
  it('goes with the cube of the thickness and with the layers, and falls as the floor grows', () =>
    fc.assert(
      fc.property(side, side, thick, fc.integer({ min: 1, max: 5 }), (a, b, t, layers) => {
        const of = (lengthMm: number, widthMm: number, thicknessMm = t, many = layers) =>
          floorCarries({ lengthMm, widthMm }, { thicknessMm, layers: many });
        const { leastG, mostG } = of(a, b);
        expect(leastG).toBeGreaterThan(0);
        expect(mostG).toBeGreaterThan(3 * leastG);
        expect(of(b, a).leastG).toBeCloseTo(leastG, 9);
        expect(of(a, b, 2 * t).leastG / leastG).toBeCloseTo(8, 6);
        expect(of(a, b, t, 2 * layers).mostG / mostG).toBeCloseTo(2, 6);
        // The same floor, twice as large both ways: as the sag may grow with it, half as much.
        expect(of(2 * a, 2 * b).leastG / leastG).toBeCloseTo(1 / 2, 6);
      }),
      { numRuns: runs(50, 500) },
    ));

  it('of a square plate is what the closed series gives: 0.00406 q b⁴ / D', () => {
    // Navier's double series for the middle of a square plate that lies free on its edges.
    let sum = 0;
    for (let m = 1; m < 200; m += 2)
      for (let n = 1; n < 200; n += 2)
        sum += (Math.sin((m * Math.PI) / 2) * Math.sin((n * Math.PI) / 2)) / (m * n * (m * m + n * n) ** 2);
    const sag = (16 / Math.PI ** 6) * sum;
    const [b, t] = [60, 0.1];
    const stiffness = (2000 * t ** 3) / (12 * (1 - 0.25 ** 2));
    const grams = ((b / 20) * stiffness * b * b) / (sag * b ** 4) / 9.81e-3;
    const { leastG } = floorCarries({ lengthMm: b, widthMm: b }, { thicknessMm: t, layers: 1 });
    expect(Math.abs(leastG / grams - 1)).toBeLessThan(0.002);
  });

  it('is held against the weight that a line names: together, or of each', () => {
    expect(parsePurpose('60 x 45 x 22, 300 g')).toMatchObject({ kind: 'hold', grams: 300 });
    expect(parsePurpose('4 dice 16, 5 g each')).toMatchObject({ grams: 20 });
    expect(parsePurpose('4 dice 16 weighing 0.5 kg together')).toMatchObject({ grams: 500 });
    expect(parsePurpose('load 40 g, centre at 6 mm')).toEqual({ kind: 'load', grams: 40, centreMm: 6 });
    expect(parsePurpose('100 g rice')).toMatchObject({ kind: 'bulk' });
    const purpose = parsePurpose('4 dice 16, 300 g');
    expect(parsePurpose(writePurpose(purpose))).toEqual(purpose);
    expect(sayPurpose(purpose)).toContain('weighing 300 g');
    expect(perUnit(purpose, 2)).toMatchObject({ grams: 150 });
    const tray = (line: string) => {
      const found = sizeFor(fitting, 'square-tray-and-eared-lid', parsePurpose(line), USUAL);
      if (!isSized(found)) throw new Error('A tray holds that.');
      return floorUnder(found, parsePurpose(line), USUAL.thicknessMm);
    };
    expect(tray('60 x 45 x 22')).toBeNull();
    const [light, heavy] = [tray('60 x 45 x 22, 0.5 g')!, tray('60 x 45 x 22, 3 kg')!];
    expect([light.bears, heavy.bears]).toEqual(['flat', 'sags']);
    expect(light.lowers).toBeLessThan(heavy.lowers);
    expect(() => parsePurpose('60 x 45 x 22, 90 kg')).toThrow('A weight lies between nothing and 20 kg.');
  });
});
