import {
  type JobMake,
  type LogEntry,
  type LogEntryChange,
  MOST_SHEETS,
  type NewLogEntry,
  type Predicted,
  type Told,
} from '@odd-corner/contract';
import { type Added, addedBefore, addOnce } from '../db/add-once';
import { inOneGo } from '../db/in-one-go';
import type { Workshop } from '../db/workshop';
import { notFound, ProblemError } from '../http/problem-error';
import { type Covered, coverSheets, NOT_COVERED, uncoverSheets } from '../jobs/cut-sheets';
import { missOf, papersOf } from '../jobs/tell-makes';
import type { Verify } from '../verify/verify-make';
import type { UsedRow } from './log-repository';

type Used = NewLogEntry['sheetsUsed'];

/** What was told for one hand, for another: misses spread sizes in proportion. */
const forHand = ({ sizes, handMm }: Pick<Told, 'sizes' | 'handMm'>, missMm: number): Predicted =>
  Object.fromEntries(
    Object.entries(sizes).map(([key, { mm, sdMm }]) => [
      key,
      { mm, sdMm: sdMm === null ? null : sdMm * (missMm / handMm) },
    ]),
  );

/** What an entry says as it was sent. */
const entrySent = ({ sheetsUsed, ...rest }: LogEntry): object => ({
  ...rest,
  sheetsUsed: sheetsUsed.map(({ paperId, sheets }) => ({ paperId, sheets })),
});

/** @throws ProblemError 422 for a size that this make has not */
function refuseOtherSizes(measured: LogEntry['measured'], predicted: Predicted): void {
  const stray = Object.keys(measured).find((key) => !Object.hasOwn(predicted, key));
  if (stray === undefined) return;
  const message = `It has no size called “${stray}”.`;
  throw new ProblemError(422, message, { issues: [{ path: ['measured', stray], message }] });
}

/** What a make should come out as, by whose hand; folded now where nobody told it before. */
async function predictedOf(verify: Verify, { make, told }: JobMake, missMm: number): Promise<Predicted> {
  if (told) return forHand(told, missMm);
  const verdict = await verify({ make, handMm: missMm });
  // What was made is made, also where the engine would not fold it so any more.
  return 'sizes' in verdict ? verdict.sizes : {};
}

/** Writes into the logbook and takes sheets off the shelf, both or neither; sent twice, it is counted once. */
export async function addLogEntry(
  workshop: Workshop,
  verify: Verify,
  { id, ...draft }: NewLogEntry,
  at: string,
): Promise<Added<LogEntry>> {
  const { db, jobs, log } = workshop;
  const before = addedBefore(draft, log.any(id), entrySent);
  if (before) return { row: before, added: false };
  const makeIn = (): { readonly title: string; readonly kept: JobMake } => {
    const { title, makes } = jobs.get(draft.jobId);
    const kept = makes.find((one) => one.id === draft.makeId);
    if (!kept) throw notFound('make');
    return { title, kept };
  };
  const predicted = await predictedOf(verify, makeIn().kept, missOf(workshop, draft.folderHandId));
  refuseOtherSizes(draft.measured, predicted);
  const write = (): LogEntry => {
    const { title, kept } = makeIn();
    log.insert({
      ...draft,
      ...{ id, title, predicted, foldedAt: at, version: 1, make: kept.make, sheetsUsed: [] },
      papers: kept.told?.papers ?? papersOf(workshop, kept.make.entries, kept),
    });
    take(workshop, id, draft.makeId, draft.sheetsUsed, at);
    return log.written(id);
  };
  return addOnce(db, draft, () => log.any(id), write, entrySent);
}

/** Corrects an entry; sheets that were written wrongly are moved too. */
export function changeLogEntry(
  workshop: Workshop,
  id: string,
  { sheetsUsed, ...next }: LogEntryChange,
  at: string,
): LogEntry {
  const { db, log } = workshop;
  return inOneGo(db, () => {
    const seen = log.get(id);
    refuseOtherSizes(next.measured, { ...seen.predicted, ...asPredicted(seen.measured) });
    const missMm = [seen.folderHandId, next.folderHandId].map((hand) => missOf(workshop, hand));
    const predicted =
      missMm[0] === missMm[1] ? seen.predicted : forHand({ sizes: seen.predicted, handMm: missMm[0] }, missMm[1]);
    putBack(workshop, id, at);
    log.change(id, { ...seen, ...next, predicted });
    take(workshop, id, log.makeOf(id), sheetsUsed, at);
    return log.written(id);
  });
}

/** What was measured once may be measured again, also where it was never predicted. */
const asPredicted = (measured: LogEntry['measured']): Predicted =>
  Object.fromEntries(Object.entries(measured).map(([key, mm]) => [key, { mm, sdMm: null }]));

/** Takes an entry out again and puts its sheets back. */
export function removeLogEntry(workshop: Workshop, id: string, at: string): void {
  inOneGo(workshop.db, () => {
    workshop.log.remove(id, at);
    putBack(workshop, id, at);
  });
}

/** Puts it into the logbook again, and takes its sheets again. */
export function restoreLogEntry(workshop: Workshop, id: string, at: string): LogEntry {
  const { db, log } = workshop;
  return inOneGo(db, () => {
    const out = log.any(id)?.removed;
    const entry = log.restore(id);
    if (out) take(workshop, id, entry.makeId, entry.sheetsUsed, at);
    return log.written(id);
  });
}

/**
 * Whether a make's sheets came out of a cutting plan with others: then they are off the shelf already.
 * @throws ProblemError 422 when they were not cut yet
 */
function cutByPlan({ cuttingPlans }: Workshop, makeId: string): boolean {
  const plan = cuttingPlans.ofMake(makeId);
  if (!plan) return false;
  const its = plan.parents.filter(({ pieces }) => pieces.some(({ line }) => plan.lines[line]?.makeId === makeId));
  if (its.some(({ done }) => !done))
    throw new ProblemError(422, `Its sheets are in the cutting plan “${plan.title}”: tick there that they are cut.`);
  return true;
}

/** @throws ProblemError 422 beside its field when the shelf has not so many, 404 for a paper that was never there */
function take(workshop: Workshop, entryId: string, makeId: string | null, used: Used, at: string): void {
  const { papers, log } = workshop;
  const planned = makeId !== null && cutByPlan(workshop, makeId);
  const keptOf = (id: string | null, one: Parameters<typeof coverSheets>[2]): Covered =>
    id === null ? NOT_COVERED : coverSheets(workshop, id, one);
  const rows = used.map(({ paperId, sheets }, k): UsedRow => {
    if (paperId === null) return { paperId, sheets, paperName: null, taken: 0, covered: 0 };
    const found = papers.any(paperId);
    if (!found) throw notFound('paper');
    const { name: paperName, count } = found.row;
    const counted = !found.removed;
    const { sheets: covered, cut } = planned ? { sheets, cut: true } : keptOf(makeId, { paperId, sheets, counted });
    // Nothing is counted of a paper that has left the shelf.
    const taken = counted ? sheets - covered : 0;
    if (papers.moveSheets(paperId, -(taken + (cut ? 0 : covered)), { why: 'folded', at }))
      return { paperId, sheets, paperName, taken, covered };
    const message = `The shelf has ${count} of “${paperName}” left. Correct its count on the Shelf, or write fewer sheets.`;
    throw new ProblemError(422, message, { issues: [{ path: ['sheetsUsed', k, 'sheets'], message }] });
  });
  log.setUsed(entryId, rows);
}

/** @throws ProblemError 422 when the shelf would have more than are counted */
function putBack(workshop: Workshop, entryId: string, at: string): void {
  const { papers, log } = workshop;
  const makeId = log.makeOf(entryId);
  const rows = log.used(entryId);
  for (const { paperId, paperName, taken, covered } of rows) {
    if (paperId === null) continue;
    const cut = makeId === null || !covered || uncoverSheets(workshop, makeId, paperId, covered);
    if (!papers.moveSheets(paperId, taken + (cut ? 0 : covered), { why: 'put back', at }))
      throw new ProblemError(
        422,
        `The shelf would have more than ${MOST_SHEETS.toLocaleString('en')} sheets of “${paperName}”. Correct its count first.`,
      );
  }
  log.setUsed(
    entryId,
    rows.map((row) => ({ ...row, taken: 0, covered: 0 })),
  );
}
