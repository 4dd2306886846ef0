import * as fc from 'fast-check';
import {
  type Alignment,
  distance,
  foldLine,
  FoldRefused,
  type Line,
  lineThrough,
  point,
  type Point,
  reflect,
  sideOf,
} from '../../src/index';

/** Tenths of a millimetre: as fine as a hand places anything. */
const coordinate = fc.integer({ min: -1000, max: 1000 }).map((tenths) => tenths / 10);
const place = fc.record({ x: coordinate, y: coordinate });
const line = fc
  .tuple(place, place)
  .filter(([a, b]) => distance(a, b) > 5)
  .map(([a, b]) => lineThrough(a, b));

/** The fold line, or null when the hand is told that there is none. */
function folded(alignment: Alignment): Line | null {
  try {
    return foldLine(alignment);
  } catch (error) {
    if (error instanceof FoldRefused) return null;
    throw error;
  }
}

const off = (l: Line, p: Point): number => Math.abs(sideOf(l, p));

describe('how a hand finds a fold line', () => {
  it('point onto point: the fold takes one to the other', () =>
    fc.assert(
      fc.property(place, place, (p, onto) => {
        const fold = folded({ kind: 'point-onto-point', point: p, onto });
        if (fold) expect(distance(reflect(fold, p), onto)).toBeLessThan(1e-9);
        else expect(distance(p, onto)).toBe(0);
      }),
    ));

  it('line onto line: every point of the one lands on the other', () =>
    fc.assert(
      fc.property(line, line, place, (l, onto, moving) => {
        const fold = folded({ kind: 'line-onto-line', line: l, onto, moving });
        if (!fold) return;
        for (const t of [-40, 0, 70]) {
          const p = point(l.at.x + t * l.along.x, l.at.y + t * l.along.y);
          const far = distance(p, fold.at) + 1;
          expect(off(onto, reflect(fold, p)) / far).toBeLessThan(1e-6);
        }
      }),
    ));

  it('through two points: the fold holds both', () =>
    fc.assert(
      fc.property(place, place, place, (a, b, moving) => {
        if (distance(a, b) < 1) return;
        const fold = folded({ kind: 'through-points', a, b, moving });
        if (fold) expect(Math.max(off(fold, a), off(fold, b))).toBeLessThan(1e-9);
      }),
    ));

  it('square to a line through a point: the line folds onto itself', () =>
    fc.assert(
      fc.property(line, place, place, (to, through, moving) => {
        const fold = folded({ kind: 'perpendicular', to, through, moving });
        if (!fold) return;
        expect(off(fold, through)).toBeLessThan(1e-9);
        expect(off(to, reflect(fold, to.at))).toBeLessThan(1e-9);
      }),
    ));

  it('point onto line through a point: the point lands on the line, the other stays', () =>
    fc.assert(
      fc.property(place, line, place, place, (p, onto, through, near) => {
        const fold = folded({ kind: 'point-onto-line', point: p, onto, through, near });
        if (!fold) return;
        expect(off(fold, through)).toBeLessThan(1e-7);
        expect(off(onto, reflect(fold, p))).toBeLessThan(1e-6);
      }),
    ));

  it('point onto line, square to another: the point lands, the other line folds onto itself', () =>
    fc.assert(
      fc.property(place, line, line, (p, onto, squareTo) => {
        if (Math.abs(onto.along.x * squareTo.along.y - onto.along.y * squareTo.along.x) < 0.05) return;
        const fold = folded({ kind: 'point-onto-line-square', point: p, onto, squareTo });
        if (!fold) return;
        expect(off(onto, reflect(fold, p))).toBeLessThan(1e-7);
        expect(Math.abs(fold.along.x * squareTo.along.x + fold.along.y * squareTo.along.y)).toBeLessThan(1e-9);
      }),
    ));

  it('two points onto two lines: both land, whichever of up to three folds is taken', () =>
    fc.assert(
      fc.property(place, line, place, line, place, (p, onto, other, otherOnto, near) => {
        const fold = folded({ kind: 'points-onto-lines', point: p, onto, other, otherOnto, near });
        if (!fold) return;
        const reach = Math.max(1, distance(reflect(fold, p), p));
        expect(off(onto, reflect(fold, p)) / reach).toBeLessThan(1e-6);
        expect(off(otherOnto, reflect(fold, other)) / reach).toBeLessThan(1e-4);
      }),
      { numRuns: 300 },
    ));

  it('trisects an angle with two points onto two lines, as is known', () => {
    // Angle of 54° at the corner (0, 0); marks at heights 1 and 2 on the left edge; the upper goes to the slanting line, the
    // corner to the lower mark's level. The folded corner then lies at a third of the angle.
    const angle = (54 * Math.PI) / 180;
    const slanting: Line = { at: point(0, 0), along: point(Math.cos(angle), Math.sin(angle)) };
    const level: Line = { at: point(0, 1), along: point(1, 0) };
    const fold = foldLine({
      kind: 'points-onto-lines',
      point: point(0, 0),
      onto: level,
      other: point(0, 2),
      otherOnto: slanting,
      near: point(3, 1),
    });
    const corner = reflect(fold, point(0, 0));
    expect((Math.atan2(corner.y, corner.x) * 180) / Math.PI).toBeCloseTo(18, 6);
  });

  it('parallel to a line: a strip of the width asked', () =>
    fc.assert(
      fc.property(line, fc.double({ min: 1, max: 60, noNaN: true }), (to, distanceMm) => {
        const fold = foldLine({ kind: 'parallel', to, distanceMm, moving: to.at });
        expect(off(fold, to.at)).toBeCloseTo(distanceMm, 9);
        expect(Math.abs(fold.along.x * to.along.y - fold.along.y * to.along.x)).toBeLessThan(1e-12);
        expect(sideOf(fold, to.at)).toBeGreaterThan(0);
      }),
    ));

  it('says so when there is nothing to decide by', () => {
    const l = lineThrough(point(0, 0), point(1, 0));
    expect(() => foldLine({ kind: 'through-points', a: point(0, 0), b: point(1, 0), moving: point(2, 0) })).toThrow(
      FoldRefused,
    );
    expect(() => foldLine({ kind: 'point-onto-point', point: point(1, 1), onto: point(1, 1) })).toThrow(FoldRefused);
    expect(() =>
      foldLine({
        kind: 'point-onto-line',
        point: point(0, 1),
        onto: { ...l, at: point(0, 9) },
        through: point(0, 0),
        near: point(0, 0),
      }),
    ).toThrow(FoldRefused);
  });
});
