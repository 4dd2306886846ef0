import type { Order } from '../bodies/arrange';
import type { Item } from '../bodies/contents';

/** How things are to be kept in what holds them, beside how each of them lies. */
export interface Manner {
  readonly order?: Order;
  /** So much of them may stand over the rim. */
  readonly proudMm?: number;
  /** They must stand over the rim so far that fingers take hold of them. */
  readonly gripped?: true;
  /** What they weigh together, where that was said. */
  readonly grams?: number;
}

/** What a finished thing may measure outside, in mm; null where that is open. */
export interface OuterLimits {
  readonly lengthMm: number | null;
  readonly widthMm: number | null;
  readonly heightMm: number | null;
}

/** What the folded thing is for. */
export type Purpose =
  /** Things side by side and on each other, in order. */
  | ({ readonly kind: 'hold'; readonly pieces: readonly Item[] } & Manner)
  /** Items poured in. */
  | { readonly kind: 'loose'; readonly piece: Item; readonly grams?: number }
  | { readonly kind: 'liquid'; readonly ml: number }
  /** Dry goods poured in: rice, sand, seeds; as much room as they may take. */
  | { readonly kind: 'bulk'; readonly name: string; readonly ml: number }
  /** A strap that runs through a slot. */
  | { readonly kind: 'strap'; readonly widthMm: number; readonly thickMm: number }
  /** A bundle of pages that is marked at its corner. */
  | { readonly kind: 'pages'; readonly thickMm: number; readonly gripMm: number }
  /** A load that floats, with the height of its centre over the floor. */
  | { readonly kind: 'load'; readonly grams: number; readonly centreMm: number }
  /** A card that stands upright in a holder, its width across. */
  | { readonly kind: 'place card'; readonly widthMm: number; readonly heightMm: number; readonly thickMm: number }
  /** A head that wears it: how far it is round. */
  | { readonly kind: 'head'; readonly roundMm: number }
  /** A ball that runs along a track; or, with the height of the edge that it comes over, is caught. */
  | { readonly kind: 'bead'; readonly diameterMm: number; readonly exitMm?: number };

/** How many things a purpose speaks of, when it holds things in order; one otherwise. */
export function countOf(purpose: Purpose): number {
  return purpose.kind === 'hold' ? purpose.pieces.reduce((sum, { count }) => sum + count, 0) : 1;
}
