import * as z from 'zod';
import { refuseUnsuited } from '../limits';

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

/** Shares of the sheet: a narrower hem does not hold the flap, narrower sides not the pocket. */
export const LEAST = { hem: 1 / 16, side: 1 / 8 } as const;

/** No wider than the sides, or its raw edge shows at the bottom; nor than the gap that these leave for the flap. */
export const mostHem = (p: number): number => Math.min(p, (1 - 4 * p) / 2);

/** Over a quarter they close the pocket; between them the flap must go in. */
export const mostSide = (c: number): number => Math.min(1 / 4, (1 - 2 * c) / 4);

/** @throws RangeError when hem and side do not go together */
export function sharesOf(side: number, { hemMm, sideMm }: TuckFlapParams): Shares {
  const c = hemMm === null ? 1 / 8 : hemMm / side;
  const p = sideMm === null ? 3 / 16 : sideMm / side;
  refuseUnsuited('Hem', c * side, [LEAST.hem * side, mostHem(p) * side], side);
  refuseUnsuited('Side folds', p * side, [0, mostSide(c) * side], side);
  return { c, p };
}
