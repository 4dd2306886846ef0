import { FoldRefused } from '@odd-corner/core';

export type Attempt<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: string };

/** What a sheet or a setting does not allow is told in words; anything else is a fault of ours. */
export function attempt<T>(work: () => T): Attempt<T> {
  try {
    return { ok: true, value: work() };
  } catch (error) {
    if (error instanceof RangeError || error instanceof FoldRefused) return { ok: false, why: error.message };
    throw error;
  }
}
