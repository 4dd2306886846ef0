import { PAPER_KINDS } from '@odd-corner/core';
import * as z from 'zod';
import { id, name, version } from './shared';

const colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'Write a colour as # and six digits.');

/** A paper on the shelf as the maker writes it down; sizes of one sheet in mm. */
export const paperDraft = z.object({
  name,
  widthMm: z.number().min(20, 'A sheet has at least 20 mm.').max(3000, 'A sheet has at most 3 m.'),
  heightMm: z.number().min(20, 'A sheet has at least 20 mm.').max(3000, 'A sheet has at most 3 m.'),
  count: z
    .int('Count whole sheets.')
    .min(0, 'A count cannot be below zero.')
    .max(100_000, 'Count at most 100,000 sheets.'),
  gsm: z.number().min(10, 'Paper weighs at least 10 g/m².').max(600, 'Paper weighs at most 600 g/m².'),
  kind: z.enum(PAPER_KINDS),
  /** Measured thickness of one sheet in mm, or null to estimate it from weight and kind. */
  caliperMm: z.number().min(0.01, 'Paper is at least 0.01 mm thick.').max(2, 'Paper is at most 2 mm thick.').nullable(),
  colourFront: colour,
  colourBack: colour,
});

export const paper = paperDraft.extend({ id, version });

export type PaperDraft = z.infer<typeof paperDraft>;
export type Paper = z.infer<typeof paper>;
