/** Steps after which a solution that is not found yet is not near. */
const MOST_STEPS = 30;
/** Nudges for slopes: errors of a few digits of theirs only make the last steps a little shorter. */
const NUDGE = 1e-6;

/**
 * Unknowns for which all residuals vanish, from a near guess: Gauss–Newton steps of least squares, slopes by central differences.
 * @param scale how large unknowns and residuals are; solved to about 1e-13 of it
 * @returns null when it does not come to rest
 */
export function solved(
  residuals: (unknowns: readonly number[]) => readonly number[],
  guess: readonly number[],
  scale = 1,
): number[] | null {
  let x = [...guess];
  for (let step = 0; step < MOST_STEPS; step++) {
    const r = residuals(x);
    const columns = x.map((value, k) => {
      const at = (by: number): readonly number[] => residuals(x.map((v, i) => (i === k ? value + by : v)));
      const [more, less] = [at(NUDGE * scale), at(-NUDGE * scale)];
      return more.map((v, i) => (v - less[i]) / (2 * NUDGE * scale));
    });
    const by = leastSquares(columns, r);
    if (!by) return null;
    x = x.map((value, k) => value - by[k]);
    if (Math.max(...by.map(Math.abs)) < 1e-13 * scale) return x;
  }
  return null;
}

/** The combination of columns that is nearest to a vector, by Householder reflections; null where columns depend on each other. */
function leastSquares(columns: readonly (readonly number[])[], vector: readonly number[]): number[] | null {
  const [n, m] = [columns.length, vector.length];
  const a = columns.map((column) => [...column]);
  const b = [...vector];
  for (let k = 0; k < n; k++) {
    let norm = 0;
    for (let i = k; i < m; i++) norm = Math.hypot(norm, a[k][i]);
    if (norm < 1e-12) return null;
    const alpha = a[k][k] > 0 ? -norm : norm;
    const v = a[k].map((value, i) => (i < k ? 0 : i === k ? value - alpha : value));
    const half = v.reduce((sum, value) => sum + value * value, 0) / 2;
    const reflect = (column: number[]): void => {
      let along = 0;
      for (let i = k; i < m; i++) along += v[i] * column[i];
      for (let i = k; i < m; i++) column[i] -= (along / half) * v[i];
    };
    for (let j = k; j < n; j++) reflect(a[j]);
    reflect(b);
  }
  const x = new Array<number>(n).fill(0);
  for (let k = n - 1; k >= 0; k--) {
    let rest = b[k];
    for (let j = k + 1; j < n; j++) rest -= a[j][k] * x[j];
    x[k] = rest / a[k][k];
  }
  return x;
}
