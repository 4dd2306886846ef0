/** Paper on the shelf as far as cutting is concerned. */
export interface StockSize {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly count: number;
}

/** A piece cut out of one sheet of stock, its corner measured from the stock's bottom left, in mm. */
export interface CutPiece {
  /** Which of the sheets it comes from, counted from 0. */
  readonly sheet: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

export interface CutPlan {
  readonly sheetsUsed: number;
  /** The wanted squares, in the order asked for. */
  readonly squares: readonly CutPiece[];
  /** Rectangles that go back to the shelf, largest first. */
  readonly offcuts: readonly CutPiece[];
  /** Straight cuts from edge to edge. */
  readonly cuts: number;
}

/** Narrower strips are not worth keeping: no form folds from them. */
export const LEAST_OFFCUT_MM = 30;

const EXACT = 1e-6;

interface Layout {
  readonly squares: readonly Omit<CutPiece, 'sheet'>[];
  readonly offcuts: readonly Omit<CutPiece, 'sheet'>[];
  readonly cuts: number;
}

/** Squares side by side in a row along x, larger first, cut by straight cuts from edge to edge; null when too long. */
function row(widthMm: number, heightMm: number, sides: readonly number[], lengthwiseFirst: boolean): Layout | null {
  const total = sides.reduce((sum, side) => sum + side, 0);
  const tallest = sides[0];
  if (total > widthMm + EXACT || tallest > heightMm + EXACT) return null;
  const [right, above] = [widthMm - total, heightMm - tallest];
  const rest = lengthwiseFirst
    ? [
        { xMm: 0, yMm: tallest, widthMm, heightMm: above },
        { xMm: total, yMm: 0, widthMm: right, heightMm: tallest },
      ]
    : [
        { xMm: total, yMm: 0, widthMm: right, heightMm },
        { xMm: 0, yMm: tallest, widthMm: total, heightMm: above },
      ];
  let x = 0;
  const squares = sides.map((side) => {
    const piece = { xMm: x, yMm: 0, widthMm: side, heightMm: side };
    x += side;
    if (side < tallest) rest.push({ xMm: piece.xMm, yMm: side, widthMm: side, heightMm: tallest - side });
    return piece;
  });
  const left = rest.filter((p) => p.widthMm > EXACT && p.heightMm > EXACT);
  // One cut frees the strip right of the row, one the strip above it, then one between squares and one over each lower one.
  const cuts =
    (right > EXACT ? 1 : 0) +
    (above > EXACT ? 1 : 0) +
    sides.length -
    1 +
    sides.filter((side) => side < tallest - EXACT).length;
  return { squares, offcuts: left.filter((p) => Math.min(p.widthMm, p.heightMm) >= LEAST_OFFCUT_MM), cuts };
}

const turned = (layout: Layout | null): Layout | null => {
  const turn = (p: Omit<CutPiece, 'sheet'>): Omit<CutPiece, 'sheet'> => ({
    xMm: p.yMm,
    yMm: p.xMm,
    widthMm: p.heightMm,
    heightMm: p.widthMm,
  });
  return layout && { ...layout, squares: layout.squares.map(turn), offcuts: layout.offcuts.map(turn) };
};

const largestOffcut = ({ offcuts }: Layout): number => Math.max(0, ...offcuts.map((p) => p.widthMm * p.heightMm));

/** The row that leaves the largest piece in one. */
function bestRow({ widthMm, heightMm }: StockSize, sides: readonly number[]): Layout | null {
  const rows = [true, false].flatMap((first) => [
    row(widthMm, heightMm, sides, first),
    turned(row(heightMm, widthMm, sides, first)),
  ]);
  return (
    rows.filter((r) => r !== null).sort((a, b) => largestOffcut(b) - largestOffcut(a) || a.cuts - b.cuts)[0] ?? null
  );
}

/**
 * How to cut two squares (or one) from a stock: both from one sheet if they fit side by side, else one sheet each.
 * @param sides sides of the squares in mm, in the order wanted
 * @returns null when the stock is too small or there are too few sheets
 */
export function cutSquares(stock: StockSize, sides: readonly number[]): CutPlan | null {
  const order = sides.map((_, k) => k).sort((a, b) => sides[b] - sides[a]);
  const together = bestRow(
    stock,
    order.map((k) => sides[k]),
  );
  const layouts = together ? [together] : order.map((k) => bestRow(stock, [sides[k]]));
  if (layouts.length > stock.count || layouts.some((l) => l === null)) return null;
  const placed = (layouts as Layout[]).flatMap(({ squares }, sheet) => squares.map((p) => ({ ...p, sheet })));
  return {
    sheetsUsed: layouts.length,
    squares: sides.map((_, k) => placed[order.indexOf(k)]),
    offcuts: (layouts as Layout[])
      .flatMap(({ offcuts }, sheet) => offcuts.map((p) => ({ ...p, sheet })))
      .sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm),
    cuts: (layouts as Layout[]).reduce((sum, l) => sum + l.cuts, 0),
  };
}
