import { seededRandom } from '../measure/seeded-random';
import { type LayoutSearch, layoutSearch, type SearchOptions, type Stages } from './best-layout';
import { areaOf } from './cutting';
import { denseLayouts, treeOf } from './dense-layouts';
import type { LaidOut } from './layouts';
import { layGreedily, PARTINGS } from './plan-cuts';
import type { CuttingProblem, LayoutPool } from './problem';
import type { Solve } from './programme';
import { relaxedChoice } from './relaxed';

const ROUNDS = 14;
const SHUFFLES = 12;
const PLAN: SearchOptions = { bound: false, places: 120 };
const BOUND: SearchOptions = { bound: true, places: 120 };
/** Once, at the end: a finer grid gives a better bound and takes longer. */
const LAST_BOUND: SearchOptions = { bound: true, places: 240 };
/** Plans with few turns of the paper, and the bound, are looked for in every such round. */
const NOW_AND_THEN = 5;
/** Of what is found at once for a stock, so many that give the most area. */
const DENSEST = 40;
const EPS = 1e-6;

/** What no plan can fall below, and what a layout costs more than it is worth. */
export interface Priced {
  readonly bound: number;
  /** Those with nearly nothing are in good plans. */
  readonly excess: (one: LaidOut) => number;
}

/** Puts layouts of no more than what is left into the pool: filled greedily in orders that chance shuffles, and dense ones. */
export function boundedLayouts(
  problem: CuttingProblem,
  pool: LayoutPool,
  left: readonly number[],
  prices: readonly number[],
  shuffles: number,
  random: () => number,
): void {
  const { live, stocks, rules, areas, wanted, rooms, ways, may } = problem;
  for (let round = 0; round < shuffles; round++) {
    const weight = prices.map((price, k) => {
      const rate = round % 2 ? Math.sqrt(areas[k]) : 1;
      return ((price + EPS) * Math.exp(1.2 * (random() - 0.5))) / rate;
    });
    const parting = PARTINGS[round % PARTINGS.length];
    for (const s of live) {
      const layout = layGreedily({
        ...{ wanted, left, stock: stocks[s], lossMm: rules.lossMm, parting },
        rank: (k) => weight[k],
      });
      if (layout.pieces.length) pool.add(s, layout);
    }
  }
  const seen = new Set<string>();
  for (const s of live) {
    const { widthMm, heightMm } = rooms[s];
    const key = `${widthMm} ${heightMm} ${may[s].join()}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const here = left.map((count, k) => (may[s][k] ? count : 0));
    const found = denseLayouts(ways, here, [rooms[s]], rules.lossMm, random);
    const alike = live.filter((k) => `${rooms[k].widthMm} ${rooms[k].heightMm} ${may[k].join()}` === key);
    for (const dense of [...found].sort((a, b) => b.area - a.area).slice(0, DENSEST)) {
      const tree = treeOf(dense, rules.lossMm);
      for (const k of alike) pool.add(k, tree);
    }
  }
}

/**
 * Generates layouts at the prices that the relaxed choice among those before gives (Gilmore and Gomory, 1961 and 1965). What any
 * plan by cuts from edge to edge must cost at these prices is a bound for it: Lagrange's, with as many sheets as there are, and Farley's
 * (A note on bounding a class of linear programming problems, 1990).
 * @param cost of one sheet of each stock
 * @param enough asked with the bound; true ends the work, for no plan can be better than one that is known
 */
export function* betterLayouts(
  problem: CuttingProblem,
  pool: LayoutPool,
  cost: readonly number[],
  solve: Solve,
  enough: (bound: number) => boolean,
): Generator<number, Priced | null, void> {
  const { stocks, rules, demand, areas, rooms, live, may, ways } = problem;
  const dear = dearness(problem, cost);
  const searches = new Map<string, LayoutSearch>();
  const searchOf = (s: number, options: SearchOptions): LayoutSearch => {
    const key = `${rooms[s].widthMm} ${rooms[s].heightMm} ${may[s].join()} ${options.bound} ${options.places}`;
    const here = ways.map((lying, k) => (may[s][k] ? lying : []));
    const made = searches.get(key) ?? layoutSearch(here, rooms[s], rules.lossMm, options);
    searches.set(key, made);
    return made;
  };
  const boundAt = (prices: readonly number[], options: SearchOptions): number => {
    const value = prices.reduce((sum, price, w) => sum + price * demand[w], 0);
    const worth = live.map((s) => {
      const any = searchOf(s, options).best(prices, 'any').value;
      return { s, most: Math.min(any, byArea(prices, demand, areas, may[s], areaOf(rooms[s]))) };
    });
    const lagrange = worth.reduce((sum, { s, most }) => sum + stocks[s].count * Math.min(0, cost[s] - most), value);
    const farley = value * Math.min(1, ...worth.map(({ s, most }) => (most > 0 ? cost[s] / most : 1)));
    return Math.max(lagrange, farley);
  };
  const random = seededRandom(20_261);
  boundedLayouts(problem, pool, demand, areas, SHUFFLES, random);
  yield 0;
  boundedLayouts(problem, pool, demand, areas, SHUFFLES, random);
  let active = pool.all();
  let bound = 0;
  let prices: readonly number[] | null = null;
  for (let round = 1; round <= ROUNDS; round++) {
    const relaxed = relaxedChoice(problem, active, solve, cost, dear);
    if (!relaxed) break;
    const { rents } = relaxed;
    prices = relaxed.prices;
    const now = round % NOW_AND_THEN === 1;
    if (now) bound = Math.max(bound, boundAt(prices, BOUND));
    const before = new Set(pool.all());
    for (const s of live) {
      const ask = (stages: Stages): void => {
        const { value: gain, tree } = searchOf(s, PLAN).best(relaxed.prices, stages);
        if (tree && gain > cost[s] - rents[s] + EPS * Math.max(1, cost[s])) pool.add(s, tree);
      };
      ask('any');
      if (now)
        for (const turns of [2, 3] as const) for (const first of ['upright', 'level'] as const) ask({ turns, first });
    }
    const fresh = pool.all().filter((one) => !before.has(one));
    yield round;
    if (!fresh.length || (now && enough(bound)) || relaxed.value - bound < EPS * Math.max(1, bound)) break;
    active = [...active, ...fresh];
  }
  if (!prices) return null;
  const last = prices;
  if (!enough(bound)) bound = Math.max(bound, boundAt(last, LAST_BOUND));
  return { bound, excess: (one) => cost[one.stock] - one.counts.reduce((sum, count, w) => sum + count * last[w], 0) };
}

/** Dear enough that nothing is missing that can be cut, for 1 mm². */
export const dearness = ({ live, rooms }: CuttingProblem, cost: readonly number[]): number =>
  20 * Math.max(EPS, ...live.map((s) => cost[s] / areaOf(rooms[s])));

/** The most that pieces in the area of one sheet can be worth, none more often than it is wanted. */
function byArea(
  prices: readonly number[],
  demand: readonly number[],
  areas: readonly number[],
  may: readonly boolean[],
  room: number,
): number {
  let [left, sum] = [room, 0];
  const dearest = prices.map((_, w) => w).sort((a, b) => prices[b] / areas[b] - prices[a] / areas[a]);
  for (const w of dearest) {
    if (!may[w]) continue;
    const n = Math.min(demand[w], left / areas[w]);
    sum += n * prices[w];
    left -= n * areas[w];
  }
  return sum;
}
