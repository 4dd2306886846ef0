import * as fc from 'fast-check';
import {
  atRulerStep,
  type EaseId,
  explainLid,
  explainTray,
  makeTray,
  needOf,
  type RulerId,
  RULERS,
  slackOf,
  type SizedPart,
  sizeTray,
  squareTray,
  TooLarge,
  WALL_SHARE,
} from '../../src/index';

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const block = fc.record({ lengthMm: mm(3, 250), widthMm: mm(3, 250), heightMm: mm(1, 120) });
const request = fc.record({
  block,
  ease: fc.constantFrom<EaseId>('snug', 'easy', 'loose'),
  ruler: fc.constantFrom<RulerId>('mm', 'half-mm', 'sixteenth-inch'),
  walls: fc.constantFrom('folded' as const, 'measured' as const),
  thicknessMm: mm(0.04, 0.3),
});

/** Folded anew, not taken from the answer. */
function leftOver({ params, need }: SizedPart, sheetMm: number, thicknessMm: number): number {
  return slackOf(makeTray({ sheetMm, params, thicknessMm }).sizes.cavity, need).leastMm;
}

function foldable({ params: { wallMm } }: SizedPart, sheetMm: number): boolean {
  if (sheetMm < squareTray.leastSheetMm) return false;
  return wallMm === null || (wallMm >= WALL_SHARE.min * sheetMm * (1 - 1e-9) && wallMm < WALL_SHARE.max * sheetMm);
}

describe('the smallest sheets for a tray and its lid', () => {
  it('hold what they must, and one ruler step less does not', () =>
    fc.assert(
      fc.property(request, (asked) => {
        const { tray, lid } = sizeTray(asked);
        const { stepMm } = RULERS[asked.ruler];
        for (const part of [tray, lid]) {
          expect(leftOver(part, part.sheetMm, asked.thicknessMm)).toBeGreaterThanOrEqual(0);
          const below = part.sheetMm - stepMm;
          if (foldable(part, below)) expect(leftOver(part, below, asked.thicknessMm)).toBeLessThan(0);
          else expect(['fingers', 'wall-share']).toContain(part.decided);
        }
      }),
      { numRuns: 30 },
    ));

  it('are marks of the ruler, walls too', () =>
    fc.assert(
      fc.property(request, (asked) => {
        const { tray, lid } = sizeTray(asked);
        for (const length of [tray.sheetMm, lid.sheetMm, tray.params.wallMm ?? 0]) {
          const steps = Math.round(length / RULERS[asked.ruler].stepMm);
          expect(Math.abs(atRulerStep(steps, asked.ruler) - length)).toBeLessThan(1e-6);
        }
      }),
      { numRuns: 10 },
    ));

  it('a lid one ruler step larger than the answer slides over the tray too', () =>
    fc.assert(
      fc.property(request, (asked) => {
        const { tray, lid } = sizeTray(asked);
        const larger = makeTray({
          sheetMm: lid.sheetMm + RULERS[asked.ruler].stepMm,
          params: { part: 'eared-lid', wallMm: null },
          thicknessMm: asked.thicknessMm,
        });
        if (lid.params.wallMm !== null) return;
        expect(larger.sizes.cavity.widthMm).toBeGreaterThan(tray.sizes.outer.widthMm);
      }),
      { numRuns: 10 },
    ));

  it('larger contents and thicker paper never take a smaller sheet', () =>
    fc.assert(
      fc.property(request, mm(0, 10), mm(0, 0.1), (asked, more, thicker) => {
        const first = sizeTray({ ...asked, walls: 'folded' });
        const { lengthMm, widthMm, heightMm } = asked.block;
        const grown = { lengthMm: lengthMm + more, widthMm: widthMm + more, heightMm: heightMm + more };
        expect(sizeTray({ ...asked, walls: 'folded', block: grown }).tray.sheetMm).toBeGreaterThanOrEqual(
          first.tray.sheetMm,
        );
        expect(
          sizeTray({ ...asked, walls: 'folded', thicknessMm: asked.thicknessMm + thicker }).tray.sheetMm,
        ).toBeGreaterThanOrEqual(first.tray.sheetMm);
      }),
      { numRuns: 15 },
    ));

  it('measured walls never take a larger sheet than folded ones while the wall may be as low as needed', () => {
    const asked = {
      block: { lengthMm: 60, widthMm: 45, heightMm: 22 },
      ease: 'easy',
      ruler: 'mm',
      thicknessMm: 0.1,
    } as const;
    expect(sizeTray({ ...asked, walls: 'measured' }).tray.sheetMm).toBeLessThan(
      sizeTray({ ...asked, walls: 'folded' }).tray.sheetMm,
    );
  });

  it('the closed form agrees: s = √2 (A + 2h), up to one ruler step', () =>
    fc.assert(
      fc.property(request, (asked) => {
        const { tray } = sizeTray({ ...asked, walls: 'folded' });
        if (tray.decided === 'fingers') return;
        const { lengthMm, widthMm, depthMm } = needOf(asked.block, asked.ease);
        const t = asked.thicknessMm;
        const base = Math.max(lengthMm + 3 * t, widthMm + 11 * t, 2 * (depthMm + 1.5 * t));
        const exact = 2 * Math.SQRT2 * base;
        expect(tray.sheetMm).toBeGreaterThanOrEqual(exact - 1e-6);
        expect(tray.sheetMm - exact).toBeLessThan(RULERS[asked.ruler].stepMm + 1e-6);
      }),
      { numRuns: 15 },
    ));

  it('says so when no sheet is large enough', () => {
    const giant = { lengthMm: 5000, widthMm: 5000, heightMm: 5000 };
    for (const walls of ['folded', 'measured'] as const)
      expect(() => sizeTray({ block: giant, ease: 'easy', ruler: 'mm', walls, thicknessMm: 0.1 })).toThrow(TooLarge);
  });

  it('every line of the arithmetic holds figures', () => {
    const sizing = sizeTray({
      block: { lengthMm: 60, widthMm: 45, heightMm: 22 },
      ease: 'easy',
      ruler: 'mm',
      walls: 'measured',
      thicknessMm: 0.1,
    });
    for (const unit of ['mm', 'cm', 'in'] as const)
      for (const line of [...explainTray(sizing, unit), ...explainLid(sizing, unit)])
        expect(line.figures).toMatch(/\d/);
    expect(explainTray(sizing, 'mm').at(-1)?.figures).toContain(`${sizing.tray.sheetMm} mm`);
  });
});
