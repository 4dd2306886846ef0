/** A smooth function: its value at x, its gradient written into g. */
export type Energy = (x: Float64Array, g: Float64Array) => number;

export interface MinimiseOptions {
  /** Stop when no entry of the gradient is larger. */
  readonly tolerance: number;
  readonly mostSteps: number;
  /**
   * Multiplies a direction by an estimate of the inverse of the curvature, in place; without it, a multiple of the
   * identity is used. It is told the place anew every few steps.
   */
  readonly estimate?: { at(x: Float64Array): void; apply(direction: Float64Array): void };
  /** No unknown changes by more in one step. */
  readonly longest?: number;
}

export interface Minimum {
  readonly x: Float64Array;
  readonly value: number;
  /** Largest entry of the gradient there. */
  readonly largest: number;
  readonly steps: number;
  readonly stopped: boolean;
}

const MEMORY = 24;
const ESTIMATE_EVERY = 25;
const ENOUGH = 1e-4;
const CURVED = 0.9;
const MOST_TRIALS = 30;

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i] * b[i];
  return sum;
}

function largestOf(g: Float64Array): number {
  let largest = 0;
  for (let i = 0; i < g.length; i++) largest = Math.max(largest, Math.abs(g[i]));
  return largest;
}

/** How far a minimisation has come: steps made, and the largest entry of the gradient. */
export interface MinimiseProgress {
  readonly steps: number;
  readonly largest: number;
}

/**
 * Minimises by the limited-memory quasi-Newton method of Broyden, Fletcher, Goldfarb and Shanno (Nocedal and Wright,
 * Numerical Optimization, algorithms 7.4 and 7.5) with a bisecting weak-Wolfe line search. Deterministic; allocates its
 * memory once. Yields after every step so that the caller can cancel by sending `true`.
 */
export function* minimising(
  energy: Energy,
  start: Float64Array,
  { tolerance, mostSteps, estimate, longest = Infinity }: MinimiseOptions,
): Generator<MinimiseProgress, Minimum, boolean> {
  const n = start.length;
  const x = Float64Array.from(start);
  const g = new Float64Array(n);
  const next = new Float64Array(n);
  const gNext = new Float64Array(n);
  const direction = new Float64Array(n);
  const moves = Array.from({ length: MEMORY }, () => new Float64Array(n));
  const turns = Array.from({ length: MEMORY }, () => new Float64Array(n));
  const rho = new Float64Array(MEMORY);
  const alpha = new Float64Array(MEMORY);
  let kept = 0;
  let newest = -1;
  let value = energy(x, g);
  let largest = largestOf(g);
  let steps = 0;
  let stopped = false;
  let idle = 0;
  while (largest > tolerance && steps < mostSteps) {
    if (estimate && steps % ESTIMATE_EVERY === 0) {
      estimate.at(x);
      // What was remembered belongs to the old estimate.
      kept = 0;
    }
    for (let i = 0; i < n; i++) direction[i] = -g[i];
    for (let k = 0; k < kept; k++) {
      const j = (newest - k + MEMORY) % MEMORY;
      alpha[j] = rho[j] * dot(moves[j], direction);
      for (let i = 0; i < n; i++) direction[i] -= alpha[j] * turns[j][i];
    }
    if (estimate) estimate.apply(direction);
    else {
      const scale = kept ? 1 / (rho[newest] * dot(turns[newest], turns[newest])) : 1 / Math.max(1, largest);
      for (let i = 0; i < n; i++) direction[i] *= scale;
    }
    for (let k = kept - 1; k >= 0; k--) {
      const j = (newest - k + MEMORY) % MEMORY;
      const beta = rho[j] * dot(turns[j], direction);
      for (let i = 0; i < n; i++) direction[i] += (alpha[j] - beta) * moves[j][i];
    }
    let slope = dot(g, direction);
    if (!(slope < 0)) {
      // Rounding has spoilt the memory: begin again downhill.
      kept = 0;
      for (let i = 0; i < n; i++) direction[i] = -g[i] / Math.max(1, largest);
      slope = dot(g, direction);
    }
    const furthest = longest / largestOf(direction);
    let low = 0;
    let high = Infinity;
    let t = Math.min(1, furthest);
    let valueNext = value;
    for (let trial = 0; trial < MOST_TRIALS; trial++) {
      for (let i = 0; i < n; i++) next[i] = x[i] + t * direction[i];
      valueNext = energy(next, gNext);
      if (!(valueNext <= value + ENOUGH * t * slope)) high = t;
      else if (dot(gNext, direction) < CURVED * slope) low = t;
      else break;
      if (low > 0 && high === Infinity && 2 * low > furthest) break;
      t = high === Infinity ? 2 * low : (low + high) / 2;
    }
    if (!(valueNext <= value)) {
      // No step downhill: once more without memory, then it is as good as rounding allows.
      if (++idle > 1) break;
      kept = 0;
      estimate?.at(x);
      continue;
    }
    newest = (newest + 1) % MEMORY;
    for (let i = 0; i < n; i++) {
      moves[newest][i] = next[i] - x[i];
      turns[newest][i] = gNext[i] - g[i];
      x[i] = next[i];
      g[i] = gNext[i];
    }
    const curvature = dot(moves[newest], turns[newest]);
    if (curvature > 0) {
      rho[newest] = 1 / curvature;
      kept = Math.min(MEMORY, kept + 1);
    } else {
      newest = (newest - 1 + MEMORY) % MEMORY;
      kept = Math.max(0, kept - 1);
    }
    idle = 0;
    value = valueNext;
    largest = largestOf(g);
    steps++;
    if (yield { steps, largest }) {
      stopped = true;
      break;
    }
  }
  return { x, value, largest, steps, stopped };
}
