import { type BrokenRow, type ListAsked, type Listed, ROWS } from '@odd-corner/contract';
import { ProblemError } from '../http/problem-error';
import type { Statement } from 'better-sqlite3';
import type { Db } from './open-database';
import type { RowRead } from './read-row';

type Bound = string | number | null;

/** A condition, and what stands for its question marks. */
export interface Where {
  readonly sql: string;
  readonly bound: readonly Bound[];
}

/** What a list is read from. */
export interface ListSource<Row> {
  readonly db: Db;
  /** `SELECT … FROM …`, without conditions. */
  readonly select: string;
  /** The same for counting. */
  readonly from: string;
  readonly where: readonly Where[];
  /** What it is sorted by, with an id to tell equals apart: two columns, and what a row says of them. */
  readonly order: {
    readonly columns: readonly [string, string];
    readonly down: boolean;
    readonly of: (row: Row) => readonly [string, string];
  };
  readonly limit: number;
}

/** Small letters as a search compares them; SQLite's own knows only those without accents. */
export const small = (text: string): string => text.normalize('NFC').toLocaleLowerCase('en');

/** Where a search is for words: all of them are somewhere in a column written in small letters (`small(…)` makes it so). */
export const saying = (column: string, search: string | undefined): Where[] =>
  small(search ?? '')
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => ({ sql: `instr(${column}, ?) > 0`, bound: [word] }));

/** What a search looks through. */
export const wordsOf = (parts: readonly (string | number | null | undefined)[]): string =>
  small(parts.filter((part) => part !== null && part !== undefined && part !== '').join(' '));

const writeCursor = (at: readonly [string, string]): string => Buffer.from(JSON.stringify(at)).toString('base64url');

/** @throws ProblemError 400 for what is no cursor of ours */
function readCursor(text: string): readonly [string, string] {
  try {
    const at: unknown = JSON.parse(Buffer.from(text, 'base64url').toString('utf8'));
    if (Array.isArray(at) && at.length === 2 && at.every((part) => typeof part === 'string')) return [at[0], at[1]];
  } catch {
    // Told below.
  }
  const message = 'That is not a page of this list.';
  throw new ProblemError(400, message, { issues: [{ path: ['cursor'], message }] });
}

/** One part of a list, read row by row: a row that cannot be read is told as such and takes no other with it. */
export function listRows<Row extends object, T>(
  { db, select, from, where, order, limit }: ListSource<Row>,
  cursor: string | undefined,
  read: (row: Row) => RowRead<T>,
): Listed<T> {
  const [first, second] = order.columns;
  const direction = order.down ? 'DESC' : 'ASC';
  const all = where.length ? where : [{ sql: 'TRUE', bound: [] }];
  const conditions = all.map(({ sql }) => sql).join(' AND ');
  const bound = all.flatMap((one) => one.bound);
  const after = cursor === undefined ? null : readCursor(cursor);
  const rows = prepared<Row>(
    db,
    `${select} WHERE ${conditions}${after ? ` AND (${first}, ${second}) ${order.down ? '<' : '>'} (?, ?)` : ''}
       ORDER BY ${first} ${direction}, ${second} ${direction} LIMIT ?`,
  ).all(...bound, ...(after ?? []), limit + 1);
  const total = totalOf(db, `SELECT count(*) AS total ${from} WHERE ${conditions}`, bound);
  const shown = rows.slice(0, limit);
  const found = shown.map(read);
  return {
    rows: found.flatMap((one) => ('value' in one ? [one.value] : [])),
    broken: found.flatMap((one): BrokenRow[] => ('broken' in one ? [one.broken] : [])),
    total,
    next: rows.length > limit ? writeCursor(order.of(shown[shown.length - 1])) : null,
  };
}

const statements = new WeakMap<Db, Map<string, Statement<Bound[]>>>();

/** A statement, made once for a workshop: there are as many as kinds of conditions. */
function prepared<Row>(db: Db, sql: string): Statement<Bound[], Row> {
  let known = statements.get(db);
  if (!known) statements.set(db, (known = new Map<string, Statement<Bound[]>>()));
  let statement = known.get(sql);
  if (!statement) known.set(sql, (statement = db.prepare<Bound[]>(sql)));
  return statement as Statement<Bound[], Row>;
}

/** Totals that were counted since the last write: nobody else writes, the workshop being one program's. */
const counted = new WeakMap<Db, { readonly changes: number; readonly totals: Map<string, number> }>();

/** So many are remembered: nobody searches for more between two writes and comes back to the first. */
const MOST_TOTALS = 500;

/** Counts rows, once until something is written. */
function totalOf(db: Db, sql: string, bound: readonly Bound[]): number {
  const { changes } = db.prepare<[], { changes: number }>('SELECT total_changes() AS changes').get()!;
  let known = counted.get(db);
  if (known?.changes !== changes) counted.set(db, (known = { changes, totals: new Map<string, number>() }));
  const key = JSON.stringify([sql, bound]);
  let total = known.totals.get(key);
  if (total === undefined) {
    total = prepared<{ total: number }>(db, sql).get(...bound)!.total;
    if (known.totals.size >= MOST_TOTALS) known.totals.clear();
    known.totals.set(key, total);
  }
  return total;
}

export const limitOf = ({ limit }: ListAsked): number => limit ?? ROWS.usual;
