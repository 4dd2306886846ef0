/** Measured less predicted, in mm, of those sizes that were measured. */
export function deviation<K extends string>(
  predicted: Readonly<Record<K, number>>,
  measured: Readonly<Partial<Record<K, number>>>,
): Partial<Record<K, number>> {
  const off: Partial<Record<K, number>> = {};
  for (const key in predicted) {
    const mm = measured[key];
    if (mm !== undefined) off[key] = mm - predicted[key];
  }
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
