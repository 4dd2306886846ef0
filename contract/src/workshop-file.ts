import * as z from 'zod';

/** How a workshop's file calls itself. */
export const WORKSHOP_FORMAT = 'odd-corner-workshop';

/** The first line of what is written down of a workshop; after it come the rows of its tables. */
export const workshopFileHead = z.object({
  format: z.literal(WORKSHOP_FORMAT, 'That is not the file of a workshop.'),
  /** How the file is laid out. */
  version: z.literal(1, 'That file was written by a newer version of Odd Corner.'),
  /** The schema of its rows: they are brought to the newest by the same steps as a workshop of that age. */
  schema: z.int().min(1),
});

/** A workshop as one file: for each table its rows, each with a value for every column. docs/workshop-file.md lists them. */
export const workshopFile = workshopFileHead.extend({
  tables: z.record(z.string(), z.array(z.record(z.string(), z.json()))),
});

/** Rows of one kind in a file that was sent: how many of them are here too. */
export const incomingKind = z.object({
  /** What these rows are called. */
  kind: z.string(),
  here: z.int().min(0),
  inFile: z.int().min(0),
  /** In the file and not here. */
  fresh: z.int().min(0),
  /** In both, and not the same. */
  differing: z.int().min(0),
});

/** What a file that was sent would bring; it waits to be accepted or dropped. */
export const incoming = z.object({
  id: z.uuid(),
  schema: z.int().min(1),
  kinds: z.array(incomingKind),
  /** Rows that cannot be read any more, as they could not where they come from. */
  unreadable: z.int().min(0),
});

/**
 * What becomes of it: `merge` adds what is not here and leaves what is; `replace` puts it in place of everything, of
 * which a backup is made first.
 */
export const accepting = z.object({ id: z.uuid(), how: z.enum(['merge', 'replace']) });

export type IncomingKind = z.infer<typeof incomingKind>;
export type Incoming = z.infer<typeof incoming>;
export type Accepting = z.infer<typeof accepting>;
