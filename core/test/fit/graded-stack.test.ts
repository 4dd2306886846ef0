import * as fc from 'fast-check';
import { boundsOf, gradedStack, LID_PLAY_MM, makeTray, RULERS, slackOf, stackScene } from '../../src/index';

describe('a graded set of trays', () => {
  it('each takes in the one before with its play, and one ruler step less does not', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 200 }),
        fc.constantFrom('snug' as const, 'easy' as const, 'loose' as const),
        fc.constantFrom('mm' as const, '5-mm' as const, 'eighth-inch' as const),
        fc.double({ min: 0.05, max: 0.25, noNaN: true }),
        (innermostMm, ease, ruler, thicknessMm) => {
          const set = gradedStack({ innermostMm, count: 3, ease, ruler, thicknessMm });
          expect(set).toHaveLength(3);
          const { stepMm } = RULERS[ruler];
          set.forEach(({ sheetMm }) =>
            expect(Math.abs(sheetMm / stepMm - Math.round(sheetMm / stepMm))).toBeLessThan(1e-6),
          );
          expect(set[0].sheetMm).toBeGreaterThanOrEqual(innermostMm - 1e-9);
          expect(set[0].sheetMm - stepMm).toBeLessThan(innermostMm);
          for (const [inner, outer] of [set.slice(0, 2), set.slice(1, 3)]) {
            const play = LID_PLAY_MM[ease];
            const need = {
              lengthMm: inner.sizes.outer.lengthMm + play,
              widthMm: inner.sizes.outer.widthMm + play,
              depthMm: inner.sizes.outer.heightMm,
            };
            const slackAt = (sheetMm: number): number =>
              slackOf(makeTray({ sheetMm, params: { part: 'tray' }, thicknessMm }).sizes.cavity, need).leastMm;
            expect(slackAt(outer.sheetMm)).toBeGreaterThanOrEqual(-1e-9);
            if (outer.sheetMm - inner.sheetMm > 1.5 * stepMm) expect(slackAt(outer.sheetMm - stepMm)).toBeLessThan(0);
          }
        },
      ),
      { numRuns: 8 },
    ));

  it('is shown with each tray within the one around it, above its floor', () => {
    const set = gradedStack({ innermostMm: 110, count: 3, ease: 'easy', ruler: 'mm', thicknessMm: 0.1 });
    const trays = set.map(({ sheetMm }) => makeTray({ sheetMm, params: { part: 'tray' }, thicknessMm: 0.1 }));
    const { piece, lifted } = stackScene(trays);
    const rooms = [piece, ...lifted.map(({ skin }) => skin)].map((skin) =>
      boundsOf(skin.map(({ corners }) => corners)),
    );
    expect(rooms).toHaveLength(3);
    for (const [outer, inner] of [rooms.slice(0, 2), rooms.slice(1, 3)]) {
      expect(inner.low.z).toBeGreaterThan(outer.low.z);
      expect(inner.high.z).toBeLessThanOrEqual(outer.high.z + 1e-9);
      for (const axis of ['x', 'y'] as const) {
        expect(inner.low[axis]).toBeGreaterThan(outer.low[axis]);
        expect(inner.high[axis]).toBeLessThan(outer.high[axis]);
      }
    }
  });

  it('refuses a set that cannot be begun', () => {
    const rest = { ease: 'easy', ruler: 'mm', thicknessMm: 0.1 } as const;
    expect(() => gradedStack({ innermostMm: 40, count: 3, ...rest })).toThrow('at least 60 mm');
    expect(() => gradedStack({ innermostMm: 100, count: 0, ...rest })).toThrow(RangeError);
  });
});
