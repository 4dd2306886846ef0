import { type ListAsked, type Listed, ROWS } from '@odd-corner/contract';

/** All rows of a list that can be read, part by part. */
export function everyRow<T>(list: (asked: ListAsked) => Listed<T>): readonly T[] {
  const all: T[] = [];
  let cursor: string | undefined;
  do {
    const { rows, next } = list({ limit: ROWS.most, ...(cursor && { cursor }) });
    all.push(...rows);
    cursor = next ?? undefined;
  } while (cursor);
  return all;
}
