import * as fc from 'fast-check';
import { deviationsOf, deviationsWithin, spreadOf } from '../../src/index';

describe('what the logbook works out', () => {
  it('shifting every measurement shifts the mean and keeps the spread', () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -50, max: 50, noNaN: true }), { minLength: 2, maxLength: 20 }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        (values, shift) => {
          const [one, other] = [spreadOf(values)!, spreadOf(values.map((v) => v + shift))!];
          expect(other.mean - one.mean).toBeCloseTo(shift, 9);
          expect(other.sd!).toBeCloseTo(one.sd!, 9);
        },
      ),
    ));

  it('has no spread for one piece and nothing for none', () => {
    expect(spreadOf([3])).toEqual({ count: 1, mean: 3, sd: null });
    expect(spreadOf([])).toBeNull();
  });

  it('counts too large as positive, and leaves out what nobody predicted', () =>
    expect(
      deviationsOf({ predicted: { long: { mm: 60 }, deep: { mm: 24 } }, measured: { long: 61, deep: 23, odd: 9 } }),
    ).toEqual([
      { key: 'long', predictedMm: 60, measuredMm: 61, offMm: 1 },
      { key: 'deep', predictedMm: 24, measuredMm: 23, offMm: -1 },
    ]));

  it('pools nothing unlike: each measurement counts once, in its own form, paper and size', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            formId: fc.constantFrom('cup', 'boat', 'constructor'),
            paper: fc.constantFrom('kraft', 'rust', null),
            predicted: fc.constant({ a: { mm: 10 }, b: { mm: 20 } }),
            measured: fc.dictionary(fc.constantFrom('a', 'b', 'toString'), fc.double({ min: 0, max: 50, noNaN: true })),
          }),
          { maxLength: 30 },
        ),
        (things) => {
          const groups = deviationsWithin(things);
          expect(new Set(groups.map(({ formId, paper }) => `${formId} ${paper}`)).size).toBe(groups.length);
          for (const { formId, paper, count, sizes } of groups) {
            const own = things.filter((one) => one.formId === formId && one.paper === paper);
            expect(count).toBe(own.filter((one) => deviationsOf(one).length).length);
            for (const { key, spread } of sizes) {
              const offs = own.flatMap((one) => deviationsOf(one).filter((off) => off.key === key));
              expect(spread).toEqual(spreadOf(offs.map(({ offMm }) => offMm)));
            }
          }
          const all = groups.flatMap(({ sizes }) => sizes.map(({ spread }) => spread.count));
          expect(all.reduce((sum, n) => sum + n, 0)).toBe(things.flatMap((one) => deviationsOf(one)).length);
          expect(groups.map(({ count }) => count)).toEqual(groups.map(({ count }) => count).sort((p, q) => q - p));
        },
      ),
    ));
});
