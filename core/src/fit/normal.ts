/**
 * The value below which a standard normal number lies with a probability, by bisection of its distribution function.
 * @param p between 0 and 1, neither included
 */
export function normalQuantile(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`A probability lies between 0 and 1; ${p} does not.`);
  let [low, high] = [-9, 9];
  for (let k = 0; k < 60; k++) {
    const mid = (low + high) / 2;
    if (normalShare(mid) < p) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

/**
 * The probability that a standard normal number lies below a value: by its series near the middle, and by Laplace's
 * continued fraction in the tails (Abramowitz and Stegun 26.2.11 and 26.2.14).
 */
export function normalShare(x: number): number {
  const density = Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI);
  if (Math.abs(x) > 4) {
    let fraction = Math.abs(x);
    for (let k = 60; k >= 1; k--) fraction = Math.abs(x) + k / fraction;
    const tail = density / fraction;
    return x < 0 ? tail : 1 - tail;
  }
  let term = x;
  let sum = x;
  for (let k = 1; Math.abs(term) > 1e-17; k++) {
    term *= (x * x) / (2 * k + 1);
    sum += term;
    if (k > 200) break;
  }
  return 0.5 + density * sum;
}
