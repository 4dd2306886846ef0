import * as fc from 'fast-check';
import { deviation, spreadOf } from '../../src/index';

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

  it('counts too large as positive', () =>
    expect(deviation({ lengthMm: 60, widthMm: 59, depthMm: 24 }, { lengthMm: 61, widthMm: 59, depthMm: 23 })).toEqual({
      lengthMm: 1,
      widthMm: 0,
      depthMm: -1,
    }));
});
