import { type Db, openDatabase } from '../db/open-database';
import { StartRefused } from '../read-options';
import { Backups, stampOf } from './backups';
import { checkFile, setAside } from './check-file';
import type { DataLock } from './data-lock';
import { lastGoodBackup } from './faults';

/**
 * Opens a workshop's file once the right to it is taken: looks at it first, copies it before it is migrated. Where a workshop
 * was before and none is now, that is asked about, and no empty one is begun in silence.
 * @throws StartRefused with what can be done
 */
export function openData(
  file: string,
  migrationsDir: string,
  { openedBefore }: Pick<DataLock, 'openedBefore'>,
  { anew, now = new Date() }: { readonly anew: boolean; readonly now?: Date },
): Db {
  const state = checkFile(file);
  const ask = (what: string): never => {
    const some = new Backups(file).list().length;
    throw new StartRefused(
      [
        `The workshop’s file ${what}: ${file}`,
        some
          ? `Put a backup back (there are ${some}): npm run restore. ${lastGoodBackup(file)}`
          : 'There is no backup of it.',
        'Or begin an empty workshop; what is there is set aside, not thrown away: npm start -- --new',
      ].join('\n'),
    );
  };
  if (anew && state.kind !== 'none') setAside(file, stampOf(now));
  else if (state.kind === 'other') ask(state.why);
  else if (state.kind === 'none' && openedBefore !== null && !anew)
    ask(`is gone, although a workshop was open here on ${openedBefore.slice(0, 10)}`);
  return openDatabase(file, migrationsDir);
}
