import {
  areaOf,
  type CutRect,
  type Layout,
  NOISE_MM,
  type PlannedPiece,
  type StockSheets,
  type StraightCut,
} from './cutting';

/** Paper on the cutting table: what was cut so far, and what came of it. */
export interface Table {
  readonly pieces: PlannedPiece[];
  readonly cuts: StraightCut[];
  readonly rests: CutRect[];
  /**
   * Cuts a piece of paper in two.
   * @returns what lies left of the cut or near it, and what lies beyond; null where the cut takes all that is left
   */
  cut(piece: CutRect, runs: StraightCut['runs'], atMm: number): readonly [CutRect, CutRect | null];
  rest(piece: CutRect | null): void;
}

/** @param lossMm what each cut takes away */
export function cuttingTable(lossMm: number): Table {
  const [pieces, cuts, rests]: [PlannedPiece[], StraightCut[], CutRect[]] = [[], [], []];
  return {
    ...{ pieces, cuts, rests },
    cut(piece, runs, atMm) {
      const side = runs === 'upright' ? 'widthMm' : 'heightMm';
      const from = runs === 'upright' ? 'xMm' : 'yMm';
      if (piece[side] - atMm <= NOISE_MM) return [piece, null];
      cuts.push({ piece, runs, atMm });
      const beyond = piece[side] - atMm - lossMm;
      return [
        { ...piece, [side]: atMm },
        beyond > NOISE_MM ? { ...piece, [from]: piece[from] + atMm + lossMm, [side]: beyond } : null,
      ];
    },
    rest(piece) {
      if (piece && areaOf(piece) > NOISE_MM) rests.push(piece);
    },
  };
}

/** Thinner strips than what a cut takes away and this cannot be cut off, in mm. */
const THINNEST_STRIP_MM = 1;

/** What is left of a sheet of stock between its margins, which are as broad as a cut needs. */
export function innerOf({ size, margins }: Pick<StockSheets, 'size' | 'margins'>, lossMm: number): CutRect {
  const edge = margins > 0 ? Math.max(margins, lossMm + THINNEST_STRIP_MM) : 0;
  return { xMm: edge, yMm: edge, widthMm: size.widthMm - 2 * edge, heightMm: size.heightMm - 2 * edge };
}

/** Cuts the margins off, one edge after another: a cut takes away paper of the margin, never of what is inside it. */
export function cutMargins(table: Table, stock: Pick<StockSheets, 'size' | 'margins'>, lossMm: number): CutRect {
  const inner = innerOf(stock, lossMm);
  const { xMm: edge } = inner;
  if (edge === 0) return inner;
  const { widthMm, heightMm } = stock.size;
  const right: CutRect = { xMm: edge, yMm: 0, widthMm: widthMm - edge, heightMm };
  const within = { ...right, widthMm: inner.widthMm };
  const beyond = { ...within, yMm: edge, heightMm: heightMm - edge };
  table.cuts.push(
    { piece: { xMm: 0, yMm: 0, widthMm, heightMm }, runs: 'upright', atMm: edge - lossMm },
    { piece: right, runs: 'upright', atMm: inner.widthMm },
    { piece: within, runs: 'level', atMm: edge - lossMm },
    { piece: beyond, runs: 'level', atMm: inner.heightMm },
  );
  return inner;
}

/** The same as it is kept. */
export const laidOut = ({ pieces, cuts, rests }: Table): Layout => ({ pieces, cuts, rests });
