import {
  changesSince,
  type CuttingLine,
  cuttingAsked,
  type CuttingPlanKept,
  doneOf,
  type Job,
  linesOf,
  makesOwnPlan,
  type Paper,
  parentsOf,
  reservedBy,
  shoppingList,
  stockOf,
  USUAL_CUTTING,
} from '@odd-corner/contract';
import { planCuts, USUAL_CUT_RULES } from '@odd-corner/core';
import { randomUUID } from 'node:crypto';
import { bench, KRAFT, post, watchJob } from './workshop';

const idOf = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const paper = (n: number, more: Partial<Paper> = {}): Paper => ({
  ...KRAFT,
  id: idOf(n),
  version: 1,
  reserved: 0,
  ...more,
});
const line = (more: Partial<CuttingLine> = {}): CuttingLine => ({
  ...{ name: 'Pocket', widthMm: 150, heightMm: 100, count: 6, mayTurn: true, grain: null, papers: null },
  ...{ makeId: null, entryKey: null, ...more },
});

function kept(lines: readonly CuttingLine[], papers: readonly Paper[], done: readonly boolean[] = []): CuttingPlanKept {
  const stock = stockOf(papers, USUAL_CUTTING, 'EUR');
  const { wanted } = cuttingAsked(lines, USUAL_CUTTING, stock, 'short');
  const planned = planCuts(wanted, stock, USUAL_CUT_RULES);
  return {
    ...{ id: randomUUID(), version: 1, title: 'Pockets', lines: [...lines], options: USUAL_CUTTING },
    ...{ missing: [...planned.missing], createdAt: '2026-11-01T00:00:00Z', updatedAt: '2026-11-01T00:00:00Z' },
    proof: { aim: 'paper', value: 1, least: null, sheets: 1, leastSheets: null, whole: true },
    parents: parentsOf(planned, papers, randomUUID).map((parent, k) => ({ ...parent, done: done[k] ?? false })),
  };
}

describe('what is asked of a cutting plan', () => {
  it('is what is free of each paper, with what the plan itself reserves', () => {
    const papers = [paper(1, { count: 5, reserved: 3 }), paper(2, { offcut: true, count: 2 })];
    expect(stockOf(papers, USUAL_CUTTING, 'EUR').map(({ count }) => count)).toEqual([2, 2]);
    expect(stockOf(papers, { offcuts: false }, 'EUR', new Map([[idOf(1), 3]]))).toMatchObject([{ count: 5 }]);
    expect(stockOf([paper(1, { reserved: 9 })], USUAL_CUTTING, 'EUR')[0].count).toBe(0);
  });

  it('compares prices in one currency only', () => {
    const priced = paper(1, { price: { minor: 500, currency: 'GBP', sheets: 10 } });
    expect(stockOf([priced], USUAL_CUTTING, 'GBP')[0].cost).toBe(50);
    expect(stockOf([priced], USUAL_CUTTING, 'EUR')[0].cost).toBeNull();
  });

  it('leaves out what is cut already', () => {
    const plan = kept([line({ count: 12 })], [paper(1, { count: 3 })], [true, false]);
    const [done] = doneOf(plan);
    expect(done).toBeGreaterThan(0);
    const { wanted } = cuttingAsked(plan.lines, plan.options, [], 'short', doneOf(plan));
    expect(wanted[0].count).toBe(12 - done);
  });

  it('takes a make’s sheets from its own papers and from what was left of them', async () => {
    const b = bench();
    const own = await post<Paper>(b, '/api/papers', { ...KRAFT, id: randomUUID() });
    const job = await post<Job>(b, '/api/jobs', { ...watchJob(own.id), id: randomUUID() });
    const rest = paper(7, { offcut: true, offcutOf: own.id });
    const lines = linesOf(job.makes[0], [own, rest, paper(8)], (key) => key);
    expect(lines.map(({ papers }) => papers)).toEqual([
      [own.id, rest.id],
      [own.id, rest.id],
    ]);
    expect(linesOf(job.makes[0], [], (key) => key)).toEqual([]);
    const stock = stockOf([own, rest], USUAL_CUTTING, 'EUR');
    const { wanted } = cuttingAsked(lines, USUAL_CUTTING, stock, 'short');
    const plan = makesOwnPlan(planCuts(wanted, stock), lines);
    expect(plan?.parents.flatMap(({ pieces }) => pieces.map(({ entryKey }) => entryKey)).sort()).toEqual([
      'lid',
      'tray',
    ]);
    expect(makesOwnPlan({ parents: [], missing: [] }, lines)).toBeNull();
  });
});

describe('a plan that was kept', () => {
  it('says what has changed on the shelf, and nothing as long as it can be cut', () => {
    const there = paper(1, { count: 3 });
    const plan = kept([line()], [there]);
    const needs = reservedBy(plan).get(there.id) ?? 0;
    expect(needs).toBeGreaterThan(0);
    const reserved = { ...there, reserved: needs };
    expect(changesSince(plan, [reserved])).toEqual([]);
    expect(changesSince(plan, [{ ...reserved, count: needs - 1 }])).toEqual([
      `“Kraft A3” has ${needs - 1} sheets for it, ${needs} are needed.`,
    ]);
    expect(changesSince(plan, [{ ...reserved, widthMm: 400 }])).toEqual(['“Kraft A3” has another size now.']);
    expect(changesSince(plan, [])).toEqual(['“Kraft A3” is not on the shelf any more.']);
    const cut = { ...plan, parents: plan.parents.map((one) => ({ ...one, done: true })) };
    expect(changesSince(cut, [])).toEqual([]);
  });
});

describe('a shopping list', () => {
  it('has what planned jobs lack beyond what is free, and what runs low', async () => {
    const b = bench();
    const own = await post<Paper>(b, '/api/papers', { ...KRAFT, id: randomUUID(), count: 1 });
    const jobs = [1, 2, 3].map(() => ({ ...watchJob(own.id), id: randomUUID() }));
    const made = await Promise.all(jobs.map((job) => post<Job>(b, '/api/jobs', job)));
    expect(shoppingList(made, [own])).toMatchObject([{ lacking: 2, low: false, jobs: [made[0].title] }]);
    expect(shoppingList(made.slice(0, 1), [own])).toEqual([]);
    expect(shoppingList([], [{ ...own, lowMark: 1 }])).toMatchObject([{ lacking: 0, low: true, jobs: [] }]);
    expect(
      shoppingList(
        made.map((job) => ({ ...job, archivedAt: '2026-11-02T00:00:00Z' })),
        [own],
      ),
    ).toEqual([]);
  });
});
