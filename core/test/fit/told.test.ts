import * as fc from 'fast-check';
import {
  answer,
  answering,
  atOnce,
  Fitting,
  fitOf,
  foldAnew,
  flattened,
  isSized,
  make,
  marksOf,
  measure,
  paramsAt,
  parsePurpose,
  prepare,
  type Purpose,
  replaying,
  RULERS,
  type SheetSize,
  type SizedForm,
  sizeFor,
  type SizeOptions,
  sizingOn,
  askingFor,
  chanceOn,
  POCKET,
  type FormSizes,
  type Way,
  waysOf,
  formById,
} from '../../src/index';
import { runs } from '../runs';
import { options, purposes } from './purposes';
import { fitting, USUAL } from './usual-options';

const TRAY = 'square-tray-and-eared-lid';
const FITS = -1e-9;

function sized(id: string, text: string, more: Partial<SizeOptions> = {}): SizedForm {
  const one = sizeFor(fitting, id, parsePurpose(text), { ...USUAL, ...more });
  if (!isSized(one)) throw new Error('It has a sheet.');
  return one;
}

/** What is left over, as a share, of a form folded wholly anew; -∞ where it cannot be folded so. */
function leftOver(formId: string, sheet: SheetSize, params: unknown, purpose: Purpose, given: SizeOptions): number {
  try {
    const { sizes } = make(formId, { sheet, params, paper: { thicknessMm: given.thicknessMm } });
    const [room] = sizes.rooms;
    return fitOf(fitting.demands(prepare(purpose, given), room.kind), fitting.asking(room, sheet)).leastShare;
  } catch {
    return -Infinity;
  }
}

/** How often an answer fits over so many replays of a hand that misses. */
function brute(one: SizedForm, purpose: Purpose, given: SizeOptions, count: number): number {
  const work = replaying(fitting, one, prepare(purpose, given), given, count, 11);
  let step = work.next();
  while (!step.done) step = work.next(false);
  return step.value.fits / step.value.replays;
}

/** All lengths of a way at marks of a ruler on a sheet. */
function* lengthsOf(
  way: Way,
  sheet: SheetSize,
  ruler: SizeOptions['ruler'],
  given: readonly number[] = [],
): Generator<readonly number[]> {
  if (given.length === way.lengths.length) {
    yield given;
    return;
  }
  const { from, to, stepMm } = marksOf(formById(way.pieceId), way, sheet, given, ruler);
  for (let step = from; step <= to; step++) yield* lengthsOf(way, sheet, ruler, [...given, step * stepMm]);
}

describe('what is told is folded', () => {
  it('folded wholly anew its needs hold and all its sizes are those told; what was tried beside it fails', () =>
    fc.assert(
      fc.property(purposes, options, (purpose, given) => {
        for (const one of answer(fitting, purpose, given).filter(isSized)) {
          const { formId, sheet, params } = one;
          const fresh = measure(foldAnew(formById(formId), sheet, params), given.thicknessMm);
          const told: FormSizes = { ...fresh, rooms: [one.room], outer: one.outer };
          const [a, b] = [told, fresh].map(flattened);
          for (const [name, mm] of Object.entries(b)) expect(Math.abs(a[name] - mm)).toBeLessThan(1e-9 * sheet.widthMm);
          expect(one.layers).toEqual(fresh.layers);
          expect(leftOver(formId, sheet, params, purpose, given)).toBeGreaterThanOrEqual(FITS);
          const { stepMm } = RULERS[given.ruler];
          for (const side of [sheet.widthMm, sheet.heightMm])
            expect(Math.abs(side / stepMm - Math.round(side / stepMm))).toBeLessThan(1e-6);
          for (const { sheet: less, lengths, misses } of one.tried)
            if (misses) expect(leftOver(formId, less, paramsAt(one.way, lengths), purpose, given)).toBeLessThan(0);
        }
      }),
      { numRuns: runs(1, 40) },
    ));

  it('is the same from a fitting that has learned much and from a new one', () =>
    fc.assert(
      fc.property(purposes, fc.constantFrom(null, 0.9), (purpose, confidence) => {
        const given = { ...USUAL, confidence };
        const fresh = new Fitting();
        for (const id of [TRAY, 'square-card-envelope', 'four-pointed-dish', 'card-template-wrap']) {
          const [much, little] = [fitting, fresh].map((one) => sizeFor(one, id, purpose, given));
          expect(much && isSized(much) ? much.sheet : null).toEqual(little && isSized(little) ? little.sheet : null);
        }
      }),
      { numRuns: runs(1, 40) },
    ));

  it.each([
    // Layers jump from six to ten where walls are higher than √2/8 of the sheet.
    [TRAY, '40 x 40 x 38', {}],
    [TRAY, '14 x 17 x 10.5', { ease: 'snug', thicknessMm: 0.3 }],
    [TRAY, '70 x 70 x 60', { thicknessMm: 0.2 }],
    // The wrap's tips, and its ends laid over each other.
    ['card-template-wrap', 'card 111 x 60', {}],
    ['card-template-wrap', 'card 200 x 75 x 0.5', {}],
    // A band narrower than a sixth of the base: five layers lie in the lid.
    ['banded-gift-box', '60 x 60 x 20', {}],
  ] as const)(
    '%s for %s has the room that it is told to have, and no length on a smaller sheet has',
    (id, text, more) => {
      const given = { ...USUAL, ...more };
      const one = sized(id, text, more);
      expect(leftOver(id, one.sheet, one.params, parsePurpose(text), given)).toBeGreaterThanOrEqual(FITS);
      for (const { sheet } of one.tried)
        for (const way of waysOf(formById(id)).filter(({ lengths }) => lengths.length < 2 || runs(0, 1)))
          for (const lengths of lengthsOf(way, sheet, given.ruler))
            expect(leftOver(id, sheet, paramsAt(way, lengths), parsePurpose(text), given)).toBeLessThan(0);
    },
  );

  it('a wrap that is tall and narrow is as high outside as its card and its paper', () => {
    const { outer, room } = sized('card-template-wrap', 'card 200 x 75 x 0.5');
    expect(outer.widthMm).toBeCloseTo(POCKET.schema.parse(room).sizes.heightMm, 9);
    expect(outer.widthMm).toBeGreaterThanOrEqual(75);
  });

  it('what does is not a larger sheet each time: on an eighth-inch ruler 4 3/8 in does where 4 3/4 in was told', () => {
    const { sheet } = sized(TRAY, '56.5 x 35.5 x 1.5', { ruler: 'eighth-inch' });
    expect(sheet.widthMm / 25.4).toBeLessThanOrEqual(4.375 + 1e-9);
  });

  it('lengths are chosen by the chance that is asked for', () => {
    const tray = sized(TRAY, '25.5 x 54.5 x 11.5', { confidence: 0.9 });
    expect(tray.sheet.widthMm).toBeLessThanOrEqual(124);
    const bag = sized('gusseted-bag', '105 x 74 x 2', { confidence: 0.9 });
    expect(Math.max(bag.sheet.widthMm, bag.sheet.heightMm)).toBeLessThanOrEqual(383);
    for (const [one, text] of [
      [tray, '25.5 x 54.5 x 11.5'],
      [bag, '105 x 74 x 2'],
    ] as const)
      expect(brute(one, parsePurpose(text), { ...USUAL, confidence: 0.9 }, 2000)).toBeGreaterThan(0.88);
  });

  it('every parameter that changes the room is sought: the seam of a bag, the walls of a boat', () => {
    const bag = sized('gusseted-bag', '60 x 45 x 22');
    expect(bag.params['seamMm']).toBe(5);
    const boat = sized('square-canoe', 'load 60 g');
    const usual = (wallDeg: number) =>
      leftOver('square-canoe', boat.sheet, { wallDeg }, parsePurpose('load 60 g'), USUAL);
    expect(usual(boat.params['wallDeg'] as number)).toBeGreaterThanOrEqual(FITS);
    const less = { widthMm: boat.sheet.widthMm - 1, heightMm: boat.sheet.heightMm - 1 };
    for (const wallDeg of [75, 80, 85, 90, 95, 100, 105, 110, 115])
      expect(leftOver('square-canoe', less, { wallDeg }, parsePurpose('load 60 g'), USUAL)).toBeLessThan(0);
  });

  it('an unknown form is refused, also one that is called like something else', () => {
    for (const id of ['paper-hat', 'constructor', '__proto__'])
      expect(() => sizeFor(fitting, id, parsePurpose('60 x 45 x 22'), USUAL)).toThrow('No form is called');
  });
});

describe('chances from sheet to sheet', () => {
  it('at the told sheet are the one that was told, and rise with it', () => {
    const given = { ...USUAL, confidence: 0.9 };
    for (const [id, text] of [
      ['closing-cube', '30 x 30 x 30'],
      ['square-card-envelope', 'card 85.6 x 54'],
    ] as const) {
      const one = sized(id, text, given);
      const asking = askingFor(fitting, prepare(parsePurpose(text), given));
      const chances = [-3, -2, -1, 0, 1, 2].map((marks) => {
        const sheet = { widthMm: one.sheet.widthMm + marks, heightMm: one.sheet.heightMm + marks };
        return atOnce(chanceOn(fitting, formById(id), asking, given, sheet))!;
      });
      expect(chances[3]).toBeCloseTo(one.chance!, 9);
      // The same draws for all: only lengths at marks of the ruler can make one lower.
      for (let k = 1; k < chances.length; k++) expect(chances[k]).toBeGreaterThanOrEqual(chances[k - 1] - 0.02);
      expect(chances[2]).toBeLessThan(0.9);
      expect(chances[0]).toBeLessThan(chances[5]);
    }
  });
});

describe('a sheet at hand', () => {
  const on = (id: string, text: string, sheet: SheetSize) =>
    atOnce(sizingOn(fitting, formById(id), askingFor(fitting, prepare(parsePurpose(text), USUAL)), USUAL, sheet));

  it('is used as it is, with the best layout and lengths: a map wrapped in whatever covers it', () => {
    const sheet = { widthMm: 297, heightMm: 235 };
    const one = on('card-template-wrap', 'map 205 x 100 x 2', sheet);
    expect(one?.does).toBe(true);
    expect(one!.piece.sheet).toEqual(sheet);
    expect(
      leftOver('card-template-wrap', sheet, one!.piece.params, parsePurpose('map 205 x 100 x 2'), USUAL),
    ).toBeGreaterThanOrEqual(FITS);
  });

  it('that is too small says which needs it misses; one of another shape is not taken', () => {
    const one = on('card-template-wrap', 'map 400 x 300', { widthMm: 297, heightMm: 235 });
    expect(one?.does).toBe(false);
    expect(one!.piece.fit.needs.filter(({ have, need }) => have < need).map(({ name }) => name)).toEqual([
      'pocket, wide',
      'pocket, high',
    ]);
    expect(on(TRAY, '60 x 45 x 22', { widthMm: 297, heightMm: 210 })).toBeNull();
  });
});

describe('chances', () => {
  it('are those of folding it again and again, within two in a hundred', () => {
    const text = '70 x 70 x 60';
    const given = { ...USUAL, thicknessMm: 0.2, confidence: 0.5 };
    const one = sized(TRAY, text, given);
    expect(Math.abs(one.chance! - brute(one, parsePurpose(text), given, 6000))).toBeLessThan(0.03);
  });

  it('of answers of all kinds agree with replays', () =>
    fc.assert(
      fc.property(purposes, fc.double({ min: 0.5, max: 0.99, noNaN: true }), (purpose, confidence) => {
        const given = { ...USUAL, confidence };
        const ids = [
          'square-card-envelope',
          'closing-cube',
          'flat-folding-cup',
          'pod-boat',
          'page-corner-bookmark',
          TRAY,
        ];
        for (const id of ids) {
          const one = sizeFor(fitting, id, purpose, given);
          if (!isSized(one) || one.chance! > 0.99) continue;
          expect(one.chance).toBeGreaterThanOrEqual(confidence);
          const replays = runs(1500, 20_000);
          const luck = 4 * Math.sqrt((one.chance! * (1 - one.chance!)) / replays);
          expect(Math.abs(one.chance! - brute(one, purpose, given, replays))).toBeLessThan(0.015 + luck);
        }
      }),
      { numRuns: runs(2, 25) },
    ));

  it('are met by no smaller sheet with any lengths, six marks down', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 15, max: 80 }),
        fc.integer({ min: 15, max: 80 }),
        fc.integer({ min: 5, max: 40 }),
        (a, b, c) => {
          const purpose = parsePurpose(`${a} x ${b} x ${c}`);
          const given = { ...USUAL, confidence: 0.9 };
          const one = sizeFor(fitting, TRAY, purpose, given);
          if (!isSized(one) || one.decided.kind === 'fingers') return;
          for (let mm = one.sheet.widthMm - 1; mm >= Math.max(60, one.sheet.widthMm - 6); mm--)
            for (const way of waysOf(formById(TRAY)))
              for (const lengths of lengthsOf(way, { widthMm: mm, heightMm: mm }, 'mm')) {
                const sheet = { widthMm: mm, heightMm: mm };
                // What does not fit an exact hand by a millimetre fits no hand in nine of ten tries.
                const params = paramsAt(way, lengths);
                if (leftOver(TRAY, sheet, params, purpose, given) < 0) continue;
                const smaller = { ...one, way, sheet, params, lengths };
                expect(brute(smaller, purpose, given, 1500)).toBeLessThan(0.925);
              }
        },
      ),
      { numRuns: runs(1, 40) },
    ));
});

describe('a search', () => {
  it('pauses often, whatever it is asked: packing too', () => {
    const texts = ['60 x 45 x 22', '12 cells ø14.5 x 50.5', '2000 pins ø1 x 30, card 40 x 30'];
    for (const text of texts) {
      let pauses = 0;
      for (const one of answering(fitting, parsePurpose(text), { ...USUAL, confidence: 0.9, turning: 'any' })) {
        if (one === null && ++pauses === 200) break;
      }
      expect(pauses).toBe(200);
    }
  });
});
