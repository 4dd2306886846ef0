import { eyeTry, paperMove, workshopFileHead } from '@odd-corner/contract';
import Database from 'better-sqlite3';
import { rmSync } from 'node:fs';
import { BINNED } from '../bin/bin';
import { keptOffcuts } from '../cutting/kept-offcuts';
import { migrate, MigrationRefused, newestSchema } from '../db/migrate';
import { type Db, giveFunctions } from '../db/open-database';
import { readJson } from '../db/read-json';
import { openWorkshop } from '../db/workshop';
import { FileRefused } from './file-refused';
import { fillTables } from './fill-tables';

/** A workshop made of a file: its schema there, and how many of its rows cannot be read any more. */
export interface Built {
  readonly schema: number;
  readonly unreadable: number;
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function parse(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new FileRefused('The file is not JSON, or not all of it is there.');
  }
}

/** @throws FileRefused when what no list tells row by row does not hold */
function refuseUnsound(db: Db): void {
  const all = <T>(sql: string): T[] => db.prepare<[], T>(sql).all();
  if (all('SELECT 1 FROM settings').length !== 1)
    throw new FileRefused('A workshop has settings, once.', ['tables', 'settings']);
  const refuse = (table: string, why: string): never => {
    throw new FileRefused(`A row of “${table}” cannot be kept: ${why}`, ['tables', table]);
  };
  for (const [table, schema, rows] of [
    [
      'eye_tries',
      eyeTry,
      all('SELECT id, hand_id AS handId, share, set_at AS "set", side_mm AS sideMm, at FROM eye_tries'),
    ],
    [
      ...(['paper_moves', paperMove] as const),
      all('SELECT paper_id AS paperId, at, why, sheets, area_mm2 AS areaMm2, waste_mm2 AS wasteMm2 FROM paper_moves'),
    ],
  ] as const)
    for (const row of rows) {
      const { error } = schema.safeParse(row);
      if (error) refuse(table, `${error.issues[0].path.join('.')}: ${error.issues[0].message}`);
    }
  for (const [table, column] of [
    ['makes', 'cut_kept'],
    ['plan_parents', 'kept'],
  ] as const)
    for (const { kept } of all<{ kept: string }>(`SELECT ${column} AS kept FROM ${table} WHERE ${column} <> '[]'`))
      if (!keptOffcuts.safeParse(readJson(kept)).success) refuse(table, `${column} is no list of offcuts.`);
}

/** How many rows of all lists, and of the bin, cannot be read. */
function unreadableIn(db: Db): number {
  db.exec('BEGIN');
  // What lies in the bin would be read when it is taken out.
  for (const table of BINNED) db.exec(`UPDATE ${table} SET removed_at = NULL`);
  const { papers, things, hands, jobs, log, cuttingPlans } = openWorkshop(db);
  let broken = 0;
  for (const list of [papers, things, hands, jobs, log, cuttingPlans])
    for (let cursor: string | undefined; ;) {
      const part = list.list({ limit: 500, cursor });
      broken += part.broken.length;
      if (part.next === null) break;
      cursor = part.next;
    }
  db.exec('ROLLBACK');
  return broken;
}

/**
 * Makes a workshop of a file, as a database of its own: its rows are brought to the newest schema by the same steps as a
 * workshop of that age, and all of them are read once.
 * @param to where it is made; nothing is there when it is refused
 * @throws FileRefused with where the file is wrong
 */
export function buildWorkshop(text: string, to: string, migrationsDir: string): Built {
  const file = parse(text);
  const head = workshopFileHead.safeParse(file);
  if (!head.success) {
    const [{ path, message }] = head.error.issues;
    throw new FileRefused(message, path as (string | number)[]);
  }
  const { schema } = head.data;
  if (schema > newestSchema(migrationsDir))
    throw new FileRefused('That file was written by a newer version of Odd Corner.', ['schema']);
  const { tables } = file as { readonly tables?: unknown };
  if (!isObject(tables)) throw new FileRefused('The tables are missing.', ['tables']);
  let whole = false;
  const db = new Database(to);
  try {
    db.pragma('synchronous = OFF');
    giveFunctions(db);
    migrate(db, migrationsDir, null, schema);
    fillTables(db, tables);
    migrate(db, migrationsDir, null);
    refuseUnsound(db);
    const unreadable = unreadableIn(db);
    whole = true;
    return { schema, unreadable };
  } catch (error) {
    if (error instanceof MigrationRefused)
      throw new FileRefused(`Its rows cannot be brought to this version. ${error.message}`, ['tables']);
    if (error instanceof RangeError) throw new FileRefused('The file is nested too deeply.');
    throw error;
  } finally {
    db.close();
    if (!whole) for (const end of ['', '-journal']) rmSync(to + end, { force: true });
  }
}
