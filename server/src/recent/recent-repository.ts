import { MOST_RECENT, type Recent, type RecentDraft, recent as recentSchema } from '@odd-corner/contract';
import { inOneGo } from '../db/in-one-go';
import type { Db } from '../db/open-database';
import { readJson } from '../db/read-json';

interface Row {
  readonly purpose: string;
  readonly text: string;
  readonly askedAt: string;
}

/** What was asked last, the latest first; a few, and each once. */
export function recentRepository(db: Db) {
  const all = db.prepare<[number], Row>(
    'SELECT purpose, text, asked_at AS askedAt FROM recent ORDER BY asked_at DESC LIMIT ?',
  );
  const put = db.prepare<[Row]>(`INSERT INTO recent (purpose, text, asked_at) VALUES (@purpose, @text, @askedAt)
    ON CONFLICT (purpose) DO UPDATE SET text = @text, asked_at = @askedAt`);
  const prune = db.prepare<[number]>(
    'DELETE FROM recent WHERE purpose NOT IN (SELECT purpose FROM recent ORDER BY asked_at DESC LIMIT ?)',
  );
  const list = (): Recent[] =>
    all.all(MOST_RECENT).flatMap((row) => {
      // What cannot be read any more is no loss: it is asked again.
      const read = recentSchema.safeParse({ ...row, purpose: readJson(row.purpose) });
      return read.success ? [read.data] : [];
    });
  return {
    list,
    add({ text, purpose }: RecentDraft, askedAt: string): Recent[] {
      return inOneGo(db, () => {
        put.run({ text, purpose: JSON.stringify(purpose), askedAt });
        prune.run(MOST_RECENT);
        return list();
      });
    },
  };
}

export type RecentRepository = ReturnType<typeof recentRepository>;
