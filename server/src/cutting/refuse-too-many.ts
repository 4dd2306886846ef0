import { freeOf } from '@odd-corner/contract';
import type { Workshop } from '../db/workshop';
import { ProblemError } from '../http/problem-error';

/** How many sheets of each paper are wanted together. */
export function sheetsByPaper(
  parents: readonly { readonly paperId: string; readonly sheets: number }[],
): ReadonlyMap<string, number> {
  const wanted = new Map<string, number>();
  for (const { paperId, sheets } of parents) wanted.set(paperId, (wanted.get(paperId) ?? 0) + sheets);
  return wanted;
}

/** @throws ProblemError 422 naming the paper when not so many are free, 404 when it is not there */
export function refuseTooMany({ papers }: Workshop, wanted: ReadonlyMap<string, number>): void {
  for (const [paperId, sheets] of wanted) {
    const { name, count, reserved } = papers.get(paperId);
    if (freeOf({ count, reserved }) < sheets)
      throw new ProblemError(
        422,
        `“${name}” has ${count} on the shelf${reserved ? `, ${reserved} of them kept for other jobs` : ''}; this takes ${sheets}.`,
      );
  }
}
