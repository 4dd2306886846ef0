import * as fc from 'fast-check';
import { type Arrangement, arrangements, boxOf, type Item, type Turning } from '../../src/index';

/** Written apart from the packing: two boxes overlap when their extents overlap in all three directions. */
function overlapping({ placements }: Arrangement): number {
  let count = 0;
  placements.forEach((p, i) =>
    placements.slice(i + 1).forEach((q) => {
      const shared = [0, 1, 2].map(
        (k) => Math.min(p.at[k] + p.size[k], q.at[k] + q.size[k]) - Math.max(p.at[k], q.at[k]),
      );
      if (Math.min(...shared) > 1e-9) count++;
    }),
  );
  return count;
}

const side = fc.integer({ min: 2, max: 150 });
const piece: fc.Arbitrary<Item> = fc.record({
  name: fc.constant('thing'),
  count: fc.integer({ min: 1, max: 9 }),
  thing: fc.oneof(
    fc.record({ shape: fc.constant('block' as const), lengthMm: side, widthMm: side, heightMm: side }),
    fc.record({ shape: fc.constant('flat' as const), widthMm: side, heightMm: side, thickMm: fc.constant(0.3) }),
    fc.record({ shape: fc.constant('cylinder' as const), diameterMm: side, lengthMm: side }),
    fc.record({ shape: fc.constant('ball' as const), diameterMm: side }),
  ),
});
const turning = fc.constantFrom<Turning>('upright', 'any');

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
        expect(least('any')).toBeLessThanOrEqual(Math.min(least('standing'), least('lying')) + 1e-6);
      }),
    ));
});

describe('an arrangement', () => {
  it('holds every piece, turned as allowed, inside its box, no two overlapping', () =>
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 7 }), turning, (pieces, turns) => {
        for (const arrangement of arrangements(pieces, turns)) {
          expect(overlapping(arrangement)).toBe(0);
          pieces.forEach(({ thing, count }, k) => {
            const placed = arrangement.placements.filter(({ piece: which }) => which === k);
            expect(placed).toHaveLength(count);
            const sides = boxOf(thing);
            for (const { size, at } of placed) {
              expect([...size].sort((a, b) => a - b)).toEqual([...sides].sort((a, b) => a - b));
              if (turns === 'upright') expect(size[2]).toBe(sides[2]);
              for (const axis of [0, 1, 2]) {
                expect(at[axis]).toBeGreaterThanOrEqual(0);
                expect(at[axis] + size[axis]).toBeLessThanOrEqual(arrangement.box[axis] + 1e-9);
              }
            }
          });
        }
      }),
      { numRuns: 15 },
    ));

  it('of two blocks is the best there is: side by side along one axis in any of their lies', () =>
    fc.assert(
      fc.property(side, side, side, side, side, side, (a, b, c, d, e, f) => {
        const turns = ([x, y, z]: number[]) => [
          [x, y, z],
          [y, x, z],
          [x, z, y],
          [z, x, y],
          [y, z, x],
          [z, y, x],
        ];
        const block = ([lengthMm, widthMm, heightMm]: number[]): Item => ({
          name: 'block',
          count: 1,
          thing: { shape: 'block', lengthMm, widthMm, heightMm },
        });
        let least = Infinity;
        for (const p of turns([a, b, c]))
          for (const q of turns([d, e, f]))
            for (const axis of [0, 1, 2])
              least = Math.min(
                least,
                p.reduce((v, _, k) => v * (k === axis ? p[k] + q[k] : Math.max(p[k], q[k])), 1),
              );
        const [best] = arrangements([block([a, b, c]), block([d, e, f])], 'any');
        expect(best.box[0] * best.box[1] * best.box[2]).toBeCloseTo(least, 6);
      }),
    ));

  it('wastes nothing on equal dice that fill a block', () => {
    const dice: Item = { name: 'die', count: 24, thing: { shape: 'block', lengthMm: 16, widthMm: 16, heightMm: 16 } };
    for (const { box } of arrangements([dice], 'any')) expect(box[0] * box[1] * box[2]).toBe(24 * 16 ** 3);
  });

  it('lays many thin things on each other before it lays them side by side', () => {
    const cards = {
      name: 'cards',
      count: 200,
      thing: { shape: 'block' as const, lengthMm: 85, widthMm: 55, heightMm: 0.3 },
    };
    const stack = arrangements([cards], 'upright').find(({ box }) => box[0] <= 85 + 1e-9 && box[1] <= 55 + 1e-9);
    expect(stack?.box[2]).toBeCloseTo(60, 9);
  });
});
