import * as fc from 'fast-check';
import { CURRENCIES, formatMoney, minorDigits, moneyFigure, parseMoney } from '../../src/index';

describe('money', () => {
  it('reads back to the minor unit in every currency, with a point or a comma', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100_000_000 }),
        fc.constantFrom(...CURRENCIES),
        fc.constantFrom('point' as const, 'comma' as const),
        (minor, currency, decimal) =>
          expect(parseMoney(moneyFigure({ minor, currency }, decimal), currency)).toBe(minor),
      ),
    ));

  it('knows that a yen has no smaller part and a euro has a hundred', () =>
    expect([minorDigits('JPY'), minorDigits('EUR')]).toEqual([0, 2]));

  it.each([
    ['1.005', 'EUR'],
    ['0.5', 'JPY'],
    ['twelve', 'EUR'],
    ['', 'EUR'],
  ] as const)('“%s” is no amount of %s', (text, currency) => expect(parseMoney(text, currency)).toBeNull());

  it('is told with its currency', () =>
    expect(formatMoney({ minor: 1250, currency: 'EUR' }, 'comma')).toBe('12,50 EUR'));
});
