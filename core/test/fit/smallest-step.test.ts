import * as fc from 'fast-check';
import { smallestStep } from '../../src/index';

describe('the smallest step that fits', () => {
  it('is found for any increasing slack, straight or bent, from any guess', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4000 }),
        fc.double({ min: 0.01, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.integer({ min: 1, max: 4000 }),
        (root, slope, bend, guess) => {
          const slack = (k: number): number =>
            (k >= root ? slope : slope + bend) * (k - root + 0.25) * (1 + bend * Math.abs(k - root) * 1e-3);
          let asked = 0;
          const found = smallestStep((k) => (asked++, slack(k)), guess, 1, 4000);
          expect(found).toBe(slack(root) >= 0 ? root : root + 1);
          expect(asked).toBeLessThanOrEqual(30);
        },
      ),
    ));

  it('is the lowest step when that fits, and none when the highest does not', () => {
    expect(smallestStep(() => 1, 50, 10, 90)).toBe(10);
    expect(smallestStep(() => -1, 50, 10, 90)).toBeNull();
  });
});
