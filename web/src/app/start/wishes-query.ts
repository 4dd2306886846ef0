import type { Wishes } from '@odd-corner/core';

/** So many pieces in each other can be asked for. */
export const MOST_NESTED = 6;

/** Which lid is wished, in words; what the address calls it is its id. */
export const LIDS: readonly { readonly id: Wishes['lid']; readonly name: string }[] = [
  { id: 'none', name: 'as it is' },
  { id: 'plain', name: 'with a lid' },
  { id: 'eared', name: 'with a lid to lift by ears' },
];

/** Reads a lid from an address or a list; what is not known is none. */
export const readLid = (text: string | null): Wishes['lid'] => LIDS.find(({ id }) => id === text)?.id ?? 'none';

/** A whole number of pieces in each other; whatever else is written is one. */
export function readNested(text: string | null): number {
  const count = Math.floor(Number(text));
  return count >= 1 && count <= MOST_NESTED ? count : 1;
}
