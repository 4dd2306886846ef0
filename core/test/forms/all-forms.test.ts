import * as fc from 'fast-check';
import {
  entriesOf,
  distance3,
  FORMS,
  isFlat,
  type FormSizes,
  make,
  type Pose,
  scaledFolding,
  sheetFor,
  startSheet,
  whereIs,
  formById,
} from '../../src/index';
import { expectKeptOrder, expectPaper, paperOf } from '../paper-laws';
import { runs } from '../runs';
import { made, sheet, sheetOf } from './made';

/** Parameters within a form’s ranges: defaults, ends of the ranges, and between. */
function someParams(id: string, s: number, seed: number): Record<string, unknown> {
  const params: Record<string, unknown> = {};
  formById(id).fields.forEach(({ key, input }, k) => {
    const pick = Math.floor(seed / 7 ** k) % 7;
    if (input.kind === 'choice') params[key] = input.options[pick % input.options.length].value;
    if (input.kind === 'count' || input.kind === 'angle' || input.kind === 'fixed length')
      params[key] = input.min + (pick % (input.max - input.min + 1));
    if (input.kind === 'length' && pick > 2) {
      const [low, high] = input.range(sheetOf(id, s), params);
      params[key] = low + ((pick - 3) / 3) * (high - low);
    }
  });
  return params;
}

/** The lengths of what a form holds. */
const cavityLengths = ({ rooms: [{ sizes }] }: FormSizes): number[] => Object.values(sizes);

describe.each(FORMS.map(({ id }) => id))('%s', (id) => {
  it('shows only states that paper can be in, at any size and setting', () =>
    fc.assert(
      fc.property(sheet, fc.nat(7 ** 4), (s, seed) => {
        const { folding } = made(id, s, someParams(id, s, seed));
        const poses = new Set<Pose>([...folding.steps, ...(folding.uses ?? [])].flatMap((step) => step.poses));
        for (const pose of [folding.finished, folding.open, folding.flat]) if (pose) poses.add(pose);
        const { widthMm, heightMm } = sheetOf(id, s);
        const whole = widthMm * heightMm;
        const left = paperOf(folding.finished);
        // Where something is cut off, paper is what it was before, or what is left.
        if (formById(id).cuts({}) === 'none') expect(left / whole).toBeCloseTo(1, 9);
        else expect(left).toBeLessThan(whole);
        for (const pose of poses) expectPaper(pose, paperOf(pose) > (left + whole) / 2 ? whole : left);
      }),
      { numRuns: id === 'square-tray-and-eared-lid' ? runs(1, 20) : runs(1, 60) },
    ));

  it('keeps the order of layers that hang together unbent, at every step', () =>
    fc.assert(
      fc.property(sheet, fc.nat(7 ** 4), (s, seed) => {
        const { steps, uses = [] } = made(id, s, someParams(id, s, seed)).folding;
        for (const { poses } of [...steps, ...uses])
          poses.slice(1).forEach((after, k) => {
            if (paperOf(after) > 0.999 * paperOf(poses[k])) expectKeptOrder(poses[k], after);
          });
      }),
      { numRuns: runs(1, 20) },
    ));

  it('says at every step what to do, what to see and how to mend a slip', () => {
    const { steps: folded, uses = [] } = made(id, 150).folding;
    const steps = [...folded, ...uses];
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
    for (const name of [...steps.map((s) => s.id), ...entriesOf(formById(id), {}).map(({ key }) => key)])
      expect(name).toMatch(/^[a-z0-9][a-z0-9-]*$/);
    for (const { words, check, slip, title, arrows } of steps) {
      for (const text of [words, check, slip.what, slip.remedy]) expect(text).toMatch(/^[A-Z].*[.]$/);
      expect(title).toMatch(/^[A-Z].*[^.]$/);
      expect(arrows.length).toBeGreaterThan(0);
    }
  });

  it('grows with its sheet: twice the sheet, twice every length', () => {
    // A wrap keeps its overlap and a bag its seam, whatever the sheet.
    if (id === 'card-template-wrap' || id === 'gusseted-bag') return;
    const [one, two] = [made(id, 150), made(id, 300)];
    one.sizes.lengths.forEach(({ name, mm }, k) => {
      expect(two.sizes.lengths[k].name).toBe(name);
      expect(two.sizes.lengths[k].mm).toBeCloseTo(2 * mm, 6);
    });
    expect(two.sizes.layers).toEqual(one.sizes.layers);
  });

  it('scaled it is what it is when folded anew, unless it has fixed lengths', () => {
    if (formById(id).fixedLengths) return;
    const [one, two] = [made(id, 150), made(id, 375)];
    const { finished, open, flat } = scaledFolding(one.folding, 2.5);
    for (const [scaled, anew] of [
      [finished, two.folding.finished],
      [open, two.folding.open === two.folding.finished ? undefined : two.folding.open],
      [flat, two.folding.flat],
    ] as const) {
      expect(scaled === undefined).toBe(anew === undefined);
      if (!scaled || !anew) continue;
      const { widthMm, heightMm } = sheetOf(id, 375);
      for (const [x, y] of [
        [0.07, 0.11],
        [0.52, 0.47],
        [0.31, 0.83],
        [0.96, 0.29],
      ]) {
        const upright = formById(id).sheetShape !== 'square' && id !== 'card-template-wrap';
        const p = upright ? { x: x * heightMm, y: y * widthMm } : { x: x * widthMm, y: y * heightMm };
        expect(distance3(whereIs(scaled, p), whereIs(anew, p))).toBeLessThan(1e-6);
      }
      expect(scaled.angles.map((a) => Math.round(a * 1e6))).toEqual(anew.angles.map((a) => Math.round(a * 1e6)));
    }
  });

  it('comes out a little off when it is folded a little off, about ten times as far for ten times the miss', () => {
    const form = formById(id);
    const [lying, params] = [sheetFor(form, sheetOf(id, 170)), form.params.parse({})];
    const exact = startSheet(lying);
    const meant = cavityLengths(form.sizes(form.fold(exact, lying, params), lying, params, 0.1));
    const off = (sigmaMm: number, seed: number): number => {
      const hand = startSheet(lying, { inexact: { sigmaMm, seed }, after: exact.recording });
      const made = cavityLengths(form.sizes(form.fold(hand, lying, params), lying, params, 0.1));
      return Math.max(...made.map((mm, k) => Math.abs(mm - meant[k])));
    };
    expect(off(0, 1)).toBeLessThan(1e-7);
    for (let seed = 1; seed <= 12; seed++) {
      const [small, large] = [off(1e-4, seed), off(1e-3, seed)];
      // No crease is so short or so slanting that a miss grows more than two hundredfold.
      expect(large).toBeLessThan(0.2);
      expect(large).toBeLessThan(25 * small);
      expect(large).toBeGreaterThan(4 * small);
    }
  });

  it('is as thick as its layers, where it lies flat', () => {
    const { sizes, folding } = make(id, { sheet: sheetOf(id, 150), params: {}, paper: { thicknessMm: 0.2 } });
    const thickest = sizes.layers.find(({ name }) => name === 'thickest')!.count;
    if (isFlat(folding.finished)) expect(sizes.outer.heightMm).toBeCloseTo(0.2 * thickest, 9);
    else expect(sizes.outer.heightMm).toBeGreaterThan(0.2 * thickest);
  });
});
