import { formById, type MadeMake, type Make, type Opened } from '@odd-corner/core';

/** Runs work that can be stopped to its end. */
export function atOnceStopping<P, R>(work: Generator<P, R, boolean>): R {
  let next = work.next(false);
  while (!next.done) next = work.next(false);
  return next.value;
}

/** A soft make as it is pressed open for filling; null for one that stands as it is folded. */
export function openedOf({ formId }: Make, { entries }: MadeMake): Opened | null {
  const [{ sizes }] = entries.values();
  const opening = formById(formId).opened?.(sizes);
  return opening ? atOnceStopping(opening) : null;
}
