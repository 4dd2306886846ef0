/** Measured less predicted, in mm, size by size. */
export function deviation<K extends string>(
  predicted: Readonly<Record<K, number>>,
  measured: Readonly<Record<K, number>>,
): Readonly<Record<K, number>> {
  const off: Record<K, number> = { ...predicted };
  for (const key in predicted) off[key] = measured[key] - predicted[key];
  return off;
}

/** Mean and spread of a set of numbers; the spread is null until there are two. */
export interface Spread {
  readonly count: number;
  readonly mean: number;
  /** Sample standard deviation (n - 1). */
  readonly sd: number | null;
}

/** @returns null for an empty set */
export function spreadOf(values: readonly number[]): Spread | null {
  const count = values.length;
  if (!count) return null;
  const mean = values.reduce((sum, v) => sum + v, 0) / count;
  const sd = count < 2 ? null : Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (count - 1));
  return { count, mean, sd };
}
