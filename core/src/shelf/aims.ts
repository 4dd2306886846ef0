import { areaOf, type StockSheets } from './cutting';
import type { LaidOut } from './layouts';

/** What a plan should take little of; a maker says in which order. */
export const AIMS = ['paper', 'cost', 'cuts', 'whole', 'offcuts'] as const;

export type Aim = (typeof AIMS)[number];

/**
 * What one sheet of a stock costs by an aim, however it is cut; null for cuts, which its layout decides. A whole sheet that
 * nobody knows the price of is as dear as the dearest known one of its size; offcuts are paid for.
 */
export function sheetCost(aim: Aim, stock: StockSheets, stocks: readonly StockSheets[]): number | null {
  const area = areaOf(stock.size);
  switch (aim) {
    case 'paper':
      return area;
    case 'cost': {
      if (stock.cost !== null) return stock.cost;
      if (stock.offcut) return 0;
      const rates = stocks.flatMap(({ cost, size }) => (cost === null ? [] : [cost / areaOf(size)]));
      return area * Math.max(0, ...rates);
    }
    case 'whole':
      return stock.offcut ? 0 : 1;
    case 'offcuts':
      return stock.offcut ? 0 : area;
    case 'cuts':
      return null;
  }
}

/** What a sheet that is cut in some way costs by an aim. */
export const costOf = (aim: Aim, one: LaidOut, stocks: readonly StockSheets[]): number =>
  sheetCost(aim, stocks[one.stock], stocks) ?? one.layout.cuts.length;
