import * as z from 'zod';
import type { CreaseAngle } from '../../folding/collapse';
import { point, type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { squareFrame } from '../at-hand';
import { type CreaseRow, inFourWays, onParts } from '../../folding/crease-rows';
import { refuseUnsuited } from '../limits';

export const bandedBoxParams = z.object({
  /** Half the band's width in mm; null for a sixteenth of the sheet's diagonal, which folding alone gives. */
  halfBandMm: z.number().positive().nullable().default(null),
  /** Height in mm; null for an eighth of the diagonal. */
  heightMm: z.number().positive().nullable().default(null),
});

export type BandedBoxParams = z.infer<typeof bandedBoxParams>;

export interface Frame {
  readonly side: number;
  /** A sixteenth of the diagonal. */
  readonly u: number;
  readonly b: number;
  readonly h: number;
  readonly a: number;
  /** From the middle to base edge and rim: across the pleats, and along the band. */
  readonly x3: number;
  readonly x4: number;
  readonly y1: number;
  readonly y2: number;
  /** A sheet point by its place along the sheet's diagonals, from the middle. */
  readonly on: (xi: number, eta: number) => Point;
}

/** Twice the band is half of the base at most: 4 b ≤ a, which is the half diagonal less 2 b and the height. */
export const mostHalfBand = (side: number, heightMm: number): number => ((side * Math.SQRT2) / 2 - heightMm) / 6;

/** As high as the base is wide, and the band no wider than half the base. */
export const mostHeight = (side: number, halfBandMm: number): number =>
  Math.min(((side * Math.SQRT2) / 2 - 2 * halfBandMm) / 2, (side * Math.SQRT2) / 2 - 6 * halfBandMm);

/** @throws RangeError when band and height do not go together on this sheet */
export function frameOf(sheet: Sheet, { halfBandMm, heightMm }: BandedBoxParams): Frame {
  const { side } = squareFrame(sheet);
  const u = (side * Math.SQRT2) / 16;
  const b = halfBandMm ?? u;
  const h = heightMm ?? 2 * u;
  const a = 8 * u - 2 * b - h;
  refuseUnsuited('Half the band', b, [0, mostHalfBand(side, h)], side);
  refuseUnsuited('Height', h, [0, mostHeight(side, b)], side);
  const on = (xi: number, eta: number): Point =>
    point(side / 2 + (xi + eta) / Math.SQRT2, side / 2 + (eta - xi) / Math.SQRT2);
  return { side, u, b, h, a, x3: 2 * b + a / 2, x4: 2 * b + a / 2 + h, y1: a / 2, y2: a / 2 + h, on };
}

/** The box with lid flaps standing (0) or folded in (90): band flaps, and side flaps. */
export function boxCreases({ b, h, x3, x4, y1, y2, on }: Frame, bandLidDeg: number, sideLidDeg: number): CreaseAngle[] {
  const quarter = (...row: CreaseRow): CreaseAngle[] =>
    onParts(
      inFourWays(([x, y]) => on(x, y)),
      [row],
    );
  /** Along the band's direction a crease runs over three strips, the pleat's inner layer bending the other way. */
  const across = (name: string, y: number, end: number, deg: number): CreaseAngle[] => [
    ...quarter(name, [0, y], [b, y], deg),
    ...quarter(name, [b, y], [2 * b, y], -deg),
    ...quarter(name, [2 * b, y], [end, y], deg),
  ];
  return [
    ...across('band base', y1, x3, 90),
    ...across('band rim', y2, x3, bandLidDeg),
    ...quarter('side base', [x3, 0], [x3, y1], 90),
    ...quarter('side rim', [x4, 0], [x4, y1], sideLidDeg),
    ...quarter('ear', [x3, y1], [x4, y1], 180),
    ...quarter('ear', [x3, y1], [x3, y2], 90),
    ...quarter('ear middle', [x3, y1], [x3 + h / 2, y1 + h / 2], -180),
  ];
}
