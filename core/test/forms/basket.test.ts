import * as fc from 'fast-check';
import { BOX, curled, placedOutline, spanOf, turnsOf, whereIs } from '../../src/index';
import { lengthOf, made, roomIn, sheet } from './made';

describe('curled-ear basket', () => {
  it('has base and walls of its fact sheet, corners on either wall', () =>
    fc.assert(
      fc.property(
        sheet,
        fc.double({ min: 0.205, max: 0.495, noNaN: true }),
        fc.constantFrom('own', 'next'),
        fc.constantFrom('clockwise', 'counter'),
        (s, b, gusset, mirror) => {
          const basket = made('curled-ear-basket', s, { baseMm: b * s, gusset, mirror });
          const room = roomIn(BOX, basket);
          expect(room.lengthMm / s).toBeCloseTo(b, 9);
          expect(room.widthMm / s).toBeCloseTo(b, 9);
          expect(room.depthMm / s).toBeCloseTo((1 - b) / 4, 9);
          expect(lengthOf(basket, 'pinwheel') / s).toBeCloseTo(1, 9);
          expect(basket.sizes.layers[0].count).toBe(8);
        },
      ),
      { numRuns: 4 },
    ));

  it('rolls its ears outwards, over the rim and no further down than the rod is thick', () => {
    for (const gusset of ['own', 'next']) {
      const { folding } = made('curled-ear-basket', 170, { gusset, rodMm: 6 });
      const span = spanOf(folding.finished);
      expect(span.x).toBeGreaterThan(42.5 + 2 * 5);
      expect(span.x).toBeLessThan(42.5 + 2 * 12);
      // Nothing lies over the hole of the basket: what is inside the walls is no higher than the rim.
      const floor = whereIs(folding.finished, { x: 85, y: 85 });
      for (const p of folding.finished.pattern.faces.flatMap((_, f) => placedOutline(folding.finished, f)))
        if (Math.max(Math.abs(p.x - floor.x), Math.abs(p.y - floor.y)) < 21)
          expect(p.z - floor.z).toBeLessThan(31.875 + 1e-6);
    }
  });
});

describe('a curl', () => {
  it('keeps its length, ends at the rim, and its turns lie apart', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 150, noNaN: true }),
        fc.double({ min: 4, max: 10, noNaN: true }),
        (long, rod) => {
          const bends = curled(long, rod);
          expect(bends[0].atMm).toBeCloseTo(0, 9);
          for (let k = 1; k < bends.length; k++) expect(bends[k].atMm).toBeGreaterThan(bends[k - 1].atMm);
          expect(bends.at(-1)!.atMm).toBeLessThan(long);
          // As many turns as circles as wide as the rod would have, or fewer.
          expect(turnsOf(bends)).toBeLessThan(long / (Math.PI * rod));
          // Corners of the spiral, from the rim to the tip: no two pieces cross.
          let [x, y, heading] = [0, 0, 0];
          const corners = bends.map(({ atMm, bendDeg }, k) => {
            const corner = { x, y };
            heading += (bendDeg * Math.PI) / 180;
            const next = k + 1 < bends.length ? bends[k + 1].atMm : long;
            x += (next - atMm) * Math.cos(heading);
            y += (next - atMm) * Math.sin(heading);
            return corner;
          });
          corners.push({ x, y });
          const turn = (a: (typeof corners)[0], b: (typeof corners)[0], c: (typeof corners)[0]): number =>
            (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
          for (let i = 1; i < corners.length; i++)
            for (let j = i + 2; j < corners.length; j++) {
              const [a, b, c, d] = [corners[i - 1], corners[i], corners[j - 1], corners[j]];
              expect(turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0).toBe(false);
            }
        },
      ),
      { numRuns: 60 },
    ));
});
