import fc from 'fast-check';
import { LineBook, normalSign, SAME_LINE } from '../../src/marks/search/line-book';
import { Nearest } from '../../src/marks/search/nearest';
import { binned } from '../../src/marks/search/edge-marks';
import { realRoots } from '../../src/marks/search/real-roots';

const share = fc.double({ min: -1, max: 1, noNaN: true });

/** A line's normal form, from a direction and a distance. */
function line(angle: number, c: number): [number, number, number] {
  const [a, b] = [Math.cos(angle), Math.sin(angle)];
  const sign = normalSign(a, b);
  return [sign * a, sign * b, sign * c];
}

describe('what a search is made of', () => {
  it('a book finds every line that was entered, and what lies within rounding of it, wherever cells end', () => {
    fc.assert(
      fc.property(
        // Lines that are not one lie further apart than rounding goes.
        fc.array(
          fc.tuple(
            fc.nat(3000).map((n) => n / 1000),
            fc.integer({ min: -1000, max: 1000 }).map((n) => n / 1000),
          ),
          { maxLength: 60 },
        ),
        share,
        (lines, noise) => {
          const book = new LineBook();
          for (const [angle, c] of lines) {
            const [a, b, d] = line(angle, c);
            const known = book.find(a, b, d);
            const k = known >= 0 ? known : book.add(a, b, d);
            expect(book.find(a, b, d)).toBe(k);
            expect(book.find(a, b, d + 0.3 * noise * SAME_LINE)).toBe(k);
            expect(book.find(a, b, d + 1e-5)).not.toBe(k);
          }
        },
      ),
    );
  });

  it('a book that grows loses nothing', () => {
    const book = new LineBook();
    const entered = Array.from({ length: 9000 }, (_, k) => line((k * Math.PI) / 9000, Math.sin(k)));
    entered.forEach(([a, b, c]) => book.add(a, b, c));
    entered.forEach(([a, b, c], k) => expect(book.find(a, b, c)).toBe(k));
  });

  it('a line and the same the other way round have one normal form', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }), (angle) => {
        const [p, q] = [line(angle, 0.4), line(angle + Math.PI, -0.4)];
        p.forEach((value, k) => expect(value).toBeCloseTo(q[k], 9));
      }),
    );
    expect(normalSign(0, -1)).toBe(-1);
    expect(normalSign(-1, 0)).toBe(-1);
  });

  it('cubics, and what they come down to, have the roots that they were made of', () => {
    const root = fc.integer({ min: -300, max: 300 }).map((n) => n / 100);
    fc.assert(
      fc.property(
        root,
        root,
        root,
        fc.integer({ min: 2, max: 40 }).map((n) => n / 10),
        (p, q, r, k) => {
          fc.pre(Math.min(Math.abs(p - q), Math.abs(q - r), Math.abs(p - r)) > 0.05);
          const roots = new Float64Array(3);
          const found = (n: number): number[] => [...roots.subarray(0, n)].sort((a, b) => a - b);
          const three = realRoots(k, -k * (p + q + r), k * (p * q + q * r + p * r), -k * p * q * r, roots);
          expect(three).toBe(3);
          const sorted = [p, q, r].sort((a, b) => a - b);
          found(3).forEach((value, n) => expect(value).toBeCloseTo(sorted[n], 7));
          expect(realRoots(0, k, -k * (p + q), k * p * q, roots)).toBe(2);
          const pair = [p, q].sort((a, b) => a - b);
          found(2).forEach((value, n) => expect(value).toBeCloseTo(pair[n], 7));
          expect(realRoots(0, 0, k, -k * p, roots)).toBe(1);
          expect(roots[0]).toBeCloseTo(p, 9);
          // One real root beside a pair that is none.
          expect(realRoots(1, -p, 1 + q * q, -p * (1 + q * q), roots)).toBe(1);
          expect(roots[0]).toBeCloseTo(p, 7);
        },
      ),
    );
    expect(realRoots(0, 0, 0, 0, new Float64Array(3))).toBe(0);
  });

  it('marks in bins: the nearest of all, however many are asked for and wherever they lie', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 80 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 8 }),
        (places, wanted, most) => {
          const found = new Nearest(most);
          binned(
            places,
            places.map((_, k) => k),
            1,
          ).each(wanted, found, (k) => k);
          const best = places.map((at) => Math.abs(at - wanted)).sort((a, b) => a - b);
          expect(found.items.map(({ off }) => Math.abs(off))).toEqual(best.slice(0, most));
        },
      ),
    );
  });
});
