import {
  areaOf,
  type CutRect,
  type CutRules,
  type CutsPlanned,
  type Layout,
  NOISE_MM,
  type PlannedParent,
  refuseNonsense,
  type StockSheets,
  USUAL_CUT_RULES,
  type WantedSheet,
} from './cutting';
import { asItIs, mayComeFrom, upright, waysOf } from './lying';
import { worthKeeping } from './offcuts';
import { cutMargins, cuttingTable, innerOf, laidOut } from './table';

/** How the next piece is chosen, and which way the rest of a rectangle is parted: all are tried, the best layout is kept. */
const ORDERS = [
  (p: Sides): number => p.widthMm * p.heightMm,
  (p: Sides): number => Math.max(p.widthMm, p.heightMm),
] as const;
export const PARTINGS = ['level first', 'upright first', 'largest rest'] as const;

type Sides = Pick<CutRect, 'widthMm' | 'heightMm'>;

/** What is laid out: on which stock, in which order, and how rests are parted. */
export interface GreedyAsked {
  readonly wanted: readonly WantedSheet[];
  /** How many of each are still to be cut. */
  readonly left: readonly number[];
  /** Laid so that its grain runs up. */
  readonly stock: StockSheets;
  /** The wanted one with the highest comes first. */
  readonly rank: (k: number) => number;
  readonly parting: (typeof PARTINGS)[number];
  readonly lossMm: number;
}

/**
 * Lays wanted sheets on one sheet of stock so that straight cuts from edge to edge free them all: each is put into the near
 * left corner of the free rectangle that it fills best, and what is left of that is parted in two.
 */
export function layGreedily({ wanted, left, stock, rank, parting, lossMm }: GreedyAsked): Layout {
  const table = cuttingTable(lossMm);
  const sorted = wanted
    .map((one, k) => ({ k, ways: mayComeFrom(one, stock) ? waysOf(one) : [] }))
    .filter(({ ways }) => ways.length)
    .sort((a, b) => rank(b.k) - rank(a.k) || a.k - b.k);
  const open = [...left];
  const fill = (free: CutRect | null): void => {
    if (!free) return;
    const fits = (size: Sides): boolean =>
      size.widthMm <= free.widthMm + NOISE_MM && size.heightMm <= free.heightMm + NOISE_MM;
    const next = sorted.find(({ k, ways }) => open[k] > 0 && ways.some(fits));
    if (!next) {
      table.rest(free);
      return;
    }
    const rest = (size: Sides): number => Math.min(free.widthMm - size.widthMm, free.heightMm - size.heightMm);
    const [{ widthMm: w, heightMm: h, turned }] = next.ways.filter(fits).sort((a, b) => rest(a) - rest(b));
    open[next.k]--;
    const [right, beyond] = [free.widthMm - w, free.heightMm - h];
    const levelFirst =
      parting === 'level first' || (parting === 'largest rest' && beyond * free.widthMm >= right * free.heightMm);
    const [strip, other] = levelFirst ? table.cut(free, 'level', h) : table.cut(free, 'upright', w);
    const [, beside] = levelFirst ? table.cut(strip, 'upright', w) : table.cut(strip, 'level', h);
    table.pieces.push({ wanted: next.k, turned, xMm: free.xMm, yMm: free.yMm, widthMm: w, heightMm: h });
    fill(beside);
    fill(other);
  };
  const { widthMm, heightMm } = innerOf(stock, lossMm);
  if (widthMm > 0 && heightMm > 0) fill(cutMargins(table, stock, lossMm));
  return laidOut(table);
}

const placedArea = ({ pieces }: Layout): number => pieces.reduce((sum, piece) => sum + areaOf(piece), 0);
const largestRest = ({ rests }: Layout): number => Math.max(0, ...rests.map(areaOf));

/** The layout that uses most of the sheet; of such, the one that leaves the largest rest in one, and then the fewest cuts. */
function best(asked: Omit<GreedyAsked, 'rank' | 'parting'>): Layout {
  return ORDERS.flatMap((order) =>
    PARTINGS.map((parting) => layGreedily({ ...asked, parting, rank: (k) => order(waysOf(asked.wanted[k])[0]) })),
  ).reduce((a, b) => {
    const gain = placedArea(b) - placedArea(a) || largestRest(b) - largestRest(a) || a.cuts.length - b.cuts.length;
    return gain > NOISE_MM ? b : a;
  });
}

/**
 * How wanted sheets come out of stock by straight cuts, each from edge to edge of the paper that it cuts, found at once: for
 * the best that is known see `planCutting`. Stocks are used in the order in which they are given, offcuts before whole
 * sheets. Layouts that repeat are told once, with their number.
 * @returns also what is missing where the stock does not do
 * @throws RangeError for a count or a size that is no such thing
 */
export function planCuts(
  wanted: readonly WantedSheet[],
  stock: readonly StockSheets[],
  rules: CutRules = USUAL_CUT_RULES,
): CutsPlanned {
  refuseNonsense(wanted);
  const left = wanted.map(({ count }) => count);
  const parents: PlannedParent[] = [];
  for (const one of [...stock].sort((a, b) => Number(b.offcut) - Number(a.offcut))) {
    let sheets = one.count;
    while (sheets > 0 && left.some((count) => count > 0)) {
      const layout = best({ wanted, left, stock: upright(one), lossMm: rules.lossMm });
      const { pieces, cuts, rests } = asItIs(one, layout);
      if (!pieces.length) break;
      const each = wanted.map((_, k) => pieces.filter((piece) => piece.wanted === k).length);
      const times = Math.min(sheets, ...each.map((n, k) => (n ? Math.floor(left[k] / n) : Infinity)));
      each.forEach((n, k) => (left[k] -= times * n));
      sheets -= times;
      parents.push({ stockId: one.id, sheets: times, pieces, cuts, offcuts: worthKeeping(rests, rules) });
    }
  }
  return { parents, missing: left };
}
