import {
  findingWords,
  formatLength,
  type Looking,
  make,
  type Made,
  type MarksWanted,
  marksOfPiece,
  type PieceMarks,
  SHELF,
  sheetFor,
  type ShownUnit,
  withMarkSteps,
} from '@odd-corner/core';
import { type FormAsked, madeForm } from './fold-piece';
import { markSearch } from './mark-searches';

export interface FormStepsAsked extends FormAsked {
  readonly unit: ShownUnit;
  readonly looking: Looking;
  /** How its marks are found; with a ruler when left out. */
  readonly marks?: MarksWanted;
}

/** How the marks of a folded piece are found. */
export const pieceMarks = (asked: FormAsked, { folding }: Pick<Made, 'folding'>, wanted: MarksWanted): PieceMarks =>
  marksOfPiece(folding, sheetFor(SHELF.piece(asked.formId), asked.sheet), wanted, markSearch);

/** Folds a piece from a sheet on which its marks were made as was chosen; the steps that make them come first. */
export function markedForm(asked: FormAsked, wanted: MarksWanted | null, unit: ShownUnit = 'mm'): Made {
  const plain = madeForm(asked, unit);
  if (!wanted) return plain;
  const marked = pieceMarks(asked, plain, wanted);
  const { formId, sheet, params, thicknessMm } = asked;
  const { marks } = marked.plan;
  const made = marks.length ? make(formId, { sheet, params, paper: { thicknessMm }, unit, marks }) : plain;
  const say = (one: PieceMarks['found'][number]): string | null => findingWords(one, (mm) => formatLength(mm, unit));
  return { ...made, folding: { ...made.folding, steps: withMarkSteps(made.folding.steps, marked, say) } };
}
