/**
 * The lower triangle L with L Lᵀ = A of a symmetric positive definite matrix, row by row; the upper part is zero.
 * @param a n × n, row by row
 * @throws RangeError for a matrix that is not positive definite
 */
export function cholesky(a: ArrayLike<number>, n: number): Float64Array {
  const l = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = a[i * n + j];
      for (let k = 0; k < j; k++) sum -= l[i * n + k] * l[j * n + k];
      if (i > j) l[i * n + j] = sum / l[j * n + j];
      else if (sum > 0) l[i * n + i] = Math.sqrt(sum);
      else throw new RangeError(`A matrix is not positive definite: ${sum} is left in row ${i}.`);
    }
  return l;
}

/** Solves L x = b in place. */
export function solveLower(l: Float64Array, n: number, b: Float64Array): Float64Array {
  for (let i = 0; i < n; i++) {
    let sum = b[i];
    for (let k = 0; k < i; k++) sum -= l[i * n + k] * b[k];
    b[i] = sum / l[i * n + i];
  }
  return b;
}

/** Solves Lᵀ x = b in place. */
export function solveUpper(l: Float64Array, n: number, b: Float64Array): Float64Array {
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i];
    for (let k = i + 1; k < n; k++) sum -= l[k * n + i] * b[k];
    b[i] = sum / l[i * n + i];
  }
  return b;
}
