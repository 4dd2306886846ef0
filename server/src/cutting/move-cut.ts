import type { PlannedParent } from '@odd-corner/core';
import { areaOf } from '@odd-corner/core';
import type { Workshop } from '../db/workshop';
import { ProblemError } from '../http/problem-error';
import type { KeptOffcut } from './kept-offcuts';

/** Sheets of one paper that are cut alike: what came out of each, and what of it goes back to the shelf. */
export type CutSheets = Pick<PlannedParent, 'sheets'> & {
  readonly paperId: string;
  readonly pieces: readonly { readonly widthMm: number; readonly heightMm: number }[];
  readonly offcuts: readonly { readonly widthMm: number; readonly heightMm: number }[];
};

function wasteOf({ sheets, pieces, offcuts }: CutSheets, area: number): number {
  const used = [...pieces, ...offcuts].reduce((sum, one) => sum + areaOf(one), 0);
  return sheets * Math.max(0, area - used);
}

/**
 * Takes sheets off the shelf and puts their offcuts on it. To be asked within one transaction.
 * @param taken how many of them: fewer where some are counted elsewhere by now
 * @throws ProblemError 404 when the paper is not there, 422 when it has not so many sheets any more
 */
export function takeCut({ papers }: Workshop, cut: CutSheets, taken: number, at: string): KeptOffcut[] {
  const paper = papers.get(cut.paperId);
  const wasteMm2 = wasteOf(cut, areaOf(paper));
  if (!papers.moveSheets(paper.id, -taken, { why: 'cut', at, wasteMm2 }))
    throw new ProblemError(
      422,
      `The shelf has ${paper.count} of “${paper.name}”, not ${taken}. Correct its count, or plan anew.`,
    );
  const kept = new Map<string, number>();
  for (const size of cut.offcuts) {
    const id = papers.addOffcut(paper, size, cut.sheets, at);
    kept.set(id, (kept.get(id) ?? 0) + cut.sheets);
  }
  return [...kept].map(([paperId, sheets]) => ({ paperId, sheets }));
}

/**
 * The other way round, for all sheets of one paper that were cut together.
 * @param back how many of them go back: fewer where some are counted elsewhere by now
 * @throws ProblemError 422 when an offcut has been used since, or the shelf would be too full
 */
export function undoCut(
  { papers }: Workshop,
  paperId: string,
  cuts: readonly CutSheets[],
  kept: readonly KeptOffcut[],
  back: number,
  at: string,
): void {
  for (const { paperId: offcutId, sheets } of kept)
    if (!papers.takeOffcut(offcutId, sheets, at)) {
      const name = papers.any(offcutId)?.row.name ?? 'An offcut';
      throw new ProblemError(422, `“${name}” of it was used since. Correct its count first.`);
    }
  const paper = papers.any(paperId)?.row;
  const all = cuts.reduce((sum, { sheets }) => sum + sheets, 0);
  const lost = paper ? cuts.reduce((sum, cut) => sum + wasteOf(cut, areaOf(paper)), 0) : 0;
  const wasteMm2 = all ? -lost * (back / all) : 0;
  if (!papers.moveSheets(paperId, back, { why: 'put back', at, wasteMm2 }))
    throw new ProblemError(422, `The shelf would have too many sheets of “${paper?.name ?? 'that paper'}”.`);
}
