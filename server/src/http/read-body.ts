import type { Context } from 'hono';
import type * as z from 'zod';
import { id } from '@odd-corner/contract';
import { illFormedAt } from './ill-formed';
import { issuesOf } from './issues-of';
import { notFound, ProblemError } from './problem-error';

/**
 * The request's JSON, checked.
 * @throws ProblemError 415 when it is not sent as JSON, 400 with an issue list when it does not fit the schema
 */
export async function readBody<T extends z.ZodType>(c: Context, schema: T): Promise<z.infer<T>> {
  if (!/^application\/json\b/i.test(c.req.header('content-type') ?? ''))
    throw new ProblemError(415, 'Send the content type application/json.');
  const raw: unknown = await c.req.json().catch(() => {
    throw new ProblemError(400, 'The body is not JSON.');
  });
  const half = illFormedAt(raw);
  if (half) {
    const message = 'That text contains half a character. Type it again.';
    throw new ProblemError(400, message, { issues: [{ path: [...half], message }] });
  }
  return fitting(schema, raw, 'The body is not valid.');
}

/** What follows the question mark, checked. @throws ProblemError 400 with an issue list */
export function readQuery<T extends z.ZodType>(c: Context, schema: T): z.infer<T> {
  const raw = c.req.query();
  if (illFormedAt(raw)) throw new ProblemError(400, 'That address contains half a character.');
  return fitting(schema, raw, 'The address is not valid.');
}

function fitting<T extends z.ZodType>(schema: T, raw: unknown, otherwise: string): z.infer<T> {
  const read = schema.safeParse(raw);
  if (read.success) return read.data;
  const issues = issuesOf(read.error);
  throw new ProblemError(400, issues[0]?.message ?? otherwise, { issues });
}

/** The id in the path; one that could not be an id belongs to nothing. */
export function readId(c: Context): string {
  const read = id.safeParse(c.req.param('id'));
  if (!read.success) throw notFound('thing here');
  return read.data;
}
