import type { CutRect, Layout, StockSheets, WantedSheet } from './cutting';

/** A way in which a wanted sheet may lie, with all that is trimmed off it later. */
export interface Way {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly turned: boolean;
}

/**
 * The ways in which a wanted sheet may lie on paper whose grain or pattern runs up its height: see `upright`.
 */
export function waysOf({ outline, mayTurn, grain, trim }: WantedSheet): readonly Way[] {
  const [w, h] = [outline.widthMm + 2 * trim, outline.heightMm + 2 * trim];
  const asIs: Way = { widthMm: w, heightMm: h, turned: false };
  const across: Way = { widthMm: h, heightMm: w, turned: true };
  if (grain === 'across') return [across];
  return mayTurn && grain === null && w !== h ? [asIs, across] : [asIs];
}

/** Whether a wanted sheet may come from a stock at all, its size apart. */
export const mayComeFrom = ({ from, grain }: WantedSheet, { id, runs }: StockSheets): boolean =>
  (from === null || from.includes(id)) && (grain === null || runs !== null);

/** A stock laid so that its grain runs up its height. */
export const upright = (stock: StockSheets): StockSheets =>
  stock.runs === 'width'
    ? { ...stock, runs: 'height', size: { widthMm: stock.size.heightMm, heightMm: stock.size.widthMm } }
    : stock;

const across = <R extends CutRect>(rect: R): R => ({
  ...rect,
  ...{ xMm: rect.yMm, yMm: rect.xMm, widthMm: rect.heightMm, heightMm: rect.widthMm },
});

/** What was laid out on `upright(stock)`, on the stock as it is. */
export function asItIs({ runs }: StockSheets, { pieces, cuts, rests }: Layout): Layout {
  if (runs !== 'width') return { pieces, cuts, rests };
  return {
    pieces: pieces.map((piece) => ({ ...across(piece), turned: !piece.turned })),
    cuts: cuts.map((cut) => ({
      ...cut,
      piece: across(cut.piece),
      runs: cut.runs === 'upright' ? 'level' : 'upright',
    })),
    rests: rests.map(across),
  };
}
