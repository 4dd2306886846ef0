import type { FoodSafe } from '../paper/paper';

/** What a paper that may not be fit for food takes off the score of an answer that touches food, from 0 to 1. */
const LOWERS: Readonly<Record<FoodSafe, number>> = { yes: 0, unknown: 0.15, no: 0.5 };

/** What speaks against an answer whatever else counts. */
export interface Concern {
  /** The share of its score that it loses. */
  readonly lowers: number;
  readonly words: string;
}

/**
 * What speaks against folding something for food or drink from a paper.
 * @param paper null for one that nobody has written down
 * @returns null for a paper that is sold for food
 */
export function foodConcern(paper: { readonly name: string; readonly foodSafe: FoodSafe } | null): Concern | null {
  const safe = paper?.foodSafe ?? 'unknown';
  if (safe === 'yes') return null;
  const called = paper?.name ?? 'this paper';
  const words =
    safe === 'no'
      ? `Ranked lower: ${called} may not touch food.`
      : `Ranked lower: nobody has noted that ${called} is safe for food. If its maker says so, note it on the shelf.`;
  return { lowers: LOWERS[safe], words };
}
