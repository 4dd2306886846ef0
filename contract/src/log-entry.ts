import * as z from 'zod';
import { choice } from './job';
import { id, lengthSaying, moment, name, version } from './shared';

/** Inside sizes in mm: between the sides, between the ends, and down. */
const insideMm = lengthSaying('Measure all three, or leave all three empty.');
export const insideSize = z.object({ lengthMm: insideMm, widthMm: insideMm, depthMm: insideMm });

/** What the maker writes down when something is folded. Its id is made by the sender, so sending twice records once. */
export const logEntryDraft = z.object({
  id,
  jobId: id,
  sheetsUsed: z
    .int('Count whole sheets, for example 2.')
    .min(0, 'A count cannot be below zero.')
    .max(50, 'Count at most 50 sheets.'),
  measured: insideSize.nullable(),
  minutes: z
    .number('Write minutes as a number, for example 25.')
    .min(0, 'Minutes cannot be below zero.')
    .max(10_000, 'Write at most 10,000 minutes.')
    .nullable(),
  note: z.string().max(1000, 'Use at most 1,000 characters.'),
});

/** A made thing in the logbook; what was predicted is folded anew by the server. */
export const logEntry = logEntryDraft.omit({ jobId: true }).extend({
  jobId: id.nullable(),
  title: name,
  choice,
  paperName: z.string().max(80).nullable(),
  predicted: insideSize,
  foldedAt: moment,
  version,
});

export type InsideSize = z.infer<typeof insideSize>;
export type LogEntryDraft = z.infer<typeof logEntryDraft>;
export type LogEntry = z.infer<typeof logEntry>;
