import { seededRandom } from '../measure/seeded-random';
import { type Aim, sheetCost } from './aims';
import { betterLayouts, type Priced } from './better-layouts';
import { chooseLayouts } from './choose-layouts';
import { type CutsPlanned, type PlannedParent, refuseNonsense } from './cutting';
import { type LaidOut, leftOut } from './layouts';
import { dive } from './dive';
import { leastOf } from './least';
import { listLayouts } from './listed-layouts';
import { asItIs } from './lying';
import { worthKeeping } from './offcuts';
import { planCuts } from './plan-cuts';
import { type CuttingAsked, type CuttingProblem, layoutPool, problemOf } from './problem';
import type { Solve } from './programme';
import type { Proof } from './proof';

/** A cutting plan and how good it is. */
export interface CuttingPlan extends CutsPlanned {
  readonly proof: Proof;
}

/** Where the work is, and the best plan so far. */
export interface CuttingProgress {
  readonly stage: 'first plan' | 'all layouts' | 'better layouts' | 'choosing';
  /** How often layouts were improved. */
  readonly rounds: number;
  readonly best: CuttingPlan;
}

/** Layouts that are chosen among where not all are known: those that are dear for what they give are left out. */
const MOST_LAYOUTS = 500;
/** Dives into whole plans from the relaxed choice. */
const DIVES = { short: 2, long: 24 } as const;
const EPS = 1e-6;

/**
 * The best cutting plan that is found, step by step so that it can be shown and stopped. Where all layouts of a sheet can be
 * listed, the choice among them is the best of all plans by cuts from edge to edge. Else layouts are generated, and the choice is held
 * against a bound for all such plans (`betterLayouts`) and against the area of what is wanted, both rounded up to what whole
 * sheets of this stock add up to.
 * @example for (const { best } of planCutting({ wanted, stock, rules: USUAL_CUT_RULES, aims: ['paper'], patience: 'short' }, solve)) show(best);
 * @param solve for whole and relaxed programmes, for example `solverOf(await loadHighs())`
 * @throws RangeError for a count or a size that is no such thing
 */
export function* planCutting(asked: CuttingAsked, solve: Solve): Generator<CuttingProgress, CuttingPlan, void> {
  const { wanted, stock, rules } = asked;
  refuseNonsense(wanted);
  const problem = problemOf(asked);
  const { stocks, aims } = problem;
  const [first] = aims;
  const perSheet = stocks.map((one) => sheetCost(first, one, stocks));
  // Where cuts come first, what is proven is how much paper any plan takes.
  const linear = perSheet.some((cost) => cost === null) ? null : (perSheet as number[]);
  const cost = linear ?? stocks.map((one) => sheetCost('paper', one, stocks)!);
  // Where all sheets cost the same, a plan costs so many times that.
  const [some, ...others] = problem.live.map((s) => cost[s]);
  const step = some > 0 && others.every((other) => Math.abs(other - some) <= EPS * some) ? some : null;
  const rounded = (bound: number | null): number | null => leastOf(problem, solve, cost, bound, cost);
  const proof = (planned: CutsPlanned, bound: number | null, proven: boolean): Proof => {
    const value = valueOf(first, planned, problem);
    const whole = planned.missing.every((count) => count === 0);
    const sheets = planned.parents.reduce((sum, one) => sum + one.sheets, 0);
    if (!whole) return { aim: first, value, sheets, whole, least: null, leastSheets: null };
    const least = linear && (proven ? value : rounded(bound));
    // Sheets of one size can be counted; of several, fewer is not less.
    const fewest = step && least !== null ? Math.round(least / step) : null;
    return {
      ...{ aim: first, value, sheets, whole },
      least: least === null ? null : Math.min(value, least),
      leastSheets: fewest === null ? null : Math.min(sheets, fewest),
    };
  };

  let plan: CutsPlanned = planCuts(wanted, stock, rules);
  let best: CuttingPlan = { ...plan, proof: proof(plan, null, false) };
  yield { stage: 'first plan', rounds: 0, best };

  const pool = layoutPool(problem);
  for (const { stockId, pieces, cuts, offcuts } of plan.parents) {
    const s = stock.findIndex(({ id }) => id === stockId);
    pool.add(s, asItIs(stock[s], { pieces, cuts, rests: offcuts }));
  }
  const complete = listLayouts(problem, pool);
  yield { stage: 'all layouts', rounds: 0, best };

  let priced: Priced | null = null;
  if (!complete) {
    const enough = (bound: number): boolean => {
      const least = step === null ? bound : step * Math.ceil(bound / step - EPS);
      return linear !== null && best.proof.whole && least >= best.proof.value * (1 - EPS);
    };
    const work = betterLayouts(problem, pool, cost, solve, enough);
    for (let step = work.next(); ; step = work.next()) {
      if (step.done) {
        priced = step.value;
        break;
      }
      yield { stage: 'better layouts', rounds: step.value, best };
    }
  }

  const bound = priced?.bound ?? null;
  const consider = (found: CutsPlanned): void => {
    if (!isWorse(found, plan, problem)) plan = found;
  };
  if (priced) {
    const random = seededRandom(77);
    for (let k = 0; k < DIVES[asked.patience]; k++) {
      for (const taken of dive(problem, pool, cost, solve, random))
        consider(partedOut([...taken.values()], [...taken.keys()], asked, problem));
      best = { ...plan, proof: proof(plan, bound, false) };
      yield { stage: 'choosing', rounds: k, best };
    }
  }
  yield { stage: 'choosing', rounds: 0, best };
  const from = likeliest(pool.all(), complete ? null : priced);
  const chosen = chooseLayouts(problem, from, solve, linear && rounded(bound));
  if (chosen) consider(partedOut(chosen.times, from, asked, problem));
  const proven = complete && (chosen?.proven ?? false) && linear !== null;
  best = { ...plan, proof: proof(plan, bound, proven) };
  return best;
}

/** Layouts that may be in the best plan: all of them, or where not all were found those that are worth most. */
function likeliest(all: readonly LaidOut[], priced: Priced | null): readonly LaidOut[] {
  if (!priced || all.length <= MOST_LAYOUTS) return all;
  return all
    .map((one) => ({ one, excess: priced.excess(one) }))
    .sort((a, b) => a.excess - b.excess)
    .slice(0, MOST_LAYOUTS)
    .map(({ one }) => one);
}

/** The sheets that were chosen, without what nobody wanted. */
function partedOut(
  times: readonly number[],
  from: readonly LaidOut[],
  { stock, rules }: CuttingAsked,
  { stocks, demand }: CuttingProblem,
): CutsPlanned {
  const sheets = from.flatMap((one, k) => Array.from({ length: times[k] }, () => one));
  const over = demand.map((count, w) => sheets.reduce((sum, { counts }) => sum + counts[w], 0) - count);
  // The emptiest first: it may then not be needed at all.
  sheets.sort((a, b) => b.wasteMm2 - a.wasteMm2);
  const groups = new Map<string, { readonly one: LaidOut; readonly sheets: number }>();
  for (const sheet of sheets) {
    let one = sheet;
    for (const w of demand.keys())
      for (; over[w] > 0 && one.counts[w] > 0; over[w]--) one = leftOut(one, w, stocks, rules);
    if (!one.layout.pieces.length) continue;
    const key = `${one.stock} ${JSON.stringify(one.layout.pieces)}`;
    groups.set(key, { one, sheets: (groups.get(key)?.sheets ?? 0) + 1 });
  }
  const parents = [...groups.values()]
    .sort((a, b) => a.one.stock - b.one.stock || b.one.layout.pieces.length - a.one.layout.pieces.length)
    .map(({ one, sheets: n }): PlannedParent => {
      const { pieces, cuts, rests } = asItIs(stock[one.stock], one.layout);
      return { stockId: stock[one.stock].id, sheets: n, pieces, cuts, offcuts: worthKeeping(rests, rules) };
    });
  const given = (w: number): number =>
    parents.reduce((sum, one) => sum + one.sheets * one.pieces.filter(({ wanted }) => wanted === w).length, 0);
  return { parents, missing: demand.map((count, w) => Math.max(0, count - given(w))) };
}

function valueOf(aim: Aim, { parents }: CutsPlanned, { stocks }: CuttingProblem): number {
  const byId = new Map(stocks.map((one) => [one.id, one]));
  return parents.reduce(
    (sum, { stockId, sheets, cuts }) => sum + sheets * (sheetCost(aim, byId.get(stockId)!, stocks) ?? cuts.length),
    0,
  );
}

/** Whether one plan lacks more than another, or the same and is dearer by the first aim on which they differ. */
function isWorse(a: CutsPlanned, b: CutsPlanned, problem: CuttingProblem): boolean {
  const lacks = ({ missing }: CutsPlanned): number =>
    missing.reduce((sum, count, w) => sum + count * problem.areas[w], 0);
  if (Math.abs(lacks(a) - lacks(b)) > EPS) return lacks(a) > lacks(b);
  for (const aim of problem.aims) {
    const [p, q] = [valueOf(aim, a, problem), valueOf(aim, b, problem)];
    if (Math.abs(p - q) > EPS * Math.max(1, q)) return p > q;
  }
  return false;
}
