import type { Arrangement } from './arrange';
import type { Demand, Room, Term } from './demands';
import type { Prepared } from './prepare';

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

/** Least of what is left over of some demands, as a share of what is needed; a need of nothing counts by its surplus alone. */
export function leastShare(demands: readonly Demand[], room: Room): number {
  let least = Infinity;
  for (const demand of demands) {
    const need = demand.need(room);
    const share = (demand.have(room) - need) / Math.max(1e-9, Math.abs(need));
    if (share < least) least = share;
    if (Number.isNaN(share)) return -Infinity;
  }
  return least;
}

/**
 * What a room must have for a purpose, and what it has, by the best of all ways.
 * @returns null when that kind of room does not answer that kind of purpose
 */
export function fitOf(prepared: Prepared, room: Room): Fit | null {
  const ways = prepared.demands(room.cavity.kind);
  if (!ways) return null;
  let best = ways[0];
  let most = -Infinity;
  for (const way of ways) {
    const share = leastShare(way.demands, room);
    if (share > most) [best, most] = [way, share];
  }
  const needs = best.demands.map(({ name, unit, have, need, terms }): Need => ({
    name,
    unit,
    have: have(room),
    need: need(room),
    terms: terms?.(room),
  }));
  return { needs, leastShare: most, arrangement: best.arrangement };
}
