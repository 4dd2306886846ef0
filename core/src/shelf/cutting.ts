/** Narrower strips are not worth keeping where nothing else is said: no form folds from them. */
export const LEAST_OFFCUT_MM = 30;

/** Paper cut a hair too small by rounding still does, in mm. */
export const NOISE_MM = 1e-6;

/** Sheets that are wanted, all alike. */
export interface WantedSheet {
  /** Sides in mm; `heightMm` runs along the grain or pattern of the paper where that counts. */
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
  /** The stocks that it may come from; null for any. */
  readonly from: readonly string[] | null;
}

/** Sheets of one paper, all alike. */
export interface StockSheets {
  readonly id: string;
  readonly version: number;
  readonly size: { readonly widthMm: number; readonly heightMm: number };
  /** Along which side its grain or pattern runs; null where nobody knows, and then nothing comes from it for which that counts. */
  readonly runs: 'width' | 'height' | null;
  /** What is left unused along each edge, in mm. */
  readonly margins: number;
  readonly count: number;
  readonly offcut: boolean;
  /** What one sheet costs, in any unit that all stocks share; null when nobody knows. */
  readonly cost: number | null;
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

/** How pieces lie on one sheet, the cuts that free them in the order of hands, and all that is left. */
export interface Layout {
  readonly pieces: readonly PlannedPiece[];
  readonly cuts: readonly StraightCut[];
  readonly rests: readonly CutRect[];
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

/** How paper is cut. */
export interface CutRules {
  /** What a cut takes away, in mm: nothing with a knife. */
  readonly lossMm: number;
  /** A rest is kept when both its sides are at least so long, in mm. */
  readonly leastOffcutMm: number;
}

/** A knife on a mat, and rests kept that something folds from. */
export const USUAL_CUT_RULES: CutRules = { lossMm: 0, leastOffcutMm: LEAST_OFFCUT_MM };

export const areaOf = ({ widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number }): number =>
  widthMm * heightMm;

/** @throws RangeError for a count or a size that is no such thing */
export function refuseNonsense(wanted: readonly WantedSheet[]): void {
  for (const { count, outline, trim } of wanted) {
    if (!(Number.isInteger(count) && count >= 0)) throw new RangeError(`${count} is no count of sheets.`);
    if (!(outline.widthMm > 0 && outline.heightMm > 0 && trim >= 0))
      throw new RangeError(`A sheet of ${outline.widthMm} × ${outline.heightMm} mm cannot be cut.`);
  }
}
