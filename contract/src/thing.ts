import * as z from 'zod';
import { anyPurpose } from './purpose';
import { id, name, version } from './shared';

/** A thing, or a set of them, that the maker folds for again and again. */
export const thingDraft = z.object({ name, purpose: anyPurpose });

/** As it is sent to be added: its id is made by the sender, so that sending it twice adds it once. */
export const newThing = thingDraft.extend({ id });

export const thing = thingDraft.extend({ id, version });

export type ThingDraft = z.infer<typeof thingDraft>;
export type Thing = z.infer<typeof thing>;
export type NewThing = z.infer<typeof newThing>;
