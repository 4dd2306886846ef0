import type { Db } from '../db/open-database';
import { columnsOf, type Kind, KINDS } from './kinds';
import { quoted, tablesOf } from './tables';

/** A make that is in both under different jobs stays where it is here. */
const ELSEWHERE: Readonly<Record<string, string>> = {
  jobs: 'AND id NOT IN (SELECT job_id FROM incoming.makes WHERE id IN (SELECT id FROM main.makes))',
};

type Names = Readonly<Record<string, Readonly<Record<string, string>>>>;

/** What a row names that was not taken along is nobody. */
const KNOWN: Names = { log_entries: { job_id: 'main.jobs', make_id: 'main.makes' } };

/** What a row is nothing without: where that was not taken along, the row is not either. */
const NEEDED: Names = { plan_makes: { make_id: 'main.makes' } };

/**
 * Adds the rows of a file, attached as `incoming`, that are not here, each with all that belongs to it; rows that are here
 * stay as they are. To be asked within one transaction.
 * @returns how many were added, of each kind
 */
export function merge(db: Db): readonly { readonly kind: Kind; readonly count: number }[] {
  const columns = new Map(tablesOf(db).map(({ name, columns: all }) => [name, all]));
  const copy = (table: string, all: readonly string[], where: string): number => {
    const known = KNOWN[table] ?? {};
    const said = all.map((column) =>
      known[column]
        ? `CASE WHEN i.${column} IN (SELECT id FROM ${known[column]}) THEN i.${column} END`
        : columnsOf([column], 'i'),
    );
    const needed = Object.entries(NEEDED[table] ?? {}).map(
      ([column, of]) => ` AND i.${column} IN (SELECT id FROM ${of})`,
    );
    return db
      .prepare(
        `INSERT INTO main.${table} (${all.map(quoted).join(', ')}) SELECT ${said.join(', ')} FROM incoming.${table} i WHERE ${where}${needed.join('')}`,
      )
      .run().changes;
  };
  db.exec('DROP TABLE IF EXISTS temp.fresh; CREATE TEMP TABLE fresh (k TEXT NOT NULL, kind TEXT NOT NULL)');
  const added = KINDS.map((all) => {
    const { kind, table, key, parts } = all;
    db.prepare(
      `INSERT INTO temp.fresh SELECT ${key}, ? FROM incoming.${table} WHERE ${key} NOT IN (SELECT ${key} FROM main.${table}) ${ELSEWHERE[table] ?? ''}`,
    ).run(kind);
    const fresh = `(SELECT k FROM temp.fresh WHERE kind = '${kind}')`;
    const count = copy(table, columns.get(table)!, `i.${key} IN ${fresh}`);
    for (const part of parts)
      copy(
        part.table,
        columns.get(part.table)!,
        `EXISTS (SELECT 1 FROM temp.fresh f WHERE f.kind = '${kind}' AND ${part.where('incoming', 'f.k')})`,
      );
    return { kind: all, count };
  });
  // How the sheets of new papers came and went; its numbers are counted here.
  copy(
    'paper_moves',
    columns.get('paper_moves')!.filter((name) => name !== 'id'),
    `i.paper_id IN (SELECT k FROM temp.fresh WHERE kind = 'papers')`,
  );
  db.exec('DROP TABLE temp.fresh');
  return added;
}
