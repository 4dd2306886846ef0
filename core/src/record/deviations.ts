/** Inside sizes in mm, as predicted or as measured with a ruler. */
export interface InsideSize {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
}

/** Measured less predicted, in mm. */
export function deviation(predicted: InsideSize, measured: InsideSize): InsideSize {
  return {
    lengthMm: measured.lengthMm - predicted.lengthMm,
    widthMm: measured.widthMm - predicted.widthMm,
    depthMm: measured.depthMm - predicted.depthMm,
  };
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
