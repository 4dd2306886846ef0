import * as fc from 'fast-check';
import { atOneScale, type Drawing } from '../../src/index';

const box = fc.record({
  x: fc.integer({ min: -500, max: 500 }),
  y: fc.integer({ min: -500, max: 500 }),
  width: fc.integer({ min: 1, max: 900 }),
  height: fc.integer({ min: 1, max: 900 }),
});
const drawing = box.map((of): Drawing => ({ patches: [], lines: [], arrows: [], labels: [], box: of }));

describe('drawings at one scale', () => {
  it('have boxes of one size, that of the largest, each drawing whole and in the middle of its own', () =>
    fc.assert(
      fc.property(fc.array(fc.option(drawing), { maxLength: 6 }), (some) => {
        const shown = atOneScale(some);
        const there = shown.filter((one) => one !== null);
        expect(new Set(there.map((one) => `${one.box.width} ${one.box.height}`)).size).toBe(there.length ? 1 : 0);
        shown.forEach((one, k) => {
          const before = some[k];
          if (!one || !before) {
            expect(one).toBe(before);
            return;
          }
          expect(one.box.width).toBe(Math.max(...some.map((other) => other?.box.width ?? 0)));
          for (const [at, size] of [
            ['x', 'width'],
            ['y', 'height'],
          ] as const)
            expect(one.box[at] + one.box[size] / 2).toBeCloseTo(before.box[at] + before.box[size] / 2, 9);
        });
      }),
    ));
});
