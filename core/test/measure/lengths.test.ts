import * as fc from 'fast-check';
import {
  atRulerStep,
  formatLength,
  LENGTH_RANGE_MM,
  parseLength,
  ParseLengthError,
  parseSizes,
  rulerStepsFor,
  RULERS,
  type RulerId,
  unitOnRuler,
} from '../../src/index';

const faultOf = (read: () => unknown): string => {
  try {
    read();
  } catch (error) {
    if (error instanceof ParseLengthError) return error.fault;
    throw error;
  }
  return 'none';
};

describe('lengths as makers write them', () => {
  it.each([
    ['60', 60],
    ['21.6cm', 216],
    ['4,5 cm', 45],
    ['8 1/2 in', 215.9],
    ['2-3/8"', 60.325],
    ['3/8 in', 9.525],
    ['1½ in', 38.1],
    ['0.06 m', 60],
    ['½"', 12.7],
  ])('reads %s', (text, mm) => expect(parseLength(text)).toBeCloseTo(mm, 9));

  it.each([
    ['', 'empty'],
    ['-3', 'not-positive'],
    ['0', 'not-positive'],
    ['12 parsecs', 'unknown-unit'],
    ['10 km', 'unknown-unit'],
    ['10 constructor', 'unknown-unit'],
    ['9000 m', 'too-large'],
    ['0.01', 'too-small'],
    ['sixty', 'not-a-number'],
    ['1/0 in', 'not-a-number'],
  ])('refuses “%s” as %s', (text, fault) => expect(faultOf(() => parseLength(text))).toBe(fault));

  it.each([
    ['60 x 45 x 22', [60, 45, 22]],
    ['2 3/8 in x 1 3/4 in x 7/8 in', [60.325, 44.45, 22.225]],
    ['6cm × 4.5cm × 2.2cm', [60, 45, 22]],
    ['6 x 4.5 x 2.2 cm', [60, 45, 22]],
    ['60 by 45 by 22 mm', [60, 45, 22]],
  ])('reads the block %s', (text, mm) => parseSizes(text).forEach((v, i) => expect(v).toBeCloseTo(mm[i], 9)));

  it('asks for what is missing', () => {
    expect(faultOf(() => parseSizes('60 x'))).toBe('count');
  });

  it('a length shown and read again is off by at most what is shown', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 4000, noNaN: true }),
        fc.constantFrom('mm' as const, 'cm' as const, 'in' as const),
        (mm, unit) => {
          const seen = { mm: 0.05, cm: 0.05, in: 25.4 / 64 }[unit];
          expect(Math.abs(parseLength(formatLength(mm, unit)) - mm)).toBeLessThanOrEqual(seen + 1e-9);
        },
      ),
    ));

  it('rounding up to a ruler adds less than a mark and never takes away', () =>
    fc.assert(
      fc.property(
        fc.double({ min: LENGTH_RANGE_MM.min, max: 3000, noNaN: true }),
        fc.constantFrom(...(Object.keys(RULERS) as RulerId[])),
        (mm, ruler) => {
          const up = atRulerStep(rulerStepsFor(mm, ruler), ruler);
          expect(up).toBeGreaterThanOrEqual(mm - 1e-6);
          expect(up - mm).toBeLessThan(RULERS[ruler].stepMm);
        },
      ),
    ));

  it('what a ruler is to measure is written so that its marks can be read off exactly', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 900 }),
        fc.constantFrom(...(Object.keys(RULERS) as RulerId[])),
        fc.constantFrom('mm' as const, 'cm' as const, 'in' as const),
        (marks, ruler, unit) => {
          const mm = atRulerStep(marks, ruler);
          expect(parseLength(formatLength(mm, unitOnRuler(ruler, unit)))).toBeCloseTo(mm, 9);
        },
      ),
    ));
});
