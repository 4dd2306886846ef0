import * as fc from 'fast-check';
import { type FormStep, FORMS, make, type Pose, squareSheet, startSheet, stepFacts } from '../../src/index';

/** A step of moves on a fresh square, as a form would record it. */
function stepOf(
  side: number,
  creases: readonly string[],
  moves: (hand: ReturnType<typeof startSheet>) => void,
): FormStep {
  const hand = startSheet(squareSheet(side));
  const poses: readonly Pose[] = hand.watch(() => moves(hand));
  const words = {
    id: 'x',
    title: 'X',
    words: 'X.',
    check: 'X.',
    slip: { what: 'X.', remedy: 'X.' },
    crease: 'sharp',
  } as const;
  return { ...words, poses, creases, arrows: [], landmarks: [], found: [], view: 'table' };
}
const side = fc.integer({ min: 60, max: 500 });
const at = (x: number, y: number) => ({ x, y });

describe('what is to be known of a step', () => {
  it('a crease from edge to edge is as long as the square, one from corner to corner √2 times as long', () =>
    fc.assert(
      fc.property(side, (s) => {
        const half = stepOf(s, ['half'], (hand) => {
          hand.valley('half', { kind: 'point-onto-point', point: at(0, 0), onto: at(0, s) });
          hand.unfold('half');
        });
        expect(stepFacts(half).creaseMm).toBeCloseTo(s, 6);
        const diagonal = stepOf(s, ['diagonal'], (hand) =>
          hand.valley('diagonal', { kind: 'point-onto-point', point: at(0, 0), onto: at(s, s) }),
        );
        expect(stepFacts(diagonal).creaseMm).toBeCloseTo(s * Math.SQRT2, 6);
      }),
      { numRuns: 12 },
    ));

  it('through several layers it counts once, as it lies on the table', () => {
    const hand = startSheet(squareSheet(100));
    hand.valley('half', { kind: 'point-onto-point', point: at(0, 0), onto: at(0, 100) });
    const poses = hand.watch(() =>
      hand.valley('quarter', { kind: 'point-onto-point', point: at(0, 100), onto: at(100, 100) }),
    );
    const { arrows, ...step } = stepOf(100, ['quarter'], () => undefined);
    expect(stepFacts({ ...step, arrows, poses }).creaseMm).toBeCloseTo(50, 6);
  });

  it('no crease is longer than the sheet’s diagonal, and turning the paper changes the side that is up', () => {
    for (const form of Object.values(FORMS)) {
      const long = form.sheetShape === 'square' ? 1 : Math.min(1.3, form.sheetShape.longPerShort[1]);
      const { folding } = make(form.id, {
        sheet: { widthMm: 150 * long, heightMm: 150 },
        params: {},
        paper: { thicknessMm: 0 },
      });
      folding.steps.forEach((step, k) => {
        const { up, creaseMm } = stepFacts(step);
        expect(up === null).toBe(step.view === 'space' || stepFacts(step).up === null);
        if (creaseMm !== null) {
          expect(creaseMm).toBeGreaterThan(1);
          expect(creaseMm).toBeLessThanOrEqual(Math.hypot(150 * long, 150) + 1e-6);
        }
        const next = folding.steps[k + 1];
        const flips: Readonly<Record<string, string>> = { white: 'colour', colour: 'white' };
        const bare = step.poses[0].angles.every((angle) => angle === 0);
        if (next?.view === 'table' && bare && up && step.arrows[0].kind === 'turn-over')
          expect(stepFacts(next).up).toBe(flips[up]);
      });
      expect(stepFacts(folding.steps[0]).up).toBe('white');
    }
  });
});
