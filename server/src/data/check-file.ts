import Database from 'better-sqlite3';
import { existsSync, renameSync, statSync } from 'node:fs';
import { isSqliteError } from './sqlite-error';

/** What is found where the workshop's file belongs. */
export type FileState =
  | { readonly kind: 'none' }
  | { readonly kind: 'workshop'; readonly schema: number }
  /** Something else than a whole workshop, and why. */
  | { readonly kind: 'other'; readonly why: string };

/** Looks at a file without changing it. */
export function checkFile(file: string): FileState {
  if (!existsSync(file)) return { kind: 'none' };
  if (statSync(file).size === 0) return { kind: 'other', why: 'is empty' };
  try {
    const db = new Database(file, { readonly: true, fileMustExist: true });
    try {
      const schema = db.pragma('user_version', { simple: true }) as number;
      const ours = db.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'settings'").get();
      if (!ours || schema < 1) return { kind: 'other', why: 'is the file of another program' };
      const [first] = db.pragma('quick_check(1)') as readonly { quick_check: string }[];
      return first.quick_check === 'ok'
        ? { kind: 'workshop', schema }
        : { kind: 'other', why: `is damaged (${first.quick_check})` };
    } finally {
      db.close();
    }
  } catch (error) {
    if (!isSqliteError(error)) throw error;
    return { kind: 'other', why: `cannot be read as a workshop (${error.message})` };
  }
}

/** Puts a file, with what belongs to it, beside itself under a new name. Nothing is ever thrown away. */
export function setAside(file: string, at: string): string | null {
  const aside = `${file}.set-aside-${at}`;
  for (const end of ['', '-wal', '-shm']) if (existsSync(file + end)) renameSync(file + end, aside + end);
  return existsSync(aside) ? aside : null;
}
