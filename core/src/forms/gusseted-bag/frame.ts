import * as z from 'zod';
import type { CreaseAngle } from '../../folding/collapse';
import { point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { type Limits, refuseUnsuited } from '../limits';
import { type CreaseRow, inTwoWays, onParts } from '../../folding/crease-rows';

export const USUAL_SEAM_MM = 10;

export const gussetedBagParams = z.object({
  /** How deep the bag's bottom folds up, in mm: nearly the depth of the base; null for 15 % of the girth side. */
  foldUpMm: z.number().positive().nullable().default(null),
  /** Overlap of the side seam, in mm. */
  seamMm: z.number().min(5).max(20).default(USUAL_SEAM_MM),
  /** Creases of the pleated top; 0 leaves the mouth plain. */
  pleats: z.number().int().min(0).max(12).default(4),
  /** Depth of one pleat, in mm. */
  pleatMm: z.number().min(2.5).max(8).default(4),
  /** What the tied top looks like: two half fans with a gap between them, or as many pleats as close them to one. */
  top: z.enum(['gap', 'fan']).default('gap'),
  /** What holds the seam and the base. */
  join: z.enum(['glue', 'tape']).default('glue'),
});

export type BagParams = z.infer<typeof gussetedBagParams>;

/** Overlap of the two flaps of the base, in mm. */
const BASE_LAP_MM = 6;
/** More than is needed if strips of paper bent without any resistance. */
const FAN_SPARE = 1.2;
/** More creases than that no longer press together. */
const MOST_PLEATS = 24;

/**
 * Creases of the top. Each half fan turns by up to a quarter: strips of depth z at its outer radius, half the front a, reach
 * that from n z = π a / 4 on.
 */
export function pleatsOf({ top, pleats, pleatMm }: BagParams, frontMm: number): number {
  if (top === 'gap') return pleats;
  const needed = Math.ceil((FAN_SPARE * Math.PI * frontMm) / 4 / pleatMm);
  if (needed > MOST_PLEATS)
    throw new RangeError(
      `A closed fan over a front of ${frontMm.toFixed(0)} mm wants ${needed} creases: make the pleats deeper, or leave the gap.`,
    );
  return needed;
}

interface Frame {
  readonly width: number;
  readonly height: number;
  readonly o: number;
  readonly f: number;
  readonly q: number;
  /** Depth of the base, its front, and where the base creases lie over the lower edge. */
  readonly d: number;
  readonly a: number;
  readonly l: number;
  /** The two edges of the flat tube. */
  readonly x1: number;
  readonly x2: number;
}

/** For the flaps of the base to overlap, and its corners to keep clear of the seam. */
export const foldUpLimits = (widthMm: number, seamMm: number): Limits => [
  1.5 * BASE_LAP_MM,
  widthMm / 4 - 0.75 * seamMm,
];

/** @throws RangeError when seam and fold-up do not go together on this sheet */
export function frameOf({ outline }: Sheet, { foldUpMm, seamMm: o }: BagParams): Frame {
  const width = Math.max(...outline.map((p) => p.x));
  const height = Math.max(...outline.map((p) => p.y));
  const q = BASE_LAP_MM;
  const limits = foldUpLimits(width, o);
  // A wide seam leaves less than that on a small sheet.
  const f = foldUpMm ?? Math.min(0.15 * width, limits[1]);
  refuseUnsuited('Bottom folded up', f, limits, width);
  const d = f - q / 2;
  if ((width - o) / 2 - d < d - 1e-9)
    throw new RangeError(
      `A base ${d.toFixed(1)} mm deep is deeper than its front would be wide: fold the bottom up by less than ${((width - o) / 4 + q / 2).toFixed(1)} mm.`,
    );
  return {
    ...{ width, height, o, f, q, d },
    a: (width - o) / 2 - d,
    l: f - d / 2,
    x1: width / 4 + o / 4,
    x2: (3 * width) / 4 - o / 4,
  };
}

/** Of a wall's height, what the roof takes that brings front and back together over the contents, as a share of the depth. */
const ROOF_SHARE = 0.7;
/** Less room than that under the roof is none, in mm. */
const LEAST_ROOM_MM = 3;

/** How the height of the walls is used once the top is pleated: what the pleats take, and the room left under their roof. */
export function heightsOf(
  params: BagParams,
  { a }: Pick<Frame, 'a'>,
  wallMm: number,
  depthMm: number,
): { readonly pleatedMm: number; readonly roomMm: number } {
  const pleatedMm = pleatsOf(params, a) * params.pleatMm;
  return { pleatedMm, roomMm: wallMm - pleatedMm - (pleatedMm ? ROOF_SHARE * depthMm : 0) };
}

/** @throws RangeError when the pleats and the roof under them leave no room */
export function refusePleats(params: BagParams, frame: Frame): void {
  const wallMm = frame.height - frame.l;
  const { pleatedMm, roomMm } = heightsOf(params, frame, wallMm, frame.d);
  if (roomMm >= LEAST_ROOM_MM) return;
  throw new RangeError(
    `Pleats of ${pleatedMm.toFixed(1)} mm in all and the roof under them leave no room in walls ${wallMm.toFixed(1)} mm high: make fewer or shallower ones.`,
  );
}

/** Rows written for the left edge of the tube (u to its right is the back, to its left the seam face), on both edges. */
export const onEdges = ({ width, x1 }: Frame, rows: readonly CreaseRow[]): CreaseAngle[] =>
  onParts(
    inTwoWays(([u, y]) => point(x1 + u, y), width / 2 - x1),
    rows,
  );
