import type { CopyProgress, Job } from '@odd-corner/contract';
import { inOneGo } from '../db/in-one-go';
import type { Workshop } from '../db/workshop';
import { makeIn, refuseStray } from './make-in';

/** Merges what is done of a make's copies with what is there. @throws ProblemError 404, 422 for an entry or copy that there is not */
export function addProgress(workshop: Workshop, makeId: string, copies: readonly CopyProgress[], at: string): Job {
  return inOneGo(workshop.db, () => {
    const { job, make } = makeIn(workshop, makeId);
    refuseStray(make, copies);
    return workshop.jobs.merge(job.id, makeId, copies, at);
  });
}
