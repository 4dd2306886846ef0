import * as fc from 'fast-check';
import { BODY_SHARE, layersAt, make, whereIs, type Made, POCKET } from '../../src/index';
import { expectPaper } from '../paper-laws';
import { lengthOf, made, paper, sheet, roomIn } from './made';

describe('diamond envelope', () => {
  it('has the body, the pocket and the flap of its fact sheet, at every width', () =>
    fc.assert(
      fc.property(sheet, fc.double({ min: BODY_SHARE.min, max: BODY_SHARE.max, noNaN: true }), (s, k) => {
        const D = Math.SQRT2 * s;
        const piece = made('square-card-envelope', s, { widthMm: k * D });
        const room = roomIn(POCKET, piece);
        expect(room.widthMm / s).toBeCloseTo((k * D) / s, 6);
        expect(room.heightMm / s).toBeCloseTo(((1 - k) * D) / 2 / s, 6);
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
        const room = roomIn(POCKET, piece);
        expect(room.widthMm / s).toBeCloseTo(1 - 2 * p, 6);
        expect(room.heightMm / s).toBeCloseTo(1 / 2 - c, 6);
        expect(lengthOf(piece, 'front of') / s).toBeCloseTo(p, 6);
        expect(lengthOf(piece, 'flap tucked') / s).toBeCloseTo(c, 6);
        expect(lengthOf(piece, 'each side') / s).toBeCloseTo(p, 6);
      }),
      { numRuns: 15 },
    ));

  it('its own marks make five by three eighths, nine layers at most', () => {
    const piece = made('tuck-flap-envelope', 160);
    const room = roomIn(POCKET, piece);
    expect([room.widthMm, room.heightMm].map((mm) => mm.toFixed(6))).toEqual(['100.000000', '60.000000']);
    expect(piece.sizes.layers[0].count).toBe(9);
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
          const room = roomIn(POCKET, { sizes });
          expect([room.widthMm, room.heightMm].map((mm) => mm.toFixed(6))).toEqual(
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

describe('thirds twist letter', () => {
  it('closes to a third of its sheet, nine layers everywhere', () =>
    fc.assert(
      fc.property(
        sheet,
        fc.constantFrom('ruler', 'folds'),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        (s, thirds, t) => {
          const { sizes, folding } = made('thirds-twist-letterfold', s, { thirds });
          expect(lengthOf({ sizes } as Made, 'side') / s).toBeCloseTo(1 / 3, 9);
          const corner = whereIs(folding.finished, { x: s / 3, y: s / 3 });
          expect(layersAt(folding.finished, { x: corner.x + (t * s) / 3, y: corner.y + (0.37 * t * s) / 3 })).toBe(9);
        },
      ),
      { numRuns: 6 },
    ));
});
