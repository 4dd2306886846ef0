import {
  foldMarked,
  type Looking,
  type Made,
  markedBy,
  type MarksWanted,
  type PieceMarks,
  type ShownUnit,
} from '@odd-corner/core';
import type { FormAsked } from './fold-piece';
import { markSearch } from './mark-searches';

export interface FormStepsAsked extends FormAsked {
  readonly unit: ShownUnit;
  readonly looking: Looking;
  /** How its marks are found; with a ruler when left out. */
  readonly marks?: MarksWanted;
}

/** How the marks of a folded piece are found. */
export const pieceMarks = (asked: FormAsked, made: Pick<Made, 'folding'>, wanted: MarksWanted): PieceMarks =>
  markedBy(asked, made, wanted, markSearch);

/** Folds a piece from a sheet on which its marks were made as was chosen; the steps that make them come first. */
export const markedForm = (asked: FormAsked, wanted: MarksWanted | null, unit?: ShownUnit): Made =>
  foldMarked(asked, wanted, markSearch, unit);
