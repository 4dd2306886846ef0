import { type CreaseRow, type Place, type SheetPart } from '../../folding/crease-rows';
import { point } from '../../measure/point';
import { extentOf } from '../../pattern/crease-pattern';
import type { Sheet } from '../../paper/sheet';

/** Base and lid differ in one pleat, which is folded the other way. */
export type UnitKind = 'base' | 'lid';

export const UNITS = 8;

const R = Math.SQRT2;
export const Q = 1 - R / 2;
export const G = (R - 1) / 2;
export const K = R - 1;
/** Height of the wall. */
export const H = R / 4;
const M = (3 - 2 * R) / 2;

export interface UnitFrame {
  readonly side: number;
  /** Half of the diagonal, in mm: the unit of all places. */
  readonly half: number;
  /** A place from the middle of the sheet that stands on its corner: to the right, and up. */
  readonly at: SheetPart;
}

export function frameOf(sheet: Sheet): UnitFrame {
  const side = extentOf(sheet.outline);
  return {
    side,
    half: side / R,
    at: ([u, v]) => point((side * (1 + u + v)) / 2, (side * (1 + v - u)) / 2),
  };
}

/** The unit as it stands in the ring: the wall upright, the corner bent by half a right angle, the pleat laid. */
export function standing(kind: UnitKind): readonly CreaseRow[] {
  const s = kind === 'base' ? 1 : -1;
  const row = (name: string, from: Place, to: Place, deg: number): CreaseRow => [name, from, to, deg];
  return [
    row('corner', [0, 0], [0, 1], s * 180),
    row('pleat', [0, 0], [-Q, R / 2], s * -180),
    row('corner', [0, -R / 2], [0, -1], s * -180),
    row('pleat', [0, -R / 2], [-M, 1 / 2 - R], s * 180),
    row('wall', [-1 / 2, 0], [K, 0], 90),
    row('wall', [-1, 0], [-1 / 2, 0], -90),
    row('wall', [2 - R, 0], [1, 0], -90),
    row('wall', [K, 0], [1 / 2, M], -90),
    row('wall', [1 / 2, M], [2 - R, 0], 90),
    row('wall', [-Q, -R / 2], [Q, -R / 2], -90),
    row('corner', [0, 0], [0, -H], 45),
    row('corner', [0, -H], [0, -R / 2], -45),
  ];
}

/** The tip of a base unit wrapped round the fold of the one before it. */
export const LOCKED: readonly CreaseRow[] = [
  ['lock', [0, R / 2], [M, 1 - G], 180],
  ['lock', [M, 1 - G], [G, 1 - G], -180],
  ['lock', [0, R / 2], [-(2 - R) / 4, (2 + R) / 4], -180],
];
