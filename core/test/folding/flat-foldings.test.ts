import * as fc from 'fast-check';
import {
  type AssignedPattern,
  countFoldings,
  createPattern,
  firstFolding,
  type Fold,
  FoldRefused,
  layerOrders,
  localLaws,
  placeFlat,
  point,
  rectangleSheet,
  startSheet,
} from '../../src/index';
import { singleVertex, spokes } from '../single-vertex';

/** A map of columns × rows unit squares, all creases open. */
function map(columns: number, rows: number): AssignedPattern {
  return createPattern(rectangleSheet(columns, rows).outline, [
    ...Array.from({ length: columns - 1 }, (_, k) => ({ from: point(k + 1, 0), to: point(k + 1, rows) })),
    ...Array.from({ length: rows - 1 }, (_, k) => ({ from: point(0, k + 1), to: point(columns, k + 1) })),
  ]);
}

/** A strip with stamps of given lengths, creased valley or mountain between them. */
function strip(lengths: readonly number[], folds: readonly Fold[] = []): AssignedPattern {
  let x = 0;
  const creases = lengths.slice(0, -1).map((length, k) => {
    x += length;
    return { from: point(x, 0), to: point(x, 1), fold: folds[k] ?? ('either' as const), name: `crease ${k}` };
  });
  return createPattern(rectangleSheet(x + lengths[lengths.length - 1], 1).outline, creases);
}

const binomial = (n: number, k: number): number => (k === 0 ? 1 : (binomial(n - 1, k - 1) * n) / k);

/** Different choices of valley and mountain among all foldings of a single vertex. */
function assignments(sectors: readonly number[]): number {
  const pattern = singleVertex(sectors);
  const creases = spokes(pattern);
  return new Set(
    [...layerOrders(pattern, { assignment: 'free' })].map(({ folds }) => creases.map((e) => folds[e]).join()),
  ).size;
}

describe('ways to fold flat', () => {
  it.each([1, 2, 6, 16, 50, 144, 462, 1392, 4536, 14060].map((ways, k) => [k + 1, ways]))(
    'a strip of %i stamps folds in %i ways',
    (n, ways) => expect(countFoldings(map(n, 1))).toBe(ways),
  );

  it.each([
    [2, 2, 8],
    [2, 3, 60],
    [3, 3, 1368],
  ])('a map of %i × %i folds in %i ways', (columns, rows, ways) =>
    expect(countFoldings(map(columns, rows))).toBe(ways),
  );

  it.each([2, 3, 4])('a vertex of 2·%i equal angles has 2·C(2n, n − 1) assignments', (n) =>
    expect(assignments(Array.from({ length: 2 * n }, () => 180 / n))).toBe(2 * binomial(2 * n, n - 1)),
  );

  it('a generic vertex of four creases has 4 assignments', () => expect(assignments([40, 70, 140, 110])).toBe(4));

  it('equal angles beside unequal ones: two smallest side by side give 6 assignments', () =>
    // Of the three creases at the two equal smallest angles, two fold one way and one the other (3 choices, 2 ways round);
    // the fourth follows from Maekawa’s law.
    expect(assignments([60, 60, 120, 120])).toBe(6));
});

/** Layers of a strip, tried one by one: an independent judge of what a strip can do. */
function stripFolds(lengths: readonly number[], folds: readonly Fold[]): boolean {
  const n = lengths.length;
  const ends: [number, number][] = [];
  let x = 0;
  lengths.forEach((length, k) => {
    const next = x + (k % 2 ? -length : length);
    ends.push([x, next]);
    x = next;
  });
  const spans = ends.map(([a, b]) => [Math.min(a, b), Math.max(a, b)]);
  const inside = (p: number, k: number): boolean => p > spans[k][0] + 1e-9 && p < spans[k][1] - 1e-9;
  const heights: number[] = [];
  const fits = (): boolean => {
    for (let k = 0; k + 1 < n; k++) {
      // White is up on even stamps: a valley takes the next stamp over an even one, under an odd one.
      if (heights[k + 1] > heights[k] !== ((folds[k] === 'valley') === (k % 2 === 0))) return false;
      const at = ends[k][1];
      const [low, high] = [Math.min(heights[k], heights[k + 1]), Math.max(heights[k], heights[k + 1])];
      for (let j = 0; j < n; j++)
        if (j !== k && j !== k + 1 && inside(at, j) && heights[j] > low && heights[j] < high) return false;
      for (let j = 0; j + 1 < n; j++) {
        if (j === k || Math.abs(ends[j][1] - at) > 1e-9) continue;
        const sameSide = ends[j][0] < at === ends[k][0] < at;
        const between = (h: number): boolean => h > low && h < high;
        if (sameSide && between(heights[j]) !== between(heights[j + 1])) return false;
      }
    }
    return true;
  };
  const place = (k: number, used: boolean[]): boolean => {
    if (k === n) return fits();
    for (let h = 0; h < n; h++) {
      if (used[h]) continue;
      used[h] = true;
      heights[k] = h;
      if (place(k + 1, used)) return true;
      used[h] = false;
    }
    return false;
  };
  return place(
    0,
    Array.from({ length: n }, () => false),
  );
}

describe('what cannot be folded', () => {
  it('two long ends cannot both fold over a short middle', () => {
    const pattern = strip([3, 1, 3], ['valley', 'valley']);
    expect(localLaws(pattern)).toEqual([]);
    expect(() => firstFolding(pattern)).toThrow(FoldRefused);
    try {
      firstFolding(pattern);
    } catch (error) {
      expect(error).toMatchObject({ reason: 'no-layer-order' });
      expect((error as FoldRefused).faces.length).toBeGreaterThan(1);
    }
    expect(firstFolding(strip([3, 1, 3], ['valley', 'mountain'])).folds).toBeDefined();
  });

  it('a strip of any lengths folds exactly when some stack of its layers has no crossing', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.constantFrom<Fold>('valley', 'mountain')), {
          minLength: 2,
          maxLength: 6,
        }),
        (stamps) => {
          const lengths = stamps.map(([length]) => length);
          const folds = stamps.map(([, fold]) => fold);
          expect(!layerOrders(strip(lengths, folds)).next().done).toBe(stripFolds(lengths, folds));
        },
      ),
      { numRuns: 250 },
    ));

  it('angles over 180° and loose ends do not lie flat', () => {
    const bent = createPattern(rectangleSheet(4, 4).outline, [
      { from: point(2, 2), to: point(4, 0) },
      { from: point(2, 2), to: point(4, 4) },
    ]);
    expect(() => placeFlat(bent)).toThrow(FoldRefused);
    expect(() =>
      placeFlat(createPattern(rectangleSheet(4, 4).outline, [{ from: point(0, 2), to: point(2, 2) }])),
    ).toThrow(FoldRefused);
  });
});

describe('the layer solver and the hand', () => {
  const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
  it('agree: what a hand folds keeps the local laws, and its order is among the orders of its valleys and mountains', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(share, share, share, share, fc.boolean()), { minLength: 1, maxLength: 4 }),
        (list) => {
          const hand = startSheet(rectangleSheet(120, 80));
          list.forEach(([a, b, c, d, over], k) => {
            try {
              hand[over ? 'valley' : 'mountain'](`fold ${k}`, {
                kind: 'point-onto-point',
                point: hand.at(point(a * 120, b * 80)),
                onto: hand.at(point(c * 120, d * 80)),
              });
            } catch (error) {
              if (!(error instanceof FoldRefused)) throw error;
            }
          });
          const { pattern, angles, order } = hand.pose;
          const folds = angles.map((angle): Fold => (angle > 0 ? 'valley' : angle < 0 ? 'mountain' : 'flat'));
          const assigned: AssignedPattern = { ...pattern, folds };
          expect(localLaws(assigned)).toEqual([]);
          const wanted = order.side.join();
          let found = false;
          let tried = 0;
          for (const folding of layerOrders(assigned)) {
            found ||= folding.order.side.join() === wanted;
            if (found || ++tried > 5000) break;
          }
          expect(found || tried > 5000).toBe(true);
        },
      ),
      { numRuns: 40 },
    ));
});
