import * as z from 'zod';
import { make, papersThen, predicted, sizeKey } from './make';
import { id, lengthSaying, moment, name, version } from './shared';

/** Sizes as they were measured, in mm, by the names of those that were predicted. */
export const measured = z.record(sizeKey, lengthSaying('Write a size here, for example 60.'));

const sheets = z
  .int('Count whole sheets, for example 2.')
  .min(0, 'A count cannot be below zero.')
  .max(500, 'Count at most 500 sheets.');

/** What the maker writes down when something is folded. */
const written = z.object({
  /** How many were folded alike. */
  copies: z.int('Count from 1 to 500.').min(1, 'Count from 1 to 500.').max(500, 'Count from 1 to 500.'),
  /** By whose hand; null for the workshop's usual one. */
  folderHandId: id.nullable(),
  /** Sheets of the shelf that went into it, spoilt ones too; those of no paper are only noted. */
  sheetsUsed: z
    .array(z.object({ paperId: id.nullable(), sheets }))
    .max(12)
    .refine((used) => new Set(used.map(({ paperId }) => paperId)).size === used.length, 'Count each paper once.'),
  measured,
  /** How the contents fit, where that was tried. */
  fits: z.enum(['well', 'tight', 'loose', 'no']).nullable(),
  minutes: z
    .number('Write minutes as a number, for example 25.')
    .min(0, 'Minutes cannot be below zero.')
    .max(10_000, 'Write at most 10,000 minutes.')
    .nullable(),
  note: z.string().max(1000, 'Use at most 1,000 characters.'),
});

/** As it is sent to be written down: its id is made by the sender, so that sending it twice records once. */
export const newLogEntry = written.extend({ id, jobId: id, makeId: id });

/** Corrected later: when it was folded may be set right too. */
export const logEntryChange = written.extend({ foldedAt: moment, version });

/** A made thing in the logbook, whatever became of its job: what it was, what it should have been, what it came out as. */
export const logEntry = written.extend({
  id,
  version,
  jobId: id.nullable(),
  makeId: id.nullable(),
  title: name,
  make,
  papers: papersThen,
  predicted,
  sheetsUsed: z.array(z.object({ paperId: id.nullable(), paperName: z.string().max(80).nullable(), sheets })).max(12),
  foldedAt: moment,
});

export type NewLogEntry = z.infer<typeof newLogEntry>;
export type LogEntryChange = z.infer<typeof logEntryChange>;
export type LogEntry = z.infer<typeof logEntry>;
export type SheetsUsed = LogEntry['sheetsUsed'][number];
