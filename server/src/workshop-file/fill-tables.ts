import { isSqliteError } from '../data/sqlite-error';
import type { Db } from '../db/open-database';
import { illFormedAt } from '../http/ill-formed';
import { FileRefused } from './file-refused';
import { quoted, type Table, tablesOf } from './tables';

type Row = Readonly<Record<string, unknown>>;
type Stored = string | number | null;

const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value);

/** What a column is given, or a refusal. */
function stored(value: unknown, isJson: boolean, path: readonly (string | number)[]): Stored {
  if (value === null) return null;
  if (isJson) return JSON.stringify(value);
  if (typeof value === 'string' || typeof value === 'number') return value;
  throw new FileRefused('A value here is a text, a number or null.', path);
}

function fill(db: Db, { name, columns, json }: Table, rows: unknown): void {
  const at = (...path: (string | number)[]): (string | number)[] => ['tables', name, ...path];
  if (!Array.isArray(rows)) throw new FileRefused(`The rows of “${name}” are missing.`, at());
  db.exec(`DELETE FROM ${quoted(name)}`);
  const insert = db.prepare(
    `INSERT INTO ${quoted(name)} (${columns.map(quoted).join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`,
  );
  rows.forEach((row: unknown, k) => {
    if (!isRow(row)) throw new FileRefused('A row is an object.', at(k));
    const stray = Object.keys(row).find((key) => !columns.includes(key));
    if (stray !== undefined) throw new FileRefused(`“${name}” has no “${stray}”.`, at(k, stray));
    const missing = columns.find((column) => row[column] === undefined);
    if (missing !== undefined) throw new FileRefused(`“${missing}” is missing.`, at(k, missing));
    const half = illFormedAt(row);
    if (half) throw new FileRefused('That text contains half a character.', at(k, ...half));
    const values = columns.map((column) => stored(row[column], json.has(column), at(k, column)));
    try {
      insert.run(values);
    } catch (error) {
      if (!isSqliteError(error) || !/^SQLITE_(CONSTRAINT|MISMATCH|TOOBIG|ERROR)/.test(error.code)) throw error;
      throw new FileRefused(`This row cannot be kept: ${error.message}.`, at(k));
    }
  });
}

/**
 * Puts the rows of a file into the tables of an empty workshop of the same schema.
 * @throws FileRefused naming the first row that is wrong; the database is then to be thrown away
 */
export function fillTables(db: Db, tables: Row): void {
  const own = tablesOf(db);
  const stray = Object.keys(tables).find((name) => !own.some((table) => table.name === name));
  if (stray !== undefined) throw new FileRefused(`There is no “${stray}” in a workshop.`, ['tables', stray]);
  db.pragma('foreign_keys = OFF');
  db.transaction(() =>
    own.forEach((table) => fill(db, table, Object.hasOwn(tables, table.name) ? tables[table.name] : null)),
  )();
  const [lost] = db.pragma('foreign_key_check') as readonly { table: string; rowid: number; parent: string }[];
  if (lost)
    throw new FileRefused(`A row of “${lost.table}” names a row of “${lost.parent}” that is not in the file.`, [
      'tables',
      lost.table,
    ]);
  db.pragma('foreign_keys = ON');
}
