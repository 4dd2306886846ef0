import { boundedLayouts, dearness } from './better-layouts';
import type { LaidOut } from './layouts';
import type { CuttingProblem, LayoutPool } from './problem';
import type { Solve } from './programme';
import { relaxedChoice } from './relaxed';

const SHUFFLES = 4;
/** Layouts that the relaxed choice is made among: those that suit what is left best. */
const MOST = 400;
/** Stocks that are always tried for what is left. */
const CHEAPEST = 3;
const EPS = 1e-6;

/** How often each layout is cut. */
export type Taken = ReadonlyMap<LaidOut, number>;

/**
 * Whole plans from the relaxed choice: the layout that is cut most of all is taken as often as that, the rest is chosen anew with
 * layouts that are found for what is left, each counted only for what is still wanted. Wherever one more sheet gives all that is left, the
 * cheapest such one ends a plan.
 * @returns plans, the last of them with sheets for all that can be cut
 */
export function dive(
  problem: CuttingProblem,
  pool: LayoutPool,
  cost: readonly number[],
  solve: Solve,
  random: () => number,
): readonly Taken[] {
  const dear = dearness(problem, cost);
  const plans: Taken[] = [];
  const plan = new Map<LaidOut, number>();
  const more = (one: LaidOut, times: number): Taken => new Map(plan).set(one, (plan.get(one) ?? 0) + times);
  // What is left may go onto the stocks that the relaxed choice takes from, or onto the cheapest; layouts for all of it are known.
  const cheapest = [...problem.live].sort((a, b) => cost[a] - cost[b]).slice(0, CHEAPEST);
  let focus: readonly number[] = [];
  let left = problem.demand;
  let stocks = problem.stocks;
  while (left.some((count) => count > 0)) {
    const live = problem.live.filter((s) => stocks[s].count > 0);
    if (!live.length) break;
    const now: CuttingProblem = { ...problem, demand: left, stocks, live };
    boundedLayouts(
      { ...now, live: live.filter((s) => focus.includes(s)) },
      pool,
      left,
      problem.areas,
      SHUFFLES,
      random,
    );
    const clipped = (one: LaidOut): LaidOut => ({ ...one, counts: one.counts.map((n, w) => Math.min(n, left[w])) });
    const useful = ({ counts, stock }: LaidOut): number =>
      counts.reduce((sum, n, w) => sum + n * problem.areas[w], 0) / Math.max(EPS, cost[stock]);
    const able = pool
      .all()
      .filter(({ stock }) => stocks[stock].count > 0)
      .map((one) => ({ one, here: clipped(one) }));
    const ends = able.filter(({ here }) => here.counts.every((n, w) => n === left[w]));
    if (ends.length) plans.push(more(ends.reduce((a, b) => (cost[b.one.stock] < cost[a.one.stock] ? b : a)).one, 1));
    const from = able
      .map((both) => ({ ...both, rate: useful(both.here) }))
      .filter(({ rate }) => rate > 0)
      .sort((a, b) => b.rate - a.rate)
      .slice(0, MOST);
    const relaxed = relaxedChoice(
      now,
      from.map(({ here }) => here),
      solve,
      cost,
      dear,
    );
    if (!relaxed) break;
    const most = relaxed.times.reduce((best, n, k) => (n > relaxed.times[best] + EPS ? k : best), 0);
    if (!(relaxed.times[most] > EPS)) break;
    const taken = from[most].one;
    focus = [...new Set([...from.flatMap(({ one }, k) => (relaxed.times[k] > EPS ? [one.stock] : [])), ...cheapest])];
    // No more often than all of its pieces are still wanted; once at least.
    const whole = Math.min(
      Math.floor(relaxed.times[most] + EPS),
      ...taken.counts.map((n, w) => (n ? Math.floor(left[w] / n) : Infinity)),
    );
    const times = Math.max(1, Math.min(whole, stocks[taken.stock].count));
    plan.set(taken, (plan.get(taken) ?? 0) + times);
    left = left.map((count, w) => Math.max(0, count - times * taken.counts[w]));
    stocks = stocks.map((one, s) => (s === taken.stock ? { ...one, count: one.count - times } : one));
  }
  return [...plans, plan];
}
