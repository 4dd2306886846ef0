import { type CutPlanKept, type Job, type JobMake } from '@odd-corner/contract';
import { takeCut, undoCut } from '../cutting/move-cut';
import { refuseTooMany, sheetsByPaper } from '../cutting/refuse-too-many';
import { inOneGo } from '../db/in-one-go';
import type { Db } from '../db/open-database';
import type { Workshop } from '../db/workshop';
import { ProblemError } from '../http/problem-error';
import { makeIn, refuseStray } from './make-in';

interface Kept {
  readonly paperId: string;
  readonly sheets: number;
  readonly done: 0 | 1;
  readonly covered: number;
}

const keptOf = (db: Db, makeId: string): readonly Kept[] =>
  db
    .prepare<[string], Kept>('SELECT paper_id AS paperId, sheets, done, covered FROM cut_sheets WHERE make_id = ?')
    .all(makeId);

/** Entries of makes whose sheets were kept and not cut: what was covered by them came off the shelf as all else did. */
const TAKEN_AFTER_ALL = `UPDATE sheets_used SET taken = taken + covered, covered = 0 WHERE covered > 0 AND EXISTS (
  SELECT 1 FROM cut_sheets c JOIN log_entries e ON e.make_id = c.make_id
  WHERE e.id = sheets_used.entry_id AND c.paper_id = sheets_used.paper_id AND c.done = 0 AND c.make_id IN`;

/** Lets go of what a make keeps of the shelf, where it is not cut yet. */
export function release({ db, jobs }: Workshop, makeId: string): void {
  db.prepare<[string]>(`${TAKEN_AFTER_ALL} (?))`).run(makeId);
  db.prepare<[string]>('DELETE FROM cut_sheets WHERE make_id = ? AND done = 0').run(makeId);
  jobs.keepCut(makeId, null);
}

/** The same for all makes of a job that goes into the bin or is archived; also one that cannot be read any more. */
export function releaseJob({ db }: Workshop, jobId: string): void {
  db.prepare<[string]>(`${TAKEN_AFTER_ALL} (SELECT id FROM makes WHERE job_id = ?))`).run(jobId);
  db.prepare<[string]>(
    'DELETE FROM cut_sheets WHERE done = 0 AND make_id IN (SELECT id FROM makes WHERE job_id = ?)',
  ).run(jobId);
  db.prepare<[string]>('UPDATE makes SET cut_plan = NULL WHERE job_id = ? AND cut_done = 0').run(jobId);
}

/**
 * Keeps the sheets of a plan for a make. What other jobs keep is not there for it.
 * @throws ProblemError 422 when there are not so many free, or it was cut already
 */
export function acceptCut(
  workshop: Workshop,
  makeId: string,
  { version, plan }: { readonly version: number; readonly plan: CutPlanKept },
  at: string,
): Job {
  const { db, jobs } = workshop;
  return inOneGo(db, () => {
    const { job, make } = makeIn(workshop, makeId);
    jobs.bump(job.id, version, at);
    if (make.cut?.done) throw new ProblemError(422, 'It is cut already. Take that back first.');
    if (make.inPlan)
      throw new ProblemError(422, `Its sheets are in the cutting plan “${make.inPlan.title}”. Remove that first.`);
    refuseStray(
      make,
      plan.parents.flatMap(({ pieces }) => pieces),
    );
    release(workshop, makeId);
    // What a plan with others covered once has nothing to do with this one.
    db.prepare<[string]>(
      'UPDATE sheets_used SET covered = 0 WHERE entry_id IN (SELECT id FROM log_entries WHERE make_id = ?)',
    ).run(makeId);
    const wanted = sheetsByPaper(plan.parents);
    refuseTooMany(workshop, wanted);
    const keep = db.prepare<[string, string, number]>(
      'INSERT INTO cut_sheets (make_id, paper_id, sheets) VALUES (?, ?, ?)',
    );
    for (const [paperId, sheets] of wanted) keep.run(makeId, paperId, sheets);
    jobs.keepCut(makeId, { plan, done: false });
    return jobs.written(job.id);
  });
}

/** Takes the sheets of an accepted plan off the shelf. @throws ProblemError 422 when nothing is to be cut, or they are not there any more */
export function doneCut(workshop: Workshop, makeId: string, version: number, at: string): Job {
  const { db, jobs } = workshop;
  return inOneGo(db, () => {
    const { job, make } = makeIn(workshop, makeId);
    jobs.bump(job.id, version, at);
    if (!make.cut) throw new ProblemError(422, 'No cutting plan was accepted yet.');
    if (make.cut.done) throw new ProblemError(422, 'It is cut already.');
    // What the logbook counts is off the shelf already.
    const left = new Map(keptOf(db, makeId).map(({ paperId, sheets, covered }) => [paperId, sheets - covered]));
    const kept = make.cut.plan.parents.flatMap((parent) => {
      const taken = Math.min(parent.sheets, left.get(parent.paperId) ?? 0);
      left.set(parent.paperId, (left.get(parent.paperId) ?? 0) - taken);
      return takeCut(workshop, { ...parent, offcuts: parent.offcuts ?? [] }, taken, at);
    });
    jobs.noteOffcuts(makeId, kept);
    db.prepare<[string]>('UPDATE cut_sheets SET done = 1 WHERE make_id = ?').run(makeId);
    jobs.keepCut(makeId, { ...make.cut, done: true });
    return jobs.written(job.id);
  });
}

/** Puts sheets back that were not cut after all; those that the logbook counts stay counted there. */
export function undoneCut(workshop: Workshop, makeId: string, version: number, at: string): Job {
  const { db, jobs } = workshop;
  return inOneGo(db, () => {
    const { job, make } = makeIn(workshop, makeId);
    jobs.bump(job.id, version, at);
    if (!make.cut?.done) throw new ProblemError(422, 'It is not cut yet.');
    putBack(workshop, make, at);
    jobs.keepCut(makeId, { ...make.cut, done: false });
    return jobs.written(job.id);
  });
}

/** Gives up the plan of a make, whether its sheets were only kept or cut. */
export function dropCut(workshop: Workshop, makeId: string, version: number, at: string): Job {
  const { db, jobs } = workshop;
  return inOneGo(db, () => {
    const { job, make } = makeIn(workshop, makeId);
    jobs.bump(job.id, version, at);
    if (make.cut?.done) putBack(workshop, make, at);
    release(workshop, makeId);
    return jobs.written(job.id);
  });
}

function putBack(workshop: Workshop, { id: makeId, cut }: JobMake, at: string): void {
  const { db, jobs } = workshop;
  const offcuts = jobs.offcutsOf(makeId);
  for (const [k, { paperId, sheets, covered }] of keptOf(db, makeId).entries()) {
    const cuts = (cut?.plan.parents ?? [])
      .filter((parent) => parent.paperId === paperId)
      .map((parent) => ({ ...parent, offcuts: parent.offcuts ?? [] }));
    undoCut(workshop, paperId, cuts, k === 0 ? offcuts : [], sheets - covered, at);
  }
  db.prepare<[string]>('UPDATE cut_sheets SET done = 0 WHERE make_id = ?').run(makeId);
  jobs.noteOffcuts(makeId, []);
}

/** Sheets of something recorded that a make keeps, or that were cut for it. */
export interface Covered {
  readonly sheets: number;
  /** Whether they were off the shelf already: cut, not only kept. */
  readonly cut: boolean;
}

export const NOT_COVERED: Covered = { sheets: 0, cut: true };

/**
 * Counts sheets that went into something recorded against those that its make keeps.
 * @param counted whether the shelf counts this paper still: what was only kept of it is not used otherwise
 */
export function coverSheets(
  { db }: Workshop,
  makeId: string,
  { paperId, sheets, counted }: { readonly paperId: string; readonly sheets: number; readonly counted: boolean },
): Covered {
  const kept = keptOf(db, makeId).find((one) => one.paperId === paperId);
  if (!kept || (!kept.done && !counted)) return NOT_COVERED;
  const covered = Math.max(0, Math.min(sheets, kept.sheets - kept.covered));
  moveCovered(db, makeId, paperId, covered);
  return { sheets: covered, cut: kept.done === 1 };
}

/** The other way round. @returns whether they are cut, so that they do not go back to the shelf */
export function uncoverSheets({ db }: Workshop, makeId: string, paperId: string, covered: number): boolean {
  const kept = keptOf(db, makeId).find((one) => one.paperId === paperId);
  moveCovered(db, makeId, paperId, -covered);
  return kept?.done !== 0;
}

const moveCovered = (db: Db, makeId: string, paperId: string, by: number): void =>
  void db
    .prepare<[number, string, string]>(
      'UPDATE cut_sheets SET covered = max(0, covered + ?) WHERE make_id = ? AND paper_id = ?',
    )
    .run(by, makeId, paperId);
