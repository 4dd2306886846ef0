import * as fc from 'fast-check';
import {
  cutReadings,
  isoSheet,
  planCuts,
  PROPORTIONS,
  largestOf,
  partsOf,
  RULERS,
  type RulerId,
  squareOf,
  squaringSteps,
  stacked,
  stripsOf,
  USUAL_CUT_RULES,
} from '../../src/index';
import { finishedOutline } from './finished-outline';
import { lossMm, plain, sheets } from './cutting-requests';

const side = fc.double({ min: 40, max: 400, noNaN: true });
const ruler = fc.constantFrom(...(Object.keys(RULERS) as RulerId[]));

describe('a plan on the marks of a ruler', () => {
  it('cut at its marks gives no piece smaller than was wanted', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(side, side, fc.integer({ min: 1, max: 4 })), { minLength: 1, maxLength: 4 }),
        ruler,
        lossMm,
        (sizes, id, loss) => {
          const rules = { ...USUAL_CUT_RULES, lossMm: loss };
          const wanted = sizes.map(([w, h, n]) => plain(w, h, n));
          const { parents } = planCuts(wanted, [sheets(640.3, 450.7, 20)], rules);
          for (const parent of parents) {
            const readings = cutReadings(parent, id, loss);
            // Each piece of paper as it is cut at its marks, by where it should lie.
            const table = [{ plan: { xMm: 0, yMm: 0, widthMm: 640.3, heightMm: 450.7 }, w: 640.3, h: 450.7 }];
            for (const { cut, atMm, between, fromFarMm } of readings) {
              const k = table.findIndex(({ plan }) =>
                (['xMm', 'yMm', 'widthMm', 'heightMm'] as const).every(
                  (key) => Math.abs(plan[key] - cut.piece[key]) < 1e-6,
                ),
              );
              const { plan, w, h } = table[k];
              const upright = cut.runs === 'upright';
              const step = RULERS[id].stepMm;
              if (!between) expect(Math.abs(atMm / step - Math.round(atMm / step))).toBeLessThan(1e-6);
              const rest = (upright ? w : h) - atMm - loss;
              expect(fromFarMm).toBeCloseTo(Math.max(0, rest), 6);
              const beyond = (upright ? plan.widthMm : plan.heightMm) - cut.atMm - loss;
              table.splice(
                k,
                1,
                upright
                  ? { plan: { ...plan, widthMm: cut.atMm }, w: atMm, h }
                  : { plan: { ...plan, heightMm: cut.atMm }, w, h: atMm },
                upright
                  ? { plan: { ...plan, xMm: plan.xMm + cut.atMm + loss, widthMm: beyond }, w: rest, h }
                  : { plan: { ...plan, yMm: plan.yMm + cut.atMm + loss, heightMm: beyond }, w, h: rest },
              );
            }
            for (const piece of parent.pieces) {
              const lies = table.find(
                ({ plan }) => Math.abs(plan.xMm - piece.xMm) < 1e-6 && Math.abs(plan.yMm - piece.yMm) < 1e-6,
              )!;
              expect(lies.w).toBeGreaterThan(piece.widthMm - 1e-5);
              expect(lies.h).toBeGreaterThan(piece.heightMm - 1e-5);
            }
          }
        },
      ),
      { numRuns: 200 },
    ));

  it('stacks no more than a blade goes through, and cuts all of them', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.double({ min: 0.03, max: 2, noNaN: true }), (n, caliper) => {
        const { atOnce, goes } = stacked(n, caliper, 'knife');
        expect(atOnce * goes).toBeGreaterThanOrEqual(n);
        expect(atOnce * (goes - 1)).toBeLessThan(n);
        if (atOnce > 1) expect(atOnce * caliper).toBeLessThanOrEqual(1 + 1e-5);
      }),
    ));
});

describe('parts of a sheet', () => {
  const sheet = fc.record({ widthMm: side, heightMm: side });

  it('are inside it, as many as are told, and what is left is the rest of its area', () =>
    fc.assert(
      fc.property(sheet, (whole) => {
        for (const { id, count, size, rest } of partsOf(whole)) {
          expect(size.widthMm).toBeLessThanOrEqual(whole.widthMm + 1e-9);
          expect(size.heightMm).toBeLessThanOrEqual(whole.heightMm + 1e-9);
          const area = count * size.widthMm * size.heightMm + (rest ? rest.widthMm * rest.heightMm : 0);
          // What is left is told unless it is thinner than half a millimetre.
          if (id === 'square' || id === 'halves' || id === 'quarters')
            expect(whole.widthMm * whole.heightMm - area).toBeLessThan(
              0.5 * Math.max(whole.widthMm, whole.heightMm) + 1e-6,
            );
        }
      }),
    ));

  it('of a proportion have it, and touch two sides that face each other: none is larger', () =>
    fc.assert(
      fc.property(sheet, fc.constantFrom(...PROPORTIONS), (whole, { longPerShort }) => {
        const { widthMm: w, heightMm: h } = largestOf(whole, longPerShort);
        expect(Math.max(w, h) / Math.min(w, h)).toBeCloseTo(longPerShort, 9);
        expect(Math.min(Math.abs(whole.widthMm - w), Math.abs(whole.heightMm - h))).toBeLessThan(1e-9);
      }),
    ));

  it('of a page are the page half as large, again and again', () => {
    const [long, short] = isoSheet('A4')!;
    const halves = partsOf({ widthMm: long, heightMm: short })[1];
    const [a5long, a5short] = isoSheet('A5')!;
    expect(halves.size).toEqual({ widthMm: long / 2, heightMm: short });
    expect(Math.abs(long / 2 - a5short)).toBeLessThan(1);
    expect(short).toBe(a5long);
  });

  it('as strips lie side by side, one more does not fit', () =>
    fc.assert(
      fc.property(sheet, fc.double({ min: 5, max: 200, noNaN: true }), (whole, width) => {
        for (const way of ['across', 'along'] as const) {
          const strips = stripsOf(whole, width, way);
          const [long, short] = [Math.max(...Object.values(whole)), Math.min(...Object.values(whole))];
          const full = way === 'across' ? long : short;
          if (!strips) {
            expect(width).toBeGreaterThan(full - 1e-5);
            return;
          }
          expect(strips.count * width).toBeLessThanOrEqual(full + 1e-4);
          expect((strips.count + 1) * width).toBeGreaterThan(full - 1e-4);
          expect(Math.max(...Object.values(strips.size))).toBeGreaterThanOrEqual(Math.min(short, long) - 1e-9);
        }
      }),
    ));
});

describe('squaring a sheet', () => {
  const oblong = fc.tuple(side, fc.double({ min: 1.02, max: 1.9, noNaN: true }));

  it('leaves a square as large as the short side, whether folded or measured', () =>
    fc.assert(
      fc.property(oblong, fc.constantFrom('diagonal', 'measured'), (sizes, how) => {
        const [short, ratio] = sizes;
        const size = { widthMm: short * ratio, heightMm: short };
        const { finished, steps } = squaringSteps(size, how);
        const { width, height, area } = finishedOutline(finished);
        expect(width).toBeCloseTo(short, 6);
        expect(height).toBeCloseTo(short, 6);
        expect(area).toBeCloseTo(short * short, 4);
        expect(steps.every(({ poses }) => poses.length > 0)).toBe(true);
        // Before it is cut off, the strip is seen.
        const before = finishedOutline(steps[steps.length - 1].poses[0]);
        expect(before.area).toBeCloseTo(short * short * ratio, 4);
        const { rest } = squareOf(size);
        expect(rest?.widthMm ?? 0).toBeCloseTo(short * ratio - short > 0.5 ? short * ratio - short : 0, 9);
      }),
      { numRuns: 20 },
    ));

  it('refuses what is square', () =>
    expect(() => squaringSteps({ widthMm: 150, heightMm: 150 }, 'diagonal')).toThrow(RangeError));
});
