import { LENGTH_RANGE_MM, type Purpose } from '@odd-corner/core';
import * as z from 'zod';
import { lengthMm } from './shared';

/** One thing to be held, in mm. */
const heldThing = z.discriminatedUnion('shape', [
  z.object({ shape: z.literal('flat'), widthMm: lengthMm, heightMm: lengthMm, thickMm: lengthMm }),
  z.object({ shape: z.literal('block'), lengthMm, widthMm: lengthMm, heightMm: lengthMm }),
  z.object({ shape: z.literal('cylinder'), diameterMm: lengthMm, lengthMm }),
  z.object({ shape: z.literal('ball'), diameterMm: lengthMm }),
]);

/** Twenty kilograms of the lightest goods take so much room. */
const MOST_BULK_ML = 80_000;

/** What things weigh together: each up to twenty kilograms, up to two thousand of them. */
const grams = z
  .number()
  .positive()
  .max(20_000 * 2000)
  .optional();

/** Something to be held, so many times. */
export const anyItem = z.object({
  name: z.string().trim().min(1).max(80),
  count: z.int('Count from 1 to 2,000.').min(1, 'Count from 1 to 2,000.').max(2000, 'Count from 1 to 2,000.'),
  thing: heldThing,
  /** How it is kept: as written, on its largest side, or any way up. */
  posture: z.enum(['standing', 'lying', 'any']).optional(),
  /** By how much it may come out smaller, of a range. */
  slackMm: z.number().positive().max(LENGTH_RANGE_MM.max).optional(),
});

/** What a folded thing is for: to hold, to be filled, to sit on a strap or a page, to carry, to let a bead run. */
export const anyPurpose = z.discriminatedUnion(
  'kind',
  [
    z.object({
      kind: z.literal('hold'),
      pieces: z.array(anyItem).min(1).max(40).readonly(),
      /** How the things are set: in a row, in one layer, one on the other, each kind in a layer. */
      order: z.enum(['row', 'floor', 'stack', 'layers']).optional(),
      /** So much may stand over the rim. */
      proudMm: lengthMm.optional(),
      /** It must stand over the rim for fingers to take hold. */
      gripped: z.literal(true).optional(),
      /** What they weigh together. */
      grams,
    }),
    z.object({ kind: z.literal('loose'), piece: anyItem, grams }),
    z.object({ kind: z.literal('liquid'), ml: z.number().positive().max(20_000) }),
    z.object({ kind: z.literal('bulk'), name: anyItem.shape.name, ml: z.number().positive().max(MOST_BULK_ML) }),
    z.object({ kind: z.literal('strap'), widthMm: lengthMm, thickMm: lengthMm }),
    z.object({ kind: z.literal('pages'), thickMm: lengthMm, gripMm: lengthMm }),
    z.object({ kind: z.literal('load'), grams: z.number().positive().max(20_000), centreMm: lengthMm }),
    z.object({ kind: z.literal('place card'), widthMm: lengthMm, heightMm: lengthMm, thickMm: lengthMm }),
    z.object({ kind: z.literal('head'), roundMm: lengthMm }),
    z.object({ kind: z.literal('bead'), diameterMm: lengthMm, exitMm: lengthMm.optional() }),
  ],
  'Write what it must hold, for example 60 x 45 x 22.',
) satisfies z.ZodType<Purpose>;
