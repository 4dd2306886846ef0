import * as z from 'zod';
import { slug } from './make';
import { name } from './shared';

/** Who folds a copy at this table, by the name that they gave themselves: a role, no account. */
export const seat = z.object({ entryKey: slug, copy: z.int().min(0).max(499_999), name });

/** How the copies of a make are folded: one by one, or all of them stage by stage. */
export const batchRules = z.object({
  way: z.enum(['copies', 'stages']),
  /** So many copies of a piece must have come to a stage before anybody begins it; null where nobody waits. */
  gate: z.union([z.int().min(1).max(10_000), z.literal('all')]).nullable(),
  /** The stage beyond which nobody goes yet, counted from 0; null where all are open. */
  openTo: z.int().min(0).max(400).nullable(),
});

export const batch = batchRules.extend({ seats: z.array(seat).max(10_000) });

/** Copies that somebody takes, or with null gives back. */
export const seatsSent = z.object({
  name: name.nullable(),
  copies: z
    .array(seat.omit({ name: true }))
    .min(1)
    .max(500),
});

export const NO_BATCH: Batch = { way: 'copies', gate: null, openTo: null, seats: [] };

export type Seat = z.infer<typeof seat>;
export type Batch = z.infer<typeof batch>;
export type BatchRulesSent = z.infer<typeof batchRules>;
export type SeatsSent = z.infer<typeof seatsSent>;
