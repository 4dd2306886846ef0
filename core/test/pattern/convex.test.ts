import * as fc from 'fast-check';
import {
  area,
  clipSegment,
  contains,
  type Convex,
  counterClockwise,
  intersect,
  middle,
  type Point,
  subtract,
} from '../../src/index';

/** A convex polygon with its corners on an ellipse, counter-clockwise. */
const polygon: fc.Arbitrary<Convex> = fc
  .record({
    x: fc.double({ min: -40, max: 40, noNaN: true }),
    y: fc.double({ min: -40, max: 40, noNaN: true }),
    a: fc.double({ min: 5, max: 60, noNaN: true }),
    b: fc.double({ min: 5, max: 60, noNaN: true }),
    gaps: fc.array(fc.integer({ min: 2, max: 9 }), { minLength: 3, maxLength: 8 }),
  })
  .map(({ x, y, a, b, gaps }) => {
    const whole = gaps.reduce((sum, gap) => sum + gap, 0);
    let at = 0;
    return gaps.map((gap) => {
      at += (2 * Math.PI * gap) / whole;
      return { x: x + a * Math.cos(at), y: y + b * Math.sin(at) };
    });
  });
const spot: fc.Arbitrary<Point> = fc.record({
  x: fc.double({ min: -100, max: 100, noNaN: true }),
  y: fc.double({ min: -100, max: 100, noNaN: true }),
});

const NOTHING = 1e-9;

describe('convex polygons', () => {
  it('share as much area whichever is asked first, no more than either has, and all of it with themselves', () =>
    fc.assert(
      fc.property(polygon, polygon, (a, b) => {
        const both = area(intersect(a, b));
        expect(area(intersect(b, a))).toBeCloseTo(both, 6);
        expect(both).toBeLessThanOrEqual(Math.min(area(a), area(b)) + 1e-6);
        expect(area(intersect(a, a))).toBeCloseTo(area(a), 6);
      }),
    ));

  it('what is shared and what is left make the whole, and the parts do not meet', () =>
    fc.assert(
      fc.property(polygon, polygon, (a, b) => {
        const left = subtract(a, b, NOTHING);
        const sum = left.reduce((total, part) => total + area(part), area(intersect(a, b)));
        expect(sum).toBeCloseTo(area(a), 5);
        left.forEach((part, i) => {
          expect(area(intersect(part, b))).toBeLessThan(1e-5);
          left.slice(i + 1).forEach((other) => expect(area(intersect(part, other))).toBeLessThan(1e-5));
        });
      }),
    ));

  it('a spot lies in what is shared exactly when it lies in both', () =>
    fc.assert(
      fc.property(polygon, polygon, spot, (a, b, p) => {
        // Where it is close to an edge, either answer is right.
        const [loose, strict] = [1e-6, -1e-6].map((by) => contains(a, p, by) && contains(b, p, by));
        if (loose !== strict) return;
        const shared = intersect(a, b);
        // What has no area is a touch: it has no inside to lie in.
        expect(area(shared) > 1e-12 && contains(shared, p, 1e-7)).toBe(strict);
      }),
    ));

  it('hold their own middle, and have an area of the same size turned the other way', () =>
    fc.assert(
      fc.property(polygon, (a) => {
        expect(contains(a, middle(a), 0)).toBe(true);
        const backwards = [...a].reverse();
        expect(area(backwards)).toBeCloseTo(-area(a), 6);
        expect(area(counterClockwise(backwards))).toBeCloseTo(area(a), 6);
      }),
    ));

  it('cut a line where it enters and leaves: both ends on the rim, the part between inside', () =>
    fc.assert(
      fc.property(polygon, spot, spot, (a, p, q) => {
        const within = clipSegment(p, q, a, 0);
        const at = (t: number): Point => ({ x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) });
        for (const t of [0, 0.25, 0.5, 0.75, 1]) {
          const inside = within !== null && t >= within[0] && t <= within[1];
          if (contains(a, at(t), -1e-6)) expect(inside).toBe(true);
          if (!contains(a, at(t), 1e-6)) expect(inside).toBe(false);
        }
        if (within) for (const t of within) expect(contains(a, at(t), 1e-6)).toBe(true);
      }),
    ));
});
