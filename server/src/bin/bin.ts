import type { Binned } from '@odd-corner/contract';
import { inOneGo } from '../db/in-one-go';
import type { Db } from '../db/open-database';
import { notFound } from '../http/problem-error';

/** Tables whose rows stay in the bin when they are removed, what a row is called, and which column names it. */
const TABLES = [
  ['papers', 'paper', 'name'],
  ['things', 'thing', 'name'],
  ['hands', 'hand', 'name'],
  ['jobs', 'job', 'title'],
  ['log_entries', 'log entry', 'title'],
  ['cutting_plans', 'cutting plan', 'title'],
  ['trials', 'trial', 'title'],
] as const satisfies readonly (readonly [string, Binned['kind'], string])[];

/** Their names. */
export const BINNED: readonly string[] = TABLES.map(([table]) => table);

/** What was removed, the last first; also what cannot be read any more. */
export function binnedRows(db: Db): Binned[] {
  const all = TABLES.map(
    ([table, kind, title]) =>
      `SELECT id, '${kind}' AS kind, ${title} AS title, removed_at AS removedAt FROM ${table} WHERE removed_at IS NOT NULL`,
  );
  return db.prepare<[], Binned>(`${all.join(' UNION ALL ')} ORDER BY removedAt DESC, id`).all();
}

/** Throws a row in the bin away for good, with what belongs to it alone. @throws ProblemError 404 */
export function purge(db: Db, id: string): void {
  inOneGo(db, () => {
    const gone = TABLES.reduce(
      (sum, [table]) =>
        sum + db.prepare<[string]>(`DELETE FROM ${table} WHERE id = ? AND removed_at IS NOT NULL`).run(id).changes,
      0,
    );
    if (!gone) throw notFound('row in the bin');
  });
}
