import * as fc from 'fast-check';
import {
  BODY_SHARE,
  DISH_WALL,
  distance3,
  FORMS,
  layersAt,
  make,
  openPouch,
  type Pose,
  scaledFolding,
  whereIs,
} from '../../src/index';
import { expectPaper } from '../paper-laws';

const sheet = fc.double({ min: 125, max: 900, noNaN: true });
const square = (mm: number) => ({ widthMm: mm, heightMm: mm });
const paper = { thicknessMm: 0 };
/** A sheet that suits a form: square, or as oblong as it likes. */
const sheetOf = (id: string, mm: number) => {
  const { sheetShape } = FORMS[id];
  return sheetShape === 'square' ? square(mm) : { widthMm: 1.29 * mm, heightMm: mm };
};
const made = (id: string, s: number, params: unknown = {}) => make(id, { sheet: sheetOf(id, s), params, paper });
const lengthOf = ({ sizes }: ReturnType<typeof made>, name: string): number =>
  sizes.lengths.find((l) => l.name.startsWith(name))!.mm;

/** Parameters within a form’s ranges: defaults, ends of the ranges, and between. */
function someParams(id: string, s: number, seed: number): Record<string, unknown> {
  const params: Record<string, unknown> = {};
  FORMS[id].fields.forEach(({ key, input }, k) => {
    const pick = Math.floor(seed / 7 ** k) % 7;
    if (input.kind === 'choice') params[key] = input.options[pick % input.options.length].value;
    if (input.kind === 'count') params[key] = input.min + (pick % (input.max - input.min + 1));
    if (input.kind === 'length' && pick > 2) {
      const [low, high] = input.range(sheetOf(id, s), params);
      params[key] = low + ((pick - 3) / 3) * (high - low);
    }
  });
  return params;
}

describe.each(Object.keys(FORMS))('%s', (id) => {
  it('shows only states that paper can be in, at any size and setting', () =>
    fc.assert(
      fc.property(sheet, fc.nat(7 ** 4), (s, seed) => {
        const { folding } = made(id, s, someParams(id, s, seed));
        const poses = new Set<Pose>(folding.steps.flatMap((step) => step.poses));
        for (const pose of [folding.finished, folding.open, folding.flat]) if (pose) poses.add(pose);
        const { widthMm, heightMm } = sheetOf(id, s);
        for (const pose of poses) expectPaper(pose, widthMm * heightMm);
      }),
      { numRuns: id === 'square-tray-and-eared-lid' ? 2 : 6 },
    ));

  it('says at every step what to do, what to see and how to mend a slip', () => {
    const { steps } = made(id, 150).folding;
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
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
    if (FORMS[id].fixedLengths) return;
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
        const upright = FORMS[id].sheetShape !== 'square' && id !== 'card-template-wrap';
        const p = upright ? { x: x * heightMm, y: y * widthMm } : { x: x * widthMm, y: y * heightMm };
        expect(distance3(whereIs(scaled, p), whereIs(anew, p))).toBeLessThan(1e-6);
      }
      expect(scaled.angles.map((a) => Math.round(a * 1e6))).toEqual(anew.angles.map((a) => Math.round(a * 1e6)));
    }
  });

  it('is as thick as its layers', () => {
    const { sizes } = make(id, { sheet: sheetOf(id, 150), params: {}, paper: { thicknessMm: 0.2 } });
    const thickest = sizes.layers.find(({ name }) => name === 'thickest')!.count;
    if (!['box', 'hull'].includes(sizes.cavity.kind)) expect(sizes.outer.heightMm).toBeCloseTo(0.2 * thickest, 9);
  });
});

describe('diamond envelope', () => {
  it('has the body, the pocket and the flap of its fact sheet, at every width', () =>
    fc.assert(
      fc.property(sheet, fc.double({ min: BODY_SHARE.min, max: BODY_SHARE.max, noNaN: true }), (s, k) => {
        const D = Math.SQRT2 * s;
        const piece = made('square-card-envelope', s, { widthMm: k * D });
        expect(piece.sizes.cavity).toMatchObject({ kind: 'pocket' });
        if (piece.sizes.cavity.kind !== 'pocket') return;
        expect(piece.sizes.cavity.widthMm / s).toBeCloseTo((k * D) / s, 6);
        expect(piece.sizes.cavity.heightMm / s).toBeCloseTo(((1 - k) * D) / 2 / s, 6);
        expect(lengthOf(piece, 'front of') / s).toBeCloseTo(D / 4 / s, 6);
        expect(lengthOf(piece, 'flap over') / s).toBeCloseTo((k * D - D / 4) / s, 6);
        expect(lengthOf(piece, 'wings over') / s).toBeCloseTo(((1 - 2 * k) * D) / s, 6);
      }),
      { numRuns: 15 },
    ));

  it('has seven layers at its thickest, and refuses a body of another width', () => {
    expect(made('square-card-envelope', 170).sizes.layers[0].count).toBe(7);
    for (const share of [0.32, 0.46])
      expect(() => made('square-card-envelope', 100, { widthMm: share * 100 * Math.SQRT2 })).toThrow(RangeError);
  });
});

describe('tuck-flap envelope', () => {
  it('has the body, pocket and tuck of its fact sheet, for every hem and side that go together', () =>
    fc.assert(
      fc.property(sheet, fc.nat(1000), fc.nat(1000), (s, a, b) => {
        const p = 1 / 8 + (a / 1000) * (1 / 4 - 1 / 8) * 0.999;
        const most = Math.min(p, (1 - 4 * p) / 2);
        if (most < 1 / 16) return;
        const c = 1 / 16 + (b / 1000) * (most - 1 / 16);
        const piece = made('tuck-flap-envelope', s, { hemMm: c * s, sideMm: p * s });
        if (piece.sizes.cavity.kind !== 'pocket') throw new Error('An envelope has a pocket.');
        expect(piece.sizes.cavity.widthMm / s).toBeCloseTo(1 - 2 * p, 6);
        expect(piece.sizes.cavity.heightMm / s).toBeCloseTo(1 / 2 - c, 6);
        expect(lengthOf(piece, 'front of') / s).toBeCloseTo(p, 6);
        expect(lengthOf(piece, 'flap tucked') / s).toBeCloseTo(c, 6);
        expect(lengthOf(piece, 'each side') / s).toBeCloseTo(p, 6);
      }),
      { numRuns: 15 },
    ));

  it('its own marks make five by three eighths, nine layers at most', () => {
    const { cavity, layers } = made('tuck-flap-envelope', 160).sizes;
    expect(cavity).toMatchObject({ kind: 'pocket' });
    if (cavity.kind === 'pocket')
      expect([cavity.widthMm, cavity.heightMm].map((mm) => mm.toFixed(6))).toEqual(['100.000000', '60.000000']);
    expect(layers[0].count).toBe(9);
  });

  it.each([
    [5, 30],
    [25, 20],
    [20, 45],
  ])('refuses a hem of %d and sides of %d on 160', (hemMm, sideMm) =>
    expect(() => made('tuck-flap-envelope', 160, { hemMm, sideMm })).toThrow(RangeError),
  );
});

describe('card wrap', () => {
  it('fits the card, and its flaps overlap by what the sheet has to spare', () =>
    fc.assert(
      fc.property(
        fc.record({ short: fc.integer({ min: 60, max: 300 }), longer: fc.integer({ min: 0, max: 40 }) }),
        fc.integer({ min: 5, max: 25 }),
        fc.integer({ min: 100, max: 129 }),
        ({ short, longer }, overlap, percent) => {
          const long = short + longer;
          const heightMm = (long + short) / Math.SQRT2 + overlap;
          const sheetSize = { widthMm: (heightMm * percent) / 100, heightMm };
          const { sizes, folding } = make('card-template-wrap', {
            sheet: sheetSize,
            params: { longMm: long, shortMm: short },
            paper,
          });
          if (sizes.cavity.kind !== 'pocket') throw new Error('A wrap has a pocket.');
          expect([sizes.cavity.widthMm, sizes.cavity.heightMm].map((mm) => mm.toFixed(6))).toEqual(
            [long, short].map((mm) => mm.toFixed(6)),
          );
          expect(sizes.lengths[0].mm).toBeCloseTo(overlap, 6);
          expectPaper(folding.finished, sheetSize.widthMm * sheetSize.heightMm);
          expect(sizes.layers[0].count).toBeGreaterThanOrEqual(3);
        },
      ),
      { numRuns: 15 },
    ));

  it('square-on, the long flaps overlap by the height less twice the card', () => {
    const { sizes } = make('card-template-wrap', {
      sheet: { widthMm: 170, heightMm: 160 },
      params: { layout: 'square-on', longMm: 110, shortMm: 70 },
      paper,
    });
    expect(sizes.lengths[0].mm).toBeCloseTo(20, 9);
    expect(sizes.outer).toMatchObject({ lengthMm: 110, widthMm: 70 });
  });

  it('refuses a card that the sheet does not cover', () => {
    for (const params of [
      { longMm: 150, shortMm: 110 },
      { layout: 'square-on', longMm: 200, shortMm: 70 },
    ])
      expect(() => made('card-template-wrap', 170, params)).toThrow(RangeError);
  });
});

describe.each(['square-canoe', 'oblong-canoe', 'pod-boat'])('%s', (id) => {
  const hull = (s: number, wallDeg: number) => {
    const { sizes } = made(id, s, { wallDeg });
    if (sizes.cavity.kind !== 'hull') throw new Error('A boat has a hull.');
    return { ...sizes.cavity, ml: sizes.volumes!.map((v) => v.ml), over: sizes.outer };
  };
  const oblong = id === 'oblong-canoe';
  // Shares of the shorter side: height of the walls, length of an end, half of the straight middle.
  const h = oblong ? 1 / 8 : (Math.SQRT2 - 1) / 4;
  const e = h / (Math.SQRT2 - 1);
  const y1 = (oblong ? 1.29 : 1) / 2 - e;

  it('has the hull of its fact sheet when its walls stand upright', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const boat = hull(s, 90);
        expect(boat.floorWidthMm / s).toBeCloseTo(2 * h, 8);
        expect(boat.floorLengthMm / s).toBeCloseTo(2 * y1, 8);
        expect(boat.sideMm / s).toBeCloseTo(h, 8);
        expect(boat.tipMm / s).toBeCloseTo(h, 8);
        const e1 = h * Math.sqrt(2 + 2 * Math.SQRT2);
        expect(boat.over.lengthMm / s).toBeCloseTo(2 * (y1 + e1), 8);
        const volume = (d: number): number => 4 * h * y1 * d + 2 * e1 * d * d - ((2 * e1) / (3 * h)) * d ** 3;
        expect((1000 * boat.ml[0]) / s ** 3).toBeCloseTo(volume(0.7 * h), 8);
        expect((1000 * boat.ml[1]) / s ** 3).toBeCloseTo(volume(h), 8);
      }),
      { numRuns: 4 },
    ));

  it.each([75, 105, 115])('stands with its walls at %d degrees, tips as high as the walls ask', (deg) => {
    const s = 160;
    const boat = hull(s, deg);
    const wall = (deg * Math.PI) / 180;
    expect(boat.sideMm / s).toBeCloseTo(h * Math.sin(wall), 8);
    expect(boat.tipMm / s).toBeCloseTo(h * Math.tan(wall / 2), 8);
  });
});

describe('closing cube', () => {
  it('is a cube of √2 / 6 of its sheet, nine layers in the lid, three in the walls, either way round', () =>
    fc.assert(
      fc.property(sheet, fc.constantFrom('left', 'right'), (s, turning) => {
        const { sizes, folding } = made('closing-cube', s, { turning });
        const edge = Math.SQRT2 / 6;
        if (sizes.cavity.kind !== 'box') throw new Error('A cube has a box.');
        for (const mm of [sizes.cavity.lengthMm, sizes.cavity.widthMm, sizes.cavity.depthMm])
          expect(mm / s).toBeCloseTo(edge, 8);
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
});

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
          if (sizes.cavity.kind !== 'box') throw new Error('A bag has a box.');
          expect(sizes.cavity.lengthMm).toBeCloseTo(w - d, 6);
          expect(sizes.cavity.widthMm).toBeCloseTo(d, 6);
          const wall = height - f + d / 2;
          const mm = Object.fromEntries(sizes.lengths.map((l) => [l.name, l.mm]));
          expect(mm['walls, before pleating']).toBeCloseTo(wall, 6);
          expect(mm['flat bag, wide']).toBeCloseTo(w - d, 6);
          expect(sizes.cavity.depthMm).toBeCloseTo(wall - pleats * z - (pleats ? 0.7 * d : 0), 6);
          for (const pose of [folding.finished, folding.flat!]) expectPaper(pose, width * height);
        },
      ),
      { numRuns: 6 },
    ));

  it('refuses a bottom that leaves a hole in the base or runs into the seam', () => {
    for (const foldUpMm of [5, 60])
      expect(() => made('gusseted-bag', 150, { foldUpMm })).toThrow('does not suit this sheet');
  });
});

describe('four-pointed dish', () => {
  it('has the base, opening, height, points and room of its fact sheet, for all walls', () =>
    fc.assert(
      fc.property(sheet, fc.double({ min: DISH_WALL.min, max: DISH_WALL.max, noNaN: true }), (s, w) => {
        const piece = made('four-pointed-dish', s, { wallMm: w * s });
        const [b, o] = [Math.SQRT2 - 1, (Math.SQRT2 - 1) * (1 - 2 * w)];
        const height = w * Math.sqrt(2 * Math.SQRT2 - 2);
        if (piece.sizes.cavity.kind !== 'box') throw new Error('A dish has a box.');
        expect(lengthOf(piece, 'base') / s).toBeCloseTo(b, 8);
        expect(lengthOf(piece, 'opening') / s).toBeCloseTo(o, 8);
        expect(piece.sizes.cavity.depthMm / s).toBeCloseTo(height, 8);
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
        if (piece.sizes.cavity.kind !== 'box') throw new Error('A box has a box.');
        const { lengthMm, widthMm, depthMm } = piece.sizes.cavity;
        for (const mm of [lengthMm, widthMm]) expect(mm / s).toBeCloseTo((D / 2 - 2 * b - h) / s, 8);
        expect(depthMm / s).toBeCloseTo(h / s, 8);
        expect(lengthOf(piece, 'band') / s).toBeCloseTo((2 * b) / s, 8);
        expect(lengthOf(piece, 'points over') / s).toBeCloseTo((4 * b) / s, 8);
      }),
      { numRuns: 4 },
    ));

  it('folding alone makes the base four sixteenths of the diagonal, the height two, and at most five layers in the lid', () => {
    const { cavity, layers } = made('banded-gift-box', 160).sizes;
    const u = (160 * Math.SQRT2) / 16;
    expect(cavity).toMatchObject({ kind: 'box' });
    if (cavity.kind === 'box')
      expect([cavity.lengthMm / u, cavity.depthMm / u].map((k) => k.toFixed(8))).toEqual(['4.00000000', '2.00000000']);
    expect(layers[0].count).toBe(5);
  });

  it('refuses a band that leaves the points hanging over, and walls higher than the base', () => {
    expect(() => made('banded-gift-box', 150, { halfBandMm: 17 })).toThrow('too wide');
    expect(() => made('banded-gift-box', 150, { halfBandMm: 7, heightMm: 60 })).toThrow('too high');
  });
});

describe('thirds twist letter', () => {
  it('closes to a third of its sheet, nine layers everywhere', () =>
    fc.assert(
      fc.property(
        sheet,
        fc.constantFrom('ruler', 'folds'),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        (s, thirds, t) => {
          const { sizes, folding } = made('thirds-twist-letterfold', s, { thirds });
          expect(lengthOf({ sizes } as ReturnType<typeof made>, 'side') / s).toBeCloseTo(1 / 3, 9);
          const corner = whereIs(folding.finished, { x: s / 3, y: s / 3 });
          expect(layersAt(folding.finished, { x: corner.x + (t * s) / 3, y: corner.y + (0.37 * t * s) / 3 })).toBe(9);
        },
      ),
      { numRuns: 6 },
    ));
});

describe('page-corner bookmark', () => {
  it('covers half the sheet’s side along both edges of the page, with six layers in front and one behind', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const piece = made('page-corner-bookmark', s);
        expect(piece.sizes.cavity).toMatchObject({ kind: 'corner' });
        if (piece.sizes.cavity.kind !== 'corner') return;
        expect(piece.sizes.cavity.legMm / s).toBeCloseTo(1 / 2, 9);
        expect(piece.sizes.cavity.depthMm / s).toBeCloseTo(Math.SQRT2 / 4, 9);
        expect(lengthOf(piece, 'widest round') / s).toBeCloseTo(1 - Math.SQRT1_2, 6);
        expect(piece.sizes.layers.map(({ count }) => count)).toEqual([7, 1]);
      }),
      { numRuns: 10 },
    ));
});

describe('flat-folding cup', () => {
  it('has the mouth, depth and bottom of its fact sheet', () =>
    fc.assert(
      fc.property(sheet, (s) => {
        const { cavity, layers } = made('flat-folding-cup', s).sizes;
        if (cavity.kind !== 'pouch') throw new Error('A cup has a pouch.');
        expect(cavity.mouthMm / s).toBeCloseTo(2 - Math.SQRT2, 6);
        expect(cavity.depthMm / s).toBeCloseTo(Math.SQRT2 - 1, 6);
        expect(cavity.bottomMm / s).toBeCloseTo(3 * Math.SQRT2 - 4, 6);
        expect(layers[0].count).toBe(8);
      }),
      { numRuns: 8 },
    ));

  it('holds 0.0202 of its sheet’s side cubed at most, within 3 %, in a shape that stretches by less than half a percent', () => {
    const s = 170;
    const { cavity } = made('flat-folding-cup', s).sizes;
    if (cavity.kind !== 'pouch') throw new Error('A cup has a pouch.');
    const run = () => {
      const work = openPouch(cavity);
      let state = work.next(false);
      while (!state.done) state = work.next(false);
      return state.value;
    };
    const { volumeMm3, strain } = run();
    expect(Math.abs(volumeMm3 / s ** 3 / 0.0202 - 1)).toBeLessThan(0.03);
    expect(strain).toBeLessThan(0.005);
    expect(run().volumeMm3).toBe(volumeMm3);
  });

  it('can be stopped while it opens', () => {
    const work = openPouch({ mouthMm: 90, bottomMm: 31, depthMm: 60 });
    work.next(false);
    const stopped = work.next(true);
    expect(stopped.done && stopped.value.rested).toBe(false);
  });
});
