import * as fc from 'fast-check';
import type { FoldingOrder } from '../workers/make-tasks';
import { copiesToFold, isFolded, nextCopy, nextStep } from './copies';

const entry = fc.record({
  key: fc.constantFrom('tray', 'lid', 'unit', 'insert'),
  copies: fc.integer({ min: 1, max: 4 }),
  steps: fc.integer({ min: 1, max: 6 }),
});
const order = fc
  .uniqueArray(entry, { minLength: 1, maxLength: 3, selector: ({ key }) => key })
  .map((entries): Pick<FoldingOrder, 'entries'> => ({
    entries: entries.map(({ key, copies, steps }) => ({
      ...{ key, name: key, copies, stages: [{ name: 'All', from: 0, to: steps }] },
      steps: Array.from({ length: steps }, (_, k) => ({ id: `s${k}`, title: `Step ${k}` })),
    })),
  }));
const all = fc.tuple(order, fc.integer({ min: 1, max: 3 }), fc.array(fc.nat(6), { maxLength: 30 }));

const begun = ({ entries }: Pick<FoldingOrder, 'entries'>, count: number, done: readonly number[]) =>
  copiesToFold({ entries }, count, []).map((copy, k) => ({
    ...{ entryKey: copy.entryKey, copy: copy.copy, seconds: 0 },
    done: copy.steps.slice(0, done[k] ?? 0).map(({ id }) => id),
  }));

describe('copies to be folded', () => {
  it('are all copies of all entries, once each', () =>
    fc.assert(
      fc.property(all, ([some, count, done]) => {
        const copies = copiesToFold(some, count, begun(some, count, done));
        expect(copies).toHaveLength(count * some.entries.reduce((sum, { copies: n }) => sum + n, 0));
        expect(new Set(copies.map(({ entryKey, copy }) => `${entryKey} ${copy}`)).size).toBe(copies.length);
        for (const { copy, of } of copies) expect(copy).toBeLessThan(of);
      }),
    ));

  it('go on at the first step that is not done, of a copy that is begun before one that is not', () =>
    fc.assert(
      fc.property(all, ([some, count, done]) => {
        const copies = copiesToFold(some, count, begun(some, count, done));
        for (const copy of copies) {
          const k = nextStep(copy);
          expect(copy.steps.slice(0, k).every(({ id }) => copy.done.has(id))).toBe(true);
          expect(k === copy.steps.length).toBe(isFolded(copy));
          if (k < copy.steps.length) expect(copy.done.has(copy.steps[k].id)).toBe(false);
        }
        const next = nextCopy(copies);
        if (next === copies.length) expect(copies.every(isFolded)).toBe(true);
        else {
          expect(isFolded(copies[next])).toBe(false);
          if (!copies[next].done.size) expect(copies.every((copy) => isFolded(copy) || !copy.done.size)).toBe(true);
        }
      }),
    ));

  it('take what another device did of a copy as done, whatever the order', () => {
    const some = {
      entries: [
        {
          key: 'unit',
          name: 'Unit',
          copies: 2,
          stages: [{ name: 'All', from: 0, to: 2 }],
          steps: [
            { id: 'a', title: '' },
            { id: 'b', title: '' },
          ],
        },
      ],
    };
    const [, second] = copiesToFold(some, 1, [{ entryKey: 'unit', copy: 1, done: ['b'], seconds: 9 }]);
    expect(nextStep(second)).toBe(0);
    expect([...second.done]).toEqual(['b']);
    expect(second.seconds).toBe(9);
  });
});
