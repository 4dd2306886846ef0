import * as z from 'zod';
import { id, moment } from './shared';

/** So many tries of each hand are remembered: the latest. */
export const MOST_EYE_TRIES = 500;

const share = z.number().min(0).max(1);

/** Nearer to an end than this share nothing is divided. */
const LEAST = 0.001;

/** One try to find a place by eye: where it is and where it was set, as shares of a side. */
export const newEyeTry = z.object({
  id,
  /** Whose eye; null for the workshop's usual hand. */
  handId: id.nullable(),
  share: z
    .number()
    .min(LEAST, 'A place lies between the ends.')
    .max(1 - LEAST, 'A place lies between the ends.'),
  set: share,
  /** How long the side was on the screen. */
  sideMm: z.number().min(10).max(3000),
});

export const eyeTry = newEyeTry.extend({ at: moment });

export type NewEyeTry = z.infer<typeof newEyeTry>;
export type EyeTry = z.infer<typeof eyeTry>;
