import { EASES, type EaseId, type HandId, HANDS, RULERS, type RulerId } from '@odd-corner/core';
import * as z from 'zod';
import { block } from './thing';
import { id, lengthMm, moment, name, sheetMm, version } from './shared';

export const ease = z.enum(Object.keys(EASES) as [EaseId, ...EaseId[]]);
export const ruler = z.enum(Object.keys(RULERS) as [RulerId, ...RulerId[]]);
export const hand = z.enum(Object.keys(HANDS) as [HandId, ...HandId[]]);
export const walls = z.enum(['folded', 'measured']);

/** What must go in. `text` is what the maker typed, kept as it was. */
export const purpose = z.object({ text: z.string().max(200), block, ease });

/** One part to fold: its sheet and, where the wall is measured, its height. */
export const partChoice = z.object({ sheetMm, wallMm: lengthMm.nullable() });

/** Form, sheet and paper that were decided. */
export const choice = z.object({
  formId: z.string().min(1).max(80),
  walls,
  ruler,
  thicknessMm: z.number().min(0.005).max(3),
  tray: partChoice,
  lid: partChoice,
  /** The paper on the shelf, or null when none was chosen. */
  paperId: id.nullable(),
});

/** How far folding has come: `step` steps of that part are done. */
export const progress = z.object({
  part: z.enum(['tray', 'lid']),
  step: z.int().min(0).max(200),
  seconds: z.int().min(0).max(10_000_000),
});

export const jobDraft = z.object({ title: name, purpose, choice });

/** As it is sent to be added: its id is made by the sender, so that sending it twice adds it once. */
export const newJob = jobDraft.extend({ id });

export const job = jobDraft.extend({
  id,
  version,
  progress,
  state: z.enum(['planned', 'folding', 'folded']),
  createdAt: moment,
  updatedAt: moment,
});

export type Purpose = z.infer<typeof purpose>;
export type Choice = z.infer<typeof choice>;
export type Progress = z.infer<typeof progress>;
export type JobDraft = z.infer<typeof jobDraft>;
export type Job = z.infer<typeof job>;
export type NewJob = z.infer<typeof newJob>;
