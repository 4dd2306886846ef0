import { MOST_NESTED, MOST_UNITS } from '@odd-corner/core';
import * as z from 'zod';
import { ease, ruler } from './choices';
import { anyPurpose } from './purpose';
import { lengthMm } from './shared';

/** All that was asked beside what goes in; it travels as one value from the address to the job. */
export const askedOptions = z.object({
  ease,
  turning: z.enum(['upright', 'any']),
  fingerRoom: z.boolean(),
  /** How often it should fit; null for a hand that misses nothing. */
  confidence: z.number().min(0.01).max(0.999).nullable(),
  ruler,
  /** Among how many equal pieces the contents are divided. */
  units: z.int().min(1).max(MOST_UNITS),
  lid: z.enum(['none', 'plain', 'eared']),
  /** How many stand in each other, the innermost taking the contents. */
  nested: z.int().min(1).max(MOST_NESTED),
  /** What it must not be larger than, where that was said, in mm. */
  most: z
    .object({ lengthMm: lengthMm.nullable(), widthMm: lengthMm.nullable(), heightMm: lengthMm.nullable() })
    .nullable(),
});

/** What a make is for: as it was typed, as it was read (null where a sheet was there first), and the rest of the question. */
export const asked = z.object({
  text: z.string().max(2000, 'Use at most 2,000 characters.'),
  purpose: anyPurpose.nullable(),
  options: askedOptions,
});

export type AskedOptions = z.infer<typeof askedOptions>;
export type Asked = z.infer<typeof asked>;
