import * as z from 'zod';
import { anyPurpose } from './purpose';
import { id, lengthMm, name, version } from './shared';

/** Sizes of a block in mm; the height is the way it stands. */
export const block = z.object(
  { lengthMm, widthMm: lengthMm, heightMm: lengthMm },
  'Write three sizes: length x width x height, for example 60 x 45 x 22.',
);

/** A thing, or a set of them, that the maker folds for again and again. */
export const thingDraft = z.object({ name, purpose: anyPurpose });

/** As it is sent to be added: its id is made by the sender, so that sending it twice adds it once. */
export const newThing = thingDraft.extend({ id });

export const thing = thingDraft.extend({ id, version });

export type Block = z.infer<typeof block>;
export type ThingDraft = z.infer<typeof thingDraft>;
export type Thing = z.infer<typeof thing>;
export type NewThing = z.infer<typeof newThing>;
