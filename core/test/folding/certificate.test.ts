import * as fc from 'fast-check';
import { foldAnew, FORMS, type Transform, formById } from '../../src/index';
import { certificateOf, holds } from '../../src/folding/certificate';

const ids = FORMS.map(({ id }) => id);

function folded(id: string) {
  const form = formById(id);
  const widthMm = form.sheetShape === 'square' ? 180 : 180 * (form.sheetShape.longPerShort[0] + 0.05);
  return foldAnew(form, { widthMm, heightMm: 180 }, {}).recording;
}

/** A face shifted by so much along the table, the others as they are. */
const shifted = (placed: readonly Transform[], face: number, x: number, y: number): readonly Transform[] =>
  placed.map((m, f) => (f === face ? [...m.slice(0, 9), m[9] + x, m[10] + y, m[11]] : m));

describe('a certificate', () => {
  it.each(ids)('%s: holds for every pose that it was made of, also moved bodily', (id) => {
    for (const move of folded(id).moves) {
      const { pattern, placed } = move.pose;
      const certificate = certificateOf(move);
      expect(holds(certificate, pattern, placed)).toBe(true);
      const aside = placed.map((m): Transform => [...m.slice(0, 9), m[9] + 37, m[10] - 12, m[11] + 5]);
      expect(holds(certificate, pattern, aside)).toBe(true);
    }
  });

  it.each(ids)('%s: fails when any one face that lies on others is shifted', (id) => {
    const { moves } = folded(id);
    fc.assert(
      fc.property(
        fc.nat(moves.length - 1),
        fc.nat(1000),
        fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
        (k, n, turn) => {
          const { pattern, placed, order } = moves[k].pose;
          const stacked = pattern.faces.flatMap((_, f) =>
            order.side.slice(f * order.faces, (f + 1) * order.faces).some((side) => side !== 0) ? [f] : [],
          );
          if (!stacked.length) return;
          const face = stacked[n % stacked.length];
          const moved = shifted(placed, face, 4 * Math.cos(turn), 4 * Math.sin(turn));
          expect(holds(certificateOf(moves[k]), pattern, moved)).toBe(false);
        },
      ),
      { numRuns: 15 },
    );
  });
});
