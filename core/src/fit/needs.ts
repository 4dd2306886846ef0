import type { Arrangement } from '../bodies/arrange';
import type { Demand, RoomAsked, Term, WayToFit } from '../purpose/demand';

/** One thing that must be so: what there is of it, and what is needed. */
export interface Need {
  readonly name: string;
  readonly have: number;
  readonly need: number;
  readonly unit: 'mm' | 'g' | 'ml';
  /** What the need is made of, where it is a sum; parts may be nothing. */
  readonly terms?: readonly Term[];
}

/** How a purpose fits a room. */
export interface Fit {
  readonly needs: readonly Need[];
  /** Least of what is left over, as a share of what is needed; negative where it does not fit. */
  readonly leastShare: number;
  /** How the things lie, for a set. */
  readonly arrangement: Arrangement | null;
}

/** What arithmetic leaves of a share that is nothing: so much may be missing. */
export const FITS = -1e-9;

/** What is left over of a need, as a share of it; a need of nothing counts by its surplus alone. */
export const spareShare = (have: number, need: number): number => (have - need) / Math.max(1e-9, Math.abs(need));

/**
 * Least of what is left over of some demands, as a share of what is needed.
 * @param beyond not worked out further once it is known to be no more than this
 */
export function leastShare(demands: readonly Demand[], asked: RoomAsked, beyond = -Infinity): number {
  let least = Infinity;
  for (const demand of demands) {
    const share = spareShare(demand.have(asked), demand.need(asked));
    if (Number.isNaN(share)) return -Infinity;
    if (share < least) least = share;
    if (least <= beyond) return least;
  }
  return least;
}

/** What a room must have, and what it has, by the best of all ways to fit. @throws RangeError for no ways */
export function fitOf(ways: readonly WayToFit[], asked: RoomAsked): Fit {
  if (!ways.length) throw new RangeError('There is no way to fit that could be tried.');
  let best = ways[0];
  let most = -Infinity;
  for (const way of ways) {
    const share = leastShare(way.demands, asked, most);
    if (share > most) [best, most] = [way, share];
  }
  const needs = best.demands.map((demand): Need => ({
    name: demand.name,
    unit: demand.unit,
    have: demand.have(asked),
    need: demand.need(asked),
    terms: demand.terms?.(asked),
  }));
  return { needs, leastShare: most, arrangement: best.arrangement };
}

/** The needs of a fit, the tightest first. */
export const byTightness = ({ needs }: Fit): readonly Need[] =>
  [...needs].sort((p, q) => spareShare(p.have, p.need) - spareShare(q.have, q.need));
