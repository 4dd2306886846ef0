import * as z from 'zod';
import { cutRect, straightCut } from './cutting-plan';
import { slug } from './make';
import { id, MOST_SHEETS } from './shared';

/** A sheet that comes out of a larger one: whose, and where. */
export const cutPiece = cutRect.extend({ entryKey: slug, turned: z.boolean() });

/** How sheets of the shelf become the sheets of a make: so many of one paper, each cut alike. */
export const cutPlan = z.object({
  parents: z
    .array(
      z.object({
        paperId: id,
        sheets: z.int().min(1).max(MOST_SHEETS),
        pieces: z.array(cutPiece).min(1).max(500),
        /** Neither was kept with the first plans. */
        cuts: z.array(straightCut).max(1000).optional(),
        offcuts: z.array(cutRect).max(500).optional(),
      }),
    )
    .min(1)
    .max(40),
});

/** A plan that was accepted keeps its sheets for this make; once cut they are off the shelf. */
export const cut = z.object({ plan: cutPlan, done: z.boolean() });

export type CutPlanKept = z.infer<typeof cutPlan>;
export type Cut = z.infer<typeof cut>;
