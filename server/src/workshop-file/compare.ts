import type { IncomingKind } from '@odd-corner/contract';
import Database from 'better-sqlite3';
import type { Db } from '../db/open-database';
import { columnsOf, type Kind, KINDS } from './kinds';
import { type Table, tablesOf } from './tables';

/** All that belongs to a row, as one text. */
function whole(tables: ReadonlyMap<string, Table>, { table, key, parts }: Kind, schema: string): string {
  const own = `json_array(${columnsOf(tables.get(table)!.columns, 't')})`;
  const others = parts.map((part) => {
    const { columns, key: keys } = tables.get(part.table)!;
    const order = keys.map((name) => `p."${name}"`).join(', ');
    return `(SELECT json_group_array(json_array(${columnsOf(columns, 'p')}) ORDER BY ${order}) FROM ${schema}.${part.table} p WHERE ${part.where(schema, `t.${key}`)})`;
  });
  return [own, ...others].join(` || ' ' || `);
}

/** The same for two files, of which the first may be in use: it is only read. */
export function compareFiles(file: string, incoming: string): IncomingKind[] {
  const db = new Database(file, { readonly: true, fileMustExist: true });
  try {
    db.prepare('ATTACH ? AS incoming').run(incoming);
    return compare(db);
  } finally {
    db.close();
  }
}

/** Holds the rows of a file, attached as `incoming`, against those that are here. */
function compare(db: Db): IncomingKind[] {
  const tables = new Map(tablesOf(db).map((table) => [table.name, table]));
  const count = (sql: string): number => db.prepare<[], { n: number }>(sql).get()!.n;
  return KINDS.map((kind) => {
    const { table, key } = kind;
    const [ours, theirs] = [`main.${table}`, `incoming.${table}`];
    return {
      kind: kind.kind,
      here: count(`SELECT count(*) AS n FROM ${ours}`),
      inFile: count(`SELECT count(*) AS n FROM ${theirs}`),
      fresh: count(`SELECT count(*) AS n FROM ${theirs} WHERE ${key} NOT IN (SELECT ${key} FROM ${ours})`),
      differing: count(
        `SELECT count(*) AS n FROM (SELECT t.${key} AS k, ${whole(tables, kind, 'incoming')} AS all_of_it FROM ${theirs} t) a
          JOIN (SELECT t.${key} AS k, ${whole(tables, kind, 'main')} AS all_of_it FROM ${ours} t) b ON a.k = b.k
          WHERE a.all_of_it <> b.all_of_it`,
      ),
    };
  });
}
