import * as fc from 'fast-check';
import {
  distance3,
  crossing,
  type Hand,
  lineThrough,
  point,
  type Point,
  type Point3,
  type Recording,
  seededNormal,
  seededRandom,
  spreadOf,
  squareSheet,
  startSheet,
  whereIs,
} from '../../src/index';
import { expectPaper } from '../paper-laws';

const S = 120;
const SPOTS = [point(1, 2), point(S - 3, 4), point(50, 90), point(S / 2 + 7, S / 2 - 5)];

/** Folds in thirds of turns: half, half again, and a corner, each by what the hand sees on the table. */
function threeFolds(hand: Hand): Hand {
  hand.valley('half', { kind: 'point-onto-point', point: hand.at(point(0, S / 2)), onto: hand.at(point(S, S / 2)) });
  hand.mountain('quarter', { kind: 'point-onto-point', point: hand.at(point(S, 0)), onto: hand.at(point(S, S)) });
  const corner = hand.at(point(S, S));
  hand.valley('corner', { kind: 'point-onto-point', point: corner, onto: point(corner.x - 30, corner.y - 25) });
  return hand;
}

describe('the inexact hand', () => {
  it('with no error folds exactly', () => {
    const [exact, inexact] = [
      threeFolds(startSheet(squareSheet(S))),
      threeFolds(startSheet(squareSheet(S), { inexact: { sigmaMm: 0, seed: 5 } })),
    ];
    expect(inexact.pose).toEqual(exact.pose);
  });

  it('folds the same way for the same seed, and another way for another', () => {
    const folded = (seed: number) => threeFolds(startSheet(squareSheet(S), { inexact: { sigmaMm: 0.5, seed } })).pose;
    expect(folded(3)).toEqual(folded(3));
    expect(distance3(whereIs(folded(3), SPOTS[0]), whereIs(folded(4), SPOTS[0]))).toBeGreaterThan(1e-3);
  });

  it('whatever it misses, what it folds is paper', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), fc.integer({ min: 1, max: 20 }), (seed, tenths) => {
        expectPaper(threeFolds(startSheet(squareSheet(S), { inexact: { sigmaMm: tenths / 10, seed } })).pose, S * S);
      }),
      { numRuns: 40 },
    ));

  it('misses a half fold by twice its error at the edge: as much to either side, spread as stated', () => {
    const sigmaMm = 0.4;
    const misses = Array.from({ length: 1500 }, (_, seed) => {
      const hand = startSheet(squareSheet(S), { inexact: { sigmaMm, seed } });
      hand.valley('half', { kind: 'point-onto-point', point: point(0, S / 2), onto: point(S, S / 2) });
      return whereIs(hand.pose, point(0, S / 2)).x - S;
    });
    const { mean, sd } = spreadOf(misses)!;
    // In the middle the line is off by the mean of its two ends' misses, σ / √2; the edge moves twice that.
    const expected = (2 * sigmaMm) / Math.SQRT2;
    expect(Math.abs(mean)).toBeLessThan((4 * expected) / Math.sqrt(misses.length));
    expect(Math.abs(sd! / expected - 1)).toBeLessThan(0.08);
  });
});

describe('pinches by eye', () => {
  it('miss twice as much as creases that are lined up', () => {
    const half = { kind: 'point-onto-point' as const, point: point(0, S / 2), onto: point(S, S / 2) };
    const misses = (pinch: boolean): number[] =>
      Array.from({ length: 800 }, (_, seed) => {
        const hand = startSheet(squareSheet(S), { inexact: { sigmaMm: 0.3, seed } });
        if (pinch) hand.pinch('half', half, { near: point(S / 2, 0), lengthMm: 4 });
        else {
          hand.valley('half', half);
          hand.unfold('half');
        }
        return crossing(hand.crease('half'), lineThrough(point(0, 0), point(S, 0)))!.x;
      });
    const [crease, mark] = [false, true].map((pinch) => spreadOf(misses(pinch))!.sd!);
    expect(Math.abs(mark / crease / 2 - 1)).toBeLessThan(1e-6);
  });
});

describe('an inexact hand that follows an exact one', () => {
  const exact = threeFolds(startSheet(squareSheet(S))).recording;
  const follow = (sigmaMm: number, seed: number): Hand =>
    threeFolds(startSheet(squareSheet(S), { inexact: { sigmaMm, seed }, after: exact }));

  it('with no error lands where the exact one did', () => {
    for (const p of SPOTS) expect(distance3(whereIs(follow(0, 1).pose, p), end(exact, p))).toBeLessThan(1e-9);
  });

  it('lands where a hand on its own lands that misses the same way', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), fc.integer({ min: 1, max: 8 }), (seed, tenths) => {
        const inexact = { sigmaMm: tenths / 10, seed };
        const alone = threeFolds(startSheet(squareSheet(S), { inexact })).pose;
        for (const p of SPOTS)
          // They take the paper's reach from their own poses, which differ by the miss: a difference of second order, and both
          // misses may be some standard deviations.
          expect(distance3(whereIs(follow(inexact.sigmaMm, seed).pose, p), whereIs(alone, p))).toBeLessThan(
            (240 * inexact.sigmaMm ** 2) / S,
          );
      }),
      { numRuns: 40 },
    ));

  it('goes through creases that should meet in a point, where a hand on its own is lost', () => {
    // A blintz, then everything collapsed along creases that are found by their places.
    const blintz = (hand: Hand): Hand => {
      const corners = [point(0, 0), point(S, 0), point(S, S), point(0, S)];
      for (const name of ['one', 'two'] as const) {
        const [a, b] = name === 'one' ? [corners[0], corners[2]] : [corners[1], corners[3]];
        hand.valley(name, { kind: 'point-onto-point', point: hand.at(a), onto: hand.at(b) });
        hand.unfold(name);
      }
      const half = { from: point(S / 2, S / 2), name: 'half' };
      hand.collapse(
        [
          ...corners.map((to) => ({ from: half.from, to, name: 'diagonal', angleDeg: 180 as const })),
          ...[point(0, S / 2), point(S, S / 2)].map((to) => ({ ...half, to, angleDeg: -180 as const })),
        ],
        point(S / 2, 5),
      );
      return hand;
    };
    const { recording } = blintz(startSheet(squareSheet(S)));
    const sigmaMm = 0.3;
    const misses = Array.from({ length: 200 }, (_, seed) => {
      const hand = blintz(startSheet(squareSheet(S), { inexact: { sigmaMm, seed }, after: recording }));
      return distance3(whereIs(hand.pose, point(S, 0)), end(recording, point(S, S)));
    });
    const { mean } = spreadOf(misses)!;
    expect(mean).toBeGreaterThan(0.01);
    expect(Math.max(...misses)).toBeLessThan(12 * sigmaMm);
  });

  it('is asked for points in the same order after a decision that it does not make itself', () => {
    const decided = (hand: Hand): { hand: Hand; at: Point } => {
      hand.valley('half', {
        kind: 'point-onto-point',
        point: hand.at(point(0, S / 2)),
        onto: hand.at(point(S, S / 2)),
      });
      // Two points are looked at to decide, and not again by the hand that follows.
      hand.decide(() => hand.at(point(3, 5)).x > hand.at(point(S - 3, S - 5)).x);
      return { hand, at: hand.at(point(20, 90)) };
    };
    const exact = decided(startSheet(squareSheet(S)));
    const { recording } = exact.hand;
    const after = decided(startSheet(squareSheet(S), { inexact: { sigmaMm: 0, seed: 1 }, after: recording }));
    const along = decided(startSheet(squareSheet(S), { along: recording }));
    for (const one of [after, along]) {
      expect(one.at.x).toBeCloseTo(exact.at.x, 9);
      expect(one.at.y).toBeCloseTo(exact.at.y, 9);
    }
    expect(recording.decisions).toEqual([{ decided: expect.any(Boolean) as boolean, spots: 2 }]);
  });

  it('refuses a sequence that is not the one it follows', () => {
    const hand = startSheet(squareSheet(S), { inexact: { sigmaMm: 0.1, seed: 1 }, after: exact });
    threeFolds(hand);
    expect(() => hand.turnOver()).toThrow(RangeError);
  });
});

describe('seeded luck', () => {
  it('is evenly spread from 0 up to 1', () => {
    const random = seededRandom(11);
    const list = Array.from({ length: 20_000 }, random);
    expect(Math.min(...list)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...list)).toBeLessThan(1);
    const { mean, sd } = spreadOf(list)!;
    expect(Math.abs(mean - 0.5)).toBeLessThan(0.01);
    expect(Math.abs(sd! - Math.sqrt(1 / 12))).toBeLessThan(0.005);
  });

  it('is normal where it should be: mean 0, spread 1, 68 % within one', () => {
    const normal = seededNormal(12);
    const list = Array.from({ length: 20_000 }, normal);
    const { mean, sd } = spreadOf(list)!;
    expect(Math.abs(mean)).toBeLessThan(0.03);
    expect(Math.abs(sd! - 1)).toBeLessThan(0.02);
    expect(Math.abs(list.filter((v) => Math.abs(v) < 1).length / list.length - 0.6827)).toBeLessThan(0.012);
  });
});

function end({ moves }: Recording, p: Point): Point3 {
  return whereIs(moves[moves.length - 1].pose, p);
}
