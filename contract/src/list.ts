import * as z from 'zod';
import { slug } from './make';
import { id, moment } from './shared';
import { JOB_STATES } from './job';
import { TRIAL_KINDS } from './trial';

/** Rows of a list in one answer: as many when nothing else is asked, and at most. */
export const ROWS = { usual: 50, most: 500 } as const;

/** A row that is there and cannot be read any more: why, and all of it as it is stored. */
export const brokenRow = z.object({ id: z.string(), why: z.string(), row: z.record(z.string(), z.unknown()) });

/** A list in parts: `next` is asked for with what comes after, null at the end. */
export const listOf = <T extends z.ZodType>(row: T) =>
  z.object({
    rows: z.array(row),
    broken: z.array(brokenRow),
    /** Of all that match, not only these. */
    total: z.int().min(0),
    next: z.string().nullable(),
  });

/** Which part of a list, as it stands in an address. */
export const listAsked = z.object({
  limit: z.coerce.number().pipe(z.int().min(1).max(ROWS.most)).optional(),
  cursor: z.string().max(400).optional(),
  search: z.string().trim().max(200).optional(),
});

export const jobsAsked = listAsked.extend({
  state: z.enum(JOB_STATES).optional(),
  archived: z.enum(['yes', 'no']).optional(),
});

export const logAsked = listAsked.extend({
  form: slug.optional(),
  paper: id.optional(),
  hand: id.optional(),
  job: id.optional(),
  from: moment.optional(),
  until: moment.optional(),
});

export const trialsAsked = listAsked.extend({
  kind: z.enum(TRIAL_KINDS).optional(),
  form: slug.optional(),
  job: id.optional(),
  entry: id.optional(),
  paper: id.optional(),
});

/** Something removed: it stays in the bin until it is put back or thrown away for good. */
export const binned = z.object({
  id: z.string(),
  kind: z.enum(['paper', 'thing', 'job', 'log entry', 'hand', 'cutting plan', 'trial']),
  title: z.string(),
  removedAt: z.string(),
});

export type BrokenRow = z.infer<typeof brokenRow>;
export type ListAsked = z.infer<typeof listAsked>;
export type JobsAsked = z.infer<typeof jobsAsked>;
export type LogAsked = z.infer<typeof logAsked>;
export type TrialsAsked = z.infer<typeof trialsAsked>;
export type Binned = z.infer<typeof binned>;
/** Rows of a list in one answer. */
export interface Listed<T> {
  rows: T[];
  broken: BrokenRow[];
  total: number;
  next: string | null;
}
