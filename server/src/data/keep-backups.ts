import { BACKUP_HOURS } from '@odd-corner/contract';
import type { Db } from '../db/open-database';
import type { Backups } from './backups';

const HOUR_MS = 3_600_000;
const EVERY_MS = BACKUP_HOURS * HOUR_MS;

/**
 * Makes a backup now and then while the workshop is open, whenever something was written since the last one.
 * @param failed is told why one could not be made
 * @returns ends it
 */
export function keepBackups(db: Db, backups: Backups, failed: (why: unknown) => void, everyMs = EVERY_MS): () => void {
  const changes = db.prepare<[], { n: number }>('SELECT total_changes() AS n');
  let saved = changes.get()!.n;
  const timer = setInterval(() => {
    const { n } = changes.get()!;
    if (n === saved) return;
    backups.now(db).then(() => (saved = n), failed);
  }, everyMs);
  timer.unref();
  return () => clearInterval(timer);
}
