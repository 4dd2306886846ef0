import * as fc from 'fast-check';
import { BOX, FORMS, make, type Made, SHELF, spreadOf, squareTray, squareSheet, startSheet } from '../../src/index';
import { expectPaper } from '../paper-laws';
import { lengthOf } from './made';

const FORM = squareTray.id;
const LID = 'square-tray-lid';
const [least, most] = [0.08, Math.SQRT2 / 6];
const sheet = fc.double({ min: 60, max: 900, noNaN: true });
/** Wall height as a share of the sheet; null for the height that folding gives. */
const wall = fc.option(fc.double({ min: least * 1.001, max: most * 0.999, noNaN: true }), { freq: 3 });
type Part = 'tray' | 'plain lid' | 'eared lid';
const part = fc.constantFrom<Part>('tray', 'plain lid', 'eared lid');
const thickness = fc.double({ min: 0, max: 0.3, noNaN: true });

const square = (mm: number) => ({ widthMm: mm, heightMm: mm });

const folded = (sheetMm: number, share: number | null, which: Part, thicknessMm: number): Made =>
  make(which === 'tray' ? FORM : LID, {
    sheet: square(sheetMm),
    params: { ears: which === 'eared lid', wallMm: share === null ? null : share * sheetMm },
    paper: { thicknessMm },
  });

/** Between creases, room, outside, and layers by name. */
function sizesOf(made: Made) {
  const { rooms, outer, layers } = made.sizes;
  return {
    nominal: { baseMm: lengthOf(made, 'base'), wallMm: lengthOf(made, 'walls') },
    cavity: BOX.schema.parse(rooms[0]).sizes,
    outer,
    layers: Object.fromEntries(layers.map(({ name, count }) => [name, count])),
  };
}

describe('the square tray and its lid', () => {
  it('every state that a step shows is one that paper can be in', () =>
    fc.assert(
      fc.property(sheet, wall, part, (s, share, which) => {
        const { folding } = folded(s, share, which, 0.1);
        for (const step of folding.steps) for (const pose of step.poses) expectPaper(pose, s * s);
      }),
      { numRuns: 8 },
    ));

  it('base and wall add up to the sheet: s = √2 (A + 2h), and folding alone makes A : h = 2 : 1', () =>
    fc.assert(
      fc.property(sheet, wall, part, (s, share, which) => {
        const { baseMm, wallMm } = sizesOf(folded(s, share, which, 0)).nominal;
        expect((Math.SQRT2 * (baseMm + 2 * wallMm)) / s).toBeCloseTo(1, 9);
        if (share === null) expect(baseMm / wallMm).toBeCloseTo(2, 9);
        else expect(wallMm / s).toBeCloseTo(share, 9);
      }),
      { numRuns: 25 },
    ));

  it('a lid’s ears stand half its base above its top, however high its walls, and are part of its height', () =>
    fc.assert(
      fc.property(sheet, wall, (s, share) => {
        const [eared, plain] = [folded(s, share, 'eared lid', 0), folded(s, share, 'plain lid', 0)];
        const ears = lengthOf(eared, 'ears');
        expect(ears).toBeCloseTo(lengthOf(eared, 'base') / 2, 6);
        expect(eared.sizes.outer.heightMm - plain.sizes.outer.heightMm).toBeCloseTo(ears, 6);
      }),
      { numRuns: 12 },
    ));

  it('loses to thick paper what its layers take up', () =>
    fc.assert(
      fc.property(sheet, wall, thickness, (s, share, t) => {
        const tray = sizesOf(folded(s, share, 'tray', t));
        const lid = sizesOf(folded(s, share, 'eared lid', t));
        // Walls taller than half the base: gussets (and the outer strips of a lid) reach past each other in the middle.
        const past = tray.nominal.wallMm - tray.nominal.baseMm / 2;
        if (past > 1e-9 * s && past < 1e-4 * s) return;
        const gussetsOverlap = past > 1e-9 * s;
        expect(tray.cavity.lengthMm).toBeCloseTo(tray.nominal.baseMm - 3 * t, 6);
        expect(tray.cavity.widthMm).toBeCloseTo(tray.nominal.baseMm - (gussetsOverlap ? 19 : 11) * t, 6);
        expect(tray.cavity.depthMm).toBeCloseTo(tray.nominal.wallMm - 1.5 * t, 6);
        expect(tray.outer.lengthMm).toBeCloseTo(tray.nominal.baseMm + t, 6);
        expect(lid.cavity.lengthMm).toBeCloseTo(lid.nominal.baseMm - 3 * t, 6);
        expect(lid.outer.widthMm).toBeCloseTo(lid.nominal.baseMm + (gussetsOverlap ? 7 : 5) * t, 6);
        expect(lid.cavity.widthMm).toBeCloseTo(lid.nominal.baseMm - (gussetsOverlap ? 13 : 7) * t, 6);
        const ends = gussetsOverlap ? 10 : 6;
        expect(tray.layers).toEqual({ thickest: ends, floor: 2, sides: 2, ends });
      }),
      { numRuns: 20 },
    ));

  it('without thickness, room and outside are the same box', () =>
    fc.assert(
      fc.property(sheet, wall, (s, share) => {
        const { nominal, cavity, outer } = sizesOf(folded(s, share, 'tray', 0));
        for (const mm of [cavity.lengthMm, cavity.widthMm, outer.lengthMm, outer.widthMm])
          expect(mm / nominal.baseMm).toBeCloseTo(1, 9);
      }),
      { numRuns: 10 },
    ));

  it('all four corners of the tray’s sheet meet in the middle of its floor', () => {
    const { finished } = folded(150, null, 'tray', 0.1).folding;
    const corners = finished.pattern.vertices.flatMap((p, v) =>
      (p.x < 1e-9 || p.x > 150 - 1e-9) && (p.y < 1e-9 || p.y > 150 - 1e-9) ? [v] : [],
    );
    expect(corners).toHaveLength(4);
    const places = corners.map((v) => {
      const f = finished.pattern.faces.findIndex((face) => face.vertices.includes(v));
      const [m, p] = [finished.placed[f], finished.pattern.vertices[v]];
      return [0, 1, 2].map((r) => m[3 * r] * p.x + m[3 * r + 1] * p.y + m[9 + r]);
    });
    for (const place of places) place.forEach((c, r) => expect(Math.abs(c - places[0][r])).toBeLessThan(1e-9 * 150));
  });

  it.each([least * 0.98, most * 1.02])('refuses walls of %d of the sheet', (share) =>
    expect(() => folded(100, share, 'tray', 0.1)).toThrow('does not suit a sheet of 100.0 mm'),
  );

  it('folded by a hand that misses a little, it comes out a little off, as much to either side', () => {
    const s = 150;
    const recorded = startSheet(squareSheet(s));
    const params = squareTray.params.parse({});
    const measured = (hand: typeof recorded): number => {
      const folding = squareTray.fold(hand, squareSheet(s), params);
      const sizes = squareTray.sizes(folding, squareSheet(s), params, 0.1);
      return sizes.lengths.find(({ name }) => name.startsWith('base'))!.mm;
    };
    const exact = { baseMm: measured(recorded) };
    const base = (sigmaMm: number, seed: number): number =>
      measured(startSheet(squareSheet(s), { inexact: { sigmaMm, seed }, after: recorded.recording }));
    expect(base(0, 1)).toBeCloseTo(exact.baseMm, 9);
    const off = Array.from({ length: 120 }, (_, seed) => base(0.3, seed) - exact.baseMm);
    const { mean, sd } = spreadOf(off)!;
    expect(sd).toBeGreaterThan(0.1);
    expect(sd).toBeLessThan(3);
    expect(Math.abs(mean)).toBeLessThan((4 * sd!) / Math.sqrt(off.length));
  });

  it('tells an unknown form and bad parameters apart from a folded piece', () => {
    expect(FORMS.map(({ id }) => id)).toContain(FORM);
    expect(() => make('no-such-form', { sheet: square(100), params: {}, paper: { thicknessMm: 0.1 } })).toThrow(
      RangeError,
    );
    expect(() =>
      make(FORM, { sheet: { widthMm: 100, heightMm: 120 }, params: {}, paper: { thicknessMm: 0.1 } }),
    ).toThrow('square');
    expect(() => make(FORM, { sheet: square(20), params: {}, paper: { thicknessMm: 0.1 } })).toThrow('at least');
    expect(() => make(FORM, { sheet: square(100), params: { wallMm: 'high' }, paper: { thicknessMm: 0.1 } })).toThrow();
    expect(() => SHELF.form('constructor')).toThrow('No form is called');
  });

  it('every step says what to do, what to see and how to mend a slip', () => {
    for (const which of ['tray', 'plain lid', 'eared lid'] as const) {
      const { steps } = folded(150, 24 / 150, which, 0.1).folding;
      expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
      for (const { words, check, slip } of steps)
        for (const text of [words, check, slip.what, slip.remedy]) expect(text).toMatch(/^[A-Z].*[.]$/);
    }
  });
});
