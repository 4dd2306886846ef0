import * as fc from 'fast-check';
import loadHighs from 'highs';
import {
  AIMS,
  areaOf,
  type CuttingAsked,
  type CuttingPlan,
  type CuttingProgress,
  gapOf,
  planCuts,
  planCutting,
  type Solve,
  solverOf,
  USUAL_CUT_RULES,
} from '../../src/index';
import { runs } from '../runs';
import { faultsOf } from './cutting-checker';
import { lossMm, plain, sheets, sheetsTaken, stockSheets, wantedSheet } from './cutting-requests';

let solve: Solve;
beforeAll(async () => {
  solve = solverOf(await loadHighs());
});

function planned(asked: Partial<CuttingAsked> & Pick<CuttingAsked, 'wanted' | 'stock'>): CuttingPlan {
  const work = planCutting({ rules: USUAL_CUT_RULES, aims: ['paper'], patience: 'short', ...asked }, solve);
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
  }
}

/**
 * Whether pieces come out of a sheet by straight cuts, by trying each cut at each whole unit and each way to share the pieces
 * out among its two sides.
 */
function comesOut(
  w: number,
  h: number,
  pieces: readonly (readonly [number, number])[],
  seen: Map<string, boolean>,
): boolean {
  if (!pieces.length) return true;
  if (pieces.reduce((sum, [a, b]) => sum + a * b, 0) > w * h) return false;
  if (pieces.length === 1) {
    const [[a, b]] = pieces;
    return (a <= w && b <= h) || (b <= w && a <= h);
  }
  const key = `${w} ${h} ${pieces.map((p) => p.join('x')).join()}`;
  const known = seen.get(key);
  if (known !== undefined) return known;
  const split = (at: number, upright: boolean): boolean => {
    for (let mask = 1; mask < 2 ** pieces.length - 1; mask++) {
      const [a, b] = [0, 1].map((side) => pieces.filter((_, k) => ((mask >> k) & 1) === side));
      const [first, second] = upright
        ? [comesOut(at, h, a, seen), () => comesOut(w - at, h, b, seen)]
        : [comesOut(w, at, a, seen), () => comesOut(w, h - at, b, seen)];
      if (first && second()) return true;
    }
    return false;
  };
  let found = false;
  for (let at = 1; at < w && !found; at++) found = split(at, true);
  for (let at = 1; at < h && !found; at++) found = split(at, false);
  seen.set(key, found);
  return found;
}

/** The fewest sheets that give all pieces, by trying every way to share them out. */
function fewestSheets(w: number, h: number, pieces: readonly (readonly [number, number])[]): number {
  const seen = new Map<string, boolean>();
  let best = pieces.length;
  const share = (k: number, groups: (readonly [number, number])[][]): void => {
    if (groups.length >= best) return;
    if (k === pieces.length) {
      best = groups.length;
      return;
    }
    for (const group of groups)
      if (comesOut(w, h, [...group, pieces[k]], seen)) {
        group.push(pieces[k]);
        share(k + 1, groups);
        group.pop();
      }
    share(k + 1, [...groups, [pieces[k]]]);
  };
  share(0, []);
  return best;
}

describe('a cutting plan', () => {
  it('can be cut as it is told and gives what was wanted, whatever is asked of it first', () =>
    fc.assert(
      fc.property(
        fc.array(wantedSheet(6), { minLength: 1, maxLength: 6 }),
        stockSheets(4),
        lossMm,
        fc.shuffledSubarray([...AIMS], { minLength: 1 }),
        (wanted, stock, loss, aims) => {
          const rules = { lossMm: loss, leastOffcutMm: 40 };
          const plan = planned({ wanted, stock, rules, aims });
          expect(faultsOf(plan, wanted, stock, rules)).toEqual([]);
          // Never worse than what is found at once.
          const lacking = (missing: readonly number[]): number =>
            missing.reduce(
              (sum, n, k) =>
                sum +
                n *
                  (wanted[k].outline.widthMm + 2 * wanted[k].trim) *
                  (wanted[k].outline.heightMm + 2 * wanted[k].trim),
              0,
            );
          const quick = planCuts(wanted, stock, rules);
          expect(lacking(plan.missing)).toBeLessThanOrEqual(lacking(quick.missing) + 1e-6);
          const { value, least } = plan.proof;
          if (least !== null) expect(least).toBeLessThanOrEqual(value + 1e-9);
        },
      ),
      { numRuns: runs(60, 1000) },
    ));

  it('takes as few sheets as there can be, by a search through every cut at every place', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 7 }),
        fc.integer({ min: 3, max: 7 }),
        fc.array(fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 5 })), {
          minLength: 2,
          maxLength: 6,
        }),
        (w, h, sizes) => {
          const pieces = sizes.filter(([a, b]) => (a <= w && b <= h) || (b <= w && a <= h));
          fc.pre(pieces.length > 0);
          const plan = planned({
            wanted: pieces.map(([a, b]) => plain(40 * a, 40 * b, 1)),
            stock: [sheets(40 * w, 40 * h, 6)],
          });
          const fewest = fewestSheets(w, h, pieces);
          expect(sheetsTaken(plan)).toBe(fewest);
          expect(plan.proof.leastSheets).toBe(fewest);
        },
      ),
      { numRuns: runs(60, 600) },
    ));

  it('never claims more than is so: what is proven of many sheets holds for a plan that is known to exist', () =>
    fc.assert(
      fc.property(
        // Sheets that were cut into nothing but wanted pieces can be cut so again.
        fc.array(
          fc.array(fc.tuple(fc.double({ min: 0.2, max: 0.8, noNaN: true }), fc.boolean()), {
            minLength: 1,
            maxLength: 5,
          }),
          { minLength: 2, maxLength: 4 },
        ),
        (all) => {
          const [w, h] = [420, 297];
          const wanted = all.flatMap((cuts) => {
            let rest: readonly [number, number] = [w, h];
            const out: (readonly [number, number])[] = [];
            for (const [share, upright] of cuts) {
              const [a, b] = rest;
              const at = Math.round((upright ? a : b) * share);
              out.push(upright ? [at, b] : [a, at]);
              rest = upright ? [a - at, b] : [a, b - at];
            }
            return [...out, rest].filter(([a, b]) => a > 0 && b > 0).map(([a, b]) => plain(a, b, 1));
          });
          const { proof } = planned({ wanted, stock: [sheets(w, h, 20)] });
          expect(proof.leastSheets).toBeLessThanOrEqual(all.length);
          expect(proof.leastSheets).toBeGreaterThan(0);
          expect(proof.least).toBeLessThanOrEqual(all.length * w * h + 1e-6);
        },
      ),
      { numRuns: runs(8, 200) },
    ));

  it('spares whole sheets, money or paper as it is asked', () => {
    const wanted = [plain(100, 100, 4)];
    const stock = [
      { ...sheets(400, 100, 1), id: 'whole', cost: 1 },
      { ...sheets(220, 210, 1), id: 'rest', offcut: true },
      { ...sheets(200, 200, 1), id: 'dear', cost: 50 },
    ];
    const from = (aim: (typeof AIMS)[number]): string[] =>
      planned({ wanted, stock, aims: [aim] }).parents.map(({ stockId }) => stockId);
    expect(from('whole')).toEqual(['rest']);
    expect(from('offcuts')).toEqual(['rest']);
    expect(from('cost')).toEqual(['rest']);
    expect(['whole', 'dear']).toContain(from('paper')[0]);
    expect(from('cuts')).not.toEqual(['rest']);
  });

  it('tells its first plan at once and better ones later, and may be stopped between', () => {
    const wanted = Array.from({ length: 9 }, (_, k) => plain(60 + 17 * k, 45 + 11 * k, 3));
    const work = planCutting(
      { wanted, stock: [sheets(420, 297, 40)], rules: USUAL_CUT_RULES, aims: ['paper'], patience: 'short' },
      solve,
    );
    const told: CuttingProgress[] = [];
    let last: CuttingPlan | null = null;
    while (!last) {
      const { done, value } = work.next();
      if (done) last = value;
      else told.push(value);
    }
    expect(told[0].stage).toBe('first plan');
    expect(told[0].best.missing.every((n) => n === 0)).toBe(true);
    expect(told.map(({ stage }) => stage)).toContain('better layouts');
    expect(gapOf(last.proof)).toBeLessThan(0.1);
    expect(sheetsTaken(last)).toBeLessThanOrEqual(sheetsTaken(told[0].best));
  });

  it('has nothing to do where nothing is wanted, and nothing to give where nothing lies on the shelf', () => {
    expect(planned({ wanted: [], stock: [sheets(100, 100, 1)] }).parents).toEqual([]);
    expect(planned({ wanted: [plain(50, 50, 2)], stock: [] })).toMatchObject({ parents: [], missing: [2] });
    expect(planned({ wanted: [plain(50, 50, 0)], stock: [sheets(100, 100, 1)] }).parents).toEqual([]);
    expect(areaOf(plain(50, 40, 1).outline)).toBe(2000);
  });
});
