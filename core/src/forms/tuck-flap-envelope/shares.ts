import * as z from 'zod';

export const tuckFlapParams = z.object({
  /** Width of the hem, which is how deep the flap tucks, in mm; null for an eighth of the sheet. */
  hemMm: z.number().positive().nullable().default(null),
  /** Width of each side fold, which is the height of the pocket's front, in mm; null for three sixteenths. */
  sideMm: z.number().positive().nullable().default(null),
  /** Marks found by folding: pinched at the edges only, or creased all the way. */
  marks: z.enum(['pinched', 'creased']).default('pinched'),
});

export type TuckFlapParams = z.infer<typeof tuckFlapParams>;

export interface Shares {
  /** Hem, and side, as shares of the sheet. */
  readonly c: number;
  readonly p: number;
}

/** @throws RangeError when hem and side do not go together */
export function sharesOf(side: number, { hemMm, sideMm }: TuckFlapParams): Shares {
  const c = hemMm === null ? 1 / 8 : hemMm / side;
  const p = sideMm === null ? 3 / 16 : sideMm / side;
  const slack = 1e-9;
  const refuse = (why: string): never => {
    throw new RangeError(`Hem ${(c * side).toFixed(1)} mm and sides ${(p * side).toFixed(1)} mm: ${why}`);
  };
  if (c < 1 / 16 - slack) refuse('a hem under a sixteenth of the sheet does not hold the flap.');
  if (c > p + slack) refuse('the hem must not be wider than the sides, or its raw edge shows at the bottom.');
  if (p > 1 / 4 + slack) refuse('sides over a quarter of the sheet close the pocket.');
  if (2 * c > 1 - 4 * p + slack)
    refuse('the flap would be wider than the gap between the sides; make one of them smaller.');
  return { c, p };
}
