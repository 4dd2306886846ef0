import * as fc from 'fast-check';
import { cutsFrom, nextStock, STOCK_SHEETS } from '../../src/index';

describe('the next sheet on sale', () => {
  it('holds the sheet wanted, and nothing smaller on sale does', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 900, noNaN: true }),
        fc.double({ min: 10, max: 900, noNaN: true }),
        (a, b) => {
          const wanted = { widthMm: a, heightMm: b };
          const stock = nextStock(wanted);
          const able = STOCK_SHEETS.filter((one) => cutsFrom(wanted, one));
          expect(stock === null).toBe(able.length === 0);
          if (!stock) return;
          expect(Math.max(a, b)).toBeLessThanOrEqual(Math.max(stock.widthMm, stock.heightMm) + 1e-6);
          expect(Math.min(a, b)).toBeLessThanOrEqual(Math.min(stock.widthMm, stock.heightMm) + 1e-6);
          for (const one of able)
            expect(one.widthMm * one.heightMm).toBeGreaterThanOrEqual(stock.widthMm * stock.heightMm);
        },
      ),
    ));

  it('a square of 105 mm comes from the 120 mm square, smaller than an A6; its oblong from the A6', () => {
    expect(nextStock({ widthMm: 105, heightMm: 105 })?.name).toBe('120 mm square');
    expect(nextStock({ widthMm: 148, heightMm: 105 })?.name).toBe('A6');
  });
});
