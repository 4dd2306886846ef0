import * as fc from 'fast-check';
import {
  apply,
  area,
  dot,
  FORMS,
  formById,
  inverse,
  make,
  minus,
  pencilWords,
  point,
  rectangleSheet,
  shownFaces,
  type ShownFace,
  squareOn,
  startSheet,
  unionOutline,
} from '../../src/index';
import { made, sheet, usualSheet } from '../forms/made';
import { someOf } from '../runs';

const partsArea = ({ parts }: ShownFace): number => parts.reduce((sum, { outline }) => sum + area(outline), 0);

describe('the outline of touching pieces', () => {
  const cut = fc.double({ min: 0.1, max: 0.9, noNaN: true });
  it('has their area, whatever they were cut into, and no corner on a straight edge', () =>
    fc.assert(
      fc.property(cut, cut, cut, (a, b, c) => {
        const [w, h] = [90, 60];
        // Cut upright, one half level, the other level elsewhere: corners meet edges in between.
        const box = (x0: number, y0: number, x1: number, y1: number) => [
          point(x0, y0),
          point(x1, y0),
          point(x1, y1),
          point(x0, y1),
        ];
        const pieces = [
          ...[box(0, 0, a * w, b * h), box(0, b * h, a * w, h)],
          ...[box(a * w, 0, w, c * h), box(a * w, c * h, w, h)],
        ];
        const [outline, ...more] = unionOutline(pieces, 1e-6);
        expect(more).toEqual([]);
        expect(outline).toHaveLength(4);
        expect(area(outline)).toBeCloseTo(w * h, 6);
      }),
    ));

  it('of pieces that lie apart are several, and round a hole there is one that runs the other way', () => {
    const box = (x: number, y: number) => [point(x, y), point(x + 10, y), point(x + 10, y + 10), point(x, y + 10)];
    expect(unionOutline([box(0, 0), box(30, 0)], 1e-6)).toHaveLength(2);
    const ring = [0, 10, 20].flatMap((x) => [0, 10, 20].flatMap((y) => (x === 10 && y === 10 ? [] : [box(x, y)])));
    const loops = unionOutline(ring, 1e-6);
    expect(loops.map((loop) => Math.round(area(loop))).sort((a, b) => a - b)).toEqual([-100, 900]);
  });
});

describe('what shows', () => {
  it('of an open sheet is both sides of it, whole, upright', () => {
    const [up, down, ...more] = shownFaces(startSheet(rectangleSheet(120, 80)).pose);
    expect(more).toEqual([]);
    for (const face of [up, down]) {
      expect([face.widthMm, face.heightMm, face.areaMm2]).toEqual([120, 80, 9600]);
      expect(face.parts).toHaveLength(1);
      expect(face.parts[0].turnDeg).toBeCloseTo(0, 9);
    }
    expect(new Set([up.parts[0].side, down.parts[0].side])).toEqual(new Set(['white', 'coloured']));
  });

  it('of a sheet folded in half is half of its coloured side in front, half behind, and the other half stands on its head', () => {
    const hand = startSheet(rectangleSheet(120, 80));
    hand.valley('half', { kind: 'point-onto-point', point: hand.at(point(0, 80)), onto: hand.at(point(0, 0)) });
    const faces = shownFaces(hand.pose);
    expect(faces).toHaveLength(2);
    const [front] = faces.filter(({ normal }) => normal.z > 0);
    const [back] = faces.filter(({ normal }) => normal.z < 0);
    expect(front.parts.map(({ side }) => side)).toEqual(['coloured']);
    expect(Math.abs(front.parts[0].turnDeg)).toBeCloseTo(180, 9);
    expect(back.parts[0].turnDeg).toBeCloseTo(0, 9);
    expect(squareOn(front.parts[0].outline)).toMatchObject({ x: 0, y: 40, width: 120, height: 40 });
    expect(pencilWords(front, 120, (mm) => `${Number(mm.toFixed(3))} mm`)).toEqual([
      'With the coloured side up: a rectangle 120 mm wide and 40 mm high, its left edge 0 mm from the left edge, its near edge 40 mm from the near edge of the sheet. Draw it upside down: it stands upright on the face.',
    ]);
  });

  it.each(someOf(FORMS, 6).map(({ id }) => [id]))(
    '%s: every part lies on the sheet, has the area that shows, and lands on its face, turned as is said',
    (id) =>
      fc.assert(
        fc.property(sheet, (s) => {
          const widthMm = s * usualSheet(formById(id));
          const { folding } = make(id, { sheet: { widthMm, heightMm: s }, params: {}, paper: { thicknessMm: 0 } });
          const { finished } = folding;
          const { pattern, placed } = finished;
          const faces = shownFaces(finished);
          const total = pattern.faces.length;
          expect(total).toBeGreaterThan(0);
          for (const face of faces) {
            expect(partsArea(face) / face.areaMm2).toBeCloseTo(1, 6);
            expect(dot(face.right, face.up)).toBeCloseTo(0, 9);
            expect(dot(face.normal, face.up)).toBeCloseTo(0, 9);
            const at = face.of.map(({ face: f }) => apply(placed[f], pattern.vertices[pattern.faces[f].vertices[0]]));
            // All of it lies in one plane.
            for (const p of at) expect(Math.abs(dot(face.normal, minus(p, at[0]))) / s).toBeLessThan(1e-4);
            for (const { turnDeg, side } of face.parts.slice(0, 3)) {
              const own = face.of.filter((one) => one.side === side);
              // Up on the face, brought back to the sheet, as it is seen on the side that shows.
              const ups = own.map(({ face: f }) => {
                const m = placed[f];
                const back = apply(inverse([...m.slice(0, 9), 0, 0, 0]), face.up);
                return (Math.atan2(side === 'white' ? back.x : -back.x, back.y) * 180) / Math.PI;
              });
              // Clockwise by as much as is said, for at least one of the faces that it is made of.
              expect(ups.some((deg) => Math.abs(Math.cos(((deg - turnDeg) * Math.PI) / 180) - 1) < 1e-6)).toBe(true);
            }
          }
          // No more shows than there is paper, on both sides.
          expect(faces.reduce((sum, { areaMm2 }) => sum + areaMm2, 0)).toBeLessThanOrEqual(
            2 * widthMm * s * (1 + 1e-9),
          );
        }),
        { numRuns: 2 },
      ),
  );

  it('of flat paper is as large from above as from below: its outline', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const [a, b, ...more] = shownFaces(made('flat-folding-cup', s).folding.finished);
        expect(more).toEqual([]);
        expect(a.areaMm2 / b.areaMm2).toBeCloseTo(1, 6);
      }),
      { numRuns: 5 },
    ));
});
