import { isDeepStrictEqual } from 'node:util';
import { ProblemError, stale } from '../http/problem-error';
import { inOneGo } from './in-one-go';
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
 * What is stored under an id already, when it says the same; null when nothing is.
 * @param sent what a row must say to be the same
 * @throws ProblemError 409 when something else is stored there, or it has been removed since
 */
export function addedBefore<T extends object>(
  draft: object,
  found: Found<T> | undefined,
  sent: (row: T) => object = (row) => row,
): T | null {
  if (!found) return null;
  if (found.removed) throw new ProblemError(409, 'That was added before, and has been removed since.');
  const there = sent(found.row) as Readonly<Record<string, unknown>>;
  const same = Object.entries(draft).every(([key, value]) => isDeepStrictEqual(there[key], value));
  if (!same) throw stale(found.row);
  return found.row;
}

/**
 * Adds a row under an id that its sender made, so that an answer that was lost may be asked for again: sent twice it is
 * counted once. What is there is answered when it says the same.
 * @throws ProblemError 409 when something else is stored under that id, or it has been removed since
 */
export function addOnce<T extends object>(
  db: Db,
  draft: object,
  find: () => Found<T> | undefined,
  insert: () => T,
  sent?: (row: T) => object,
): Added<T> {
  return inOneGo(db, () => {
    const before = addedBefore(draft, find(), sent);
    return before ? { row: before, added: false } : { row: insert(), added: true };
  });
}
