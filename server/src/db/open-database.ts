import Database from 'better-sqlite3';
import { existsSync, mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { migrate } from './migrate';

export type Db = Database.Database;

/**
 * Opens (or makes) a workshop's file. An acknowledged write survives a crash of the program and of the machine: the
 * write-ahead log is flushed at every commit.
 */
export function openDatabase(file: string, migrationsDir: string): Db {
  const isNew = file === ':memory:' || !existsSync(file);
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 3000');
  migrate(db, migrationsDir, isNew ? null : file);
  return db;
}
