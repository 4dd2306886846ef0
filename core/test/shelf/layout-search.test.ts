import * as fc from 'fast-check';
import { parseCuttingList, planCuts, scrapOf, gapInWords, type Proof } from '../../src/index';
import { allLayouts } from '../../src/shelf/all-layouts';
import { layoutSearch, type Stages } from '../../src/shelf/best-layout';
import { type CutTree, layTree } from '../../src/shelf/cut-tree';
import { denseLayouts, treeOf } from '../../src/shelf/dense-layouts';
import { waysOf } from '../../src/shelf/lying';
import { seededRandom } from '../../src/index';
import { separable } from './cutting-checker';
import { plain, sheets } from './cutting-requests';

const size = fc.tuple(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 2, max: 9 }));
const request = fc.record({
  sizes: fc.array(size, { minLength: 1, maxLength: 4 }),
  prices: fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 4, maxLength: 4 }),
  w: fc.integer({ min: 4, max: 16 }),
  h: fc.integer({ min: 4, max: 16 }),
  loss: fc.constantFrom(0, 0, 1),
});
const STAGES: readonly Stages[] = [
  { turns: 2, first: 'upright' },
  { turns: 2, first: 'level' },
  { turns: 3, first: 'upright' },
  { turns: 3, first: 'level' },
  'any',
];

/** The most that any cuts at whole units get out of a room, by the definition. */
function mostBy(w: number, h: number, worth: (w: number, h: number) => number, loss: number): number {
  const seen = new Map<number, number>();
  const best = (a: number, b: number): number => {
    const key = a * 100 + b;
    const known = seen.get(key);
    if (known !== undefined) return known;
    let most = worth(a, b);
    for (let x = 1; x + loss < a; x++) most = Math.max(most, best(x, b) + best(a - x - loss, b));
    for (let y = 1; y + loss < b; y++) most = Math.max(most, best(a, y) + best(a, b - y - loss));
    seen.set(key, most);
    return most;
  };
  return best(w, h);
}

function worthOf(tree: CutTree | null, prices: readonly number[]): number {
  if (!tree) return 0;
  return 'first' in tree ? worthOf(tree.first, prices) + worthOf(tree.second, prices) : prices[tree.wanted];
}

/** How often the cuts of a tree turn, from the outside in. */
function turnsOf(tree: CutTree | null, last: string | null = null): number {
  if (!tree || !('first' in tree)) return 0;
  const own = tree.runs === last ? 0 : 1;
  return own + Math.max(turnsOf(tree.first, tree.runs), turnsOf(tree.second, tree.runs));
}

describe('the search for the layout that is worth most', () => {
  it('finds what trying every cut at every place finds, with no more turns than are asked', () =>
    fc.assert(
      fc.property(request, ({ sizes, prices, w, h, loss }) => {
        const ways = sizes.map(([a, b]) => waysOf(plain(a, b, 1)));
        const worth = (x: number, y: number): number =>
          Math.max(0, ...sizes.map(([a, b], k) => ((a <= x && b <= y) || (b <= x && a <= y) ? prices[k] : 0)));
        const room = { widthMm: w, heightMm: h };
        const search = layoutSearch(ways, room, loss, { bound: false, places: 200 });
        const found = STAGES.map((stages) => search.best(prices, stages));
        expect(found[4].value).toBe(mostBy(w, h, worth, loss));
        found.forEach(({ value, tree }, k) => {
          expect(worthOf(tree, prices)).toBe(value);
          expect(value).toBeLessThanOrEqual(found[4].value);
          const stages = STAGES[k];
          if (stages !== 'any') expect(turnsOf(tree)).toBeLessThanOrEqual(stages.turns);
          if (!tree) return;
          const { pieces } = layTree(tree, { size: room, margins: 0 }, loss);
          expect(pieces.every((one) => one.xMm + one.widthMm <= w + 1e-9 && one.yMm + one.heightMm <= h + 1e-9)).toBe(
            true,
          );
          expect(separable(pieces, loss)).toBe(true);
        });
        // Two turns may always be used as three.
        expect(found[0].value).toBeLessThanOrEqual(found[2].value);
        expect(found[1].value).toBeLessThanOrEqual(found[3].value);
      }),
      { numRuns: 150 },
    ));

  it('on a coarse grid never tells more as a plan, nor less as a bound', () =>
    fc.assert(
      fc.property(request, ({ sizes, prices, w, h, loss }) => {
        const ways = sizes.map(([a, b]) => waysOf(plain(10 * a + 0.7, 10 * b + 0.3, 1)));
        const room = { widthMm: 10 * w, heightMm: 10 * h };
        const at = (bound: boolean, places: number): number =>
          layoutSearch(ways, room, loss, { bound, places }).best(prices, 'any').value;
        const exact = at(false, 4000);
        expect(at(false, 12)).toBeLessThanOrEqual(exact);
        expect(at(true, 12)).toBeGreaterThanOrEqual(exact);
      }),
      { numRuns: 60 },
    ));
});

describe('all layouts of a sheet', () => {
  it('hold whatever the search and the dense ones find, each of no more than is wanted', () =>
    fc.assert(
      fc.property(request, fc.integer({ min: 1, max: 2 }), ({ sizes, prices, w, h, loss }, count) => {
        const ways = sizes.map(([a, b]) => waysOf(plain(a, b, count)));
        const most = sizes.map(() => count);
        const room = { widthMm: w, heightMm: h };
        const { bundles, all } = allLayouts(ways, most, [room], loss, 1e7);
        expect(all).toBe(true);
        const keys = new Set(bundles.map(({ counts }) => counts.join()));
        for (const { counts, boxes, treeOf } of bundles) {
          expect(counts.every((n, k) => n <= most[k])).toBe(true);
          boxes.forEach((box, k) => expect(treeOf(k)).toMatchObject(box));
        }
        for (const dense of denseLayouts(ways, most, [room], loss, seededRandom(5))) {
          const { counts, widthMm, heightMm } = dense;
          expect(keys.has([...counts].join())).toBe(true);
          expect(treeOf(dense, loss)).toMatchObject({ widthMm, heightMm });
        }
        const { tree } = layoutSearch(ways, room, loss, { bound: false, places: 200 }).best(prices, 'any');
        const used = most.map((_, k) =>
          worthOf(
            tree,
            most.map((__, i) => (i === k ? 1 : 0)),
          ),
        );
        if (used.every((n, k) => n <= most[k]) && used.some((n) => n > 0)) expect(keys.has(used.join())).toBe(true);
      }),
      { numRuns: 60 },
    ));
});

describe('what is left on the table', () => {
  it('with what was wanted and kept makes up the sheet, where a cut takes nothing', () =>
    fc.assert(
      fc.property(fc.array(size, { minLength: 1, maxLength: 4 }), (sizes) => {
        const wanted = sizes.map(([a, b]) => plain(20 * a, 20 * b, 2));
        const stock = sheets(420, 297, 9);
        for (const parent of planCuts(wanted, [stock]).parents) {
          const all = [...parent.pieces, ...parent.offcuts, ...scrapOf(parent, stock.size, 0)];
          expect(all.reduce((sum, one) => sum + one.widthMm * one.heightMm, 0)).toBeCloseTo(420 * 297, 4);
        }
      }),
    ));
});

describe('a list of sheets as it is typed', () => {
  it.each([
    ['4 x 150 x 99 pockets', { count: 4, widthMm: 150, heightMm: 99, name: 'pockets', mayTurn: true, grain: null }],
    ['150x99', { count: 1, widthMm: 150, heightMm: 99, name: '' }],
    ['12 × 40 x 297 strips, grain along', { count: 12, widthMm: 40, name: 'strips', grain: 'along' }],
    ['2 A5 labels, not turned', { count: 2, widthMm: 210, heightMm: 148, name: 'labels', mayTurn: false }],
    [
      '3 of 8 1/2 x 11 in covers',
      {
        count: 3,
        widthMm: expect.closeTo(215.9, 6) as number,
        heightMm: expect.closeTo(279.4, 6) as number,
        name: 'covers',
      },
    ],
    ['5 sheets of 10 x 12 cm', { count: 5, widthMm: 100, heightMm: 120, name: '' }],
  ])('reads %s', (text, told) => expect(parseCuttingList(text, 'mm')).toMatchObject({ sheets: [told], unread: [] }));

  it('names each line that cannot be read, and keeps the others', () => {
    const { sheets: read, unread } = parseCuttingList('4 x 150 x 99\n\nsome squares\n900 x 20 x 20 x', 'mm');
    expect(read).toHaveLength(1);
    expect(unread.map(({ line }) => line)).toEqual([3, 4]);
    expect(unread[0].why).toContain('for example');
  });

  it('never throws', () =>
    fc.assert(
      fc.property(fc.string(), (text) => {
        const { sheets: read } = parseCuttingList(text, 'mm');
        for (const one of read) expect(one.count >= 1 && one.widthMm > 0 && one.heightMm > 0).toBe(true);
      }),
      { numRuns: 500 },
    ));
});

describe('how good a plan is, in words', () => {
  const proof: Proof = { aim: 'paper', value: 2, least: 2, sheets: 2, leastSheets: 2, whole: true };
  it.each([
    [{}, '2 sheets; no plan can do with 1.'],
    [{ sheets: 1, leastSheets: 1 }, 'One sheet does.'],
    [{ least: 1, leastSheets: 1 }, '2 sheets; perhaps one fewer would do.'],
    [{ leastSheets: null }, '2 sheets; no plan takes less paper.'],
    [{ least: 1.9, leastSheets: null }, '2 sheets; another plan may take up to 5 % less paper.'],
    [{ whole: false, least: null, leastSheets: null }, '2 sheets, and some are missing.'],
    [{ aim: 'cuts', least: null, leastSheets: null }, '2 sheets; the fewest cuts among the plans that were tried.'],
  ] as const)('%j: %s', (more, words) => expect(gapInWords({ ...proof, ...more })).toBe(words));
});
