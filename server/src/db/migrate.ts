import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Db } from './open-database';

interface Migration {
  readonly number: number;
  readonly file: string;
}

function migrationsIn(dir: string): Migration[] {
  const found = readdirSync(dir)
    .filter((file) => /^\d{4}-.+\.sql$/.test(file))
    .sort()
    .map((file) => ({ number: Number(file.slice(0, 4)), file }));
  found.forEach(({ number, file }, k) => {
    if (number !== k + 1) throw new Error(`Migration ${file} should carry number ${k + 1}.`);
  });
  return found;
}

/**
 * Brings a database to the newest schema: each numbered file once, in order, in its own transaction. What already holds
 * data is copied first.
 * @param backup makes that copy before the first of these migrations, or null when there is nothing to keep
 */
export function migrate(db: Db, dir: string, backup: ((db: Db, migration: number) => void) | null): void {
  const done = db.pragma('user_version', { simple: true }) as number;
  const all = migrationsIn(dir);
  if (done > all.length)
    throw new Error(`This workshop was written by a newer version (schema ${done}, known ${all.length}).`);
  const open = all.slice(done);
  if (!open.length) return;
  if (done > 0) backup?.(db, open[0].number);
  for (const { number, file } of open)
    db.transaction(() => {
      db.exec(readFileSync(join(dir, file), 'utf8'));
      db.pragma(`user_version = ${number}`);
    })();
}
