/**
 * A symmetric positive definite matrix kept from the first non-zero of each row to the diagonal, which is where its
 * Cholesky factor fills in. Good when unknowns are numbered so that neighbours are close.
 */
export class EnvelopeMatrix {
  private readonly start: Int32Array;
  private readonly values: Float64Array;

  /** @param first the first column of each row that may be non-zero */
  constructor(private readonly first: Int32Array) {
    this.start = new Int32Array(first.length + 1);
    for (let i = 0; i < first.length; i++) this.start[i + 1] = this.start[i] + i - first[i] + 1;
    this.values = new Float64Array(this.start[first.length]);
  }

  clear(): void {
    this.values.fill(0);
  }

  /** Adds to the entry (i, j) and to (j, i). */
  add(i: number, j: number, value: number): void {
    const [row, column] = i >= j ? [i, j] : [j, i];
    this.values[this.start[row] + column - this.first[row]] += value;
  }

  /** Replaces the matrix by its Cholesky factor; a pivot that is not positive is raised to `least`. */
  factor(least: number): void {
    const { first, start, values } = this;
    for (let i = 0; i < first.length; i++) {
      const row = start[i] - first[i];
      for (let j = first[i]; j < i; j++) {
        const other = start[j] - first[j];
        let sum = values[row + j];
        for (let k = Math.max(first[i], first[j]); k < j; k++) sum -= values[row + k] * values[other + k];
        values[row + j] = sum / values[other + j];
      }
      let pivot = values[row + i];
      for (let k = first[i]; k < i; k++) pivot -= values[row + k] * values[row + k];
      values[row + i] = Math.sqrt(Math.max(least, pivot));
    }
  }

  /** Solves for a right side in place, once factored. */
  solve(b: Float64Array): void {
    const { first, start, values } = this;
    for (let i = 0; i < first.length; i++) {
      const row = start[i] - first[i];
      let sum = b[i];
      for (let k = first[i]; k < i; k++) sum -= values[row + k] * b[k];
      b[i] = sum / values[row + i];
    }
    for (let i = first.length - 1; i >= 0; i--) {
      const row = start[i] - first[i];
      b[i] /= values[row + i];
      for (let k = first[i]; k < i; k++) b[k] -= values[row + k] * b[i];
    }
  }
}

/**
 * An order of corners in which neighbours are close (Cuthill and McKee, reversed): position of each corner.
 * @param links pairs of corners that act on each other
 */
export function closeOrder(corners: number, links: readonly (readonly [number, number])[]): Int32Array {
  const around: Set<number>[] = Array.from({ length: corners }, () => new Set());
  for (const [a, b] of links) {
    around[a].add(b);
    around[b].add(a);
  }
  const order: number[] = [];
  const seen = new Uint8Array(corners);
  const byDegree = (a: number, b: number): number => around[a].size - around[b].size || a - b;
  for (const root of Array.from({ length: corners }, (_, v) => v).sort(byDegree)) {
    if (seen[root]) continue;
    seen[root] = 1;
    const from = order.length;
    order.push(root);
    for (let k = from; k < order.length; k++)
      for (const next of [...around[order[k]]].sort(byDegree)) {
        if (seen[next]) continue;
        seen[next] = 1;
        order.push(next);
      }
  }
  const position = new Int32Array(corners);
  order.reverse().forEach((v, k) => (position[v] = k));
  return position;
}
