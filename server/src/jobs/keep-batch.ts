import type { BatchRulesSent, Job, SeatsSent } from '@odd-corner/contract';
import { inOneGo } from '../db/in-one-go';
import type { Workshop } from '../db/workshop';
import { makeIn, refuseStray } from './make-in';

/** Says how the copies of a make are folded; who folds them stays. @throws ProblemError 404 */
export function changeBatch(workshop: Workshop, makeId: string, rules: BatchRulesSent, at: string): Job {
  return inOneGo(workshop.db, () => {
    const { job, make } = makeIn(workshop, makeId);
    return workshop.jobs.keepBatch(job.id, makeId, { ...make.batch, ...rules }, at);
  });
}

/** Says who folds some copies. @throws ProblemError 404, 422 for an entry or copy that there is not */
export function takeSeats(workshop: Workshop, makeId: string, { name, copies }: SeatsSent, at: string): Job {
  return inOneGo(workshop.db, () => {
    const { job, make } = makeIn(workshop, makeId);
    refuseStray(make, copies);
    const taken = (entryKey: string, copy: number): boolean =>
      copies.some((one) => one.entryKey === entryKey && one.copy === copy);
    const others = make.batch.seats.filter((one) => !taken(one.entryKey, one.copy));
    const seats = name === null ? others : [...others, ...copies.map((copy) => ({ ...copy, name }))];
    return workshop.jobs.keepBatch(job.id, makeId, { ...make.batch, seats }, at);
  });
}
