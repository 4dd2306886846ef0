import { statSync } from 'node:fs';
import { dirname } from 'node:path';
import { Backups } from './backups';
import { checkFile } from './check-file';

/** What went wrong with a workshop's file, for the maker. */
export interface Fault {
  /** What happened, with the file. */
  readonly what: string;
  /** What can be done about it. */
  readonly todo: string;
}

const codeOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error && typeof error.code === 'string' ? error.code : '';

const DAMAGED = /^SQLITE_(CORRUPT|NOTADB)/;
const READ_ONLY = /^(SQLITE_(READONLY|CANTOPEN|PERM|AUTH)|EACCES|EPERM|EROFS)/;
const FULL = /^(SQLITE_FULL|ENOSPC|EDQUOT)/;
const TROUBLED = /^(SQLITE_IOERR|EIO)/;

/** The newest backup that is whole, in words with where it lies. */
export function lastGoodBackup(file: string): string {
  const good = new Backups(file).list().find(({ path }) => checkFile(path).kind === 'workshop');
  return good
    ? `The last good backup is ${good.path}. Put it back: npm run restore -- ${good.name}`
    : 'There is no good backup of it.';
}

/** Who may write into a folder, where that can be seen. */
function ownerOf(folder: string): string {
  try {
    return ` It belongs to the user with number ${statSync(folder).uid}; this program runs as ${process.getuid?.() ?? 'another'}.`;
  } catch {
    return '';
  }
}

/** What an error of the disk or the database means for a workshop's file; null for any other error. */
export function faultOf(error: unknown, file: string): Fault | null {
  const code = codeOf(error);
  const folder = dirname(file);
  if (FULL.test(code))
    return {
      what: `The disk is full: ${file} cannot be written. What was kept before is safe.`,
      todo: `Make room on the disk of ${folder}; then go on, nothing has to be started anew.`,
    };
  if (DAMAGED.test(code))
    return { what: `The workshop’s file is damaged: ${file}`, todo: `Stop the program. ${lastGoodBackup(file)}` };
  if (READ_ONLY.test(code))
    return {
      what: `The workshop’s folder cannot be written: ${folder}.${ownerOf(folder)}`,
      todo: `Let this program write there, or choose another folder: ODD_CORNER_DATA=… npm start. ${lastGoodBackup(file)}`,
    };
  if (TROUBLED.test(code))
    return {
      what: `The disk did not do what it was asked (${code}): ${file}`,
      todo: `Copy the folder ${folder} to another disk before anything else. ${lastGoodBackup(file)}`,
    };
  return null;
}
