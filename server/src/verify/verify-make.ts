import { type Make, toFold } from '@odd-corner/contract';
import { entriesOf, FoldRefused, foretell, type ForetoldSizes, SHELF } from '@odd-corner/core';

/** A make to be folded, and for which hand. */
export interface VerifyAsked {
  readonly make: Make;
  /** By how much the hand misses, one standard deviation in mm. */
  readonly handMm: number;
}

/** What comes of it, or why nothing does. */
export type Verdict = { readonly sizes: ForetoldSizes } | { readonly refused: string };

/** What folds for the server. */
export type Verify = (asked: VerifyAsked) => Promise<Verdict>;

/** Folds a make and says what it measures; it is the whole work of the worker. */
export function verifyMake({ make, handMm }: VerifyAsked): Verdict {
  try {
    refuseOtherEntries(make);
    return { sizes: foretell(toFold(make), handMm) };
  } catch (error) {
    if (error instanceof RangeError || error instanceof FoldRefused) return { refused: error.message };
    throw error;
  }
}

/** @throws RangeError when a make has other entries than its form gives it */
function refuseOtherEntries({ formId, params, entries }: Make): void {
  const form = SHELF.form(formId);
  const own = entriesOf(form, params);
  if (new Set(entries.map(({ key }) => key)).size < entries.length)
    throw new RangeError('Two entries are called the same.');
  for (const { key, pieceId, copies } of entries) {
    const entry = own.find((one) => one.key === key);
    if (!entry) throw new RangeError(`${form.name} has no “${key}”.`);
    if (entry.pieceId !== pieceId) throw new RangeError(`${entry.name} is not folded as “${pieceId}”.`);
    if (entry.copies !== copies) throw new RangeError(`${entry.name} is folded ${entry.copies} times, not ${copies}.`);
  }
}
