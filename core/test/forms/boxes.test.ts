import * as fc from 'fast-check';
import {
  BOX,
  DISH_WALL,
  distance3,
  faceAt,
  type FormStep,
  type Point,
  sideOfFace,
  whereIs,
  whiteUp,
} from '../../src/index';
import { lengthOf, made, sheet, roomIn } from './made';

describe('closing cube', () => {
  it('is a cube of √2 / 6 of its sheet, nine layers in the lid, three in the walls, either way round', () =>
    fc.assert(
      fc.property(sheet, fc.constantFrom('left', 'right'), (s, mirror) => {
        const { sizes, folding } = made('closing-cube', s, { mirror });
        const edge = Math.SQRT2 / 6;
        for (const mm of Object.values(roomIn(BOX, { sizes }))) expect(mm / s).toBeCloseTo(edge, 8);
        expect(Object.fromEntries(sizes.layers.map(({ name, count }) => [name, count]))).toEqual({
          thickest: 9,
          lid: 9,
          walls: 3,
          floor: 1,
        });
        // All paper lies in the six planes of the cube, and all four corners of the sheet in the middle of the lid.
        for (const [x, y] of [
          [0, 0],
          [s, 0],
          [0, s],
          [s, s],
        ]) {
          const p = whereIs(folding.finished, { x, y });
          expect(Math.hypot(p.x - s / 2, p.y - s / 2) / s).toBeLessThan(1e-8);
          expect(p.z / s).toBeCloseTo(edge, 8);
        }
      }),
      { numRuns: 3 },
    ));

  it.each(['left', 'right'])(
    'has its tips in the slot that locks, turning %s: more of the lid over them than under',
    (mirror) => {
      const s = 150;
      const { finished } = made('closing-cube', s, { mirror }).folding;
      for (const corner of [
        { x: 1, y: 2 },
        { x: s - 1, y: 2 },
        { x: s - 1, y: s - 2 },
        { x: 1, y: s - 2 },
      ]) {
        const tip = faceAt(finished.pattern, corner);
        const up = Math.sign(whiteUp(finished, tip));
        const below = finished.pattern.faces.filter((_, f) => sideOfFace(finished.order, tip, f) * up < 0);
        const above = finished.pattern.faces.filter((_, f) => sideOfFace(finished.order, tip, f) * up > 0);
        expect(below.length).toBeGreaterThan(0);
        expect(above.length).toBeGreaterThan(below.length);
      }
    },
  );
});

describe('four-pointed dish', () => {
  it('has the base, opening, height, points and room of its fact sheet, for all walls', () =>
    fc.assert(
      fc.property(sheet, fc.double({ min: DISH_WALL.min, max: DISH_WALL.max, noNaN: true }), (s, w) => {
        const piece = made('four-pointed-dish', s, { wallMm: w * s });
        const [b, o] = [Math.SQRT2 - 1, (Math.SQRT2 - 1) * (1 - 2 * w)];
        const height = w * Math.sqrt(2 * Math.SQRT2 - 2);
        expect(lengthOf(piece, 'base') / s).toBeCloseTo(b, 8);
        expect(lengthOf(piece, 'opening') / s).toBeCloseTo(o, 8);
        expect(roomIn(BOX, piece).depthMm / s).toBeCloseTo(height, 8);
        expect(lengthOf(piece, 'tip to tip') / s).toBeCloseTo(o + 2 * (1 / 2 - w), 8);
        expect((1000 * piece.sizes.volumes![0].ml) / s ** 3).toBeCloseTo((height / 3) * (b * b + b * o + o * o), 8);
        // It stands on its floor.
        const { finished } = piece.folding;
        const [floor, tip] = [whereIs(finished, { x: s / 2, y: 0.51 * s }), whereIs(finished, { x: s, y: s })];
        expect((tip.z - floor.z) / s).toBeCloseTo(height, 8);
      }),
      { numRuns: 3 },
    ));
});

describe('banded gift box', () => {
  it('has the base, height and band that its sheet gives: √2 / 2 s = a + h + 2 b', () =>
    fc.assert(
      fc.property(sheet, fc.nat(100), fc.nat(100), (s, p, q) => {
        const D = s * Math.SQRT2;
        const b = D / 16 - (p / 100) * (D / 16 - 0.02 * s);
        const h = 0.06 * s + (q / 100) * (Math.min((D / 2 - 2 * b) / 2, D / 2 - 6 * b) - 0.06 * s) * 0.999;
        const piece = made('banded-gift-box', s, { halfBandMm: b, heightMm: h });
        const { lengthMm, widthMm, depthMm } = roomIn(BOX, piece);
        for (const mm of [lengthMm, widthMm]) expect(mm / s).toBeCloseTo((D / 2 - 2 * b - h) / s, 8);
        expect(depthMm / s).toBeCloseTo(h / s, 8);
        expect(lengthOf(piece, 'band') / s).toBeCloseTo((2 * b) / s, 8);
        expect(lengthOf(piece, 'points over') / s).toBeCloseTo((4 * b) / s, 8);
      }),
      { numRuns: 4 },
    ));

  it('told to measure, its words name the distances that lie there at that step, pleats folded and all', () =>
    fc.assert(
      fc.property(sheet, fc.nat(100), fc.nat(100), (s, p, q) => {
        const D = s * Math.SQRT2;
        const b = 0.02 * s + (p / 100) * (D / 16 - 0.02 * s);
        const h = 0.06 * s + (q / 100) * (Math.min((D / 2 - 2 * b) / 2, D / 2 - 6 * b) - 0.06 * s) * 0.999;
        const { folding } = made('banded-gift-box', s, { halfBandMm: b, heightMm: h });
        const a = D / 2 - 2 * b - h;
        const on = (xi: number, eta: number): Point => ({
          x: s / 2 + (xi + eta) / Math.SQRT2,
          y: s / 2 + (eta - xi) / Math.SQRT2,
        });
        const stepOf = (id: string): FormStep => folding.steps.find((one) => one.id === id)!;
        /** All lengths that a step names, in mm. */
        const named = ({ words, check }: FormStep): readonly number[] =>
          [...`${words} ${check}`.matchAll(/([\d.]+) mm/g)].map(([, figure]) => Number(figure));
        const apart = (step: FormStep, from: Point, to: Point): number =>
          distance3(whereIs(step.poses[0], from), whereIs(step.poses[0], to));
        const near = (one: FormStep, mm: number): void =>
          expect(Math.min(...named(one).map((told) => Math.abs(told - mm)))).toBeLessThan(0.06);
        for (const [id, side] of [
          ['right-flap', 1],
          ['left-flap', -1],
        ] as const) {
          const flap = stepOf(id);
          const [wall, rim] = [on(side * (2 * b + a / 2), 0), on(side * (2 * b + a / 2 + h), 0)];
          near(flap, apart(flap, on(0, 0), wall));
          near(flap, apart(flap, wall, rim));
          expect(named(flap)).toHaveLength(3);
        }
        for (const [id, side] of [
          ['far-end', 1],
          ['near-end', -1],
        ] as const) {
          const end = stepOf(id);
          near(end, apart(end, on(0, 0), on(0, side * (a / 2 + h))));
          expect(end.words).not.toContain('pinch');
        }
      }),
      { numRuns: 4 },
    ));

  it('folding alone makes the base four sixteenths of the diagonal, the height two, and at most five layers in the lid', () => {
    const piece = made('banded-gift-box', 160);
    const room = roomIn(BOX, piece);
    const u = (160 * Math.SQRT2) / 16;
    expect([room.lengthMm / u, room.depthMm / u].map((k) => k.toFixed(8))).toEqual(['4.00000000', '2.00000000']);
    expect(piece.sizes.layers[0].count).toBe(5);
  });

  it('refuses a band that leaves the points hanging over, and walls higher than the base', () => {
    expect(() => made('banded-gift-box', 150, { halfBandMm: 17 })).toThrow('Half the band: 17.0 mm does not suit');
    expect(() => made('banded-gift-box', 150, { halfBandMm: 7, heightMm: 60 })).toThrow(
      'Height: 60.0 mm does not suit',
    );
  });
});
