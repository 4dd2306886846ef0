import Database from 'better-sqlite3';
import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Backups } from '../data/backups';
import { small } from './list-rows';
import { migrate } from './migrate';

export type Db = Database.Database;

/**
 * Opens (or makes) a workshop's file. An acknowledged write survives a crash of the program and of the machine: the
 * write-ahead log is flushed at every commit.
 */
export function openDatabase(file: string, migrationsDir: string): Db {
  const kept = file !== ':memory:';
  if (kept) mkdirSync(dirname(file), { recursive: true });
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 3000');
  giveFunctions(db);
  migrate(db, migrationsDir, kept ? (from, migration) => new Backups(file).before(from, migration) : null);
  return db;
}

/** What migrations and searches use beside SQLite's own functions. */
export function giveFunctions(db: Db): void {
  db.function('small', { deterministic: true }, (text) => small(String(text)));
}
