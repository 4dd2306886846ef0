import * as z from 'zod';
import { id, moment } from './shared';

/** A photograph that is sent may be so large; what is kept of it is smaller. */
export const MOST_PHOTOGRAPH_BYTES = 20 * 1024 * 1024;
/** So many of one thing. */
export const MOST_PHOTOGRAPHS = 12;
/** The longer side of what is kept, in dots. */
export const PHOTOGRAPH_DOTS = 1600;

/** What photographs can be of. */
export const photographOf = z.enum(['job', 'entry', 'trial']);

/** Of which thing photographs are asked for, or one is sent. */
export const photographsAsked = z.object({ of: photographOf, id });

/** A photograph without the picture itself. */
export const photograph = z.object({
  id,
  of: photographOf,
  ofId: id,
  addedAt: moment,
  words: z.string().max(200),
  width: z.int().min(1),
  height: z.int().min(1),
});

/** What is to be seen in it, for whoever does not see it. */
export const photographWords = z.object({ words: z.string().trim().max(200, 'Use at most 200 characters.') });

export type Photograph = z.infer<typeof photograph>;
export type PhotographsAsked = z.infer<typeof photographsAsked>;
