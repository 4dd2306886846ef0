import * as z from 'zod';
import { type CreaseRow, type Place, type SheetPart } from '../../folding/crease-rows';
import { squareFrame } from '../at-hand';
import type { Sheet } from '../../paper/sheet';
import { type Limits, refuseUnsuited } from '../limits';

export const strapBuckleParams = z.object({
  /** How long the finished buckle is; where nothing is said its ends lie half way from the star to the tube's end. */
  lengthMm: z.number().positive().nullable().default(null),
  /** Each of the four squares opened to two points, or left as it is. */
  front: z.enum(['star', 'squares']).default('star'),
});

export type StrapBuckleParams = z.infer<typeof strapBuckleParams>;

/** Shares of the sheet: the star fills a quarter; the tube is a half long before its ends are turned in. */
const [SHORTEST, LONGEST, USUAL] = [0.26, 0.48, 3 / 8] as const;

export const lengthLimits = (side: number): Limits => [SHORTEST * side, LONGEST * side];

export interface BuckleFrame {
  readonly side: number;
  /** One quarter of the sheet and its mirror images, places in shares of the side. */
  readonly quarters: readonly SheetPart[];
  /** How deep both ends are turned in, as a share of the side. */
  readonly turnedIn: number;
}

/** @throws RangeError for a length that does not suit the sheet */
export function frameOf(sheet: Sheet, { lengthMm }: StrapBuckleParams): BuckleFrame {
  const { side, on } = squareFrame(sheet);
  const length = lengthMm ?? USUAL * side;
  refuseUnsuited('Length', length, lengthLimits(side), side);
  const mirrored = [false, true].flatMap((inX) =>
    [false, true].map(
      (inY): SheetPart =>
        ([x, y]) =>
          on(inX ? 1 - x : x, inY ? 1 - y : y),
    ),
  );
  return { side, quarters: mirrored, turnedIn: 1 / 4 - length / side / 2 };
}

/** Where a kite's fold meets the edge of its square, and where its point's edges meet the raw edge of the sheet. */
const K = (Math.SQRT2 - 1) / 8;
const X = 1 / 8 - K * Math.tan((33.75 * Math.PI) / 180);
const E = 1 / 8;

/** A row and its mirror image in the diagonal of the corner. */
const both = ([name, [x, y], [u, v], deg]: CreaseRow): CreaseRow[] => [
  [name, [x, y], [u, v], deg],
  [name, [y, x], [v, u], deg],
];

/** All angles of one quarter, by the lower left corner; the others are its mirror images. */
export const SQUARED: readonly CreaseRow[] = [
  ['squash', [E, E], [2 * E, 0], -180],
  ['lower layer', [E, E], [0, 2 * E], 0],
  ['corner line', [0, 0], [E, E], 0],
  ['corner line', [E, E], [2 * E, 2 * E], 180],
  ...both(['square edge', [E, E], [E, 0], 180]),
];

/** The tips of the wings folded behind the plate. */
export const SIDE_FLAPS: readonly CreaseRow[] = [
  ['side flap', [0, 3 * E], [E, 3 * E], 180],
  ['side flap', [E, 3 * E], [E, 4 * E], -180],
];

/** Where lining and wall hinge on the corners and the wings. */
export const BASE_LINES: readonly CreaseRow[] = [
  ['base line', [2 * E, 0], [2 * E, 2 * E], 180],
  ['base line', [2 * E, 2 * E], [2 * E, 4 * E], -180],
];

/** The fin pressed flat as a tunnel, its middle over the seam. */
export const TUNNEL_ROWS: readonly CreaseRow[] = [
  ['tunnel side', [3 * E, 0], [3 * E, 2 * E], -180],
  ['tunnel side', [3 * E, 2 * E], [3 * E, 4 * E], 180],
  ['middle', [4 * E, 0], [4 * E, 2 * E], 0],
  ['middle', [4 * E, 2 * E], [4 * E, 4 * E], 0],
  ...BASE_LINES,
];

/** Both free edges of a square on its diagonal. */
export const KITES: readonly CreaseRow[] = [
  ...both(['kite', [0, 0], [K, E], -180]),
  ...both(['kite, lower layer', [K, E], [0, 2 * E], 180]),
];

/** The kites opened to two points. */
export const POINTS: readonly CreaseRow[] = [
  ...KITES.map(([name, from, to, deg]): CreaseRow => [name, from, to, name === 'kite' ? deg : 0]),
  ...both(['square edge', [K, E], [0, E], 0]),
  ...both(['point', [K, E], [0, X], 180]),
  ...both(['point', [K, E], [0, 2 * E - X], 180]),
];

/** Both strips of an end turned into the tunnel, so deep. */
export function ends(d: number): readonly CreaseRow[] {
  const [low, high] = [2 * E - d, 2 * E + d];
  const side = (from: number, to: number, deg: number): CreaseRow => ['tunnel side', [3 * E, from], [3 * E, to], deg];
  const end = (from: Place, to: Place, deg: number): CreaseRow => ['end', from, to, deg];
  return [
    side(0, low, -180),
    side(low, 2 * E, 180),
    side(2 * E, high, -180),
    side(high, 4 * E, 180),
    end([2 * E, low], [4 * E, low], -180),
    end([low, low], [2 * E, low], 180),
    end([low, low], [low, 2 * E], -180),
    end([low, 2 * E], [low, high], 180),
    end([low, high], [2 * E, high], -180),
    end([2 * E, high], [4 * E, high], 180),
  ];
}
