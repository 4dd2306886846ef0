import * as fc from 'fast-check';
import {
  distance3,
  flattened,
  foldAnew,
  type Folded,
  FoldRefused,
  follow,
  FORMS,
  measure,
  marksOf,
  measureMissed,
  paramsAt,
  type Pose,
  waysOf,
  type Way,
  formById,
} from '../../src/index';
import { expectPaper, paperOf } from '../paper-laws';
import { pointOf } from '../forms/points';
import { runs, someOf } from '../runs';

const THICK_MM = 0.13;
const ways = FORMS.map(({ id }) => id).flatMap((id) => waysOf(formById(id)).slice(0, 2));

/** Folded anew, or null where the form does not take the sheet or the lengths. */
function anew(way: Way, point: Parameters<typeof at>[1]): Folded | null {
  try {
    return foldAnew(formById(way.pieceId), point.sheet, at(way, point));
  } catch (error) {
    if (error instanceof RangeError || error instanceof FoldRefused) return null;
    throw error;
  }
}

const at = (way: Way, { lengths }: { sheet: { widthMm: number; heightMm: number }; lengths: readonly number[] }) =>
  paramsAt(way, lengths);

function expectSamePlaces(a: Pose, b: Pose, size: number): void {
  a.pattern.faces.forEach(({ vertices }, f) =>
    vertices.forEach((v) => {
      const [p, q] = [a, b].map(({ pattern, placed }) => {
        const { x, y } = pattern.vertices[v];
        const m = placed[f];
        return { x: m[0] * x + m[1] * y + m[9], y: m[3] * x + m[4] * y + m[10], z: m[6] * x + m[7] * y + m[11] };
      });
      expect(distance3(p, q)).toBeLessThan(1e-9 * size);
    }),
  );
}

/** Sizes and places of both are the same to 1e-9 of the sheet. */
function expectSame(followed: Folded, fresh: Folded): void {
  const size = fresh.size.widthMm;
  const [a, b] = [followed, fresh].map((one) => flattened(measure(one, THICK_MM)));
  for (const [name, mm] of Object.entries(b)) expect(Math.abs(a[name] - mm)).toBeLessThan(1e-9 * size);
  expect(measure(followed, THICK_MM).layers).toEqual(measure(fresh, THICK_MM).layers);
  for (const lie of ['finished', 'open', 'flat'] as const) {
    const [p, q] = [followed.folding[lie], fresh.folding[lie]];
    expect(p === undefined).toBe(q === undefined);
    if (p && q) expectSamePlaces(p, q, size);
  }
}

describe('a recording followed on another sheet', () => {
  it.each(someOf(ways, 9).map((way) => [way.pieceId, way.lengths.join(', ') || 'folding alone', way] as const))(
    '%s, %s: where it is followed it is what folding anew gives, and every pose of it is paper',
    (_id, _lengths, way) => {
      const structures: Folded[] = [];
      let compared = 0;
      fc.assert(
        fc.property(pointOf(way), (point) => {
          const fresh = point && anew(way, point);
          if (!fresh) return;
          const followed = structures.map((one) => follow(one, fresh.size, at(way, point))).find((one) => one !== null);
          if (!followed) {
            structures.push(fresh);
            // A new structure: it is followed at least a little way.
            const near = { ...point, lengths: point.lengths.map((mm) => 1.0005 * mm) };
            const beside = anew(way, near);
            const there = beside && follow(fresh, beside.size, at(way, near));
            if (!there) return;
            expectSame(there, beside);
            compared++;
            return;
          }
          compared++;
          expectSame(followed, fresh);
          const whole = fresh.size.widthMm * fresh.size.heightMm;
          // What a cut takes away is the same as when it is folded anew.
          const left = paperOf(fresh.folding.finished);
          expect(paperOf(followed.folding.finished) / left).toBeCloseTo(1, 9);
          const { moves } = followed.recording;
          for (const { pose } of moves.filter((_, k) => k % 4 === 0 || k === moves.length - 1))
            expectPaper(pose, paperOf(pose) > (left + whole) / 2 ? whole : left);
        }),
        { numRuns: runs(3, 200) },
      );
      expect(compared).toBeGreaterThan(0);
    },
  );

  it.each(
    someOf(
      FORMS.map(({ id }) => id)
        .flatMap((id) => waysOf(formById(id)).slice(0, 2))
        .flatMap((way) => way.lengths.map((key, k) => [way.pieceId, key, way, k] as const)),
      10,
    ),
  )(
    '%s: as “%s” grows, it is followed up to each jump of the structure, and beyond from the next',
    (_id, _key, way, k) => {
      const { sheetShape } = formById(way.pieceId);
      const ratio = sheetShape === 'square' ? 1 : sheetShape.longPerShort[0] + 0.04;
      const sheet = { widthMm: 220 * ratio, heightMm: 220 };
      const lengthsAt = (share: number): number[] => {
        const lengths: number[] = [];
        while (lengths.length < way.lengths.length) {
          const { from, to, stepMm } = marksOf(formById(way.pieceId), way, sheet, lengths, 'mm');
          lengths.push(stepMm * (from + (lengths.length === k ? share : 0.45) * (to - from)));
        }
        return lengths;
      };
      const foldedAt = (share: number) => anew(way, { sheet, lengths: lengthsAt(share) });
      const holdsAt = (one: Folded, share: number): Folded | null => {
        try {
          return follow(one, sheet, at(way, { sheet, lengths: lengthsAt(share) }));
        } catch {
          return null;
        }
      };
      const steps = runs(3, 60);
      let last: { one: Folded; share: number } | null = null;
      for (let n = 0; n <= steps; n++) {
        const share = n / steps;
        const fresh = foldedAt(share);
        if (!fresh) continue;
        const followed: Folded | null = last && holdsAt(last.one, share);
        if (followed) expectSame(followed, fresh);
        else if (last) {
          // Where the structure of before ends: followed to there it is what folding anew gives.
          let [holds, fails] = [last.share, share];
          while (fails - holds > 1e-6) {
            const mid = (holds + fails) / 2;
            if (holdsAt(last.one, mid)) holds = mid;
            else fails = mid;
          }
          const edge = foldedAt(holds);
          if (edge) expectSame(holdsAt(last.one, holds)!, edge);
          const beyond = foldedAt(Math.min(1, fails + 1e-4));
          const next = beyond && holdsAt(beyond, Math.min(1, fails + 2e-4));
          const there = foldedAt(Math.min(1, fails + 2e-4));
          if (next && there) expectSame(next, there);
        }
        last = followed ? last : { one: fresh, share };
      }
      expect(last).not.toBeNull();
    },
  );

  it('is refused where the layers jump, and holds on both sides of each jump', () => {
    const way = waysOf(formById('square-tray-and-eared-lid')).find(({ lengths }) => lengths.length)!;
    const form = formById(way.pieceId);
    const sheet = { widthMm: 200, heightMm: 200 };
    const folded = (share: number) => foldAnew(form, sheet, paramsAt(way, [share * 200]));
    // From √2/8 of the sheet on the end flaps reach past each other: ten layers where there were six.
    const jump = Math.SQRT2 / 8;
    const [low, high] = [folded(jump - 0.01), folded(jump + 0.01)];
    const ends = (one: Folded): number => measure(one, 0.1).layers.find(({ name }) => name === 'ends')!.count;
    expect([ends(low), ends(high)]).toEqual([6, 10]);
    for (const by of [1e-5, 1e-4, 1e-3, 5e-3])
      for (const side of [-1, 1]) {
        const share = jump + side * by;
        const [right, wrong] = side < 0 ? [low, high] : [high, low];
        const params = paramsAt(way, [share * 200]);
        expect(follow(wrong, sheet, params)).toBeNull();
        expectSame(follow(right, sheet, params)!, folded(share));
      }
  });

  it('is refused by another number of moves: tips that one card has and another has not', () => {
    const form = formById('card-template-wrap');
    const sheet = { widthMm: 170, heightMm: 150 };
    const wrap = (longMm: number, shortMm: number) => ({ layout: 'diagonal', longMm, shortMm });
    const [tipped, plain] = [foldAnew(form, sheet, wrap(120, 65)), foldAnew(form, sheet, wrap(105, 90))];
    expect(tipped.steps).toBeGreaterThan(plain.steps);
    expect(follow(plain, sheet, wrap(120, 65))).toBeNull();
    expect(follow(tipped, sheet, wrap(105, 90))).toBeNull();
    expectSame(follow(tipped, sheet, wrap(119, 66))!, foldAnew(form, sheet, wrap(119, 66)));
  });
});

describe('a hand that misses, following a followed recording', () => {
  it.each(someOf(ways, 9).map((way) => [way.pieceId, way.lengths.join(', ') || 'folding alone', way] as const))(
    '%s, %s: misses as it does after the piece folded anew',
    (_id, _lengths, way) =>
      fc.assert(
        fc.property(pointOf(way, 300), fc.integer({ min: 1, max: 1e6 }), (point, seed) => {
          const fresh = point && anew(way, point);
          const beside =
            point && anew(way, { ...point, sheet: scaled(point.sheet), lengths: point.lengths.map((mm) => 1.1 * mm) });
          const followed = fresh && beside && follow(beside, fresh.size, at(way, point));
          if (!followed) return;
          const inexact = { sigmaMm: 0.3, seed };
          const [a, b] = [followed, fresh].map((one) => flattened(measureMissed(one, inexact, THICK_MM)));
          for (const [name, mm] of Object.entries(b)) expect(Math.abs(a[name] - mm)).toBeLessThan(1e-6);
        }),
        { numRuns: runs(2, 40) },
      ),
  );

  it('makes the moves of the exact hand, whatever it misses: no wrap has a tip more or less by luck', () => {
    const form = formById('card-template-wrap');
    for (let k = 0; k < 27; k++) {
      const [long, short] = [100 + (k % 9) * 2.5, 60 + Math.floor(k / 9) * 11];
      const side = Math.ceil((long + short) / Math.SQRT2) + 12;
      const params = { layout: 'diagonal', longMm: long, shortMm: short };
      const folded = foldAnew(form, { widthMm: side, heightMm: side }, params);
      for (let seed = 1; seed < 40; seed++)
        expect(() => measureMissed(folded, { sigmaMm: 0.6, seed }, THICK_MM)).not.toThrow();
    }
  });
});

const scaled = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }) => ({
  widthMm: 1.1 * widthMm,
  heightMm: 1.1 * heightMm,
});
