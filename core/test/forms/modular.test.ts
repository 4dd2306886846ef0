import * as fc from 'fast-check';
import {
  FoldRefused,
  foldMake,
  HEART,
  make,
  type MadeMake,
  OCTAGON,
  proveState,
  putTogether,
  radiiFor,
  sideOfFace,
  whereIs,
} from '../../src/index';
import { runs } from '../runs';
import { lengthOf, made, roomIn, sheet } from './made';

/** A make of which every entry has the same square sheet, or its own. */
function makeOf(formId: string, params: object, mm: number, own: Readonly<Record<string, number>> = {}): MadeMake {
  const keys = ['unit', 'base', 'lid'].flatMap((key) => [key, ...[2, 3, 4, 5, 6, 7, 8].map((k) => `${key}-${k}`)]);
  return foldMake({
    formId,
    params,
    entries: Object.fromEntries(
      [...keys, ...Object.keys(own)].map((key) => {
        const side = own[key] ?? own[key.replace(/-\d$/, '')] ?? mm;
        return [key, { sheet: { widthMm: side, heightMm: side }, thicknessMm: 0.08 }];
      }),
    ),
  });
}

describe('six-tube tidy', () => {
  it('is a tube of three equal sides, as high as half of its sheet', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const unit = made('six-tube-tidy', s);
        expect(lengthOf(unit, 'side of a tube') / s).toBeCloseTo(1 / 4, 9);
        expect(lengthOf(unit, 'widest round thing') / s).toBeCloseTo(1 / (4 * Math.sqrt(3)), 9);
        expect(unit.sizes.outer.heightMm / s).toBeCloseTo(1 / 2, 9);
        expect(unit.sizes.outer.lengthMm / s).toBeCloseTo(1 / 2, 9);
        expect(unit.sizes.outer.widthMm / s).toBeCloseTo(Math.sqrt(3) / 4, 9);
      }),
      { numRuns: 4 },
    ));

  it.each(['one', 'two by turns', 'three by turns', 'two halves', 'opposite pairs', 'six'])(
    'closes to a ring in colours %s, every unit glued to the one before it',
    (colours) => {
      const { assembly, entries } = makeOf('six-tube-tidy', { colours }, 180);
      const { closed } = assembly.states;
      expect(closed).toHaveLength(6);
      expect([...entries.values()].reduce((sum, { entry }) => sum + entry.copies, 0)).toBe(6);
      expect(assembly.joints.filter(({ kind }) => kind === 'glued')).toHaveLength(6);
      expect(() => proveState(closed, assembly.joints)).not.toThrow();
      // Five are glued to the one before; then it is used.
      const ends = putTogether(assembly.steps);
      expect(ends.map(({ id }) => id)).toEqual([2, 3, 4, 5, 6].map((k) => `unit-${k}-to-the-ring`).concat('use'));
    },
  );

  it('takes strips into its windows and a card beneath', () => {
    const { assembly } = foldMake({
      formId: 'six-tube-tidy',
      params: { colours: 'one', insert: 'strip', base: 'card' },
      entries: {
        unit: { sheet: { widthMm: 180, heightMm: 180 }, thicknessMm: 0.2 },
        strip: { sheet: { widthMm: 87, heightMm: 42 }, thicknessMm: 0.1 },
        base: { sheet: { widthMm: 91, heightMm: 78.8 }, thicknessMm: 0.3 },
      },
    });
    expect(assembly.steps.slice(-3).map(({ id }) => id)).toEqual(['strips-in', 'card-beneath', 'use']);
    expect(() => putTogether(assembly.steps)).not.toThrow();
    expect(assembly.states.closed.map(({ ref }) => ref.entry).sort()).toEqual([
      'base',
      ...Array<string>(6).fill('strip'),
      ...Array<string>(6).fill('unit'),
    ]);
    expect(assembly.joints.filter(({ kind }) => kind === 'tucked-into')).toHaveLength(6);
  });

  it('holds as many pens as discs go into a triangle: rows upon rows, never more than their area', () => {
    for (let count = 1; count <= 60; count++) {
      const side = radiiFor(count);
      expect(side).toBeGreaterThanOrEqual(radiiFor(Math.max(1, count - 1)));
      // No packing is denser than the densest in the plane.
      expect((count * Math.PI) / ((Math.sqrt(3) / 4) * side * side)).toBeLessThan(Math.PI / Math.sqrt(12));
    }
    for (const rows of [1, 2, 3, 4, 5, 6])
      expect(radiiFor((rows * (rows + 1)) / 2)).toBeCloseTo(2 * (rows - 1) + 2 * Math.sqrt(3), 9);
  });
});

describe('octagon box', () => {
  it('has side, width and volume of its fact sheet', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const unit = made('octagon-box', s);
        expect(lengthOf(unit, 'side of the octagon') / s).toBeCloseTo(Math.SQRT2 / 4, 9);
        expect(roomIn(OCTAGON, unit).acrossMm / s).toBeCloseTo(Math.cos(Math.PI / 8) ** 2, 9);
        expect(roomIn(OCTAGON, unit).heightMm / s).toBeCloseTo(1 / 4, 9);
        expect((1000 * unit.sizes.volumes![0].ml) / s ** 3).toBeCloseTo((1 + Math.SQRT2) / 16, 9);
      }),
      { numRuns: 3 },
    ));

  it.each([
    ['one', 'wrapped'],
    ['four by turns', 'none'],
  ])('closes to two rings of eight units, colours %s, tips %s', (colours, lock) => {
    const { assembly } = makeOf('octagon-box', { colours, lock }, 150, { lid: 153 });
    expect(assembly.states.closed).toHaveLength(16);
    expect(() => proveState(assembly.states.closed, assembly.joints)).not.toThrow();
    // Unit by unit, as they are put together.
    expect(putTogether(assembly.steps)).toHaveLength(lock === 'wrapped' ? 16 : 15);
  });

  it('overlaps round the ring as the words say: every unit’s floor outside that of the one before', () => {
    const { assembly } = makeOf('octagon-box', { lid: 'none', lock: 'none' }, 150);
    const together = proveState(assembly.states.closed, assembly.joints);
    const half = 150 / Math.SQRT2;
    const right = { x: 75 + (half * (0.1 + 0.62)) / Math.SQRT2, y: 75 + (half * (0.62 - 0.1)) / Math.SQRT2 };
    const faces = assembly.states.closed.map(({ ref }) => together.faceOf({ body: ref, at: right }));
    const sides = faces.map((face, k) => sideOfFace(together.pose.order, face, faces[(k + 1) % 8]));
    // The same all round: a ring has no first.
    expect(new Set(sides.filter((side) => side !== 0)).size).toBeLessThanOrEqual(1);
  });

  it('refuses a lid that does not go over its base, and one that is sought never is so large that it falls over it', () => {
    expect(() => makeOf('octagon-box', {}, 150)).toThrow(FoldRefused);
  });
});

describe('heart box', () => {
  it('has the ten-sided floor of its fact sheet at any height of its walls', () =>
    fc.assert(
      fc.property(sheet, fc.double({ min: 0.1475, max: 1 / 6, noNaN: true }), (s, h) => {
        const heart = made('heart-box', s, { heightMm: h * s });
        const m = 1 / 2 - 2 * h;
        const k = ((2 - Math.SQRT2) * m) / 2;
        const c = 1 / 2 - h;
        const room = roomIn(HEART, heart);
        expect(room.armMm / s).toBeCloseTo(m, 9);
        expect(room.longMm / s).toBeCloseTo(c - k, 9);
        expect(heart.sizes.outer.lengthMm / s).toBeCloseTo(Math.SQRT2 * (c - k), 9);
        expect(heart.sizes.outer.widthMm / s).toBeCloseTo((c + m - k) / Math.SQRT2, 9);
        expect(heart.sizes.outer.heightMm / s).toBeCloseTo(h, 9);
        expect((1000 * heart.sizes.volumes![0].ml) / s ** 3).toBeCloseTo((2 * c * m - m * m - 2 * k * k) * h, 9);
      }),
      { numRuns: runs(3, 100) },
    ));

  it('closes its notch: both ends of the slit wall stand in one line', () => {
    const s = 170;
    const { folding, sizes } = make('heart-box', {
      sheet: { widthMm: s, heightMm: s },
      params: {},
      paper: { thicknessMm: 0.1 },
    });
    const at = (x: number, y: number) => whereIs(folding.finished, { x: x * s, y: (1 / 2 - y) * s });
    const [left, right] = [at(1 / 3, 1 / 3), at(2 / 3, 1 / 3)];
    for (const key of ['x', 'y', 'z'] as const) expect(left[key]).toBeCloseTo(right[key], 8);
    expect(sizes.layers[0].count).toBe(10);
  });

  it('takes a lid whose walls are as high as its own from a sheet four clearances larger', () => {
    const { assembly } = foldMake({
      formId: 'heart-box',
      params: {},
      entries: {
        base: { sheet: { widthMm: 170, heightMm: 170 }, thicknessMm: 0.08, params: { heightMm: 27 } },
        lid: { sheet: { widthMm: 175, heightMm: 175 }, thicknessMm: 0.08, params: { heightMm: 27 } },
      },
    });
    expect(() => proveState(assembly.states.closed, assembly.joints)).not.toThrow();
    expect(() =>
      foldMake({
        formId: 'heart-box',
        params: {},
        entries: {
          base: { sheet: { widthMm: 170, heightMm: 170 }, thicknessMm: 0.08 },
          lid: { sheet: { widthMm: 170, heightMm: 170 }, thicknessMm: 0.08 },
        },
      }),
    ).toThrow('does not go over it');
  });
});
