import * as z from 'zod';
import { slug } from './make';
import { id } from './shared';

const placeMm = z.number().min(0).max(20_000);

/** A sheet that comes out of a larger one: whose, and where from its near left corner, in mm. */
export const cutPiece = z.object({
  entryKey: slug,
  xMm: placeMm,
  yMm: placeMm,
  widthMm: placeMm,
  heightMm: placeMm,
  turned: z.boolean(),
});

/** How sheets of the shelf become the sheets of a make: so many of one paper, each cut alike. */
export const cutPlan = z.object({
  parents: z
    .array(
      z.object({
        paperId: id,
        sheets: z.int().min(1).max(500),
        pieces: z.array(cutPiece).min(1).max(500),
      }),
    )
    .min(1)
    .max(40),
});

/** A plan that was accepted keeps its sheets for this make; once cut they are off the shelf. */
export const cut = z.object({ plan: cutPlan, done: z.boolean() });

export type CutPlanKept = z.infer<typeof cutPlan>;
export type Cut = z.infer<typeof cut>;
