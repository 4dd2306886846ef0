import * as fc from 'fast-check';
import { planCuts, USUAL_CUT_RULES } from '../../src/index';
import { runs } from '../runs';
import { faultsOf, separable } from './cutting-checker';
import { lossMm, plain, sheets, stockSheets, wantedSheet } from './cutting-requests';

describe('the checker of cutting plans', () => {
  const rect = (xMm: number, yMm: number, widthMm: number, heightMm: number) => ({ xMm, yMm, widthMm, heightMm });

  it('knows that a pinwheel cannot be parted by straight cuts, nor what lies closer than a cut is broad', () => {
    const pinwheel = [rect(0, 0, 2, 1), rect(2, 0, 1, 2), rect(1, 2, 2, 1), rect(0, 1, 1, 2)];
    expect(separable(pinwheel, 0)).toBe(false);
    expect(separable([...pinwheel.slice(0, 3), rect(0, 2, 1, 1)], 0)).toBe(true);
    expect(separable([rect(0, 0, 2, 2), rect(2.4, 0, 2, 2)], 0.5)).toBe(false);
  });

  it('finds what is wrong with a plan that was spoiled', () => {
    const [wanted, stock] = [[plain(100, 60, 2)], [sheets(210, 60, 1)]];
    const plan = planCuts(wanted, stock);
    const faults = (change: object): string[] =>
      faultsOf({ ...plan, parents: [{ ...plan.parents[0], ...change }] }, wanted, stock, USUAL_CUT_RULES);
    expect(faults({})).toEqual([]);
    const [first] = plan.parents[0].pieces;
    expect(faults({ pieces: [first, first] })).toContain('not to be parted by straight cuts');
    expect(faults({ sheets: 2 }).join()).toMatch(/2 of 1 sheets/);
    expect(faults({ cuts: [] })).toContain('a piece is never cut out');
    expect(faults({ pieces: [{ ...first, xMm: 150 }] })).toContain('outside the sheet, or in its margin');
  });
});

describe('a cutting plan that is found at once', () => {
  it('can be cut as it is told, and gives what was wanted or says what is missing', () =>
    fc.assert(
      fc.property(
        fc.array(wantedSheet(7), { minLength: 1, maxLength: 4 }),
        stockSheets(3),
        lossMm,
        (wanted, stock, loss) => {
          const rules = { ...USUAL_CUT_RULES, lossMm: loss };
          expect(faultsOf(planCuts(wanted, stock, rules), wanted, stock, rules)).toEqual([]);
        },
      ),
      { numRuns: runs(300, 5000) },
    ));

  it('of what a sheet holds side by side takes as few sheets as that', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: 90 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 3 }),
        (side, across, up, times) => {
          const count = across * up * times;
          const { parents, missing } = planCuts([plain(side, side, count)], [sheets(side * across, side * up, 9)]);
          expect(missing).toEqual([0]);
          expect(parents).toHaveLength(1);
          expect(parents[0].sheets).toBe(times);
          // Straight cuts part so many pieces, no fewer.
          expect(parents[0].cuts).toHaveLength(across * up - 1);
        },
      ),
    ));

  it('squares an oblong by one cut, and needs none where the sheet is right', () => {
    expect(planCuts([plain(210, 210, 1)], [sheets(297, 210, 2)]).parents).toMatchObject([
      { sheets: 1, cuts: [{ runs: 'upright', atMm: 210 }], offcuts: [{ xMm: 210, widthMm: 87, heightMm: 210 }] },
    ]);
    expect(planCuts([plain(150, 150, 3)], [sheets(150, 150, 3)]).parents).toMatchObject([
      { sheets: 3, cuts: [], offcuts: [] },
    ]);
  });

  it('takes offcuts first, and turns a sheet that fits only across', () => {
    const offcut = { ...sheets(100, 200, 1), id: 'b', offcut: true };
    const { parents } = planCuts([plain(190, 90, 2)], [sheets(400, 400, 1), offcut]);
    expect(parents.map(({ stockId }) => stockId)).toEqual(['b', 'a']);
    expect(parents[0].pieces[0].turned).toBe(true);
  });

  it('refuses what is no count and no size', () => {
    expect(() => planCuts([plain(100, 100, -1)], [])).toThrow(RangeError);
    expect(() => planCuts([plain(0, 100, 1)], [])).toThrow(RangeError);
  });
});
