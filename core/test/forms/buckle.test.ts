import * as fc from 'fast-check';
import { area, faceAt, sideOfFace, skinOf, TUNNEL } from '../../src/index';
import { lengthOf, made, roomIn, sheet } from './made';

describe('strap buckle', () => {
  it('is a quarter of its sheet wide and as long as it is asked, star or squares', () =>
    fc.assert(
      fc.property(
        sheet,
        fc.double({ min: 0.27, max: 0.47, noNaN: true }),
        fc.constantFrom('star' as const, 'squares' as const),
        (s, long, front) => {
          const buckle = made('strap-buckle', s, { front, lengthMm: long * s });
          expect(buckle.sizes.outer.widthMm / s).toBeCloseTo(1 / 4, 9);
          expect(buckle.sizes.outer.lengthMm / s).toBeCloseTo(long, 9);
          expect(roomIn(TUNNEL, buckle).widthMm / s).toBeCloseTo(1 / 4, 9);
          expect(lengthOf(buckle, 'ends turned in') / s).toBeCloseTo(1 / 4 - long / 2, 9);
        },
      ),
      { numRuns: 4 },
    ));

  it('shows a white field of a quarter of its front, and its tunnel lets a strap through', () => {
    const s = 256;
    const { finished } = made('strap-buckle', s).folding;
    const { pattern, order } = finished;
    // White that air touches from in front.
    const front = skinOf(finished).filter(({ side, corners }) => side === 'white' && area(corners) > 0);
    const x = 1 / 8 - ((Math.SQRT2 - 1) / 8) * Math.tan((33.75 * Math.PI) / 180);
    expect(front.reduce((sum, { corners }) => sum + area(corners), 0) / s ** 2).toBeCloseTo(2 * Math.SQRT2 * x * x, 6);
    // Between the walls of the tunnel nothing reaches from one to the other: both strips of each end lie on their own wall.
    const back = faceAt(pattern, { x: 0.45 * s, y: 0.45 * s });
    const wall = faceAt(pattern, { x: 0.3 * s, y: 0.45 * s });
    expect(sideOfFace(order, back, wall)).not.toBe(0);
  });

  it('is told wide enough for a strap, its thickness and its paper: the fact sheet’s rule', () => {
    for (const [strap, thick, t] of [
      [25, 1, 0.08],
      [40, 2, 0.1],
      [60, 1, 0.1],
    ]) {
      const s = 4 * (strap + thick) + 72 * t;
      const { widthMm } = roomIn(TUNNEL, {
        sizes: made('strap-buckle', Math.max(s, 125)).sizes,
      });
      expect((widthMm * s) / Math.max(s, 125) - 18 * t).toBeCloseTo(strap + thick, 8);
    }
  });
});
