import { type CutTree, joined, layTree } from './cut-tree';
import { areaOf, type CutRules, type Layout, type StockSheets } from './cutting';
import { worthKeeping } from './offcuts';

/** One way to cut a sheet of one stock, to be chosen so many times. */
export interface LaidOut {
  /** Which of the stocks. */
  readonly stock: number;
  /** How many of each wanted sheet it gives. */
  readonly counts: readonly number[];
  readonly layout: Layout;
  /** By what it was found, so that a piece can be left out of it; null where it was laid out at once. */
  readonly tree: CutTree | null;
  /** What is lost of the sheet: neither wanted nor worth keeping, in mm². */
  readonly wasteMm2: number;
}

/** How many of each wanted sheet are in a layout. */
export function countsOf({ pieces }: Pick<Layout, 'pieces'>, kinds: number): number[] {
  const counts = new Array<number>(kinds).fill(0);
  for (const { wanted } of pieces) counts[wanted]++;
  return counts;
}

export function laidOutOn(
  stocks: readonly StockSheets[],
  stock: number,
  layout: Layout,
  tree: CutTree | null,
  kinds: number,
  rules: CutRules,
): LaidOut {
  const used = layout.pieces.reduce((sum, piece) => sum + areaOf(piece), 0);
  const kept = worthKeeping(layout.rests, rules).reduce((sum, rest) => sum + areaOf(rest), 0);
  const wasteMm2 = areaOf(stocks[stock].size) - used - kept;
  return { stock, counts: countsOf(layout, kinds), layout, tree, wasteMm2 };
}

/** A tree without the first piece of a kind. */
function without(
  tree: CutTree,
  wanted: number,
  lossMm: number,
): { readonly tree: CutTree | null; readonly found: boolean } {
  if (!('first' in tree)) return tree.wanted === wanted ? { tree: null, found: true } : { tree, found: false };
  for (const side of ['first', 'second'] as const) {
    const { tree: left, found } = without(tree[side], wanted, lossMm);
    if (!found) continue;
    const other = tree[side === 'first' ? 'second' : 'first'];
    if (!left) return { tree: other, found };
    const [first, second] = side === 'first' ? [left, other] : [other, left];
    return { tree: joined(tree.runs, first, second, lossMm), found };
  }
  return { tree, found: false };
}

/** The same sheet with one piece less: what was its place is left over. */
export function leftOut(one: LaidOut, wanted: number, stocks: readonly StockSheets[], rules: CutRules): LaidOut {
  const kinds = one.counts.length;
  if (one.tree) {
    const { tree } = without(one.tree, wanted, rules.lossMm);
    const layout = tree ? layTree(tree, stocks[one.stock], rules.lossMm) : { pieces: [], cuts: [], rests: [] };
    return laidOutOn(stocks, one.stock, layout, tree, kinds, rules);
  }
  const { pieces, cuts, rests } = one.layout;
  const k = pieces.findIndex((piece) => piece.wanted === wanted);
  const { xMm, yMm, widthMm, heightMm } = pieces[k];
  const layout = {
    ...{ cuts, pieces: pieces.filter((_, i) => i !== k) },
    rests: [...rests, { xMm, yMm, widthMm, heightMm }],
  };
  return laidOutOn(stocks, one.stock, layout, null, kinds, rules);
}
