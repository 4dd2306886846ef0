import * as z from 'zod';
import { asked } from './asked';
import { batch } from './batch';
import { cut, cutPlan } from './cut';
import { make, papersThen, predicted, slug } from './make';
import { id, moment, name, version } from './shared';

/** A share of all times, from never to always. */
const share = z.number().min(0).max(1);

/** What was told when a make was chosen: by which engine, for which hand, on papers as they were. */
export const told = z.object({
  sizes: predicted,
  chance: share.nullable(),
  handMm: z.number().min(0.01).max(10),
  engineVersion: z.int().min(1),
  papers: papersThen,
});

/** Something put on a face of the sheet before it is folded, by where it lies on the sheet, in mm. */
export const artPiece = z.object({
  id,
  entryKey: slug,
  side: z.enum(['white', 'coloured']),
  xMm: z.number().min(-20_000).max(20_000),
  yMm: z.number().min(-20_000).max(20_000),
  turnDeg: z.number().min(-360).max(360),
  widthMm: z.number().min(0.1).max(20_000),
  words: z.string().min(1).max(200),
});

/** A make of a job, as it is sent: its id is made by the sender. */
export const jobMakeDraft = z.object({
  id,
  asked,
  make,
  /** How many of it are to be folded. */
  count: z.int('Count from 1 to 500.').min(1, 'Count from 1 to 500.').max(500, 'Count from 1 to 500.'),
  /** The chance that was told with it. */
  chance: share.nullable(),
  /** By the name of a mark, the way that was chosen to find it; null as long as nobody chose. */
  marks: z.record(slug, slug).nullable(),
  art: z.array(artPiece).max(100).nullable(),
});

/** How far one copy of one entry has come: steps by their ids, so that they are merged and never lost. */
export const copyProgress = z.object({
  entryKey: slug,
  copy: z.int().min(0).max(499_999),
  done: z.array(slug).max(400),
  seconds: z.int().min(0).max(10_000_000),
  /** What of it went into single steps, by their ids, as far as that was seen. */
  stepSeconds: z.record(slug, z.int().min(0).max(10_000_000)).optional(),
});

export const jobMake = jobMakeDraft.omit({ chance: true }).extend({
  /** Null in what was kept before anything was told. */
  told: told.nullable(),
  cut: cut.nullable(),
  /** The cutting plan of several that its sheets are in. */
  inPlan: z.object({ id, title: name, done: z.boolean() }).nullable(),
  progress: z.array(copyProgress),
  /** How its copies are folded, and by whom. */
  batch,
});

/** A job holds one make, or several where a set belongs together: a kit. */
export const jobDraft = z.object({
  title: name,
  /** Who folds it; null for the workshop's usual hand. */
  folderHandId: id.nullable(),
  makes: z
    .array(jobMakeDraft)
    .min(1)
    .max(20)
    .refine((makes) => new Set(makes.map((one) => one.id)).size === makes.length, 'Two makes share an id.'),
});

/** As it is sent to be added: its id is made by the sender, so that sending it twice adds it once. */
export const newJob = jobDraft.extend({ id });

export const JOB_STATES = ['planned', 'folding', 'folded'] as const;

export const job = jobDraft.extend({
  id,
  version,
  makes: z.array(jobMake).min(1).max(20),
  state: z.enum(JOB_STATES),
  /** When it was archived, or null. */
  archivedAt: moment.nullable(),
  createdAt: moment,
  updatedAt: moment,
});

/** Progress of copies of one make, to be merged with what is there. */
export const progressSent = z.object({ copies: z.array(copyProgress).min(1).max(500) });

/** A cutting plan accepted for a make. */
export const cutSent = z.object({ version, plan: cutPlan });

export type Told = z.infer<typeof told>;
export type JobMakeDraft = z.infer<typeof jobMakeDraft>;
export type JobMake = z.infer<typeof jobMake>;
export type CopyProgress = z.infer<typeof copyProgress>;
export type JobDraft = z.infer<typeof jobDraft>;
export type Job = z.infer<typeof job>;
export type NewJob = z.infer<typeof newJob>;
