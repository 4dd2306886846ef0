import type { Make as CoreMake } from '@odd-corner/core';
import * as z from 'zod';
import { id, sheetMm } from './shared';

/** What forms, pieces, entries, steps and kinds of rooms are called among themselves. */
export const slug = z
  .string()
  .max(80)
  .regex(/^[a-z0-9][a-z0-9-]*$/, 'Use small letters, digits and hyphens.');

/** Parameters of a form or a piece by their keys; the form itself says which there are and what they may be. */
export const params = z.record(
  z
    .string()
    .max(40)
    .regex(/^[A-Za-z][A-Za-z0-9]*$/),
  z.union([z.string().max(80), z.number(), z.boolean(), z.null()]),
);

/** Sides of a sheet in mm. */
export const sheetSize = z.object({ widthMm: sheetMm, heightMm: sheetMm });

/** Thickness of one layer of paper in mm. */
export const layerMm = z.number().min(0.005).max(3);

/** One kind of piece in a make: its parameters, its sheet, how many, and the papers laid out over them. */
export const makeEntry = z.object({
  key: slug,
  pieceId: slug,
  params,
  sheet: sheetSize,
  /** In one make; the form says how many. */
  copies: z.int().min(1).max(999),
  /** One paper of the shelf for all copies, or several that take turns; null is paper that is not on the shelf. */
  papers: z.array(id.nullable()).min(1).max(24),
  /** What it was sized for: where its papers differ, the thickest. */
  thicknessMm: layerMm,
});

/** What a maker sets out to fold. */
export const make = z.object({ formId: slug, params, entries: z.array(makeEntry).min(1).max(12) });

/** Sizes of made things are called alike everywhere: entry, room, size, as in `lid/box.depthMm`. */
export const sizeKey = z
  .string()
  .max(160)
  .regex(/^[a-z0-9-]+\/[a-z0-9-]+\.[A-Za-z0-9]+$/);

/** What a size should be, and how far a hand spreads it; null where nobody worked that out. */
export const foretold = z.object({ mm: z.number(), sdMm: z.number().min(0).nullable() });
export const predicted = z.record(sizeKey, foretold);

/** A paper as it was when something was told or made of it, whatever became of it since. */
export const paperThen = z.object({
  paperId: id.nullable(),
  name: z.string().max(80).nullable(),
  caliperMm: layerMm,
  gsm: z.number().nullable(),
  colourFront: z.string().max(7).nullable(),
  colourBack: z.string().max(7).nullable(),
});
/** By the keys of entries, in the order of their papers. */
export const papersThen = z.record(slug, z.array(paperThen).max(24));

export type Make = z.infer<typeof make>;
export type MakeEntry = z.infer<typeof makeEntry>;
export type Params = z.infer<typeof params>;
export type Predicted = z.infer<typeof predicted>;
export type PaperThen = z.infer<typeof paperThen>;
export type PapersThen = z.infer<typeof papersThen>;

/** A make as it is folded. */
export function toFold({ formId, params: own, entries }: Make): CoreMake {
  return {
    formId,
    params: own,
    entries: Object.fromEntries(
      entries.map(({ key, sheet, thicknessMm, params: found }) => [key, { sheet, thicknessMm, params: found }]),
    ),
  };
}
