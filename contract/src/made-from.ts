import type { SheetSize, SizedForm } from '@odd-corner/core';
import { paperOf } from '@odd-corner/core';
import { found, makeOf } from './make-of';
import { isWhole, planMake } from './plan-make';

/** More of one sheet are not counted. */
const MOST_OF_ONE = 60;

/** How many of an answer, with all that belongs to it, one sheet gives when it is cut by straight cuts. */
export function madeFrom(answer: SizedForm, { widthMm, heightMm }: SheetSize): number {
  const id = 'sheet';
  const make = makeOf(found(answer), () => ({ papers: [id], thicknessMm: 0 }));
  const most = Math.min(MOST_OF_ONE, Math.floor((widthMm * heightMm) / paperOf(answer) + 1e-9));
  let made = 0;
  const sheet = { id, version: 1, widthMm, heightMm, marginsMm: 0, runs: null, free: 1 };
  while (made < most && isWhole(planMake(make, made + 1, [sheet]))) made += 1;
  return made;
}
