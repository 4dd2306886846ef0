import {
  type CopyProgress,
  type Cut,
  type Job,
  type JobDraft,
  type JobMake,
  type JobsAsked,
  job as jobSchema,
  NO_BATCH,
  type Batch,
} from '@odd-corner/contract';
import type { KeptOffcut } from '../cutting/kept-offcuts';
import { keptRows } from '../db/kept-rows';
import { saying, type Where, wordsOf } from '../db/list-rows';
import type { Db } from '../db/open-database';
import { readJson } from '../db/read-json';
import { notFound, stale } from '../http/problem-error';
import { sizesInWords } from './words';

interface Row {
  readonly id: string;
  readonly title: string;
  readonly folderHandId: string | null;
  readonly makes: string;
  readonly begun: 0 | 1;
  readonly folded: 0 | 1;
  readonly archivedAt: string | null;
  readonly createdAt: string;
  readonly updatedAt: string;
  readonly version: number;
}

/** A make as it is stored: what is JSON is text. */
interface MakeRow {
  readonly id: string;
  readonly asked: string;
  readonly make: string;
  readonly count: number;
  readonly told: string | null;
  readonly marks: string | null;
  readonly art: string | null;
  readonly batch: string | null;
  readonly cutPlan: string | null;
  readonly cutDone: 0 | 1;
  readonly inPlan: { readonly id: string; readonly title: string; readonly done: 0 | 1 } | null;
  readonly progress: string;
}

const FOLDED = 'EXISTS (SELECT 1 FROM log_entries e WHERE e.job_id = t.id AND e.removed_at IS NULL)';
const MAKES_BEGUN = `SELECT make_id FROM progress WHERE done <> '[]'`;
const BEGUN = `EXISTS (SELECT 1 FROM makes m WHERE m.job_id = t.id AND EXISTS (${MAKES_BEGUN} AND make_id = m.id))`;

const SELECT = `SELECT t.id, t.title, t.folder_hand_id AS folderHandId, t.archived_at AS archivedAt, t.created_at AS createdAt,
  t.updated_at AS updatedAt, t.version, ${FOLDED} AS folded, ${BEGUN} AS begun,
  (SELECT json_group_array(json_object('id', m.id, 'asked', m.asked, 'make', m.make, 'count', m.count, 'told', m.told,
      'marks', m.marks, 'art', m.art, 'batch', m.batch, 'cutPlan', m.cut_plan, 'cutDone', m.cut_done, 'inPlan',
      (SELECT json_object('id', k.id, 'title', k.title, 'done', NOT EXISTS (SELECT 1 FROM plan_parents q WHERE q.plan_id = k.id AND q.done = 0))
        FROM plan_makes pm JOIN cutting_plans k ON k.id = pm.plan_id WHERE pm.make_id = m.id AND k.removed_at IS NULL LIMIT 1),
      'progress',
      (SELECT json_group_array(json_object('entryKey', p.entry_key, 'copy', p.copy, 'done', p.done, 'seconds', p.seconds, 'stepSeconds', p.step_seconds))
        FROM (SELECT * FROM progress WHERE make_id = m.id ORDER BY rowid) p)))
    FROM (SELECT * FROM makes WHERE job_id = t.id ORDER BY position) m) AS makes
  FROM jobs t`;

const orNull = (text: string | null): unknown => (text === null ? null : readJson(text));
const orNullText = (value: unknown): string | null => (value === null ? null : JSON.stringify(value));

function makeOf({ cutPlan, cutDone, inPlan, ...row }: MakeRow): unknown {
  const progress = row.progress as unknown as readonly (Omit<CopyProgress, 'done' | 'stepSeconds'> & {
    readonly done: string;
    readonly stepSeconds: string;
  })[];
  return {
    ...row,
    ...{ asked: readJson(row.asked), make: readJson(row.make) },
    ...{ told: orNull(row.told), marks: orNull(row.marks), art: orNull(row.art) },
    batch: orNull(row.batch) ?? NO_BATCH,
    cut: cutPlan === null ? null : { plan: readJson(cutPlan), done: cutDone === 1 },
    inPlan: inPlan && { ...inPlan, done: inPlan.done === 1 },
    progress: progress.map(({ done, stepSeconds, ...copy }) => ({
      ...copy,
      done: readJson(done),
      ...(stepSeconds !== NONE && { stepSeconds: readJson(stepSeconds) }),
    })),
  };
}

/** As it is stored where no single step was seen. */
const NONE = '{}';

type StepSeconds = Readonly<Record<string, number>>;

/** Both together: of two devices that saw a step the one that saw more of it counts. */
const longest = (a: StepSeconds, b: StepSeconds): StepSeconds =>
  Object.fromEntries(
    [...new Set([...Object.keys(a), ...Object.keys(b)])].map((id) => [id, Math.max(a[id] ?? 0, b[id] ?? 0)]),
  );

/** The same for all jobs at once: sets are made once, where conditions would be asked of each job. */
const ALL_FOLDED = 't.id IN (SELECT job_id FROM log_entries WHERE removed_at IS NULL)';
const ALL_BEGUN = `t.id IN (SELECT job_id FROM makes WHERE id IN (${MAKES_BEGUN}))`;
const STATES: Readonly<Record<Job['state'], string>> = {
  folded: ALL_FOLDED,
  folding: `${ALL_BEGUN} AND NOT coalesce(${ALL_FOLDED}, FALSE)`,
  planned: `NOT ${ALL_BEGUN} AND NOT coalesce(${ALL_FOLDED}, FALSE)`,
};

function conditions({ state, archived, search }: JobsAsked): Where[] {
  const plain = (sql: string): Where => ({ sql, bound: [] });
  return [
    ...(state ? [plain(`(${STATES[state]})`)] : []),
    ...(archived ? [plain(`t.archived_at IS ${archived === 'yes' ? 'NOT ' : ''}NULL`)] : []),
    ...saying('t.words', search),
  ];
}

/** A make with what was predicted for it, as it is stored. */
export type MakeKept = Omit<JobMake, 'progress' | 'cut' | 'inPlan' | 'batch'>;

/** Jobs and their makes, with how far folding has come. Their state follows from progress and from the logbook. */
export function jobsRepository(db: Db) {
  const rows = keptRows<Row, typeof jobSchema>(db, {
    what: 'job',
    table: 'jobs',
    select: SELECT,
    schema: jobSchema,
    toRaw: ({ makes, begun, folded, ...rest }) => ({
      ...rest,
      makes: (readJson(makes) as MakeRow[]).map(makeOf),
      state: folded ? 'folded' : begun ? 'folding' : 'planned',
    }),
    order: { columns: ['t.updated_at', 't.id'], down: true, of: ({ updatedAt, id }) => [updatedAt, id] },
  });
  const insert =
    db.prepare(`INSERT INTO jobs (id, title, folder_hand_id, archived_at, created_at, updated_at, version, words)
    VALUES (@id, @title, @folderHandId, @archivedAt, @createdAt, @updatedAt, @version, @words)`);
  const update =
    db.prepare(`UPDATE jobs SET title = @title, folder_hand_id = @folderHandId, updated_at = @at, words = @words,
    version = version + 1 WHERE id = @id AND version = @version AND removed_at IS NULL`);
  const touch = db.prepare<[string, string]>('UPDATE jobs SET updated_at = ? WHERE id = ? AND removed_at IS NULL');
  const next = db.prepare<[string, string, number]>(
    'UPDATE jobs SET updated_at = ?, version = version + 1 WHERE id = ? AND version = ? AND removed_at IS NULL',
  );
  const putAway = db.prepare<[string | null, string]>('UPDATE jobs SET archived_at = ? WHERE id = ?');
  const putMake = db.prepare(`INSERT INTO makes (id, job_id, position, form_id, count, asked, make, told, marks, art)
    VALUES (@id, @jobId, @position, @formId, @count, @asked, @make, @told, @marks, @art)
    ON CONFLICT (id) DO UPDATE SET position = @position, form_id = @formId, count = @count, asked = @asked, make = @make,
      told = @told, marks = @marks, art = @art WHERE job_id = @jobId`);
  const makeIds = db.prepare<[string], { id: string }>('SELECT id FROM makes WHERE job_id = ?');
  const removeMake = db.prepare<[string]>('DELETE FROM makes WHERE id = ?');
  const ofMake = db.prepare<[string], { jobId: string }>(
    'SELECT m.job_id AS jobId FROM makes m JOIN jobs j ON j.id = m.job_id WHERE m.id = ? AND j.removed_at IS NULL',
  );
  const putCut = db.prepare<[string | null, 0 | 1, string]>('UPDATE makes SET cut_plan = ?, cut_done = ? WHERE id = ?');
  const putOffcuts = db.prepare<[string, string]>('UPDATE makes SET cut_kept = ? WHERE id = ?');
  const offcuts = db.prepare<[string], { kept: string }>('SELECT cut_kept AS kept FROM makes WHERE id = ?');
  const putSheets = db.prepare<[string, string, number, 0 | 1]>(
    `INSERT INTO cut_sheets (make_id, paper_id, sheets, done) VALUES (?, ?, ?, ?)
      ON CONFLICT (make_id, paper_id) DO UPDATE SET sheets = sheets + excluded.sheets`,
  );
  const putBatch = db.prepare<[string, string]>('UPDATE makes SET batch = ? WHERE id = ?');
  const progressOf = db.prepare<[string, string, number], { done: string; seconds: number; stepSeconds: string }>(
    'SELECT done, seconds, step_seconds AS stepSeconds FROM progress WHERE make_id = ? AND entry_key = ? AND copy = ?',
  );
  const putProgress = db.prepare(`INSERT INTO progress (make_id, entry_key, copy, done, seconds, step_seconds)
    VALUES (@makeId, @entryKey, @copy, @done, @seconds, @stepSeconds)
    ON CONFLICT (make_id, entry_key, copy) DO UPDATE SET done = @done, seconds = @seconds, step_seconds = @stepSeconds`);
  const clearProgress = db.prepare<[string]>('DELETE FROM progress WHERE make_id = ?');

  /** @throws ProblemError 409 when a make of that id belongs to another job */
  const putMakes = (jobId: string, makes: readonly MakeKept[]): void => {
    const gone = makeIds.all(jobId).filter(({ id }) => !makes.some((one) => one.id === id));
    for (const { id } of gone) removeMake.run(id);
    makes.forEach(({ id, make, count, asked, told, marks, art }, position) => {
      const { changes } = putMake.run({
        ...{ id, jobId, position, count, formId: make.formId },
        ...{ asked: JSON.stringify(asked), make: JSON.stringify(make) },
        ...{ told: orNullText(told), marks: orNullText(marks), art: orNullText(art) },
      });
      if (!changes) throw stale(null);
    });
  };
  const wordsIn = (title: string, makes: readonly MakeKept[]): string =>
    wordsOf([title, ...makes.flatMap(({ asked, make, told }) => [asked.text, sizesInWords(make, told?.papers ?? {})])]);
  const write = (
    id: string,
    draft: Pick<JobDraft, 'title' | 'folderHandId'>,
    makes: readonly MakeKept[],
    at: string,
  ): void => {
    const { title, folderHandId } = draft;
    const words = wordsIn(title, makes);
    insert.run({ id, title, folderHandId, archivedAt: null, createdAt: at, updatedAt: at, version: 1, words });
    putMakes(id, makes);
  };
  const merge = (makeId: string, { entryKey, copy, done, seconds, stepSeconds }: CopyProgress): void => {
    const before = progressOf.get(makeId, entryKey, copy);
    const all = new Set([...(before ? (readJson(before.done) as string[]) : []), ...done]);
    putProgress.run({
      ...{ makeId, entryKey, copy, done: JSON.stringify([...all]) },
      seconds: Math.max(before?.seconds ?? 0, seconds),
      stepSeconds: JSON.stringify(
        longest(before ? (readJson(before.stepSeconds) as StepSeconds) : {}, stepSeconds ?? {}),
      ),
    });
  };
  return {
    ...rows,
    list: (asked: JobsAsked) => rows.list(asked, conditions(asked)),
    /** The job that a make belongs to. @throws ProblemError 404 */
    ofMake(makeId: string): Job {
      const found = ofMake.get(makeId);
      if (!found) throw notFound('make');
      return rows.get(found.jobId);
    },
    /** All of a job as it is, progress and what was cut too. */
    put({ id, makes, ...job }: Omit<Job, 'state'>): void {
      insert.run({ ...job, id, words: wordsIn(job.title, makes) });
      putMakes(id, makes);
      for (const { id: makeId, progress, cut, batch } of makes) {
        putBatch.run(JSON.stringify(batch), makeId);
        progress.forEach((copy) => merge(makeId, copy));
        if (!cut) continue;
        putCut.run(JSON.stringify(cut.plan), cut.done ? 1 : 0, makeId);
        for (const { paperId, sheets } of cut.plan.parents) putSheets.run(makeId, paperId, sheets, cut.done ? 1 : 0);
      }
    },
    insert(id: string, draft: Pick<JobDraft, 'title' | 'folderHandId'>, makes: readonly MakeKept[], at: string): Job {
      write(id, draft, makes, at);
      return rows.written(id);
    },
    change(
      id: string,
      { version, title, folderHandId }: Pick<JobDraft, 'title' | 'folderHandId'> & { readonly version: number },
      makes: readonly MakeKept[],
      at: string,
    ): Job {
      const { changes } = update.run({ id, version, title, folderHandId, at, words: wordsIn(title, makes) });
      if (!changes) throw stale(rows.get(id));
      putMakes(id, makes);
      return rows.written(id);
    },
    /** Notes that a job was changed from a version on. @throws ProblemError 409 */
    bump(id: string, version: number, at: string): void {
      if (!next.run(at, id, version).changes) throw stale(rows.get(id));
    },
    archive(id: string, archivedAt: string | null): Job {
      putAway.run(archivedAt, id);
      return rows.written(id);
    },
    keepCut: (makeId: string, cut: Cut | null): void =>
      void putCut.run(cut && JSON.stringify(cut.plan), cut?.done ? 1 : 0, makeId),
    /** Offcuts of its own plan that lie on the shelf since it was cut. */
    noteOffcuts: (makeId: string, kept: readonly KeptOffcut[]): void =>
      void putOffcuts.run(JSON.stringify(kept), makeId),
    offcutsOf(makeId: string): readonly KeptOffcut[] {
      const row = offcuts.get(makeId);
      return row ? (readJson(row.kept) as KeptOffcut[]) : [];
    },
    merge(jobId: string, makeId: string, copies: readonly CopyProgress[], at: string): Job {
      copies.forEach((copy) => merge(makeId, copy));
      touch.run(at, jobId);
      return rows.written(jobId);
    },
    keepBatch(jobId: string, makeId: string, batch: Batch, at: string): Job {
      putBatch.run(JSON.stringify(batch), makeId);
      touch.run(at, jobId);
      return rows.written(jobId);
    },
    clearProgress(jobId: string, makeId: string, at: string): Job {
      clearProgress.run(makeId);
      touch.run(at, jobId);
      return rows.written(jobId);
    },
  };
}

export type JobsRepository = ReturnType<typeof jobsRepository>;
