import * as fc from 'fast-check';
import { make, BOX } from '../../src/index';
import { expectPaper } from '../paper-laws';
import { made, paper, roomIn } from './made';

describe('gusseted bag', () => {
  it('has the base, walls and flat size of its fact sheet, for any seam, bottom and sheet', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 140, max: 500 }),
        fc.integer({ min: 100, max: 160 }),
        fc.integer({ min: 5, max: 20 }),
        fc.nat(100),
        fc.constantFrom(0, 1, 2),
        (width, percent, o, share, pleats) => {
          const height = (width * percent) / 100;
          const f = 9 + (share / 100) * (width / 4 - 0.75 * o - 9);
          const [q, z] = [6, 4];
          const [d, w] = [f - q / 2, (width - o) / 2];
          if (w - d < d) return;
          const { sizes, folding } = make('gusseted-bag', {
            sheet: { widthMm: width, heightMm: height },
            params: { foldUpMm: f, seamMm: o, pleats },
            paper,
          });
          const room = roomIn(BOX, { sizes });
          expect(room.lengthMm).toBeCloseTo(w - d, 6);
          expect(room.widthMm).toBeCloseTo(d, 6);
          const wall = height - f + d / 2;
          const mm = Object.fromEntries(sizes.lengths.map((l) => [l.name, l.mm]));
          expect(mm['walls, before pleating']).toBeCloseTo(wall, 6);
          expect(mm['flat bag, wide']).toBeCloseTo(w - d, 6);
          expect(mm['flaps of the base over each other']).toBeCloseTo(q, 6);
          expect(room.depthMm).toBeCloseTo(wall - pleats * z - (pleats ? 0.7 * d : 0), 6);
          for (const pose of [folding.finished, folding.flat!]) expectPaper(pose, width * height);
        },
      ),
      { numRuns: 6 },
    ));

  it('refuses a bottom that leaves a hole in the base or runs into the seam', () => {
    for (const foldUpMm of [5, 60])
      expect(() => made('gusseted-bag', 150, { foldUpMm })).toThrow('does not suit a sheet of');
  });
});
