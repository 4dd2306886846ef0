import { areaOf, type CutRect, type Layout, NOISE_MM, type StockSheets } from './cutting';
import { cutMargins, cuttingTable, laidOut, type Table } from './table';

/** Pieces joined edge to edge, as they lie on the stock: cut apart from the outside in. Sizes in mm. */
export type CutTree =
  | {
      readonly wanted: number;
      readonly turned: boolean;
      readonly widthMm: number;
      readonly heightMm: number;
    }
  | {
      /** How the cut between the two runs. */
      readonly runs: 'upright' | 'level';
      readonly first: CutTree;
      readonly second: CutTree;
      readonly widthMm: number;
      readonly heightMm: number;
    };

/** Two trees beside each other or one beyond the other, with what the cut between them takes away. */
export function joined(runs: 'upright' | 'level', first: CutTree, second: CutTree, lossMm: number): CutTree {
  const [w, h] = [first.widthMm, first.heightMm];
  return runs === 'upright'
    ? { ...{ runs, first, second }, widthMm: w + second.widthMm + lossMm, heightMm: Math.max(h, second.heightMm) }
    : { ...{ runs, first, second }, widthMm: Math.max(w, second.widthMm), heightMm: h + second.heightMm + lossMm };
}

/** Frees one tree from a piece of paper that is at least as large as it. */
function free(table: Table, tree: CutTree, paper: CutRect): void {
  if (!('first' in tree)) {
    const { wanted, turned, widthMm, heightMm } = tree;
    const [right, beyond] = [paper.widthMm - widthMm, paper.heightMm - heightMm];
    // The first cut goes all through: the larger rest stays in one.
    const uprightFirst = right * paper.heightMm >= beyond * paper.widthMm;
    const [strip, other] = table.cut(paper, uprightFirst ? 'upright' : 'level', uprightFirst ? widthMm : heightMm);
    const [piece, rest] = table.cut(strip, uprightFirst ? 'level' : 'upright', uprightFirst ? heightMm : widthMm);
    table.pieces.push({ wanted, turned, xMm: piece.xMm, yMm: piece.yMm, widthMm, heightMm });
    table.rest(other);
    table.rest(rest);
    return;
  }
  const { runs, first, second } = tree;
  // What is left along the cut is taken off before it, in one.
  const [band, other] =
    runs === 'upright' ? table.cut(paper, 'level', tree.heightMm) : table.cut(paper, 'upright', tree.widthMm);
  table.rest(other);
  const [a, b] = table.cut(band, runs, runs === 'upright' ? first.widthMm : first.heightMm);
  free(table, first, a);
  if (b) free(table, second, b);
}

/** Neighbours that are parted by cuts of one direction. */
function inRow(tree: CutTree, runs: 'upright' | 'level'): readonly CutTree[] {
  return 'first' in tree && tree.runs === runs ? [...inRow(tree.first, runs), ...inRow(tree.second, runs)] : [tree];
}

/**
 * The same pieces in the order of hands: what cuts of one direction part is cut off one after another from one edge, the highest first, so
 * that what is left beyond the lower ones comes off in one.
 */
function inOrder(tree: CutTree, lossMm: number): CutTree {
  if (!('first' in tree)) return tree;
  const { runs } = tree;
  const [across, along] = runs === 'upright' ? (['heightMm', 'widthMm'] as const) : (['widthMm', 'heightMm'] as const);
  const row = inRow(tree, runs)
    .map((one) => inOrder(one, lossMm))
    .sort((a, b) => b[across] - a[across] || b[along] - a[along]);
  return row.reduceRight((rest, one) => joined(runs, one, rest, lossMm));
}

const largest = ({ rests }: Layout): number => Math.max(0, ...rests.map(areaOf));

/** A tree on a sheet of stock whose inside it fits into: with the larger rest in one of two ways to begin. */
export function layTree(tree: CutTree, stock: Pick<StockSheets, 'size' | 'margins'>, lossMm: number): Layout {
  const ordered = inOrder(tree, lossMm);
  const lay = (begin: 'upright' | 'level'): Layout => {
    const table = cuttingTable(lossMm);
    const inner = cutMargins(table, stock, lossMm);
    const [paper, other] =
      begin === 'upright' ? table.cut(inner, begin, ordered.widthMm) : table.cut(inner, begin, ordered.heightMm);
    table.rest(other);
    free(table, ordered, paper);
    return laidOut(table);
  };
  const [a, b] = [lay('upright'), lay('level')];
  const gain = largest(b) - largest(a);
  return gain > NOISE_MM || (gain > -NOISE_MM && b.cuts.length < a.cuts.length) ? b : a;
}
