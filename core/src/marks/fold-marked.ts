import { make, type Made, sheetFor } from '../forms/make';
import type { SheetSize } from '../forms/form';
import { SHELF } from '../forms/shelf';
import { formatLength, type ShownUnit } from '../measure/format-length';
import { marksOfPiece, type MarksWanted, type PieceMarks, withMarkSteps } from './piece-marks';
import type { MarkSearch } from './search/mark-search';
import { findingWords } from './way-words';

/** A piece at a sheet, with whatever parameters it takes. */
export interface PieceAsked {
  readonly formId: string;
  readonly sheet: SheetSize;
  readonly params: Readonly<Record<string, unknown>>;
  readonly thicknessMm: number;
}

/** How the marks of a folded piece are found. @param search all marks of a sheet's proportion */
export const markedBy = (
  { formId, sheet }: PieceAsked,
  { folding }: Pick<Made, 'folding'>,
  wanted: MarksWanted,
  search: (size: SheetSize) => MarkSearch,
): PieceMarks => marksOfPiece(folding, sheetFor(SHELF.piece(formId), sheet), wanted, search);

/**
 * Folds a piece from a sheet on which its marks were made as was chosen; the steps that make them come first.
 * @param wanted null where all are measured with a ruler
 */
export function foldMarked(
  asked: PieceAsked,
  wanted: MarksWanted | null,
  search: (size: SheetSize) => MarkSearch,
  unit: ShownUnit = 'mm',
): Made {
  const { formId, sheet, params, thicknessMm } = asked;
  const on = { sheet, params, paper: { thicknessMm }, unit };
  const plain = make(formId, on);
  if (!wanted) return plain;
  const marked = markedBy(asked, plain, wanted, search);
  const { marks } = marked.plan;
  const made = marks.length ? make(formId, { ...on, marks }) : plain;
  const say = (one: PieceMarks['found'][number]): string | null => findingWords(one, (mm) => formatLength(mm, unit));
  return { ...made, folding: { ...made.folding, steps: withMarkSteps(made.folding.steps, marked, say) } };
}
