import * as fc from 'fast-check';
import { type CutPiece, cutSquares, LEAST_OFFCUT_MM } from '../../src/index';

const mm = fc.integer({ min: 40, max: 700 });
const stock = fc.record({ widthMm: mm, heightMm: mm, count: fc.integer({ min: 0, max: 3 }) });
const squares = fc.array(fc.integer({ min: 30, max: 500 }), { minLength: 1, maxLength: 2 });

const apart = (a: CutPiece, b: CutPiece): boolean =>
  a.sheet !== b.sheet ||
  a.xMm + a.widthMm <= b.xMm + 1e-6 ||
  b.xMm + b.widthMm <= a.xMm + 1e-6 ||
  a.yMm + a.heightMm <= b.yMm + 1e-6 ||
  b.yMm + b.heightMm <= a.yMm + 1e-6;

describe('cutting squares from a stock', () => {
  it('pieces lie on the paper, apart from each other, and are the squares asked for', () =>
    fc.assert(
      fc.property(stock, squares, (paper, sides) => {
        const plan = cutSquares(paper, sides);
        if (!plan) return;
        expect(plan.sheetsUsed).toBeLessThanOrEqual(paper.count);
        plan.squares.forEach((p, k) => expect([p.widthMm, p.heightMm]).toEqual([sides[k], sides[k]]));
        const all = [...plan.squares, ...plan.offcuts];
        all.forEach((p, i) => {
          expect(Math.min(p.xMm, p.yMm)).toBeGreaterThanOrEqual(0);
          expect(p.xMm + p.widthMm).toBeLessThanOrEqual(paper.widthMm + 1e-6);
          expect(p.yMm + p.heightMm).toBeLessThanOrEqual(paper.heightMm + 1e-6);
          all.slice(i + 1).forEach((q) => expect(apart(p, q)).toBe(true));
        });
      }),
    ));

  it('what is neither used nor kept is strips too narrow to fold from', () =>
    fc.assert(
      fc.property(stock, squares, (paper, sides) => {
        const plan = cutSquares(paper, sides);
        if (!plan) return;
        const kept = [...plan.squares, ...plan.offcuts].reduce((sum, p) => sum + p.widthMm * p.heightMm, 0);
        const lost = plan.sheetsUsed * paper.widthMm * paper.heightMm - kept;
        expect(lost).toBeGreaterThanOrEqual(-1e-6);
        expect(lost).toBeLessThanOrEqual(
          plan.sheetsUsed * 3 * LEAST_OFFCUT_MM * Math.max(paper.widthMm, paper.heightMm),
        );
      }),
    ));

  it('finds a plan exactly when each square fits on a sheet of its own or both on one', () =>
    fc.assert(
      fc.property(stock, squares, (paper, sides) => {
        const short = Math.min(paper.widthMm, paper.heightMm);
        const long = Math.max(paper.widthMm, paper.heightMm);
        const each = sides.every((s) => s <= short);
        const together = each && sides.reduce((a, b) => a + b, 0) <= long;
        const possible = each && paper.count >= (together ? 1 : sides.length);
        expect(cutSquares(paper, sides) !== null).toBe(possible);
      }),
    ));

  it('a sheet that has the size already needs no cut', () => {
    expect(cutSquares({ widthMm: 150, heightMm: 150, count: 1 }, [150])).toMatchObject({
      cuts: 0,
      offcuts: [],
      sheetsUsed: 1,
    });
  });
});
