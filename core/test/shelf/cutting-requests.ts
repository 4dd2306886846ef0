import * as fc from 'fast-check';
import type { CutsPlanned, StockSheets, WantedSheet } from '../../src/index';

const mm = fc.integer({ min: 40, max: 500 });

/** Sheets that may be wanted, up to so many of each. */
export const wantedSheet = (most: number): fc.Arbitrary<WantedSheet> =>
  fc.record({
    outline: fc.record({ widthMm: mm, heightMm: mm }),
    mayTurn: fc.boolean(),
    grain: fc.constantFrom(null, null, 'along', 'across'),
    side: fc.constant(null),
    trim: fc.constantFrom(0, 0, 2),
    count: fc.integer({ min: 0, max: most }),
    from: fc.constantFrom(null, null, ['stock 0'], ['stock 1', 'stock 2']),
  });

const stockSheet: fc.Arbitrary<StockSheets> = fc.record({
  id: fc.constant(''),
  version: fc.constant(1),
  size: fc.record({ widthMm: fc.integer({ min: 40, max: 900 }), heightMm: fc.integer({ min: 40, max: 900 }) }),
  runs: fc.constantFrom(null, 'width', 'height'),
  margins: fc.constantFrom(0, 0, 5),
  count: fc.integer({ min: 0, max: 5 }),
  offcut: fc.boolean(),
  cost: fc.constantFrom(null, 3, 12),
});

export const stockSheets = (most: number): fc.Arbitrary<StockSheets[]> =>
  fc
    .array(stockSheet, { minLength: 1, maxLength: most })
    .map((all) => all.map((one, k) => ({ ...one, id: `stock ${k}` })));

/** What knives and scissors take away. */
export const lossMm = fc.constantFrom(0, 0, 0.5, 2);

export const plain = (widthMm: number, heightMm: number, count: number): WantedSheet => ({
  outline: { widthMm, heightMm },
  ...{ mayTurn: true, grain: null, side: null, trim: 0, count, from: null },
});

export const sheets = (widthMm: number, heightMm: number, count: number): StockSheets => ({
  ...{ id: 'a', version: 1, size: { widthMm, heightMm }, runs: null, margins: 0, count, offcut: false, cost: null },
});

export const sheetsTaken = ({ parents }: CutsPlanned): number => parents.reduce((sum, one) => sum + one.sheets, 0);
