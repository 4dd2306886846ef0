import * as fc from 'fast-check';
import {
  atOnce,
  chanceOf,
  chanceOfAll,
  DRAWS,
  normalQuantile,
  normalShare,
  offsetsOf,
  parsePurpose,
  prepare,
  BOX,
  type RoomAsked,
  slopesOf,
  spareSpread,
  waysOf,
  formById,
} from '../../src/index';
import { fitting, USUAL } from './usual-options';

describe('the normal distribution', () => {
  it.each([
    [0, 0.5],
    [1, 0.841344746068543],
    [1.281551565544601, 0.9],
    [-2.326347874040841, 0.01],
    [5, 0.9999997133484281],
  ])('at %f it is %f', (x, p) => {
    expect(normalShare(x)).toBeCloseTo(p, 12);
    expect(normalQuantile(p)).toBeCloseTo(x, 6);
  });

  it('is even about its middle, and its quantile turns it round', () =>
    fc.assert(
      fc.property(fc.double({ min: -5.5, max: 5.5, noNaN: true }), (x) => {
        expect(normalShare(x) + normalShare(-x)).toBeCloseTo(1, 12);
        expect(normalQuantile(normalShare(Math.min(x, 5)))).toBeCloseTo(Math.min(x, 5), 4);
      }),
    ));

  it('refuses what is no probability', () => {
    for (const p of [0, 1, -0.1, NaN]) expect(() => normalQuantile(p)).toThrow('between 0 and 1');
  });
});

describe('draws of misses', () => {
  const [way] = waysOf(formById('closing-cube'));
  const [structure] = atOnce(fitting.knowing(way));
  const { misses } = atOnce(fitting.missesAt({ structure, folded: structure.folded }, []));
  const offsets = offsetsOf(fitting, misses);
  const room = (mm: number): RoomAsked =>
    fitting.asking(BOX.of({ lengthMm: mm, widthMm: mm, depthMm: mm }), { widthMm: 1, heightMm: 1 });

  it('spread each measure as its slopes say', () => {
    offsets.names.forEach((name, m) => {
      const row = misses.rows[misses.names.indexOf(name)];
      const expected = Math.sqrt(row.reduce((sum, slope) => sum + slope * slope, 0));
      const drawn = Math.sqrt(offsets.draws[m].reduce((sum, mm) => sum + mm * mm, 0) / DRAWS);
      expect(Math.abs(drawn / expected - 1)).toBeLessThan(0.05);
    });
  });

  it('meet a single demand as often as a normal number lies below what is to spare', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        (sds, handMm) => {
          const [{ demands }] = fitting.demands(prepare(parsePurpose('30 x 30 x 30'), USUAL), 'box');
          const depth = demands.find(({ name }) => name === 'depth')!;
          const sd = spareSpread(slopesOf(depth, room(40), offsets.names), misses, offsets.names);
          const ways = [{ demands: [depth], arrangement: null }];
          const chance = chanceOf(fitting, ways, room(depth.need(room(40)) + sds * sd * handMm), offsets, {
            handMm,
            volumeSpread: 0,
          });
          expect(Math.abs(chance - normalShare(sds))).toBeLessThan(4 * Math.sqrt(0.25 / DRAWS));
        },
      ),
      { numRuns: 20 },
    ));

  it('a second way to fit never lowers a chance, a further demand never raises it, and a better hand is surer', () => {
    const [way1] = fitting.demands(prepare(parsePurpose('30 x 30 x 30'), USUAL), 'box');
    const at = (mm: number, handMm = 0.4, ways = [way1]) =>
      chanceOf(fitting, ways, room(mm), offsets, { handMm, volumeSpread: 0 });
    const alone = way1.demands.map((demand) => at(31.9, 0.4, [{ demands: [demand], arrangement: null }]));
    expect(at(31.9)).toBeLessThanOrEqual(Math.min(...alone));
    expect(at(31.9, 0.4, [way1, { demands: [way1.demands[0]], arrangement: null }])).toBeGreaterThanOrEqual(at(31.9));
    expect(at(31.9, 0.1)).toBeGreaterThan(at(31.9, 0.6));
    for (const [less, more] of [
      [31, 31.5],
      [31.5, 32],
      [32, 34],
    ])
      expect(at(more)).toBeGreaterThanOrEqual(at(less));
  });
});

describe('the chance of a whole make', () => {
  const share = fc.double({ min: 0, max: 1, noNaN: true });

  it('is that of its piece where it has one, and never above that of the least sure of several, in any order', () => {
    fc.assert(
      fc.property(fc.array(share, { minLength: 1, maxLength: 6 }), (pieces) => {
        const all = chanceOfAll(pieces)!;
        expect(chanceOfAll([pieces[0]])).toBe(pieces[0]);
        expect(all).toBeLessThanOrEqual(Math.min(...pieces));
        expect(chanceOfAll([...pieces].reverse())).toBeCloseTo(all, 12);
      }),
    );
  });

  it('is unknown where that of one piece is', () => {
    fc.assert(
      fc.property(fc.array<number | null>(share, { maxLength: 4 }), fc.nat(4), (pieces, at) => {
        expect(chanceOfAll(pieces.toSpliced(at, 0, null))).toBeNull();
      }),
    );
  });
});
