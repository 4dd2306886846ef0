import { isDeepStrictEqual } from 'node:util';
import { ProblemError, stale } from '../http/problem-error';
import type { Db } from './open-database';

/** A row under an id, also one that was removed. */
export interface Found<T> {
  readonly row: T;
  readonly removed: boolean;
}

/** A row, and whether it was this time that it was added. */
export interface Added<T> {
  readonly row: T;
  readonly added: boolean;
}

/**
 * Adds a row under an id that its sender made, so that an answer that was lost may be asked for again: sent twice it is
 * counted once. What is there is answered when it says the same.
 * @throws ProblemError 409 when something else lies under that id, or it has been removed since
 */
export function addOnce<T extends object>(
  db: Db,
  draft: object,
  find: () => Found<T> | undefined,
  insert: () => T,
): Added<T> {
  return db
    .transaction(() => {
      const found = find();
      if (!found) return { row: insert(), added: true };
      if (found.removed) throw new ProblemError(409, 'That was added before, and has been removed since.');
      const same = Object.entries(draft).every(([key, value]) =>
        isDeepStrictEqual((found.row as Record<string, unknown>)[key], value),
      );
      if (!same) throw stale(found.row);
      return { row: found.row, added: false };
    })
    .immediate();
}
