import * as z from 'zod';
import { id, lengthMm, name, version } from './shared';

/** Sizes of a block in mm; the height is the way it stands. */
export const block = z.object({ lengthMm, widthMm: lengthMm, heightMm: lengthMm });

/** A thing that the maker folds for again and again. */
export const thingDraft = z.object({ name, block });

export const thing = thingDraft.extend({ id, version });

export type Block = z.infer<typeof block>;
export type ThingDraft = z.infer<typeof thingDraft>;
export type Thing = z.infer<typeof thing>;
