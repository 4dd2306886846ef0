/** What trials of a paper say: from least to most, and what is most likely. */
export interface TriedRange {
  readonly least: number;
  readonly likely: number;
  readonly most: number;
  readonly trials: number;
}

/** How trials of one kind differ, of the natural logarithm, as long as there are few: a judgement. */
const SPREAD = 0.4;
/** As many trials as what is thought of their spread counts for. */
const THOUGHT = 3;
/** Nine of ten next trials lie within so many standard deviations. */
const NINE_OF_TEN = 1.645;

/**
 * What trials of the same come to, each being more than nothing: their middle on a scale of shares, and where the next lies nine
 * times in ten.
 * @returns null where nothing was tried: nobody knows then
 */
export function triedRange(came: readonly number[]): TriedRange | null {
  const logs = came.filter((one) => one > 0).map(Math.log);
  const n = logs.length;
  if (!n) return null;
  const mean = logs.reduce((sum, log) => sum + log, 0) / n;
  const squares = logs.reduce((sum, log) => sum + (log - mean) ** 2, 0);
  const spread = Math.sqrt((THOUGHT * SPREAD ** 2 + squares) / (THOUGHT + n - 1));
  const next = NINE_OF_TEN * spread * Math.sqrt(1 + 1 / n);
  const [least, likely, most] = [mean - next, mean, mean + next].map(Math.exp);
  return { least, likely, most, trials: n };
}
