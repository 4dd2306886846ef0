import * as fc from 'fast-check';
import {
  distance3,
  FoldRefused,
  type Hand,
  point,
  type Pose,
  rectangleSheet,
  startSheet,
  whereIs,
} from '../../src/index';
import { expectPaper } from '../paper-laws';

const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
/** Bring one point of the sheet onto another, over or behind. */
const folds = fc.array(fc.tuple(share, share, share, share, fc.boolean()), { minLength: 1, maxLength: 5 });

const W = 120;
const H = 80;

function folded(list: readonly (readonly [number, number, number, number, boolean])[]): {
  hand: Hand;
  before: Pose[];
  names: string[];
} {
  const hand = startSheet(rectangleSheet(W, H));
  const before: Pose[] = [];
  const names: string[] = [];
  list.forEach(([a, b, c, d, over], k) => {
    const alignment = {
      kind: 'point-onto-point' as const,
      point: hand.at(point(a * W, b * H)),
      onto: hand.at(point(c * W, d * H)),
    };
    const start = hand.pose;
    try {
      if (over) hand.valley(`fold ${k}`, alignment);
      else hand.mountain(`fold ${k}`, alignment);
      before.push(start);
      names.push(`fold ${k}`);
    } catch (error) {
      if (!(error instanceof FoldRefused)) throw error;
    }
  });
  return { hand, before, names };
}

describe('any sequence of simple folds', () => {
  it('keeps the paper whole: it closes, edges keep their lengths, layers are ordered and do not cross', () =>
    fc.assert(
      fc.property(folds, (list) => {
        const { pose } = folded(list).hand;
        expectPaper(pose, W * H);
      }),
      { numRuns: 60 },
    ));

  it('opened again, lies as it did before', () =>
    fc.assert(
      fc.property(folds, (list) => {
        const { hand, before, names } = folded(list);
        if (!before.length) return;
        const last = before[before.length - 1];
        const spots = [point(1, 1), point(W - 1, 2), point(W / 3, H - 1)];
        hand.unfold(names[names.length - 1]);
        for (const p of spots) expect(distance3(whereIs(hand.pose, p), whereIs(last, p))).toBeLessThan(1e-9 * W);
      }),
      { numRuns: 40 },
    ));

  it('refuses to fold one layer through the other, and lets it go the free way', () => {
    const tried = (['valley', 'mountain'] as const).map((way) => {
      const hand = startSheet(rectangleSheet(W, H));
      hand.valley('half', {
        kind: 'point-onto-point',
        point: hand.at(point(0, H / 2)),
        onto: hand.at(point(W, H / 2)),
      });
      const before = hand.pose;
      const line = {
        kind: 'through-points' as const,
        a: point(0.75 * W, 0),
        b: point(0.75 * W, H),
        moving: point(0.9 * W, 1),
      };
      try {
        hand[way]('one layer', line, { flap: point(W - 1, 1) });
        expectPaper(hand.pose, W * H);
        return 'folds';
      } catch (error) {
        expect(hand.pose).toBe(before);
        return (error as FoldRefused).reason;
      }
    });
    expect(tried.sort()).toEqual(['folds', 'trapped']);
  });
});
