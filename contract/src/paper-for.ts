import type { FoodSafe, SizedForm } from '@odd-corner/core';
import { found, makeOf } from './make-of';
import type { Paper } from './paper';
import { isWhole, planMake, sheetsFrom } from './plan-make';

/** A paper of the shelf that gives all sheets of an answer, and how many of its own sheets that takes. */
export interface PaperFor {
  readonly paper: Paper;
  readonly sheets: number;
}

/** Sheets that no plan of a job keeps. */
export const freeOf = ({ count, reserved }: Pick<Paper, 'count' | 'reserved'>): number => count - reserved;

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
  const make = (id: string) => makeOf(found(answer), () => ({ papers: [id], thicknessMm: 0 }));
  const able = papers.flatMap((paper) => {
    const plan = planMake(make(paper.id), count, [{ ...paper, free: freeOf(paper) }]);
    return isWhole(plan) ? [{ paper, sheets: sheetsFrom(plan, paper.id) }] : [];
  });
  const area = ({ paper, sheets }: PaperFor): number => sheets * paper.widthMm * paper.heightMm;
  const food = ({ paper }: PaperFor): number => (eaten ? FOOD_ORDER[paper.foodSafe] : 0);
  return able.sort((p, q) => food(p) - food(q) || area(p) - area(q)).at(0) ?? null;
}
