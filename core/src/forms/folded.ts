import type { InexactHand } from '../folding/inexact';
import { FoldRefused } from '../folding/fold-refused';
import { startSheet } from '../folding/hand';
import { type Recording, StructureDiffers } from '../folding/recording';
import type { Sheet } from '../paper/sheet';
import type { Folding, FormSizes, Piece, SheetSize } from './form';
import { sheetFor } from './make';

/** A piece folded by an exact hand, with all that others need to follow it. */
export interface Folded {
  readonly piece: Piece;
  readonly size: SheetSize;
  readonly sheet: Sheet;
  /** Parameters as the piece reads them. */
  readonly params: unknown;
  readonly folding: Folding;
  readonly recording: Recording;
  /** Names of the folds that are lined up, in order. */
  readonly aligned: readonly string[];
  readonly steps: number;
}

/** Parameters as a piece reads them, those out of its ranges being told as lengths out of range are. */
export function readParams(piece: Piece, params: unknown): unknown {
  const read = piece.params.safeParse(params);
  if (read.success) return read.data;
  const [{ path, message }] = read.error.issues;
  throw new RangeError(`${piece.name}, ${path.join('.')}: ${message}`);
}

/**
 * Folds a form wholly anew.
 * @throws RangeError for a sheet or parameters out of their range
 * @throws FoldRefused when the sequence cannot be folded
 */
export function foldAnew(piece: Piece, size: SheetSize, params: unknown): Folded {
  const sheet = sheetFor(piece, size);
  const read = readParams(piece, params);
  const hand = startSheet(sheet);
  const folding = piece.fold(hand, sheet, read);
  const { recording, aligned } = hand;
  return { piece, size, sheet, params: read, folding, recording, aligned, steps: folding.steps.length };
}

/**
 * The same form on another sheet or with other lengths, following one that was folded before; its steps are left out.
 * @returns null where another move would be made, or the layers do not lie as recorded: then it must be folded anew
 * @throws RangeError for a sheet or parameters out of their range
 */
export function follow(folded: Folded, size: SheetSize, params: unknown): Folded | null {
  const { piece, aligned, steps } = folded;
  const sheet = sheetFor(piece, size);
  const read = readParams(piece, params);
  const hand = startSheet(sheet, { along: folded.recording });
  try {
    const folding = piece.fold(hand, sheet, read);
    return { piece, size, sheet, params: read, folding, recording: hand.recording, aligned, steps };
  } catch (error) {
    // A move that is refused here is refused when it is folded anew, which says why.
    if (error instanceof StructureDiffers || error instanceof FoldRefused) return null;
    throw error;
  }
}

/** What a folded piece measures, made of paper so thick. */
export const measure = ({ piece, folding, sheet, params }: Folded, thicknessMm: number): FormSizes =>
  piece.sizes(folding, sheet, params, thicknessMm);

/** The same folded by a hand that misses: its poses, and the sheet that they are of. */
export function foldMissed({ piece, sheet, params, recording }: Folded, inexact: InexactHand): Folding {
  return piece.fold(startSheet(sheet, { inexact, after: recording }), sheet, params);
}

/** What it measures when a hand folds it that misses. */
export function measureMissed(folded: Folded, inexact: InexactHand, thicknessMm: number): FormSizes {
  const { piece, sheet, params } = folded;
  return piece.sizes(foldMissed(folded, inexact), sheet, params, thicknessMm);
}
