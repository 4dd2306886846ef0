import * as fc from 'fast-check';
import {
  aboutSheetLine,
  apply,
  compose,
  cosSin,
  distance3,
  IDENTITY,
  inverse,
  overUpright,
  type Transform,
  turnOnTable,
} from '../../src/index';

const figure = fc.double({ min: -200, max: 200, noNaN: true });
const spot = fc.record({ x: figure, y: figure, z: figure });
const degrees = fc.double({ min: -180, max: 180, noNaN: true });
const line = fc
  .tuple(spot, spot)
  .filter(([a, b]) => Math.hypot(a.x - b.x, a.y - b.y) > 1)
  .map(([a, b]) => [a, b] as const);
/** What hands do with paper: fold about a line, turn on the table, turn over. */
const one: fc.Arbitrary<Transform> = fc.oneof(
  fc.tuple(line, degrees).map(([[a, b], deg]) => aboutSheetLine(a, b, deg)),
  fc.tuple(spot, degrees).map(([at, deg]) => turnOnTable(at, deg)),
  figure.map((x) => overUpright(x)),
);
const motion = fc.array(one, { minLength: 1, maxLength: 5 }).map((all) => all.reduce(compose, IDENTITY));

const expectNear = (a: Transform, b: Transform): void => a.forEach((value, k) => expect(value).toBeCloseTo(b[k], 6));

describe('motions of paper', () => {
  it('stretch nothing', () =>
    fc.assert(
      fc.property(motion, spot, spot, (m, p, q) =>
        expect(distance3(apply(m, p), apply(m, q))).toBeCloseTo(distance3(p, q), 6),
      ),
    ));

  it('are undone by their inverse, from either side', () =>
    fc.assert(
      fc.property(motion, (m) => {
        expectNear(compose(m, inverse(m)), IDENTITY);
        expectNear(compose(inverse(m), m), IDENTITY);
      }),
    ));

  it('one after the other are one motion, in whatever way they are taken together', () =>
    fc.assert(
      fc.property(motion, motion, motion, spot, (a, b, c, p) => {
        const [once, twice] = [apply(compose(a, b), p), apply(a, apply(b, p))];
        expect(distance3(once, twice)).toBeLessThan(1e-6);
        expectNear(compose(compose(a, b), c), compose(a, compose(b, c)));
      }),
    ));

  it('a fold leaves its line where it is, and two half folds make a whole one', () =>
    fc.assert(
      fc.property(line, degrees, fc.double({ min: -2, max: 3, noNaN: true }), spot, ([a, b], deg, t, p) => {
        const on = { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y), z: 0 };
        expect(distance3(apply(aboutSheetLine(a, b, deg), on), on)).toBeLessThan(1e-6);
        const half = aboutSheetLine(a, b, deg / 2);
        expect(distance3(apply(half, apply(half, p)), apply(aboutSheetLine(a, b, deg), p))).toBeLessThan(1e-6);
      }),
    ));

  it('turned over twice, paper lies as it lay; flat folds keep it on the table', () =>
    fc.assert(
      fc.property(figure, line, spot, (x, [a, b], p) => {
        expectNear(compose(overUpright(x), overUpright(x)), IDENTITY);
        for (const deg of [180, -180]) expect(apply(aboutSheetLine(a, b, deg), { x: p.x, y: p.y }).z).toBeCloseTo(0, 9);
      }),
    ));

  it('quarter and half turns are exact', () => {
    const exact: readonly (readonly [number, number, number])[] = [
      [0, 1, 0],
      [90, 0, 1],
      [-90, 0, -1],
      [180, -1, 0],
      [-180, -1, 0],
      [270, 0, -1],
    ];
    for (const [deg, cos, sin] of exact) {
      expect(cosSin(deg)[0] === cos).toBe(true);
      expect(cosSin(deg)[1] === sin).toBe(true);
    }
  });
});
