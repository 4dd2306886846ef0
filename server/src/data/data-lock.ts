import Database from 'better-sqlite3';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { StartRefused } from '../read-options';
import { isSqliteError } from './sqlite-error';
import { writeWhole } from './write-whole';

/** The right to a workshop's file: one program at a time, and what is remembered of earlier ones. */
export interface DataLock {
  /** When a workshop was last opened from this file, as ISO 8601; null when never. */
  readonly openedBefore: string | null;
  /** Remembers that a workshop is open, and where it is answered from. */
  opened(at: string, address: string): void;
  release(): void;
}

/**
 * Takes the right to a workshop's file. The system gives it free when the program ends, however it ends: it is a lock of
 * SQLite on a file of its own, kept as long as that file is open.
 * @throws StartRefused with the other's address when another program has it
 */
export function lockData(file: string): DataLock {
  mkdirSync(dirname(file), { recursive: true });
  const addressFile = `${file}.address`;
  const lock = new Database(`${file}.lock`, { timeout: 0 });
  try {
    // In this mode a lock once taken is kept until the file is closed.
    lock.pragma('locking_mode = EXCLUSIVE');
    lock.exec(`BEGIN EXCLUSIVE;
      CREATE TABLE IF NOT EXISTS opened (one INTEGER PRIMARY KEY CHECK (one = 1), at TEXT NOT NULL) STRICT;
      COMMIT`);
  } catch (error) {
    lock.close();
    if (!isSqliteError(error) || !error.code.startsWith('SQLITE_BUSY')) throw error;
    const address = existsSync(addressFile) ? readFileSync(addressFile, 'utf8').trim() : '';
    throw new StartRefused(
      `This workshop is open already${address ? `, at ${address}` : ''}. Use that one, or stop it first. (${file})`,
    );
  }
  const row = lock.prepare<[], { at: string }>('SELECT at FROM opened').get();
  return {
    openedBefore: row?.at ?? null,
    opened(at, address) {
      lock.prepare('INSERT INTO opened VALUES (1, ?) ON CONFLICT (one) DO UPDATE SET at = excluded.at').run(at);
      writeWhole(addressFile, `${address}\n`);
    },
    release() {
      rmSync(addressFile, { force: true });
      lock.close();
    },
  };
}
