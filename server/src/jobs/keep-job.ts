import type { Job, JobDraft, NewJob } from '@odd-corner/contract';
import { isDeepStrictEqual } from 'node:util';
import { type Added, addedBefore, addOnce } from '../db/add-once';
import { inOneGo } from '../db/in-one-go';
import type { Workshop } from '../db/workshop';
import { ProblemError, stale } from '../http/problem-error';
import type { Verify } from '../verify/verify-make';
import { release } from './cut-sheets';
import { jobSent, tellMakes } from './tell-makes';

/** Adds a job once all its makes were folded; sent twice, it is there once. */
export async function addJob(
  workshop: Workshop,
  verify: Verify,
  { id, ...draft }: NewJob,
  at: string,
): Promise<Added<Job>> {
  const { db, jobs } = workshop;
  const before = addedBefore(draft, jobs.any(id), jobSent);
  if (before) return { row: before, added: false };
  const makes = await tellMakes(workshop, verify, draft);
  return addOnce(
    db,
    draft,
    () => jobs.any(id),
    () => jobs.insert(id, draft, makes, at),
    jobSent,
  );
}

/** Changes a job once what is new in it was folded. A plan for other sheets than it has now keeps none any more. */
export async function changeJob(
  workshop: Workshop,
  verify: Verify,
  id: string,
  next: JobDraft & { readonly version: number },
  at: string,
): Promise<Job> {
  const { db, jobs } = workshop;
  const seen = jobs.get(id);
  if (seen.version !== next.version) throw stale(seen);
  const makes = await tellMakes(workshop, verify, next, seen.makes);
  return inOneGo(db, () => {
    for (const { id: gone, cut } of seen.makes)
      if (cut && !cut.done && !makes.some((one) => one.id === gone)) release(workshop, gone);
    jobs.change(id, next, makes, at);
    for (const { id: makeId, make, cut, inPlan } of seen.makes) {
      const now = makes.find((one) => one.id === makeId);
      if (inPlan && !inPlan.done && !(now && isDeepStrictEqual(now.make.entries, make.entries)))
        throw new ProblemError(422, `Its sheets are in the cutting plan “${inPlan.title}”. Remove that plan first.`);
      if (now && cut && !cut.done && !isDeepStrictEqual(now.make.entries, make.entries)) release(workshop, makeId);
    }
    return jobs.written(id);
  });
}
