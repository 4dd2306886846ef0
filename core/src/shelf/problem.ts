import { AIMS, type Aim } from './aims';
import type { Room } from './all-layouts';
import type { CutTree } from './cut-tree';
import type { CutRules, Layout, StockSheets, WantedSheet } from './cutting';
import { layTree } from './cut-tree';
import { type LaidOut, laidOutOn } from './layouts';
import { mayComeFrom, upright, type Way, waysOf } from './lying';
import { innerOf } from './table';

export interface CuttingAsked {
  readonly wanted: readonly WantedSheet[];
  readonly stock: readonly StockSheets[];
  readonly rules: CutRules;
  /** What should be small, what matters most first; others follow in their usual order. */
  readonly aims: readonly Aim[];
  /** How long better plans are looked for where not all can be listed: a few seconds, or until someone stops it. */
  readonly patience: 'short' | 'long';
}

/** What is asked, made ready: all stocks laid so that their grain runs up. */
export interface CuttingProblem {
  readonly stocks: readonly StockSheets[];
  readonly rules: CutRules;
  readonly aims: readonly Aim[];
  /** How many of each wanted sheet. */
  readonly demand: readonly number[];
  /** The area of each, with what is trimmed off it, in mm². */
  readonly areas: readonly number[];
  /** The insides of the stocks, between their margins. */
  readonly rooms: readonly Room[];
  /** Stocks of which something can be cut. */
  readonly live: readonly number[];
  readonly wanted: readonly WantedSheet[];
  readonly ways: readonly (readonly Way[])[];
  /** By stock and wanted sheet, whether it may come from there. */
  readonly may: readonly (readonly boolean[])[];
}

export function problemOf({ wanted, stock, rules, aims }: CuttingAsked): CuttingProblem {
  const stocks = stock.map(upright);
  const rooms = stocks.map((one) => innerOf(one, rules.lossMm));
  const ways = wanted.map(waysOf);
  return {
    ...{ stocks, rules, rooms, wanted, ways },
    aims: [...new Set([...aims, ...AIMS])],
    demand: wanted.map(({ count }) => count),
    areas: ways.map(([{ widthMm, heightMm }]) => widthMm * heightMm),
    live: stocks.flatMap(({ count }, s) => (count > 0 && rooms[s].widthMm > 0 && rooms[s].heightMm > 0 ? [s] : [])),
    may: stocks.map((one) => wanted.map((sheet) => mayComeFrom(sheet, one))),
  };
}

/** Layouts that sheets may be cut by: of those that give the same from the same stock, the one with the fewest cuts. */
export interface LayoutPool {
  /** @returns whether nothing was there that gives the same */
  add(stock: number, found: Layout | CutTree): boolean;
  all(): readonly LaidOut[];
}

export function layoutPool({ stocks, rules, demand }: CuttingProblem): LayoutPool {
  const byKey = new Map<string, LaidOut>();
  return {
    add(stock, found) {
      const tree = 'pieces' in found ? null : found;
      const layout = 'pieces' in found ? found : layTree(found, stocks[stock], rules.lossMm);
      const one = laidOutOn(stocks, stock, layout, tree, demand.length, rules);
      const key = `${stock} ${one.counts.join(' ')}`;
      const before = byKey.get(key);
      const gain = before ? before.layout.cuts.length - layout.cuts.length || before.wasteMm2 - one.wasteMm2 : 1;
      if (gain > 0) byKey.set(key, one);
      return !before;
    },
    all: () => [...byKey.values()],
  };
}
