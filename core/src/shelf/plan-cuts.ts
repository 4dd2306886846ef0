/** Narrower strips are not worth keeping: no form folds from them. */
export const LEAST_OFFCUT_MM = 30;

/** Sheets that are wanted, all alike. */
export interface WantedSheet {
  /** Sides in mm; `heightMm` runs along the grain of the paper where that counts. */
  readonly outline: { readonly widthMm: number; readonly heightMm: number };
  /** Whether it may lie turned by a quarter. */
  readonly mayTurn: boolean;
  /** Which way the grain must run; null where it does not count. */
  readonly grain: 'along' | 'across' | null;
  /** Which side of the paper is its white one; null where both are alike. */
  readonly side: 'front' | 'back' | null;
  /** So much is cut off again round it once it lies in its place, in mm. */
  readonly trim: number;
  readonly count: number;
}

/** Sheets of one paper, all alike. */
export interface StockSheets {
  readonly id: string;
  readonly version: number;
  readonly size: { readonly widthMm: number; readonly heightMm: number };
  /** What is left unused along each edge, in mm. */
  readonly margins: number;
  readonly count: number;
  readonly offcut: boolean;
}

/** A rectangle on a sheet of stock, from its near left corner, in mm. */
export interface CutRect {
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A wanted sheet where it lies on its stock. */
export interface PlannedPiece extends CutRect {
  /** Which of the wanted ones. */
  readonly wanted: number;
  readonly turned: boolean;
}

/** One straight cut, right through a piece of paper that was freed by the cuts before it. */
export interface StraightCut {
  /** What is cut, where it lay on the stock. */
  readonly piece: CutRect;
  /** Upright cuts are measured from the left edge of that piece, level ones from its near edge. */
  readonly runs: 'upright' | 'level';
  readonly atMm: number;
}

/** So many sheets of one stock, each cut alike. */
export interface PlannedParent {
  readonly stockId: string;
  readonly sheets: number;
  readonly pieces: readonly PlannedPiece[];
  /** In the order in which they are made. */
  readonly cuts: readonly StraightCut[];
  /** What is left and worth keeping, largest first. */
  readonly offcuts: readonly CutRect[];
}

export interface CutsPlanned {
  readonly parents: readonly PlannedParent[];
  /** How many of each wanted sheet no stock gives. */
  readonly missing: readonly number[];
}

/** Paper cut a hair too small by rounding still does, in mm. */
const NOISE_MM = 1e-6;

/** How the next piece is chosen, and which way the rest of a rectangle is parted: all are tried, the best layout is kept. */
const ORDERS = [
  (p: CutRect): number => p.widthMm * p.heightMm,
  (p: CutRect): number => Math.max(p.widthMm, p.heightMm),
] as const;
const PARTINGS = ['level first', 'upright first', 'largest rest'] as const;

interface Layout {
  readonly pieces: readonly PlannedPiece[];
  readonly cuts: readonly StraightCut[];
  readonly rests: readonly CutRect[];
}

const areaOf = ({ widthMm, heightMm }: CutRect): number => widthMm * heightMm;

/** The ways in which a wanted sheet may lie, with all that is trimmed off it later. */
function lies({ outline, mayTurn, grain, trim }: WantedSheet): readonly { size: CutRect; turned: boolean }[] {
  const [w, h] = [outline.widthMm + 2 * trim, outline.heightMm + 2 * trim];
  const asIs = { size: { xMm: 0, yMm: 0, widthMm: w, heightMm: h }, turned: false };
  const across = { size: { xMm: 0, yMm: 0, widthMm: h, heightMm: w }, turned: true };
  if (grain === 'across') return [across];
  return mayTurn && grain === null && w !== h ? [asIs, across] : [asIs];
}

/**
 * Lays wanted sheets on one sheet of stock so that straight cuts from edge to edge free them all: each is put into the near
 * left corner of the free rectangle that it fills best, and what is left of that is parted in two.
 */
function layOut(
  wanted: readonly WantedSheet[],
  left: readonly number[],
  stock: StockSheets,
  order: (size: CutRect) => number,
  parting: (typeof PARTINGS)[number],
): Layout {
  const { margins } = stock;
  const [width, height] = [stock.size.widthMm, stock.size.heightMm];
  const pieces: PlannedPiece[] = [];
  const cuts: StraightCut[] = [];
  const rests: CutRect[] = [];
  const sorted = wanted
    .map((one, k) => ({ one, k, ways: lies(one) }))
    .sort((a, b) => order(b.ways[0].size) - order(a.ways[0].size) || a.k - b.k);
  const open = [...left];
  const cut = (piece: CutRect, runs: StraightCut['runs'], atMm: number): void => {
    const full = runs === 'upright' ? piece.widthMm : piece.heightMm;
    if (full - atMm > NOISE_MM) cuts.push({ piece, runs, atMm });
  };
  const fill = (free: CutRect): void => {
    const fits = (size: CutRect): boolean =>
      size.widthMm <= free.widthMm + NOISE_MM && size.heightMm <= free.heightMm + NOISE_MM;
    const next = sorted.find(({ k, ways }) => open[k] > 0 && ways.some(({ size }) => fits(size)));
    if (!next) {
      if (areaOf(free) > NOISE_MM) rests.push(free);
      return;
    }
    const rest = (size: CutRect): number => Math.min(free.widthMm - size.widthMm, free.heightMm - size.heightMm);
    const [{ size, turned }] = next.ways.filter((way) => fits(way.size)).sort((a, b) => rest(a.size) - rest(b.size));
    open[next.k]--;
    const [w, h] = [size.widthMm, size.heightMm];
    const [right, beyond] = [free.widthMm - w, free.heightMm - h];
    const levelFirst =
      parting === 'level first' || (parting === 'largest rest' && beyond * free.widthMm >= right * free.heightMm);
    const strip = levelFirst ? { ...free, heightMm: h } : { ...free, widthMm: w };
    const other = levelFirst
      ? { ...free, yMm: free.yMm + h, heightMm: beyond }
      : { ...free, xMm: free.xMm + w, widthMm: right };
    const beside = levelFirst
      ? { ...strip, xMm: free.xMm + w, widthMm: right }
      : { ...strip, yMm: free.yMm + h, heightMm: beyond };
    cut(free, levelFirst ? 'level' : 'upright', levelFirst ? h : w);
    cut(strip, levelFirst ? 'upright' : 'level', levelFirst ? w : h);
    pieces.push({ wanted: next.k, turned, xMm: free.xMm, yMm: free.yMm, widthMm: w, heightMm: h });
    fill(beside);
    fill(other);
  };
  const inner = { xMm: margins, yMm: margins, widthMm: width - 2 * margins, heightMm: height - 2 * margins };
  if (!(inner.widthMm > 0 && inner.heightMm > 0)) return { pieces, cuts, rests };
  if (margins > 0) {
    // The margins come off first, one edge after another.
    const right = { xMm: margins, yMm: 0, widthMm: width - margins, heightMm: height };
    const within = { ...right, widthMm: inner.widthMm };
    cut({ xMm: 0, yMm: 0, widthMm: width, heightMm: height }, 'upright', margins);
    cut(right, 'upright', inner.widthMm);
    cut(within, 'level', margins);
    cut({ ...within, yMm: margins, heightMm: height - margins }, 'level', inner.heightMm);
  }
  fill(inner);
  return { pieces, cuts, rests };
}

const placedArea = ({ pieces }: Layout): number => pieces.reduce((sum, piece) => sum + areaOf(piece), 0);
const largestRest = ({ rests }: Layout): number => Math.max(0, ...rests.map(areaOf));

/** The layout that uses most of the sheet; of such, the one that leaves the largest rest in one, and then the fewest cuts. */
function best(wanted: readonly WantedSheet[], left: readonly number[], stock: StockSheets): Layout {
  return ORDERS.flatMap((order) => PARTINGS.map((parting) => layOut(wanted, left, stock, order, parting))).reduce(
    (a, b) => {
      const gain = placedArea(b) - placedArea(a) || largestRest(b) - largestRest(a) || a.cuts.length - b.cuts.length;
      return gain > NOISE_MM ? b : a;
    },
  );
}

/**
 * How wanted sheets come out of stock by straight cuts, each from edge to edge of the paper that it cuts. Stocks are used in
 * the order in which they are given, offcuts before whole sheets. Layouts that repeat are told once, with their number.
 * @returns also what is missing where the stock does not do
 * @throws RangeError for a count or a size that is no such thing
 */
export function planCuts(wanted: readonly WantedSheet[], stock: readonly StockSheets[]): CutsPlanned {
  for (const { count, outline, trim } of wanted) {
    if (!(Number.isInteger(count) && count >= 0)) throw new RangeError(`${count} is no count of sheets.`);
    if (!(outline.widthMm > 0 && outline.heightMm > 0 && trim >= 0))
      throw new RangeError(`A sheet of ${outline.widthMm} × ${outline.heightMm} mm cannot be cut.`);
  }
  const left = wanted.map(({ count }) => count);
  const parents: PlannedParent[] = [];
  for (const one of [...stock].sort((a, b) => Number(b.offcut) - Number(a.offcut))) {
    let sheets = one.count;
    while (sheets > 0 && left.some((count) => count > 0)) {
      const { pieces, cuts, rests } = best(wanted, left, one);
      if (!pieces.length) break;
      const each = wanted.map((_, k) => pieces.filter((piece) => piece.wanted === k).length);
      const times = Math.min(sheets, ...each.map((n, k) => (n ? Math.floor(left[k] / n) : Infinity)));
      each.forEach((n, k) => (left[k] -= times * n));
      sheets -= times;
      const offcuts = rests
        .filter((rest) => Math.min(rest.widthMm, rest.heightMm) >= LEAST_OFFCUT_MM)
        .sort((a, b) => areaOf(b) - areaOf(a));
      parents.push({ stockId: one.id, sheets: times, pieces, cuts, offcuts });
    }
  }
  return { parents, missing: left };
}
