import {
  MOST_PHOTOGRAPHS,
  type Photograph,
  photograph as photographSchema,
  type PhotographsAsked,
} from '@odd-corner/contract';
import { inOneGo } from '../db/in-one-go';
import type { Db } from '../db/open-database';
import { notFound, ProblemError } from '../http/problem-error';
import type { Developed } from './develop';

const SELECT = `SELECT id, CASE WHEN job_id IS NOT NULL THEN 'job' WHEN entry_id IS NOT NULL THEN 'entry' ELSE 'trial' END AS "of",
  coalesce(job_id, entry_id, trial_id) AS ofId, added_at AS addedAt, words, width, height FROM photographs`;

/** Photographs of jobs, entries of the logbook and trials: gone with what they are of. */
export function photographsRepository(db: Db) {
  const of = {
    job: db.prepare<[string]>(`${SELECT} WHERE job_id = ? ORDER BY added_at, id`),
    entry: db.prepare<[string]>(`${SELECT} WHERE entry_id = ? ORDER BY added_at, id`),
    trial: db.prepare<[string]>(`${SELECT} WHERE trial_id = ? ORDER BY added_at, id`),
  };
  const there = {
    job: db.prepare<[string]>('SELECT 1 FROM jobs WHERE id = ? AND removed_at IS NULL'),
    entry: db.prepare<[string]>('SELECT 1 FROM log_entries WHERE id = ? AND removed_at IS NULL'),
    trial: db.prepare<[string]>('SELECT 1 FROM trials WHERE id = ? AND removed_at IS NULL'),
  };
  const one = db.prepare<[string]>(`${SELECT} WHERE id = ?`);
  const picture = db.prepare<[string], { readonly picture: string }>('SELECT picture FROM photographs WHERE id = ?');
  const insert =
    db.prepare(`INSERT INTO photographs (id, job_id, entry_id, trial_id, added_at, words, width, height, picture)
    VALUES (@id, @jobId, @entryId, @trialId, @addedAt, '', @width, @height, @picture)`);
  const say = db.prepare<[string, string]>('UPDATE photographs SET words = ? WHERE id = ?');
  const remove = db.prepare<[string]>('DELETE FROM photographs WHERE id = ?');
  const get = (id: string): Photograph => {
    const row = one.get(id);
    if (!row) throw notFound('photograph');
    return photographSchema.parse(row);
  };
  return {
    all: (asked: PhotographsAsked): Photograph[] =>
      of[asked.of].all(asked.id).map((row) => photographSchema.parse(row)),
    picture(id: string): Buffer {
      const found = picture.get(id);
      if (!found) throw notFound('photograph');
      return Buffer.from(found.picture, 'base64');
    },
    /** @throws ProblemError 404 for what is not here, 422 where there are enough */
    add(
      id: string,
      asked: PhotographsAsked,
      { picture: bytes, width, height }: Developed,
      addedAt: string,
    ): Photograph {
      return inOneGo(db, () => {
        if (!there[asked.of].get(asked.id)) throw notFound(asked.of === 'entry' ? 'log entry' : asked.of);
        if (of[asked.of].all(asked.id).length >= MOST_PHOTOGRAPHS)
          throw new ProblemError(422, `There are ${MOST_PHOTOGRAPHS} photographs of it already. Remove one first.`);
        insert.run({
          ...{ id, addedAt, width, height, picture: bytes.toString('base64') },
          jobId: asked.of === 'job' ? asked.id : null,
          entryId: asked.of === 'entry' ? asked.id : null,
          trialId: asked.of === 'trial' ? asked.id : null,
        });
        return get(id);
      });
    },
    say(id: string, words: string): Photograph {
      return inOneGo(db, () => {
        say.run(words, id);
        return get(id);
      });
    },
    remove(id: string): void {
      if (!remove.run(id).changes) throw notFound('photograph');
    },
  };
}

export type PhotographsRepository = ReturnType<typeof photographsRepository>;
