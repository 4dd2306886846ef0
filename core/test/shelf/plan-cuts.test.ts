import * as fc from 'fast-check';
import { type CutRect, LEAST_OFFCUT_MM, planCuts, type PlannedParent, type StockSheets } from '../../src/index';
import type { WantedSheet } from '../../src/index';

const mm = fc.integer({ min: 40, max: 500 });
const wantedSheet: fc.Arbitrary<WantedSheet> = fc.record({
  outline: fc.record({ widthMm: mm, heightMm: mm }),
  mayTurn: fc.boolean(),
  grain: fc.constantFrom(null, 'along', 'across'),
  side: fc.constant(null),
  trim: fc.constantFrom(0, 0, 2),
  count: fc.integer({ min: 0, max: 7 }),
});
const stockSheet: fc.Arbitrary<StockSheets> = fc.record({
  id: fc.uuid(),
  version: fc.constant(1),
  size: fc.record({ widthMm: fc.integer({ min: 40, max: 900 }), heightMm: fc.integer({ min: 40, max: 900 }) }),
  margins: fc.constantFrom(0, 0, 5),
  count: fc.integer({ min: 0, max: 5 }),
  offcut: fc.boolean(),
});
const orders = fc.tuple(
  fc.array(wantedSheet, { minLength: 1, maxLength: 4 }),
  fc.array(stockSheet, { minLength: 1, maxLength: 3 }),
);

const within = (inner: CutRect, outer: CutRect): boolean =>
  inner.xMm >= outer.xMm - 1e-6 &&
  inner.yMm >= outer.yMm - 1e-6 &&
  inner.xMm + inner.widthMm <= outer.xMm + outer.widthMm + 1e-6 &&
  inner.yMm + inner.heightMm <= outer.yMm + outer.heightMm + 1e-6;
const apart = (a: CutRect, b: CutRect): boolean =>
  a.xMm + a.widthMm <= b.xMm + 1e-6 ||
  b.xMm + b.widthMm <= a.xMm + 1e-6 ||
  a.yMm + a.heightMm <= b.yMm + 1e-6 ||
  b.yMm + b.heightMm <= a.yMm + 1e-6;

/** Cuts a sheet as it is told, from edge to edge, and returns all that lies on the table afterwards. */
function cutUp({ cuts }: PlannedParent, whole: CutRect): CutRect[] {
  const table = [whole];
  for (const { piece, runs, atMm } of cuts) {
    const k = table.findIndex((one) => within(one, piece) && within(piece, one));
    if (k < 0) throw new Error('What is to be cut is not there.');
    const one = table[k];
    const first = runs === 'upright' ? { ...one, widthMm: atMm } : { ...one, heightMm: atMm };
    const second =
      runs === 'upright'
        ? { ...one, xMm: one.xMm + atMm, widthMm: one.widthMm - atMm }
        : { ...one, yMm: one.yMm + atMm, heightMm: one.heightMm - atMm };
    table.splice(k, 1, first, second);
  }
  return table;
}

describe('a cutting plan', () => {
  it('cut by cut, leaves exactly the sheets that were wanted, and what it says is left', () =>
    fc.assert(
      fc.property(orders, ([wanted, stock]) => {
        const { parents } = planCuts(wanted, stock);
        for (const parent of parents) {
          const { size } = stock.find(({ id }) => id === parent.stockId)!;
          const table = cutUp(parent, { xMm: 0, yMm: 0, ...size });
          const there = (rect: CutRect): boolean => table.some((one) => within(one, rect) && within(rect, one));
          for (const piece of parent.pieces) expect(there(piece)).toBe(true);
          for (const rest of parent.offcuts) {
            expect(there(rest)).toBe(true);
            expect(Math.min(rest.widthMm, rest.heightMm)).toBeGreaterThanOrEqual(LEAST_OFFCUT_MM);
          }
          const all = [...parent.pieces, ...parent.offcuts];
          all.forEach((p, k) => all.slice(k + 1).forEach((q) => expect(apart(p, q)).toBe(true)));
        }
      }),
    ));

  it('counts every wanted sheet once: cut or missing, and no more paper than there is', () =>
    fc.assert(
      fc.property(orders, ([wanted, stock]) => {
        const { parents, missing } = planCuts(wanted, stock);
        wanted.forEach(({ count }, k) => {
          const cut = parents.reduce(
            (sum, { sheets, pieces }) => sum + sheets * pieces.filter((piece) => piece.wanted === k).length,
            0,
          );
          expect(cut + missing[k]).toBe(count);
        });
        for (const { id, count } of stock)
          expect(
            parents.filter(({ stockId }) => stockId === id).reduce((sum, { sheets }) => sum + sheets, 0),
          ).toBeLessThanOrEqual(count);
      }),
    ));

  it('lies as it may: turned only where that is allowed, the grain as it was asked', () =>
    fc.assert(
      fc.property(orders, ([wanted, stock]) => {
        for (const { pieces } of planCuts(wanted, stock).parents)
          for (const { wanted: k, turned, widthMm, heightMm } of pieces) {
            const { outline, mayTurn, grain, trim } = wanted[k];
            const sides = [outline.widthMm + 2 * trim, outline.heightMm + 2 * trim];
            expect([widthMm, heightMm]).toEqual(turned ? [sides[1], sides[0]] : sides);
            if (turned) expect(grain === 'across' || (mayTurn && grain === null)).toBe(true);
            if (grain === 'across') expect(turned).toBe(true);
          }
      }),
    ));

  const plain = (widthMm: number, heightMm: number, count: number): WantedSheet => ({
    outline: { widthMm, heightMm },
    ...{ mayTurn: true, grain: null, side: null, trim: 0, count },
  });
  const sheets = (widthMm: number, heightMm: number, count: number): StockSheets => ({
    ...{ id: 'a', version: 1, size: { widthMm, heightMm }, margins: 0, count, offcut: false },
  });

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
