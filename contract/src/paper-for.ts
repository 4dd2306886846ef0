import type { FoodSafe, SizedForm } from '@odd-corner/core';
import { found, makeOf } from './make-of';
import { freeOf, type Paper } from './paper';
import { isWhole, planMake, sheetsFrom } from './plan-make';

/** A paper of the shelf that gives all sheets of an answer, and how many of its own sheets that takes. */
export interface PaperFor {
  readonly paper: Paper;
  readonly sheets: number;
}

const FOOD_ORDER: Readonly<Record<FoodSafe, number>> = { yes: 0, unknown: 1, no: 2 };

/**
 * Of some papers the one that gives all sheets of an answer and loses the least of the shelf to it; where the paper will touch
 * food, one that is sold for it comes first.
 * @param count how many of the answer are wanted
 * @returns null when none of them gives all
 */
export function paperFor(
  answer: SizedForm,
  count: number,
  papers: readonly Paper[],
  { eaten }: { readonly eaten: boolean },
): PaperFor | null {
  const area = ({ widthMm, heightMm }: Paper): number => widthMm * heightMm;
  const food = ({ foodSafe }: Paper): number => (eaten ? FOOD_ORDER[foodSafe] : 0);
  let best: PaperFor | null = null;
  // Small sheets first: once one gives all, larger ones lose more even if a single one of them does.
  for (const paper of [...papers].sort((p, q) => food(p) - food(q) || area(p) - area(q))) {
    if (best && (food(best.paper) < food(paper) || best.sheets * area(best.paper) <= area(paper))) break;
    const make = makeOf(found(answer), () => ({ papers: [paper.id], thicknessMm: 0 }));
    const plan = planMake(make, count, [{ ...paper, free: freeOf(paper) }]);
    if (!isWhole(plan)) continue;
    const sheets = sheetsFrom(plan, paper.id);
    if (!best || sheets * area(paper) < best.sheets * area(best.paper)) best = { paper, sheets };
  }
  return best;
}
