import { costOf } from './aims';
import type { LaidOut } from './layouts';
import type { CuttingProblem } from './problem';
import type { ProgrammeRow, Solve } from './programme';
import { rowsOf } from './relaxed';

const EPS = 1e-6;
/** Seconds for what is wanted most, and for choices among equals. */
const [FIRST_S, LATER_S] = [0.4, 0.15];

export interface Chosen {
  /** How often each layout is cut. */
  readonly times: readonly number[];
  /** Whether no other choice lacks less, or costs less by the first aim. */
  readonly proven: boolean;
}

const proportional = (a: readonly number[], b: readonly number[]): boolean =>
  a.every((value, k) => Math.abs(value - b[k]) < EPS);

/**
 * Chooses layouts so that as little as can be is missing; of such choices, those that cost least by one aim after another; of
 * those, one that loses least paper. Whole programmes, one for each, that keep what was reached before.
 * @param least what no plan can fall below by the first aim; null where nothing is known
 */
export function chooseLayouts(
  problem: CuttingProblem,
  from: readonly LaidOut[],
  solve: Solve,
  least: number | null,
): Chosen | null {
  const { stocks, demand, areas, aims } = problem;
  if (!from.length || !demand.some((count) => count > 0)) return null;
  const none = demand.map(() => 0);
  const rows: ProgrammeRow[] = rowsOf(problem, from);
  const most = [...demand, ...from.map(({ stock: s }) => stocks[s].count)];
  const goals: (readonly number[])[] = [
    [...areas, ...from.map(() => 0)],
    ...aims.map((aim) => [...none, ...from.map((one) => costOf(aim, one, stocks))]),
    [...none, ...from.map(({ wasteMm2 }) => wasteMm2)],
  ];
  const reached: (readonly number[])[] = [];
  let times: readonly number[] | null = null;
  let proven = true;
  const valueNow = (cost: readonly number[]): number => times?.reduce((sum, n, c) => sum + n * cost[c], 0) ?? Infinity;
  for (const [k, goal] of goals.entries()) {
    const large = Math.max(...goal.map(Math.abs));
    if (large === 0) continue;
    const cost = goal.map((value) => value / large);
    // What follows from what was reached already chooses nothing more.
    if (reached.some((before) => proportional(before, cost))) continue;
    const surely = k === 1 && least !== null && valueNow(cost) <= least / large + EPS;
    if (!surely) {
      const solved = solve({ cost, most, rows, whole: true }, k <= 1 ? FIRST_S : LATER_S);
      if (!solved) break;
      times = solved.x.map(Math.round);
      if (k <= 1) proven &&= solved.proven;
    }
    if (k === 0) for (const w of demand.keys()) most[w] = Math.min(most[w], times?.[w] ?? most[w]);
    rows.push({ terms: cost.flatMap((c, i) => (c ? [[i, c] as const] : [])), most: valueNow(cost) + EPS });
    reached.push(cost);
  }
  return times && { times: times.slice(demand.length), proven };
}
