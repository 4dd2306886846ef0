import { StartRefused } from '../read-options';
import { Backups, stampOf } from './backups';
import { checkFile, setAside } from './check-file';
import { lockData } from './data-lock';

const KB = 1024;

/**
 * Puts a backup in place of a workshop's file and sets that one aside; or says which backups there are.
 * @param wanted its name, `newest`, or `list`
 * @returns what was done, in words
 * @throws StartRefused while the workshop is open, or when there is no such backup
 */
export function restoreBackup(file: string, wanted: string, now = new Date()): string {
  const backups = new Backups(file);
  const all = backups.list();
  const listed = all.map(({ name, bytes }) => `  ${name}  ${Math.ceil(bytes / KB)} kB`).join('\n');
  if (!all.length) throw new StartRefused(`There are no backups beside ${file} yet.`);
  if (wanted === 'list')
    return `Backups, the newest first:\n${listed}\nPut one back: npm run restore -- newest, or its name instead of newest.`;
  const chosen = wanted === 'newest' ? all[0] : all.find(({ name }) => name === wanted);
  if (!chosen) throw new StartRefused(`There is no backup called “${wanted}”. There are:\n${listed}`);
  const state = checkFile(chosen.path);
  if (state.kind === 'other') throw new StartRefused(`${chosen.name} ${state.why}, so nothing was changed.`);
  const lock = lockData(file);
  try {
    const aside = setAside(file, stampOf(now));
    backups.restore(chosen, file);
    return `${chosen.name} is back in place.${aside ? ` What was there lies at ${aside}.` : ''}`;
  } finally {
    lock.release();
  }
}
