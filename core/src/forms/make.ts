import { startSheet } from '../folding/hand';
import type { Mark } from '../folding/pose';
import type { ShownUnit } from '../measure/format-length';
import { rectangleSheet, type Sheet } from '../paper/sheet';
import type { Folding, FormSizes, Piece, SheetSize } from './form';
import { proportionWords } from './proportion';
import { SHELF } from './shelf';

/** A piece at a size on a paper. */
export interface MakeRequest {
  readonly sheet: SheetSize;
  readonly params: unknown;
  readonly paper: {
    /** Thickness of one layer, in mm. */
    readonly thicknessMm: number;
  };
  readonly unit?: ShownUnit;
  /** Pinches that are on its sheet when it is begun. */
  readonly marks?: readonly Mark[];
}

/** What came out of folding: the steps, the poses, and sizes measured on them. */
export interface Made {
  readonly pieceId: string;
  readonly sheet: SheetSize;
  readonly folding: Folding;
  readonly sizes: FormSizes;
}

/**
 * The sheet as it lies when a piece is begun.
 * @throws RangeError for a sheet that the piece does not take, saying why
 */
export function sheetFor({ name, sheetShape, leastSheetMm }: Piece, { widthMm, heightMm }: SheetSize): Sheet {
  const [short, long] = [Math.min(widthMm, heightMm), Math.max(widthMm, heightMm)];
  if (short < leastSheetMm)
    throw new RangeError(`${name} needs a sheet of at least ${leastSheetMm} mm: fingers cannot fold a smaller one.`);
  if (sheetShape === 'square') {
    if (long / short > 1 + 1e-9) throw new RangeError(`${name} needs a square sheet, not ${widthMm} × ${heightMm} mm.`);
  } else {
    const [least, most] = sheetShape.longPerShort;
    if (long / short < least - 1e-9 || long / short > most + 1e-9)
      throw new RangeError(
        `${name} needs a sheet that is ${proportionWords(sheetShape.longPerShort)}: ${sheetShape.why}`,
      );
  }
  return sheetShape === 'square' || sheetShape.lies === 'across'
    ? rectangleSheet(long, short)
    : rectangleSheet(short, long);
}

/**
 * Folds a piece from its sheet and measures it. A form is itself its main piece.
 * @throws RangeError for an unknown piece, or a sheet or parameters out of their range
 * @throws FoldRefused when the sequence cannot be folded
 */
export function make(pieceId: string, { sheet: size, params, paper, unit, marks }: MakeRequest): Made {
  const piece = SHELF.piece(pieceId);
  const sheet = sheetFor(piece, size);
  const read = piece.params.parse(params);
  const folding = piece.fold(startSheet(sheet, { marks }), sheet, read, unit);
  return { pieceId, sheet: size, folding, sizes: piece.sizes(folding, sheet, read, paper.thicknessMm) };
}
