import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { isSqliteError } from '../data/sqlite-error';
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

/** A workshop's file that cannot be brought to the newest schema; it is as it was. */
export class MigrationRefused extends Error {
  override readonly name = 'MigrationRefused';
  constructor(
    message: string,
    /** What can be done about it. */
    readonly todo: string,
  ) {
    super(message);
  }
}

/** The newest schema. */
export const newestSchema = (dir: string): number => migrationsIn(dir).length;

/**
 * Brings a database to the newest schema: each numbered file once, in order, in its own transaction. What already holds
 * data is copied first.
 * @throws MigrationRefused for a newer file, or where a step fails
 * @param backup makes that copy before the first of these migrations, or null when there is nothing to keep
 * @param until the schema to stop at, for rows of an older version
 */
export function migrate(
  db: Db,
  dir: string,
  backup: ((db: Db, migration: number) => void) | null,
  until = Infinity,
): void {
  const done = db.pragma('user_version', { simple: true }) as number;
  const all = migrationsIn(dir).filter(({ number }) => number <= until);
  if (done > all.length)
    throw new MigrationRefused(
      `This workshop was written by a newer version of Odd Corner (schema ${done}; this one knows ${all.length}).`,
      'Open it with that version, or put back a backup from before it was updated; their names end in “before-” and a number.',
    );
  const open = all.slice(done);
  if (!open.length) return;
  if (done > 0) backup?.(db, open[0].number);
  for (const { number, file } of open)
    try {
      db.transaction(() => {
        db.exec(readFileSync(join(dir, file), 'utf8'));
        db.pragma(`user_version = ${number}`);
      })();
    } catch (error) {
      // What the disk refuses is told as such.
      if (!isSqliteError(error) || !/^SQLITE_(ERROR|CONSTRAINT)/.test(error.code)) throw error;
      throw new MigrationRefused(
        `The step ${file} to the newest version failed: ${error.message}. The file is as it was before that step.`,
        'Go on with the version of Odd Corner that you used until now, and report this.',
      );
    }
}
