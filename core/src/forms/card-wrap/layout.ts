import * as z from 'zod';
import { type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import type { SheetSize } from '../form';

export const cardWrapParams = z.object({
  /** How the card lies on the sheet. */
  layout: z.enum(['diagonal', 'square-on']).default('diagonal'),
  /** The card with its thickness and ease, longer side first, in mm; null for the largest that this sheet wraps. */
  longMm: z.number().positive().nullable().default(null),
  shortMm: z.number().positive().nullable().default(null),
});

export type CardWrapParams = z.infer<typeof cardWrapParams>;

/** Overlap of neighbouring flaps and length of the end flaps that a wrap is given when nothing else is asked, in mm. */
export const OVERLAP_MM = 12;
export const END_MM = 25;
/** A seam narrower than this does not hold a strip of tape. */
export const LEAST_OVERLAP_MM = 4;
/** Shorter ends do not hold. */
export const LEAST_END_MM = 15;

export interface Wrap {
  readonly long: number;
  readonly short: number;
  readonly centre: Point;
  /** The card's corners: along its long side, then round. */
  readonly corners: readonly [Point, Point, Point, Point];
  /** What neighbouring flaps overlap by, at the tightest seam. */
  readonly overlap: number;
}

export function sizeOf({ outline }: Sheet): SheetSize {
  return { widthMm: Math.max(...outline.map((p) => p.x)), heightMm: Math.max(...outline.map((p) => p.y)) };
}

/** The largest card, in the proportion 5 : 4, that a sheet wraps in a layout. */
export function largestCard(
  { widthMm, heightMm }: SheetSize,
  layout: CardWrapParams['layout'],
): readonly [number, number] {
  if (layout === 'square-on') {
    const short = (heightMm - OVERLAP_MM) / 2;
    return [Math.min(widthMm - 2 * END_MM, 2.5 * short), short];
  }
  const sum = Math.SQRT2 * (Math.min(widthMm, heightMm) - OVERLAP_MM);
  return [(5 / 9) * sum, (4 / 9) * sum];
}

/** The card that is wrapped, longer side first: what is given of it, and the largest that goes with that. */
export function cardFor(
  size: SheetSize,
  layout: CardWrapParams['layout'],
  longMm: number | null,
  shortMm: number | null,
): readonly [number, number] {
  const largest = largestCard(size, layout);
  const rest = (given: number): number => (layout === 'diagonal' ? largest[0] + largest[1] - given : Infinity);
  const long =
    longMm ??
    (shortMm === null ? largest[0] : layout === 'diagonal' ? Math.min(2 * shortMm, rest(shortMm)) : largest[0]);
  const short = shortMm ?? Math.min(largest[1], rest(long));
  return long >= short ? [long, short] : [short, long];
}

export type Given = Readonly<Record<string, unknown>>;

export const layoutOf = ({ layout }: Given): CardWrapParams['layout'] =>
  layout === 'square-on' ? 'square-on' : 'diagonal';

/** Longer sides of cards that a sheet wraps: cornerwise up to twice the shorter one, or the tips pass the far edge. */
export function longRange(sheet: SheetSize, given: Given): readonly [number, number] {
  if (layoutOf(given) === 'square-on') {
    const least = Math.max(sheet.widthMm / 3, largestCard(sheet, 'square-on')[1], sheet.heightMm / 3);
    return [least, sheet.widthMm - 2 * LEAST_END_MM];
  }
  const sum = Math.SQRT2 * (Math.min(sheet.widthMm, sheet.heightMm) - OVERLAP_MM);
  return [sum / 2, (2 / 3) * sum];
}

/** Shorter sides that go with a longer one. */
export function shortRange(sheet: SheetSize, given: Given): readonly [number, number] {
  const largest = largestCard(sheet, layoutOf(given));
  const long = typeof given['longMm'] === 'number' ? given['longMm'] : largest[0];
  // A long flap deeper than the card is wide would stick out beyond it.
  if (layoutOf(given) === 'square-on') return [sheet.heightMm / 3, Math.min(long, largest[1])];
  const sum = Math.SQRT2 * (Math.min(sheet.widthMm, sheet.heightMm) - OVERLAP_MM);
  const most = Math.min(long, sum - long);
  return [0.8 * most, most];
}

/** @throws RangeError when the sheet does not cover the card */
export function wrapOf(sheet: Sheet, { layout, longMm, shortMm }: CardWrapParams): Wrap {
  const size = sizeOf(sheet);
  const [long, short] = cardFor(size, layout, longMm, shortMm);
  const centre = { x: size.widthMm / 2, y: size.heightMm / 2 };
  const turn = layout === 'diagonal' ? Math.PI / 4 : 0;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const corner = (u: number, v: number): Point => ({
    x: centre.x + (c * u * long - s * v * short) / 2,
    y: centre.y + (s * u * long + c * v * short) / 2,
  });
  const corners = [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)] as const;
  const overlap =
    layout === 'diagonal'
      ? Math.min(size.widthMm, size.heightMm) - (long + short) / Math.SQRT2
      : size.heightMm - 2 * short;
  const end = (size.widthMm - long) / 2;
  if (overlap < LEAST_OVERLAP_MM - 1e-9)
    throw new RangeError(
      `A card of ${long.toFixed(1)} × ${short.toFixed(1)} mm is too large for this sheet: the flaps would ${overlap < 0 ? `leave a gap of ${(-overlap).toFixed(1)}` : `overlap by only ${overlap.toFixed(1)}`} mm.`,
    );
  const deep = (size.heightMm - short) / 2;
  if (layout === 'square-on' && deep > short * (1 + 1e-9))
    throw new RangeError(
      `The long flaps would be ${deep.toFixed(1)} mm deep and stick out beyond a card ${short.toFixed(1)} mm wide: cut the sheet to ${(3 * short).toFixed(1)} mm or less.`,
    );
  if (layout === 'square-on' && (end < LEAST_END_MM - 1e-9 || end > long))
    throw new RangeError(
      `The two ends would be ${end.toFixed(1)} mm long: between ${LEAST_END_MM} mm and the card’s length is right.`,
    );
  return { long, short, centre, corners, overlap };
}
