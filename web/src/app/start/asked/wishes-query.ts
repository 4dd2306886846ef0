import { MOST_NESTED, MOST_UNITS, type Wishes } from '@odd-corner/core';

/** What is counted beside what goes in, and the most: equal pieces that share it, pieces that stand in each other. */
export const COUNTS = { units: { most: MOST_UNITS }, nested: { most: MOST_NESTED } } as const;

/** Which lid is wished, in words; what the address calls it is its id. */
export const LIDS: readonly { readonly id: Wishes['lid']; readonly name: string }[] = [
  { id: 'none', name: 'as it is' },
  { id: 'plain', name: 'with a lid' },
  { id: 'eared', name: 'with a lid to lift by ears' },
];

/** Reads a lid from an address or a list; what is not known is none. */
export const readLid = (text: string | null): Wishes['lid'] => LIDS.find(({ id }) => id === text)?.id ?? 'none';

/** A whole number up to the most; whatever else is written is one. */
export function readCount(text: string | null, { most }: { readonly most: number }): number {
  const count = Math.floor(Number(text));
  return count >= 1 && count <= most ? count : 1;
}
