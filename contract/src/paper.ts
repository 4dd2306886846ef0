import { FOOD_SAFE, PAPER_KINDS } from '@odd-corner/core';
import * as z from 'zod';
import { price } from './money';
import { id, MOST_SHEETS, name, TOO_MANY_SHEETS, version } from './shared';

const colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'Write a colour as # and six digits.');

const sideMm = z
  .number('Write the size of one sheet, for example 297 x 210.')
  .min(20, 'A sheet is at least 20 mm wide.')
  .max(3000, 'A sheet is at most 3 m long.');

/** One sheet of a paper as it lies on the shelf, in mm. */
export const paperSheet = z.object(
  { widthMm: sideMm, heightMm: sideMm },
  'Write the size of one sheet, for example 297 x 210.',
);

/** A paper on the shelf as the maker writes it down; sizes of one sheet in mm. */
export const paperDraft = z.object({
  name,
  ...paperSheet.shape,
  count: z
    .int('Count whole sheets, 0 or more.')
    .min(0, 'A count cannot be below zero.')
    .max(MOST_SHEETS, TOO_MANY_SHEETS),
  gsm: z
    .number('Write a weight from 10 to 600 g/m².')
    .min(10, 'Paper weighs at least 10 g/m².')
    .max(600, 'Paper weighs at most 600 g/m².'),
  kind: z.enum(PAPER_KINDS),
  /** Measured thickness of one sheet in mm, or null to estimate it from weight and kind. */
  caliperMm: z.number().min(0.01, 'Paper is at least 0.01 mm thick.').max(2, 'Paper is at most 2 mm thick.').nullable(),
  colourFront: colour,
  colourBack: colour,
  /** What so many sheets of it cost, or null when nobody wrote it down. */
  price: price.nullable(),
  /** Whether it is sold for touching food. */
  foodSafe: z.enum(FOOD_SAFE),
});

/** As it is sent to be added: its id is made by the sender, so that sending it twice adds it once. */
export const newPaper = paperDraft.extend({ id });

export const paper = paperDraft.extend({
  id,
  version,
  /** Sheets that accepted cutting plans keep; a count set right afterwards may be below it. */
  reserved: z.int().min(0),
});

export type PaperDraft = z.infer<typeof paperDraft>;
export type Paper = z.infer<typeof paper>;
export type NewPaper = z.infer<typeof newPaper>;
