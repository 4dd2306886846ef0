import * as fc from 'fast-check';
import { learnPace, learnSteps, minutesOfSteps, seededRandom, type TimedSteps } from '../../src/index';

/** Copies of one form whose steps take these times as long as each other, each copy at a pace of its own, and not evenly. */
function folded(times: Readonly<Record<string, number>>, copies: number, seed: number, spread = 0.3): TimedSteps[] {
  const random = seededRandom(seed);
  const off = (): number => Math.exp(spread * Math.sqrt(12) * (random() - 0.5));
  return Array.from({ length: copies }, () => {
    const pace = 20 * off();
    return {
      formId: 'closing-cube',
      seconds: Object.fromEntries(Object.entries(times).map(([step, share]) => [step, pace * share * off()])),
    };
  });
}

describe('what the steps of a form take', () => {
  it('comes out as it is, the more copies the nearer, and nearer to even where few are known', () => {
    fc.assert(
      fc.property(fc.integer(), fc.double({ min: 2, max: 5, noNaN: true }), (seed, longer) => {
        const steps = { halve: 1, corners: 1, collapse: longer, flap: 1 };
        const [few, many] = [2, 60].map((n) => learnSteps(folded(steps, n, seed))['closing-cube']);
        const ratio = (one: typeof few): number => one['collapse'].times / one['corners'].times;
        expect(Math.abs(Math.log(ratio(many) / longer))).toBeLessThan(0.2);
        expect(ratio(few)).toBeLessThan(1.4 * longer);
        expect(ratio(few)).toBeGreaterThan(1);
        expect(many['collapse'].copies).toBe(60);
      }),
    );
  });

  it('does not follow how fast a copy was folded, nor much a step that was left lying', () => {
    fc.assert(
      fc.property(fc.integer(), fc.double({ min: 0.3, max: 3, noNaN: true }), (seed, faster) => {
        const one = folded({ a: 30, b: 60, c: 90 }, 6, seed);
        const other = one.map(({ formId, seconds }, k) => ({
          formId,
          seconds: Object.fromEntries(Object.entries(seconds).map(([step, s]) => [step, k % 2 ? s : s * faster])),
        }));
        for (const [step, { times }] of Object.entries(learnSteps(one)['closing-cube']))
          expect(learnSteps(other)['closing-cube'][step].times).toBeCloseTo(times, 6);
        const left = [...one.slice(1), { ...one[0], seconds: { ...one[0].seconds, a: 4000 } }];
        const share = (all: readonly TimedSteps[]): number => learnSteps(all)['closing-cube']['a'].times;
        expect(Math.abs(Math.log(share(left) / share(one)))).toBeLessThan(0.35);
      }),
    );
  });

  it('says nothing of steps that were passed over, and of one by itself', () => {
    expect(learnSteps([])).toEqual({});
    expect(learnSteps([{ formId: 'hat-boat', seconds: { a: 40 } }])).toEqual({});
    expect(learnSteps([{ formId: 'hat-boat', seconds: { a: 0, b: 1, c: 20 } }])).toEqual({});
    const { steps } = learnPace([{ formId: 'hat-boat', toldMinutes: 10, minutes: 12 }], folded({ a: 1, b: 1 }, 3, 1))!;
    expect(Object.keys(steps)).toEqual(['closing-cube']);
  });

  it('shares all minutes out, evenly where nothing is known', () => {
    const steps = fc.array(fc.constantFrom('a', 'b', 'c', 'constructor'), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(steps, fc.integer(), fc.double({ min: 1, max: 90, noNaN: true }), (asked, seed, minutes) => {
        const learned = learnSteps(folded({ a: 1, b: 4 }, 5, seed));
        const shared = minutesOfSteps(learned, 'closing-cube', minutes, asked);
        expect(shared.reduce((sum, one) => sum + one, 0)).toBeCloseTo(minutes, 9);
        asked.forEach((step, k) => {
          if (step === 'b' && asked.includes('a')) expect(shared[k]).toBeGreaterThan(shared[asked.indexOf('a')]);
        });
        for (const known of [null, learned])
          for (const one of minutesOfSteps(known, 'constructor', minutes, asked))
            expect(one).toBeCloseTo(minutes / asked.length, 9);
      }),
    );
  });
});
