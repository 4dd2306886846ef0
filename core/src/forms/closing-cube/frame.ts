import * as z from 'zod';
import type { KnownLayers } from '../../folding/known-layers';
import { point, type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { squareFrame } from '../at-hand';
import { type CreaseRow, type SheetPart, type Place, turnedPart } from '../../folding/crease-rows';

export const closingCubeParams = z.object({
  /** Which way round the gussets and the lid turn: one is the mirror image of the other. */
  mirror: z.enum(['left', 'right']).default('left'),
  /** How an edge is divided in three. */
  thirds: z.enum(['eye', 'ruler']).default('eye'),
});

export type ClosingCubeParams = z.infer<typeof closingCubeParams>;

export const SIDES = [0, 1, 2, 3] as const;

/** Points of one side in sixths of the sheet; the other sides are quarter turns of it. */
export const [B1, B2, P, Q, L, K, N, W] = [
  [3, 2],
  [2, 3],
  [2, 1],
  [1, 2],
  [1, 0],
  [0, 1],
  [3, 0],
  [0, 3],
] as const;

/** One wall raised; above the rim its plane goes on. */
export const WALL: readonly CreaseRow[] = [['base', B1, B2, 90]];

/** The gusset between a wall and the next, folded in and laid on the wall: the wall's creases, then the next one's. */
export const GUSSET: readonly CreaseRow[] = [
  ['wall to gusset', B1, P, 180],
  ['wall to gusset', P, L, 180],
  ['gusset', B1, N, -180],
];
export const GUSSET_NEXT: readonly CreaseRow[] = [
  ['next wall', B2, Q, 90],
  ['next wall', Q, K, 90],
];

/** Where a wall has no neighbour yet its gusset stands with it, and the line of its base goes straight on. */
export const FREE_END: readonly CreaseRow[] = GUSSET_NEXT;
export const FREE_START: readonly CreaseRow[] = [
  ['wall to gusset', B1, P, 90],
  ['wall to gusset', P, L, 90],
];

/** The four flaps lie in a ring, their tips outside. */
export const TWISTED: readonly CreaseRow[] = [
  ['base', B1, B2, 90],
  ['wall to gusset', B1, P, 180],
  ['next wall', B2, Q, 90],
  ['gusset', B1, N, -180],
  ['rim', P, Q, 90],
  ['rim', P, N, -90],
  ['rim', Q, W, 90],
  ['wall to gusset', P, L, 180],
  ['flap', Q, L, -180],
  ['next wall', Q, K, 180],
];

export const TIPS: readonly CreaseRow[] = [['tip', K, L, -180]];

export interface CubeFrame {
  readonly side: number;
  /** A point of side k, in sixths; the side after it is the next one in the turning. */
  readonly at: (k: number, place: Place) => Point;
}

export function frameOf(sheet: Sheet, mirror: ClosingCubeParams['mirror']): CubeFrame {
  const { side } = squareFrame(sheet);
  const u = side / 6;
  const first: SheetPart = ([x, y]) => point((mirror === 'left' ? x : 6 - x) * u, y * u);
  const at = (k: number, place: Place): Point => turnedPart(first, k, 6)(place);
  return { side, at };
}

/**
 * Three slots open at the rim where a tip goes in. In the deepest, right on the panel that hinges on that wall, it also
 * clamps its neighbour's turned-back panel: the slot that locks.
 * @param wall the side on whose wall the tip of side k goes in
 */
export function deepSlot({ at }: CubeFrame, k: number, wall: number): KnownLayers[] {
  const other = at(k, [0.5, 0.2]);
  return [
    { point: at(wall, [1.35, 1.3]), other, lies: 'over' },
    { point: at(wall, [0.65, 1.3]), other, lies: 'under' },
  ];
}
