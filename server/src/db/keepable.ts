import type * as z from 'zod';
import { issuesOf } from '../http/issues-of';
import { ProblemError } from '../http/problem-error';

/**
 * A row as it will be read back. Asked before it is written: what could not be read again would make its whole list unreadable.
 * @throws ProblemError 422 naming what cannot be kept
 */
export function keepable<T extends z.ZodType>(schema: T, row: unknown): z.infer<T> {
  const read = schema.safeParse(row);
  if (read.success) return read.data;
  const issues = issuesOf(read.error);
  throw new ProblemError(422, `That cannot be kept: ${issues[0].path.join('.')}. ${issues[0].message}`, { issues });
}
