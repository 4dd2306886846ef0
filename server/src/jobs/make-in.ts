import type { Job, JobMake } from '@odd-corner/contract';
import type { Workshop } from '../db/workshop';
import { ProblemError } from '../http/problem-error';

/** A make with its job. @throws ProblemError 404 */
export function makeIn(workshop: Workshop, makeId: string): { readonly job: Job; readonly make: JobMake } {
  const job = workshop.jobs.ofMake(makeId);
  return { job, make: job.makes.find(({ id }) => id === makeId)! };
}

/** @throws ProblemError 422 for what is said of an entry that a make has not, or of a copy that is not folded */
export function refuseStray(
  { make: { entries }, count }: JobMake,
  said: readonly { readonly entryKey: string; readonly copy?: number }[],
): void {
  for (const { entryKey, copy = 0 } of said) {
    const entry = entries.find(({ key }) => key === entryKey);
    if (!entry) throw new ProblemError(422, `There is no “${entryKey}” in it.`);
    if (copy >= count * entry.copies)
      throw new ProblemError(422, `Of “${entryKey}” only ${count * entry.copies} are folded, not ${copy + 1}.`);
  }
}
