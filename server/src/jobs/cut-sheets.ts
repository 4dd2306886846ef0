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

/** Lets go of what a make keeps of the shelf, where it is not cut yet. */
export function release({ db, jobs }: Workshop, makeId: string): void {
  db.prepare<[string]>('DELETE FROM cut_sheets WHERE make_id = ? AND done = 0').run(makeId);
  jobs.keepCut(makeId, null);
}

/** The same for all makes of a job that goes into the bin or is archived; also one that cannot be read any more. */
export function releaseJob({ db }: Workshop, jobId: string): void {
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
    const kept = make.cut.plan.parents.flatMap((parent) =>
      takeCut(workshop, { ...parent, offcuts: parent.offcuts ?? [] }, at),
    );
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
    db.prepare<[string, string]>(
      `UPDATE sheets_used SET taken = taken + covered, covered = 0 WHERE paper_id = ? AND entry_id IN (SELECT id FROM log_entries WHERE make_id = ?)`,
    ).run(paperId, makeId);
  }
  db.prepare<[string]>('UPDATE cut_sheets SET done = 0, covered = 0 WHERE make_id = ?').run(makeId);
  jobs.noteOffcuts(makeId, []);
}

/**
 * Sheets that went into something recorded: those of the make that were cut for it are off the shelf already.
 * @returns how many of them are, so that only the rest is taken
 */
export function coverSheets({ db }: Workshop, makeId: string, paperId: string, sheets: number): number {
  const kept = keptOf(db, makeId).find((one) => one.paperId === paperId);
  if (!kept) return 0;
  if (!kept.done) {
    // What was kept for it is being used now.
    const left = kept.sheets - sheets;
    if (left > 0)
      db.prepare<[number, string, string]>('UPDATE cut_sheets SET sheets = ? WHERE make_id = ? AND paper_id = ?').run(
        left,
        makeId,
        paperId,
      );
    else db.prepare<[string, string]>('DELETE FROM cut_sheets WHERE make_id = ? AND paper_id = ?').run(makeId, paperId);
    return 0;
  }
  const covered = Math.min(sheets, kept.sheets - kept.covered);
  moveCovered(db, makeId, paperId, covered);
  return covered;
}

/** The other way round. */
export function uncoverSheets({ db }: Workshop, makeId: string, paperId: string, covered: number): void {
  moveCovered(db, makeId, paperId, -covered);
}

const moveCovered = (db: Db, makeId: string, paperId: string, by: number): void =>
  void db
    .prepare<[number, string, string]>(
      'UPDATE cut_sheets SET covered = max(0, covered + ?) WHERE make_id = ? AND paper_id = ? AND done = 1',
    )
    .run(by, makeId, paperId);
