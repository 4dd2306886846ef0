import * as z from 'zod';
import { extentOf } from '../../pattern/crease-pattern';
import { point, type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { type CreaseRow, inFourWays, type Place, type SheetPart } from '../../folding/crease-rows';
import { type Limits, refuseUnsuited } from '../limits';

export const triangularPurseParams = z.object({
  /** Depth of the base: how far its folded edge is brought up. A fifth of the sheet where nothing is said. */
  depthMm: z.number().positive().nullable().default(null),
});

export type TriangularPurseParams = z.infer<typeof triangularPurseParams>;

/** Shares of the sheet. Below the least the strip to turn in is higher than the flap that hides it. */
const LEAST = (3 - Math.sqrt(3)) / 8;
/** From a quarter on the flap is so low that the seam beside it gapes. */
const MOST = 1 / 4;
export const USUAL_DEPTH = 1 / 5;

export const depthLimits = (side: number): Limits => [LEAST * side, MOST * side];

/** A strip lower than this share of the sheet is not folded: fingers cannot, and the flap is none the worse. */
const NO_STRIP = 1e-3;

export interface PurseFrame {
  readonly side: number;
  /** A place from the middle of the sheet, in mm: right and up. */
  readonly at: (place: Place) => Point;
  readonly depth: number;
  readonly slant: number;
  /** Height of the strip to turn in; none when it is not more than nothing. */
  readonly strip: number;
  /** How far each wall leans, in degrees. */
  readonly leanDeg: number;
  /** Places of the right upper quarter: a corner of the base, the middle of the side edge, where the slant meets that edge, an end of the ridge. */
  readonly p: Place;
  readonly m: Place;
  readonly d: Place;
  readonly q: Place;
}

/** @throws RangeError for a depth that does not suit the sheet */
export function frameOf(sheet: Sheet, { depthMm }: TriangularPurseParams): PurseFrame {
  const side = extentOf(sheet.outline);
  const depth = depthMm ?? USUAL_DEPTH * side;
  refuseUnsuited('Depth', depth, depthLimits(side), side);
  const slant = Math.hypot(side / 4, depth / 2);
  const strip = side / 2 - depth - slant;
  const p: Place = [side / 4, depth / 2];
  return {
    ...{ side, depth, slant },
    at: ([x, y]) => point(side / 2 + x, side / 2 + y),
    strip: strip > NO_STRIP * side ? strip : 0,
    leanDeg: (Math.atan2(depth / 2, side / 4) * 180) / Math.PI,
    ...{ p, m: [side / 2, 0], d: [side / 2, slant], q: [p[0], p[1] + slant] },
  };
}

export const quarters = ({ at }: PurseFrame): readonly SheetPart[] => inFourWays(at);
/** The quarters of the near half of the sheet, then those of the far half. */
export const halves = ({ at }: PurseFrame): readonly (readonly SheetPart[])[] =>
  [-1, 1].map((sy) =>
    [1, -1].map(
      (sx): SheetPart =>
        ([x, y]) =>
          at([sx * x, sy * y]),
    ),
  );

/** How one quarter stands: base, end and ridge, its side flap out beyond the end, or folded over the wall. */
export function standing({ p, m, d, q, side, leanDeg }: PurseFrame, flap: 'out' | 'over'): readonly CreaseRow[] {
  const over = flap === 'over';
  return [
    ['base', [-p[0], p[1]], p, 90 + leanDeg],
    ['end', [p[0], 0], p, 90],
    ['end side', p, m, over ? 90 : -90],
    ['slant', p, d, 180],
    ['quarter', p, [p[0], side / 2], over ? -180 : 0],
    ...ridge({ q, side }, leanDeg, over),
  ];
}

/** The ridge of one quarter bent by an angle: across the wall, and across its side flap. */
export function ridge({ q, side }: Pick<PurseFrame, 'q' | 'side'>, deg: number, over = true): readonly CreaseRow[] {
  return [
    ['ridge', [-q[0], q[1]], q, -deg],
    ['ridge', q, [side / 2, q[1]], over ? deg : -deg],
  ];
}

/** The strip at the raw edge turned in. */
export function stripIn({ p, side, strip }: PurseFrame): readonly CreaseRow[] {
  const y = side / 2 - strip;
  return [
    ['strip', [-p[0], y], [p[0], y], -180],
    ['strip', [p[0], y], [side / 2, y], 180],
  ];
}
