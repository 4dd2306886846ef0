import * as z from 'zod';
import type { CreaseAngle } from '../../folding/collapse';
import { type Point, point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { squareFrame } from '../at-hand';
import { type Limits, refuseUnsuited } from '../limits';
import { type CreaseRow, onParts, type SheetPart, turnedPart } from '../../folding/crease-rows';

/** Half the sine of 22.5°: the rim then runs through the corners of the little pockets and needs no measuring. */
const USUAL_WALL = Math.sqrt(2 - Math.SQRT2) / 4;
export const DISH_WALL = { min: USUAL_WALL, max: 0.3 } as const;

export const fourPointedDishParams = z.object({
  /** Slant height of the walls in mm; null for the height that the pockets show. */
  wallMm: z.number().positive().nullable().default(null),
});

export type DishParams = z.infer<typeof fourPointedDishParams>;

export const SIDES = [0, 1, 2, 3] as const;
export const Q = 1 - Math.SQRT1_2;
const G = (Math.SQRT2 - 1) / 2;
/** Where the squash meets the raw edge, from its middle: tan 33.75° of the kite's short half. */
const POCKET = G * Math.tan((33.75 * Math.PI) / 180);
export const WALL_DEG = (Math.acos(Math.SQRT2 - 1) * 180) / Math.PI;
export const SPINE_DEG = (Math.acos((Math.SQRT2 - 1) ** 2) * 180) / Math.PI;

/** Points of the east side, as shares of the sheet; the other sides are quarter turns. */
export interface Frame {
  readonly side: number;
  readonly w: number;
  /** A point of side k; `m` mirrors it to the other half of that side. */
  readonly at: (k: number, x: number, y: number, m?: boolean) => Point;
}

export const wallLimits = (side: number): Limits => [DISH_WALL.min * side, DISH_WALL.max * side];

export function frameOf(sheet: Sheet, { wallMm }: DishParams): Frame {
  const { side } = squareFrame(sheet);
  const w = wallMm === null ? USUAL_WALL : wallMm / side;
  refuseUnsuited('Walls', w * side, wallLimits(side), side);
  const east: SheetPart = ([x, y]) => point(x * side, y * side);
  const at = (k: number, x: number, y: number, m = false): Point => turnedPart(east, k, 1)([x, m ? 1 - y : y]);
  return { side, w, at };
}

/** Rows written for the upper half of the east side, on both halves of one side. */
export const onSide = ({ at }: Frame, k: number, rows: readonly CreaseRow[]): CreaseAngle[] =>
  onParts(
    [false, true].map(
      (m): SheetPart =>
        ([x, y]) =>
          at(k, x, y, m),
    ),
    rows,
  );

export const BASE = [0.5 + Q, 0.5] as const;
export const PLEAT: readonly CreaseRow[] = [
  ['pleat', BASE, [1, 1], -180],
  ['pocket', BASE, [1, 0.5 + POCKET], 180],
];

export function rim(w: number): {
  readonly d: readonly [number, number];
  readonly m: readonly [number, number];
  readonly mid: readonly [number, number];
} {
  const d = [0.5 + Q + (Math.SQRT2 - 1) * w, 0.5 + w] as const;
  return { d, m: [1, 0.5 + w], mid: [(d[0] + d[1]) / 2, (d[0] + d[1]) / 2] };
}
