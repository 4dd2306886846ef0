import { USUAL_EYE } from './mark-way';

/** One try to find a place by eye. */
export interface EyeTry {
  /** Where the place is, and where it was set, as shares of the length. */
  readonly share: number;
  readonly set: number;
}

/** What drills say of an eye. */
export interface EyeLearned {
  /** By what share of the shorter part it misses a place, one standard deviation. */
  readonly eye: number;
  /** Tries that it comes from; the usual eye counts as so many beside them. */
  readonly tries: number;
}

/** How many tries the usual eye weighs: what is known of nobody gives way as tries come in. */
const USUAL_WEIGHS = 6;

/** A slip of the finger says nothing about the eye: misses beyond so many times the middle one count as that much. */
const SLIP = 4;

/** By what share of the shorter part a try missed: its length is what the eye has to judge. */
export function missOf({ share, set }: EyeTry): number {
  return (set - share) / Math.min(share, 1 - share);
}

/**
 * By what share of a length this eye misses: the root of the mean square of its tries, slips counted as far as they may be, the
 * usual eye weighing as much as a few.
 */
export function eyeOf(tries: readonly EyeTry[]): EyeLearned {
  const misses = tries.map((one) => Math.abs(missOf(one)));
  const middle = [...misses].sort((a, b) => a - b)[Math.floor(misses.length / 2)] ?? 0;
  const most = SLIP * Math.max(middle, USUAL_EYE / SLIP);
  const squares = misses.reduce((sum, miss) => sum + Math.min(miss, most) ** 2, 0);
  return {
    eye: Math.sqrt((squares + USUAL_WEIGHS * USUAL_EYE ** 2) / (misses.length + USUAL_WEIGHS)),
    tries: misses.length,
  };
}
