import type { ListAsked, Listed } from '@odd-corner/contract';
import type * as z from 'zod';
import { notFound, ProblemError } from '../http/problem-error';
import type { Found } from './add-once';
import { inOneGo } from './in-one-go';
import { limitOf, type ListSource, listRows, type Where } from './list-rows';
import type { Db } from './open-database';
import { readOnce } from './read-once';
import { readRow } from './read-row';

/** How rows of a table are read that stay when they are removed: others still name them, and they can be put back. */
export interface KeptTable<Row, T extends z.ZodType> {
  /** What one of its rows is called in messages. */
  readonly what: string;
  readonly table: string;
  /** `SELECT … FROM table t`. */
  readonly select: string;
  readonly schema: T;
  readonly toRaw: (row: Row) => unknown;
  readonly order: ListSource<Row>['order'];
}

/** What all repositories of such rows do alike. */
export interface KeptRows<T> {
  list(asked: ListAsked, where?: readonly Where[]): Listed<T>;
  /** @throws ProblemError 404 when there is none, 422 when it cannot be read any more */
  get(id: string): T;
  find(id: string): T | undefined;
  /**
   * What has just been written, read back: asked before it is committed, so that nothing stays that cannot be read again.
   * @throws ProblemError 422 naming what cannot be kept
   */
  written(id: string): T;
  /** One also when it was removed. */
  any(id: string): Found<T> | undefined;
  /** Also what cannot be read any more. @throws ProblemError 404 */
  remove(id: string, at: string): void;
  /** @throws ProblemError 404 when nothing of it is there */
  restore(id: string): T;
  isEmpty(): boolean;
}

export function keptRows<Row extends { readonly id: string }, T extends z.ZodType>(
  db: Db,
  { what, table, select, schema, toRaw, order }: KeptTable<Row, T>,
): KeptRows<z.infer<T>> {
  const there = { sql: 't.removed_at IS NULL', bound: [] };
  const one = db.prepare<[string], Row>(`${select} WHERE t.id = ? AND t.removed_at IS NULL`);
  const any = db.prepare<[string], Row>(`${select} WHERE t.id = ?`);
  const some = db.prepare(`SELECT 1 FROM ${table} LIMIT 1`);
  const remove = db.prepare<[string, string]>(
    `UPDATE ${table} SET removed_at = ?, version = version + 1 WHERE id = ? AND removed_at IS NULL`,
  );
  const restore = db.prepare<[string]>(
    `UPDATE ${table} SET removed_at = NULL, version = version + 1 WHERE id = ? AND removed_at IS NOT NULL`,
  );
  const reading = readOnce<Row, z.infer<T>>((row) => readRow(schema, row, toRaw));
  const readOr = (row: Row, refused: string): z.infer<T> => {
    const found = reading(row);
    if ('value' in found) return found.value;
    throw new ProblemError(422, `${refused} ${found.broken.why}`);
  };
  const read = (row: Row): z.infer<T> => readOr(row, `That ${what} is there, but cannot be read any more.`);
  const find = (id: string): z.infer<T> | undefined => {
    const row = one.get(id);
    return row && read(row);
  };
  const get = (id: string): z.infer<T> => {
    const row = one.get(id);
    if (!row) throw notFound(what);
    return read(row);
  };
  return {
    find,
    get,
    written: (id) => readOr(any.get(id)!, 'That cannot be kept.'),
    list: (asked, where = []) =>
      listRows(
        { db, select, from: `FROM ${table} t`, where: [there, ...where], order, limit: limitOf(asked) },
        asked.cursor,
        reading,
      ),
    any(id) {
      const row = any.get(id);
      return row && { row: read(row), removed: !one.get(id) };
    },
    remove(id, at) {
      if (!remove.run(at, id).changes) throw notFound(what);
    },
    restore: (id) =>
      inOneGo(db, () => {
        restore.run(id);
        return get(id);
      }),
    isEmpty: () => some.get() === undefined,
  };
}
