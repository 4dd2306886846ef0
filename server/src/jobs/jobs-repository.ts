import { type Job, job as jobSchema, type JobDraft, type NewJob, type Progress } from '@odd-corner/contract';
import { type Added, addOnce, type Found } from '../db/add-once';
import type { Db } from '../db/open-database';
import { readJson } from '../db/read-json';
import { notFound, stale } from '../http/problem-error';

interface Row {
  readonly id: string;
  readonly title: string;
  readonly purpose: string;
  readonly choice: string;
  readonly part: Progress['part'] | null;
  readonly step: number | null;
  readonly seconds: number | null;
  readonly pieces: number;
  readonly createdAt: string;
  readonly updatedAt: string;
  readonly version: number;
}

const SELECT = `SELECT j.id, j.title, j.purpose, j.choice, p.part, p.step, p.seconds, j.created_at AS createdAt, j.updated_at AS updatedAt,
  j.version, (SELECT count(*) FROM pieces WHERE job_id = j.id) AS pieces
  FROM jobs j LEFT JOIN progress p ON p.job_id = j.id`;

function toJob({ purpose, choice, part, step, seconds, pieces, ...rest }: Row): Job {
  const begun = part !== null && (part === 'lid' || (step ?? 0) > 0);
  return jobSchema.parse({
    ...rest,
    purpose: readJson(purpose),
    choice: readJson(choice),
    progress: { part: part ?? 'tray', step: step ?? 0, seconds: seconds ?? 0 },
    state: pieces > 0 ? 'folded' : begun ? 'folding' : 'planned',
  });
}

/** Jobs, with how far folding has come. Their state follows from progress and from the pieces in the logbook. */
export function jobsRepository(db: Db) {
  const list = db.prepare<[], Row>(`${SELECT} WHERE j.removed_at IS NULL ORDER BY j.updated_at DESC, j.id`);
  const one = db.prepare<[string], Row>(`${SELECT} WHERE j.id = ? AND j.removed_at IS NULL`);
  const any = db.prepare<[string], Row>(`${SELECT} WHERE j.id = ?`);
  const insert = db.prepare(`INSERT INTO jobs (id, title, purpose, choice, paper_id, created_at, updated_at, version)
    VALUES (@id, @title, @purpose, @choice, @paperId, @createdAt, @updatedAt, @version)`);
  const update =
    db.prepare(`UPDATE jobs SET title = @title, purpose = @purpose, choice = @choice, paper_id = @paperId, updated_at = @updatedAt,
    version = version + 1 WHERE id = @id AND version = @version AND removed_at IS NULL`);
  const setProgress =
    db.prepare(`INSERT INTO progress (job_id, part, step, seconds) VALUES (@id, @part, @step, @seconds)
    ON CONFLICT (job_id) DO UPDATE SET part = @part, step = @step, seconds = @seconds`);
  const touch = db.prepare<[string, string]>('UPDATE jobs SET updated_at = ? WHERE id = ?');
  const remove = db.prepare<[string, string]>(
    'UPDATE jobs SET removed_at = ?, version = version + 1 WHERE id = ? AND removed_at IS NULL',
  );
  const restore = db.prepare<[string]>('UPDATE jobs SET removed_at = NULL, version = version + 1 WHERE id = ?');

  const get = (id: string): Job => {
    const row = one.get(id);
    if (!row) throw notFound('job');
    return toJob(row);
  };
  const columns = ({ title, purpose, choice }: JobDraft) => ({
    title,
    purpose: JSON.stringify(purpose),
    choice: JSON.stringify(choice),
    paperId: choice.paperId,
  });
  const move = db.transaction((id: string, progress: Progress, at: string): Job => {
    get(id);
    setProgress.run({ id, ...progress });
    touch.run(at, id);
    return get(id);
  });
  return {
    list: (): Job[] => list.all().map(toJob),
    get,
    put: db.transaction(({ progress, ...job }: Omit<Job, 'state'>): void => {
      insert.run({ ...job, ...columns(job) });
      setProgress.run({ id: job.id, ...progress });
    }),
    add({ id, ...draft }: NewJob, at: string): Added<Job> {
      const find = (): Found<Job> | undefined => {
        const found = any.get(id);
        return found && { row: toJob(found), removed: !one.get(id) };
      };
      return addOnce(db, draft, find, () => {
        insert.run({ id, ...columns(draft), createdAt: at, updatedAt: at, version: 1 });
        return get(id);
      });
    },
    change(id: string, { version, ...draft }: JobDraft & { version: number }, at: string): Job {
      if (!update.run({ id, version, ...columns(draft), updatedAt: at }).changes) throw stale(get(id));
      return get(id);
    },
    setProgress: move,
    remove(id: string, at: string): void {
      if (!remove.run(at, id).changes) throw notFound('job');
    },
    restore(id: string): Job {
      restore.run(id);
      return get(id);
    },
  };
}

export type JobsRepository = ReturnType<typeof jobsRepository>;
