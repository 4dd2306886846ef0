import * as z from 'zod';
import { curled } from '../../folding/curl';
import { type CreaseRow, type SheetPart, turnedPart } from '../../folding/crease-rows';
import { point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { extentOf } from '../../pattern/crease-pattern';
import { type Limits, refuseUnsuited } from '../limits';

export const curledEarBasketParams = z.object({
  /** Side of the base; a quarter of the sheet where nothing is measured. */
  baseMm: z.number().positive().nullable().default(null),
  /** On which of its two walls each corner is laid. */
  gusset: z.enum(['own', 'next']).default('own'),
  /** Which way the arms of the pinwheel run, seen from the white side. */
  mirror: z.enum(['clockwise', 'counter']).default('clockwise'),
  /** The rod that the ears are rolled round. */
  rodMm: z.number().min(4).max(10).default(7),
});

export type CurledEarBasketParams = z.infer<typeof curledEarBasketParams>;

/** Below a fifth the corners no longer go on their walls; above a half the ears are too short to roll. */
const [SMALLEST, LARGEST, USUAL] = [1 / 5, 1 / 2, 1 / 4] as const;

export const baseLimits = (side: number): Limits => [SMALLEST * side, LARGEST * side];

export const SIDES = [0, 1, 2, 3] as const;

export interface BasketFrame {
  readonly side: number;
  readonly base: number;
  /** Height of the walls, and how far the base lies from the sheet's edge: twice that. */
  readonly h: number;
  readonly c: number;
  /** The sheet as it lies before each of its four sides in turn, places in mm. */
  readonly turns: readonly SheetPart[];
}

/** @throws RangeError for a base that does not suit the sheet */
export function frameOf(sheet: Sheet, { baseMm, mirror }: CurledEarBasketParams): BasketFrame {
  const side = extentOf(sheet.outline);
  const base = baseMm ?? USUAL * side;
  refuseUnsuited('Base', base, baseLimits(side), side);
  const h = (side - base) / 4;
  const first: SheetPart = ([x, y]) => point(mirror === 'clockwise' ? x : side - x, y);
  return { side, base, h, c: 2 * h, turns: SIDES.map((k) => turnedPart(first, k, side)) };
}

/** The corner pinched together, and its flap laid down along the side before it. */
export const pinched = ({ h, c }: BasketFrame): readonly CreaseRow[] => [
  ['ear', [h, h], [0, 0], 180],
  ['arm', [h, h], [0, c], -180],
];

/** A side folded in over its whole length, or from corner to corner. */
export const sideIn = ({ h, side }: BasketFrame, from: number, to: number): readonly CreaseRow[] => [
  ['rim', [h, h], [side - h, h], 180],
  ['rim', [0, h], [h, h], from],
  ['rim', [side - h, h], [side, h], to],
];

/** A wall raised, and the corner between it and the wall before it laid inside. */
export function raised({ h, c, side }: BasketFrame, gusset: 'own' | 'next'): readonly CreaseRow[] {
  const [own, next] = gusset === 'own' ? [180, 90] : [90, 180];
  return [
    ['base', [c, c], [side - c, c], 90],
    ['gusset', [c, c], [h, h], -180],
    ['gusset', [h, h], [c, 0], 180],
    ['wall', [c, c], [c, h], own],
    ['wall', [c, h], [c, 0], -own],
    ['wall', [c, c], [h, c], next],
    ['wall', [h, c], [0, c], -next],
  ];
}

/** An ear rolled outwards round a rod; it stands over the wall that its corner is laid on. */
export function rolled({ h }: BasketFrame, rodMm: number, gusset: 'own' | 'next'): readonly CreaseRow[] {
  const out = gusset === 'own' ? 1 : -1;
  return curled(h, rodMm).flatMap(({ atMm, bendDeg }): CreaseRow[] => {
    const at = h - atMm;
    return [
      ['roll', [at, 0], [at, at], out * bendDeg],
      ['roll', [0, at], [at, at], -out * bendDeg],
    ];
  });
}
