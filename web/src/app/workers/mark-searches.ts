import { atOnce, MarkSearch, type SheetSize } from '@odd-corner/core';
import { inSlices } from './in-slices';

/** So many proportions are remembered. */
const MOST = 6;

/** Searches made so far, by proportion: each takes a part of a second and a few megabytes. */
const searches = new Map<string, MarkSearch>();

const keyOf = ({ widthMm, heightMm }: SheetSize): string => (widthMm / heightMm).toFixed(9);

function kept(size: SheetSize, search: MarkSearch): MarkSearch {
  searches.set(keyOf(size), search);
  const [oldest] = searches.keys();
  if (searches.size > MOST) searches.delete(oldest);
  return search;
}

/** All marks of a sheet's proportion, at once. */
export const markSearch = (size: SheetSize): MarkSearch =>
  searches.get(keyOf(size)) ?? kept(size, atOnce(MarkSearch.over(size)));

/** The same in slices. @returns null when it was stopped */
export async function searchingMarks(
  size: SheetSize,
  tell: (share: number) => void,
  stopped: () => boolean,
): Promise<MarkSearch | null> {
  const known = searches.get(keyOf(size));
  if (known) return known;
  const search = await inSlices<number, MarkSearch | null>(stoppable(size), tell, stopped);
  return search && kept(size, search);
}

function* stoppable(size: SheetSize): Generator<number, MarkSearch | null, boolean> {
  const work = MarkSearch.over(size);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    if (yield step.value) return null;
  }
}
