import fc from 'fast-check';
import { distance, foldAnew, point, rectangleSheet, SHELF, startSheet } from '../../src/index';

describe('marks that a hand measures', () => {
  const mm = fc.double({ min: 5, max: 90, noNaN: true });
  const off = fc.double({ min: -2, max: 2, noNaN: true });

  it('lie as much too far as they are missed, each by its own, and the paper is folded there', () => {
    fc.assert(
      fc.property(mm, mm, off, off, (first, second, missed, other) => {
        const hand = startSheet(rectangleSheet(100, 100), { inexact: { sigmaMm: 0, seed: 0, marks: [missed, other] } });
        const corner = point(0, 0);
        const a = hand.measured('near', point(first, 0), corner);
        const b = hand.measured('left', point(0, second), corner);
        expect(distance(a, corner)).toBeCloseTo(first + missed, 9);
        expect(distance(b, corner)).toBeCloseTo(second + other, 9);
        // The sheet point that was to be marked is where it was marked, and no other is moved.
        expect(hand.at(point(first, 0))).toMatchObject({ x: expect.closeTo(a.x, 9) as number });
        expect(hand.at(point(50, 50))).toMatchObject({ x: 50, y: 50 });
        expect(hand.found.map((mark) => (mark.kind === 'measured' ? mark.mm : -1))).toEqual([
          expect.closeTo(first, 9),
          expect.closeTo(second, 9),
        ]);
        hand.valley('corner', { kind: 'through-points', a, b, moving: corner });
        const lands = hand.at(corner);
        // A corner folded over comes to lie as far beyond the crease as it was before it.
        const [x, y] = [first + missed, second + other];
        expect(Math.hypot(lands.x, lands.y)).toBeCloseTo((2 * x * y) / Math.hypot(x, y), 6);
      }),
      { numRuns: 40 },
    );
  });

  it('that nobody misses are where they are meant, and as many as the piece notes', () => {
    for (const [id, params] of [
      ['thirds-twist-letterfold', { thirds: 'ruler' }],
      ['square-tray-and-eared-lid', { wallMm: 24 }],
      ['bead-track', {}],
    ] as const) {
      const { folding } = foldAnew(SHELF.piece(id), { widthMm: 180, heightMm: 180 }, params);
      const inSteps = folding.steps.flatMap(({ found }) => found).filter(({ kind }) => kind === 'measured');
      const hand = startSheet(rectangleSheet(180, 180), { inexact: { sigmaMm: 0, seed: 0, marks: [] } });
      SHELF.piece(id).fold(hand, rectangleSheet(180, 180), SHELF.piece(id).params.parse(params));
      expect(hand.found.filter(({ kind }) => kind === 'measured')).toEqual(inSteps);
    }
  });

  it('may be on the sheet before it is taken up', () => {
    const marks = [{ name: 'mark 1', from: point(20, 0), to: point(20, 9), sense: 1 as const }];
    const hand = startSheet(rectangleSheet(100, 100), { marks });
    expect(hand.mark('mark 1', point(20, 0))).toMatchObject({ x: 20, y: 0 });
    hand.valley('half', { kind: 'point-onto-point', point: point(0, 0), onto: point(100, 0) });
    expect(hand.pose.marks).toEqual(marks);
    expect(hand.mark('mark 1', point(20, 0)).x).toBeCloseTo(80, 9);
  });
});
