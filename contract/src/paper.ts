import { FOOD_SAFE, PAPER_KINDS } from '@odd-corner/core';
import * as z from 'zod';
import { currency, price } from './money';
import { id, moment, MOST_SHEETS, name, TOO_MANY_SHEETS, version } from './shared';

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
  /** How many sheets were measured together for the thickness; null where it was one, or none. */
  stackSheets: z
    .int('Count whole sheets.')
    .min(1, 'A stack has one sheet or more.')
    .max(2000, 'Measure at most 2,000 sheets together.')
    .nullable(),
  /** Along which side its grain or pattern runs; null where nobody knows or it does not count. */
  runs: z.enum(['width', 'height']).nullable(),
  /** What is printed or torn along each edge and is cut off first, in mm. */
  marginsMm: z.number().min(0, 'A margin is 0 mm or more.').max(100, 'A margin is at most 100 mm.'),
  /** As soon as no more are free than this, it is time to buy; null where nobody minds. */
  lowMark: z.int('Count whole sheets.').min(0, 'A mark is 0 or more.').max(MOST_SHEETS, TOO_MANY_SHEETS).nullable(),
  /** Where it lies. */
  place: z.string().trim().max(80, 'Use at most 80 characters.'),
  /** Whether it is what was left of larger sheets, and of which paper. */
  offcut: z.boolean(),
  offcutOf: id.nullable(),
});

/** What nobody has said of a paper yet. */
export const UNSAID = {
  ...{ stackSheets: null, runs: null, marginsMm: 0, lowMark: null, place: '', offcut: false, offcutOf: null },
} as const satisfies Partial<z.infer<typeof paperDraft>>;

/** As it is sent to be added: its id is made by the sender, so that sending it twice adds it once. */
export const newPaper = paperDraft.extend({ id });

/** Several papers, all or none of them. */
export const newPapers = z.object({ papers: z.array(newPaper).min(1).max(500, 'Bring in at most 500 at once.') });

export const paper = paperDraft.extend({
  id,
  version,
  /** Sheets that accepted cutting plans keep; a count set right afterwards may be below it. */
  reserved: z.int().min(0),
});

export type PaperDraft = z.infer<typeof paperDraft>;
export type Paper = z.infer<typeof paper>;
export type NewPaper = z.infer<typeof newPaper>;

/** Sheets that no plan of a job keeps. */
export const freeOf = ({ count, reserved }: Pick<Paper, 'count' | 'reserved'>): number => count - reserved;

/** Whether it is time to buy. */
export const isLow = (row: Pick<Paper, 'count' | 'reserved' | 'lowMark'>): boolean =>
  row.lowMark !== null && freeOf(row) <= row.lowMark;

export const MOVES = ['begun', 'counted', 'cut', 'put back', 'offcut', 'folded'] as const;

/** Sheets that came or went: more than nothing came, less went. */
export const paperMove = z.object({
  /** Null once the paper was thrown away for good. */
  paperId: id.nullable(),
  at: moment,
  why: z.enum(MOVES),
  sheets: z.int(),
  /** Of one sheet as it was. */
  areaMm2: z.number().min(0),
  /** What was lost of all of them in cutting. */
  wasteMm2: z.number(),
});

export type PaperMove = z.infer<typeof paperMove>;

/** How paper came and went in one month. */
export const paperMonth = z.object({
  /** Such as 2026-11. */
  month: z.string().regex(/^\d{4}-\d{2}$/),
  /** Taken off the shelf to be cut or folded, less what came back as offcuts, in mm². */
  usedMm2: z.number(),
  /** Of it what was neither wanted nor worth keeping. */
  wasteMm2: z.number(),
  /** What lay on the shelf at its end, at the prices of today. */
  value: z.array(z.object({ currency, minor: z.number() })),
  sheets: z.int(),
});

export type PaperMonth = z.infer<typeof paperMonth>;
