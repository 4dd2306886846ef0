import * as fc from 'fast-check';
import { formatMass, formatVolume, parseNumber, withMark } from '../../src/index';

describe('numbers as makers write them', () => {
  it('reads every number back, with a point or a comma', () =>
    fc.assert(
      fc.property(fc.integer({ min: -1e6, max: 1e6 }), fc.integer({ min: 0, max: 4 }), (digits, places) => {
        const value = Number((digits / 10 ** places).toFixed(places));
        const text = value.toFixed(places);
        expect(parseNumber(text)).toBe(value);
        expect(parseNumber(withMark(text, 'comma'))).toBe(value);
        expect(parseNumber(text.replace('-', '−'))).toBe(value);
      }),
    ));

  it.each(['', ' ', 'ten', '1,234.5', '1.234,5', '1 200', '1e3', '0x10', '--2', '.', '12 mm', 'NaN', 'Infinity'])(
    '“%s” is no number',
    (text) => expect(parseNumber(text)).toBeNull(),
  );

  it('a sentence keeps its full stops', () =>
    expect(withMark('It misses by 0.3 mm. Fold 2 of 3.', 'comma')).toBe('It misses by 0,3 mm. Fold 2 of 3.'));
});

describe('mass and volume', () => {
  const point = { decimal: 'point' } as const;

  it.each([
    [28.349523125, 'oz', '1 oz'],
    [453.59237, 'oz', '16 oz'],
    [40, 'g', '40 g'],
    [1234.4, 'g', '1234 g'],
    [0.1234, 'g', '0.123 g'],
  ] as const)('%d g in %s is %s', (grams, mass, text) => expect(formatMass(grams, { mass, ...point })).toBe(text));

  it.each([
    [236.5882365, 'fl oz', '8 fl oz'],
    [33.333, 'ml', '33.3 ml'],
  ] as const)('%d ml in %s is %s', (ml, volume, text) => expect(formatVolume(ml, { volume, ...point })).toBe(text));

  it('is within half a unit of the third digit', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 20_000, noNaN: true }), (grams) => {
        const read = parseFloat(formatMass(grams, { mass: 'oz', ...point })) * 28.349523125;
        expect(Math.abs(read / grams - 1)).toBeLessThan(0.0051);
      }),
    ));
});
