import * as fc from 'fast-check';
import {
  distance3,
  faceAt,
  FoldRefused,
  type Hand,
  lineThrough,
  point,
  type Point,
  reflect,
  sideOfFace,
  squareSheet,
  startSheet,
  whereIs,
  whiteUp,
} from '../../src/index';
import { expectPaper } from '../paper-laws';

const S = 100;

/** A square folded in half to a triangle or an oblong, the fold at the top. */
function inHalf(): Hand {
  const hand = startSheet(squareSheet(S));
  hand.mountain('half', { kind: 'point-onto-point', point: hand.at(point(S / 2, S)), onto: hand.at(point(S / 2, 0)) });
  return hand;
}

/** Whether the layer at sheet point b lies over the one at a, for the viewer. */
function over(hand: Hand, a: Point, b: Point): boolean {
  const { pose } = hand;
  const f = faceAt(pose.pattern, a);
  return sideOfFace(pose.order, f, faceAt(pose.pattern, b)) * Math.sign(whiteUp(pose, f)) > 0;
}

const share = fc.integer({ min: 50, max: 450 }).map((tenths) => tenths / 10);
const slant = fc.record({ low: share, high: share });

describe('reverse folds', () => {
  // The line leans by high − low from bottom to top. Leaning over the paper, the mirrored ridge comes to lie within the
  // paper; leaning away from it, beyond the closed edge.
  for (const way of ['insideReverse', 'outsideReverse'] as const)
    it(`${way} keeps the paper whole and mirrors the point, when the closed edge lets it through`, () =>
      fc.assert(
        fc.property(slant, ({ low, high }) => {
          const hand = inHalf();
          const tip = point(0.1, S / 2);
          const before = whereIs(hand.pose, tip);
          const start = hand.pose;
          const fold = (): void =>
            hand[way](
              'tip',
              { kind: 'through-points', a: point(low, 0), b: point(high, S / 2), moving: point(0, S / 4) },
              tip,
            );
          if (way === 'insideReverse' ? high < low : high > low) {
            expect(fold).toThrow(FoldRefused);
            expect(hand.pose).toBe(start);
            return;
          }
          fold();
          expectPaper(hand.pose, S * S);
          const mirrored = reflect(lineThrough(point(low, 0), point(high, S / 2)), before);
          expect(distance3(whereIs(hand.pose, tip), { ...mirrored, z: 0 })).toBeLessThan(1e-7);
        }),
        { numRuns: 60 },
      ));

  it('inside, the point lies between the two layers; outside, it wraps round them', () => {
    // Near the fold and beyond the line, the point's own layers; on this side, the two that it goes between or round.
    const line = { kind: 'through-points' as const, a: point(30, 0), b: point(30, S / 2), moving: point(0, S / 4) };
    const front = point(45, 20);
    const back = point(45, S - 20);
    const tips = [point(15, 20), point(15, S - 20)];
    const inside = inHalf();
    inside.insideReverse('tip', line, point(5, 20));
    for (const tip of tips) expect([over(inside, front, tip), over(inside, back, tip)].sort()).toEqual([false, true]);
    const outside = inHalf();
    outside.outsideReverse('tip', line, point(5, 20));
    const covers = tips.map((tip) => [over(outside, front, tip), over(outside, back, tip)]);
    expect(covers.map((c) => c.join()).sort()).toEqual(['false,false', 'true,true']);
  });

  it('need a folded edge', () => {
    const hand = startSheet(squareSheet(S));
    const before = hand.pose;
    expect(() =>
      hand.insideReverse(
        'tip',
        { kind: 'through-points', a: point(20, 0), b: point(20, S), moving: point(0, 5) },
        point(5, 5),
      ),
    ).toThrow(FoldRefused);
    expect(hand.pose).toBe(before);
  });
});

describe('choosing layers', () => {
  const quarter = (): Hand => {
    const hand = inHalf();
    hand.valley('quarter', { kind: 'point-onto-point', point: hand.at(point(0, 10)), onto: hand.at(point(S, 10)) });
    return hand;
  };

  it('takes the top so many', () => {
    for (const top of [1, 2]) {
      const hand = quarter();
      const corner = hand.at(point(0, 0));
      const inwards = point(corner.x - 20, corner.y + 20);
      hand.valley('corner', { kind: 'point-onto-point', point: corner, onto: inwards }, { top });
      expectPaper(hand.pose, S * S);
      const moved = [point(0, 0), point(0, S), point(S, 0), point(S, S)].filter(
        (p) => distance3(whereIs(hand.pose, p), { ...inwards, z: 0 }) < 1e-9,
      );
      expect(moved).toHaveLength(top);
    }
  });

  it('tucks a flap under the layer that it would lie on', () => {
    // Cupboard doors: left edge to the middle, then the right edge a little past it, over or under the left door.
    const doors = (how: 'over' | 'under'): Hand => {
      const hand = startSheet(squareSheet(S));
      hand.valley('left', { kind: 'point-onto-point', point: point(0, 5), onto: point(S / 2, 5) });
      const right = { kind: 'point-onto-point' as const, point: point(S, 5), onto: point(S / 2 - 12, 5) };
      if (how === 'over') hand.valley('right', right);
      else hand.tuck('right', right, point(10, 10));
      return hand;
    };
    const [leftDoor, rightDoor] = [point(5, 40), point(S - 5, 40)];
    for (const how of ['over', 'under'] as const) {
      const hand = doors(how);
      expectPaper(hand.pose, S * S);
      expect(over(hand, leftDoor, rightDoor)).toBe(how === 'over');
    }
  });

  it('does not tuck through a closed edge', () => {
    const hand = startSheet(squareSheet(S));
    hand.valley('left', { kind: 'point-onto-point', point: point(0, 5), onto: point(S / 2, 5) });
    // The pocket opens to the right; the near edge cannot slip into it past the folded left edge.
    expect(() =>
      hand.tuck(
        'near',
        { kind: 'through-points', a: point(0, 20), b: point(S, 20), moving: point(50, 0) },
        point(10, 30),
      ),
    ).toThrow(FoldRefused);
  });
});
