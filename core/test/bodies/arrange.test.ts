import * as fc from 'fast-check';
import {
  type Arrangement,
  arrangements,
  boxOf,
  type Item,
  type Order,
  type PlacedThing,
  type Thing,
  type Turning,
} from '../../src/index';
import { runs } from '../runs';
import { canBePacked, type Whole } from './exhaustive-packing';

/** How far two things reach into each other, in mm, written apart from the packing: boxes by their sides, rounds by their axes. */
function overlap(p: PlacedThing, q: PlacedThing): number {
  const shared = [0, 1, 2].map((k) => Math.min(p.at[k] + p.size[k], q.at[k] + q.size[k]) - Math.max(p.at[k], q.at[k]));
  const boxes = Math.min(...shared);
  if (p.round === undefined || p.round !== q.round) return boxes;
  const axes = [0, 1, 2].filter((k) => k !== p.round);
  const [a, b] = [p, q].map(({ at, size }) => axes.map((k) => at[k] + size[k] / 2));
  const apart = Math.hypot(...axes.map((_, k) => a[k] - b[k]));
  return Math.min(boxes, (p.size[axes[0]] + q.size[axes[0]]) / 2 - apart);
}

function overlapping({ placements }: Arrangement): number {
  return placements.reduce(
    (most, p, i) => Math.max(most, ...placements.slice(i + 1).map((q) => overlap(p, q))),
    -Infinity,
  );
}

const side = fc.integer({ min: 2, max: 150 });
const thing: fc.Arbitrary<Thing> = fc.oneof(
  fc.record({ shape: fc.constant('block' as const), lengthMm: side, widthMm: side, heightMm: side }),
  fc.record({ shape: fc.constant('flat' as const), widthMm: side, heightMm: side, thickMm: fc.constant(0.3) }),
  fc.record({ shape: fc.constant('cylinder' as const), diameterMm: side, lengthMm: side }),
  fc.record({ shape: fc.constant('ball' as const), diameterMm: side }),
);
const itemsOf = (most: number): fc.Arbitrary<Item> =>
  fc.record({ name: fc.constant('thing'), count: fc.integer({ min: 1, max: most }), thing });
const piece = itemsOf(9);
const turning = fc.constantFrom<Turning>('upright', 'any');
const blockOf = ([lengthMm, widthMm, heightMm]: readonly number[], count = 1): Item => ({
  ...{ name: 'block', count },
  thing: { shape: 'block', lengthMm, widthMm, heightMm },
});

/** By what share of its sides some box of `less` must be smaller to fit into each box of `more`, at most. */
function beyond(less: readonly Arrangement[], more: readonly Arrangement[]): number {
  return Math.max(
    ...more.map(({ box }) =>
      Math.min(...less.map((one) => Math.max(...one.box.map((mm, k) => mm / Math.max(1e-12, box[k]))) - 1)),
    ),
  );
}

/** Paper that boxes of a few kinds take, by the sides of their contents: each grows with every side. */
const PAPER: readonly ((box: Arrangement['box']) => number)[] = [
  ([a, b, c]) => Math.max(a, b) + 2.5 * c,
  ([a, b, c]) => Math.sqrt((a + 2 * c) * (b + 2 * c)),
  ([a, b, c]) => a + b + 4 * c,
  ([a, b, c]) => Math.max(a + c, 2 * (b + c)),
];
const paperFor = (all: readonly Arrangement[]): readonly number[] =>
  PAPER.map((paper) => Math.min(...all.map(({ box }) => paper(box))));

/** Sets that differ by one thing more, one line in two, or one size that is larger: what needs more, and what needs less. */
const changed = (items: fc.Arbitrary<readonly Item[]>) =>
  fc
    .tuple(items, fc.nat(), fc.constantFrom('a thing more', 'a line more', 'a larger one' as const), thing)
    .map(([less, n, how, other]) => {
      const at = n % less.length;
      const grown = (one: Thing): Thing => {
        switch (one.shape) {
          case 'block':
            return { ...one, lengthMm: 1.1 * one.lengthMm };
          case 'flat':
            return { ...one, heightMm: 1.1 * one.heightMm };
          default:
            return { ...one, diameterMm: 1.1 * one.diameterMm };
        }
      };
      const more =
        how === 'a line more'
          ? [...less, { name: 'other', count: 1, thing: other }]
          : less.map((item, k) => {
              if (k !== at) return item;
              return how === 'a larger one'
                ? { ...item, thing: grown(item.thing) }
                : { ...item, count: item.count + 1 };
            });
      return { less, more };
    });

const total = (items: readonly Item[]): number => items.reduce((sum, { count }) => sum + count, 0);

describe('how a thing is kept', () => {
  it('goes before what holds for all: standing keeps its height, lying has its least side upright, any way may be either', () =>
    fc.assert(
      fc.property(piece, turning, (one, turns) => {
        const sides = boxOf(one.thing);
        const heights = (posture: Item['posture']): number[] =>
          arrangements([{ ...one, ...(posture && { posture }) }], turns).flatMap(({ placements }) =>
            placements.map(({ size }) => size[2]),
          );
        for (const height of heights('standing')) expect(height).toBe(sides[2]);
        for (const height of heights('lying')) expect(height).toBe(Math.min(...sides));
        // Whichever way: no less room is needed by keeping to one.
        const least = (posture: Item['posture']): number =>
          Math.min(...arrangements([{ ...one, posture }], turns).map(({ box: [a, b, c] }) => a * b * c));
        expect(least('any')).toBeLessThanOrEqual(1.02 * Math.min(least('standing'), least('lying')));
      }),
      { numRuns: runs(12, 400) },
    ));
});

describe('an arrangement', () => {
  it('holds every piece, turned as allowed, inside its box, no two overlapping', () =>
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 5 }), turning, (pieces, turns) => {
        for (const arrangement of arrangements(pieces, turns)) {
          expect(overlapping(arrangement)).toBeLessThan(1e-9);
          pieces.forEach(({ thing: one, count }, k) => {
            const placed = arrangement.placements.filter(({ piece: which }) => which === k);
            expect(placed).toHaveLength(count);
            const sides = boxOf(one);
            for (const { size, at, round } of placed) {
              expect([...size].sort((a, b) => a - b)).toEqual([...sides].sort((a, b) => a - b));
              if (turns === 'upright') expect(size[2]).toBe(sides[2]);
              if (one.shape === 'cylinder' && typeof round === 'number') expect(size[round]).toBe(one.lengthMm);
              for (const axis of [0, 1, 2]) {
                expect(at[axis]).toBeGreaterThanOrEqual(-1e-9);
                expect(at[axis] + size[axis]).toBeLessThanOrEqual(arrangement.box[axis] + 1e-9);
              }
            }
          });
        }
      }),
      { numRuns: runs(12, 200) },
    ));

  it('of a few blocks is the best there is: what an exhaustive search can pack fits one of ours', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(...[0, 1, 2].map(() => fc.integer({ min: 1, max: 4 }))), { minLength: 2, maxLength: 4 }),
        fc.tuple(...[0, 1, 2].map(() => fc.integer({ min: 2, max: 6 }))),
        (sizes, sides) => {
          const blocks = sizes as unknown as readonly Whole[];
          const box = [...sides].sort((p, q) => q - p) as unknown as Whole;
          const sorted = (one: readonly number[]): readonly number[] => [...one].sort((p, q) => q - p);
          const ours = arrangements(
            blocks.map((size) => blockOf(size)),
            'any',
          ).some((one) => sorted(one.box).every((mm, k) => mm <= box[k] + 1e-9));
          const volume = blocks.reduce((sum, [a, b, c]) => sum + a * b * c, 0);
          const room = box[0] * box[1] * box[2];
          // Far roomier boxes say nothing, and take the search long to refute.
          if (volume > room || volume < 0.7 * room) expect(ours && volume > room).toBe(false);
          else expect(ours).toBe(canBePacked(blocks, box));
        },
      ),
      { numRuns: runs(60, 1000) },
    ));

  it('of five or six is at most one unit longer than the best there is', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(...[0, 1, 2].map(() => fc.integer({ min: 1, max: 3 }))), { minLength: 5, maxLength: 6 }),
        fc.constantFrom<Whole>([3, 3, 3], [4, 3, 3], [4, 4, 3], [5, 4, 2], [5, 3, 3], [6, 4, 2], [4, 4, 4]),
        (sizes, box) => {
          const blocks = sizes as unknown as readonly Whole[];
          const volume = blocks.reduce((sum, [a, b, c]) => sum + a * b * c, 0);
          const room = box[0] * box[1] * box[2];
          if (volume > room || volume < 0.7 * room || !canBePacked(blocks, box)) return;
          const longer = [box[0] + 1, box[1], box[2]].sort((p, q) => q - p);
          const all = arrangements(
            blocks.map((size) => blockOf(size)),
            'any',
          );
          const fits = ({ box: own }: Arrangement): boolean =>
            [...own].sort((p, q) => q - p).every((mm, k) => mm <= longer[k] + 1e-9);
          expect(all.some(fits)).toBe(true);
        },
      ),
      { numRuns: runs(12, 400) },
    ));

  it('needs no less for a thing more, a line more or a larger size: exactly so up to six things', () =>
    fc.assert(
      fc.property(changed(fc.array(itemsOf(3), { minLength: 1, maxLength: 3 })), turning, ({ less, more }, turns) => {
        if (total(more) > 6) return;
        expect(beyond(arrangements(less, turns), arrangements(more, turns))).toBeLessThan(1e-9);
      }),
      { numRuns: runs(25, 300) },
    ));

  it('beyond six the paper that is needed grows with the things too, but for 4 %', () =>
    fc.assert(
      fc.property(changed(fc.array(itemsOf(30), { minLength: 1, maxLength: 3 })), turning, ({ less, more }, turns) => {
        const [few, many] = [paperFor(arrangements(less, turns)), paperFor(arrangements(more, turns))];
        few.forEach((paper, k) => expect(paper).toBeLessThanOrEqual(1.04 * many[k]));
      }),
      { numRuns: runs(3, 200), endOnFailure: true },
    ));

  it('packs a line that is split as it packs the whole', () =>
    fc.assert(
      fc.property(itemsOf(12), fc.nat(), turning, (item, n, turns) => {
        const some = n % item.count;
        if (!some) return;
        const split = [
          { ...item, count: some },
          { ...item, name: 'more', count: item.count - some },
        ];
        const boxes = (items: readonly Item[]): unknown => arrangements(items, turns).map(({ box }) => box);
        expect(boxes(split)).toEqual(boxes([item]));
        const [{ placements }] = arrangements(split, turns);
        expect(placements.filter(({ piece: which }) => which === 1)).toHaveLength(item.count - some);
      }),
      { numRuns: runs(25, 300) },
    ));

  it('sets rounds into the gaps of their neighbours: three rows of two and three take 2.73 widths, not three', () => {
    const cells: Item = { name: 'cell', count: 7, thing: { shape: 'cylinder', diameterMm: 10, lengthMm: 30 } };
    const nested = arrangements([cells], 'upright').filter(({ box }) => box[0] <= 30 + 1e-9 && box[2] === 30);
    expect(Math.min(...nested.map(({ box }) => box[1]))).toBeCloseTo(10 * (1 + Math.sqrt(3)), 9);
  });

  it('wastes nothing on equal dice that fill a block', () => {
    const dice: Item = { name: 'die', count: 24, thing: { shape: 'block', lengthMm: 16, widthMm: 16, heightMm: 16 } };
    const [{ box }] = arrangements([dice], 'any');
    expect(box[0] * box[1] * box[2]).toBeCloseTo(24 * 16 ** 3, 6);
    expect([...box].sort((p, q) => p - q)).toEqual([32, 48, 64]);
  });

  it('lays many thin things on each other before it lays them side by side', () => {
    const cards = blockOf([85, 55, 0.3], 200);
    const stack = arrangements([cards], 'upright').find(({ box }) => box[0] <= 85 + 1e-9 && box[1] <= 55 + 1e-9);
    expect(stack?.box[2]).toBeCloseTo(60, 9);
  });

  it('keeps to the order that is asked for', () =>
    fc.assert(
      fc.property(
        fc.array(itemsOf(4), { minLength: 1, maxLength: 3 }),
        turning,
        fc.constantFrom<Order>('row', 'floor', 'stack', 'layers'),
        (items, turns, order) => {
          for (const { placements } of arrangements(items, turns, order)) {
            const apart = (p: PlacedThing, q: PlacedThing): number[] =>
              [0, 1, 2].filter((k) => p.at[k] + p.size[k] <= q.at[k] + 1e-9 || q.at[k] + q.size[k] <= p.at[k] + 1e-9);
            placements.forEach((p, i) =>
              placements.slice(i + 1).forEach((q) => {
                if (order === 'row') expect(apart(p, q).some((axis) => axis < 2)).toBe(true);
                if (order === 'floor') expect([p.at[2], q.at[2]]).toEqual([0, 0]);
                if (order === 'stack') expect(apart(p, q)).toEqual([2]);
                if (order === 'layers' && items[p.piece].thing !== items[q.piece].thing)
                  expect(apart(p, q)).toContain(2);
              }),
            );
          }
        },
      ),
      { numRuns: runs(25, 300) },
    ));
});
