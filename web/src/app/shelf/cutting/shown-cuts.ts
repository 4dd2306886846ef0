import type { CuttingLine, CuttingParentDraft, CuttingPlanKept, Paper } from '@odd-corner/contract';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import type { ShownCut } from '../../ui/cut-sheet/cut-sheet';

/** What lines are called on a picture: as they were named, else by their sizes. */
export const namesOf = (lines: readonly CuttingLine[]): readonly string[] => lines.map(({ name }) => name);

/** Sheets of a plan as they are shown. */
export function shownCut(
  { paperId, sheet, sheets, pieces, cuts, offcuts }: CuttingParentDraft | CuttingPlanKept['parents'][number],
  lines: readonly CuttingLine[],
  papers: readonly Paper[],
): ShownCut {
  const paper = papers.find(({ id }) => id === paperId);
  return {
    ...{ paper: paper?.name ?? sheet.name, caliperMm: sheet.caliperMm, colours: coloursOf(paper) },
    size: { widthMm: sheet.widthMm, heightMm: sheet.heightMm },
    names: namesOf(lines),
    parent: { sheets, cuts, offcuts, pieces: pieces.map(({ line, ...piece }) => ({ ...piece, wanted: line })) },
  };
}
