import * as fc from 'fast-check';
import {
  answer,
  atOnce,
  blame,
  fitOf,
  HANDS,
  holds,
  isSized,
  make,
  parsePurpose,
  prepare,
  rank,
  replaying,
  RULERS,
  type SizedForm,
  sizeFor,
  type SizeOptions,
  USUAL_WEIGHTS,
  formById,
} from '../../src/index';
import { runs } from '../runs';
import { fitting, USUAL } from './usual-options';

const side = fc.integer({ min: 12, max: 130 });
describe('the sheet for a purpose', () => {
  it('measured lengths are searched through: with none of them does one mark less do', () =>
    fc.assert(
      fc.property(side, side, fc.integer({ min: 6, max: 50 }), (a, b, c) => {
        const purpose = parsePurpose(`${a} x ${b} x ${c}`);
        const one = sizeFor(fitting, 'square-tray-and-eared-lid', purpose, USUAL);
        if (!isSized(one) || one.decided.kind === 'fingers') return;
        const mm = one.sheet.widthMm - 1;
        const { input } = formById(one.formId).fields.find(({ key }) => key === 'wallMm')!;
        if (input.kind !== 'length') throw new Error('Walls are a length.');
        const [least, most] = input.range({ widthMm: mm, heightMm: mm }, {});
        const from = Math.ceil(least);
        for (const wallMm of [null, ...Array.from({ length: Math.floor(most) - from + 1 }, (_, k) => from + k)]) {
          const piece = make(one.formId, {
            sheet: { widthMm: mm, heightMm: mm },
            params: { wallMm },
            paper: { thicknessMm: 0.1 },
          });
          const room = fitting.asking(piece.sizes.rooms[0], { widthMm: mm, heightMm: mm });
          expect(fitOf(fitting.demands(prepare(purpose, USUAL), 'box'), room).leastShare).toBeLessThan(0);
        }
      }),
      { numRuns: runs(2, 40) },
    ));

  it('grows with what it must hold, with the ease and with the confidence', () =>
    fc.assert(
      fc.property(side, side, fc.integer({ min: 4, max: 40 }), (a, b, c) => {
        for (const id of ['closing-cube', 'four-pointed-dish', 'gusseted-bag']) {
          const area = (text: string, more: Partial<SizeOptions> = {}): number => {
            const one = sizeFor(fitting, id, parsePurpose(text), { ...USUAL, ...more });
            return isSized(one) ? one.sheet.widthMm * one.sheet.heightMm : Infinity;
          };
          const small = area(`${a} x ${b} x ${c}`);
          expect(area(`${a + 9} x ${b + 9} x ${c + 9}`)).toBeGreaterThanOrEqual(small);
          expect(area(`${a} x ${b} x ${c}`, { ease: 'loose' })).toBeGreaterThanOrEqual(small);
          const [half, most] = [0.5, 0.99].map((confidence) => area(`${a} x ${b} x ${c}`, { confidence }));
          expect(most).toBeGreaterThanOrEqual(half);
        }
      }),
      { numRuns: runs(1, 40) },
    ));

  it('grows the less exactly the hand folds', () => {
    const sides = [HANDS.exact, HANDS.practised, HANDS.learning].map(({ missMm }) => {
      const one = sizeFor(fitting, 'closing-cube', parsePurpose('30 x 30 x 30'), {
        ...USUAL,
        confidence: 0.9,
        handMm: missMm,
      });
      return isSized(one) ? one.sheet.widthMm : NaN;
    });
    expect(sides[0]).toBeLessThan(sides[1]);
    expect(sides[1]).toBeLessThan(sides[2]);
  });

  it('says which form does not answer which kind of purpose', () => {
    expect(sizeFor(fitting, 'gusseted-bag', parsePurpose('120 ml'), USUAL)).toBeNull();
    expect(sizeFor(fitting, 'flat-folding-cup', parsePurpose('strap 25 x 2'), USUAL)).toBeNull();
    const answering = (text: string) =>
      answer(fitting, parsePurpose(text), USUAL)
        .map(({ formId }) => formId)
        .sort();
    expect(answering('bead 8')).toEqual(['bead-track', 'bead-track-straight']);
    expect(answering('bead 8 exit 9')).toEqual(['bead-catch-tray']);
    expect(answering('strap 38 x 3')).toEqual(['strap-buckle']);
    expect(answering('head 56 cm')).toEqual(['hat-boat']);
    expect(answering('place card 85 x 55')).toEqual(['table-sailboat']);
  });

  it('a need that no sheet meets names the demands that stand against it', () => {
    const one = sizeFor(fitting, 'thirds-twist-letterfold', parsePurpose('map 4500 x 4500'), USUAL);
    if (one === null || isSized(one)) throw new Error('No sheet is that large.');
    expect([...one.demands].sort()).toEqual(['pocket, high', 'pocket, wide']);
  });
});

describe('how sure it is', () => {
  it('agrees with folding it again and again at its own sheet, within their standard errors', () => {
    for (const [id, text] of [
      ['square-tray-and-eared-lid', '60 x 45 x 22'],
      ['square-card-envelope', 'card 85.6 x 54'],
      ['closing-cube', '30 x 30 x 30'],
      ['flat-folding-cup', '60 ml'],
    ] as const) {
      const purpose = parsePurpose(text);
      const one = sizeFor(fitting, id, purpose, { ...USUAL, confidence: 0.5 });
      if (!isSized(one)) throw new Error('It has a sheet.');
      const runs = replaying(fitting, one, prepare(purpose, USUAL), USUAL, 600, 77);
      let step = runs.next();
      let reports = 0;
      while (!step.done) {
        reports++;
        step = runs.next(false);
      }
      const { fits, replays, error, spreads } = step.value;
      expect([replays, reports]).toEqual([600, 5]);
      const quick = Math.sqrt((one.chance! * (1 - one.chance!)) / 300) + 0.01;
      expect(Math.abs(fits / replays - one.chance!)).toBeLessThan(4 * Math.hypot(error, quick));
      for (const { meanMm, sdMm } of spreads) expect(Math.abs(meanMm)).toBeLessThan(sdMm);
    }
  });

  it('stops when it is told to', () => {
    const purpose = parsePurpose('60 x 45 x 22');
    const one = sizeFor(fitting, 'closing-cube', purpose, USUAL) as SizedForm;
    const runs = replaying(fitting, one, prepare(purpose, USUAL), USUAL, 2000);
    runs.next();
    const stopped = runs.next(true);
    expect(stopped.done).toBe(true);
    expect(stopped.value.replays).toBe(100);
  });

  it('blames folds that the tightest need hangs on, all shares together being one', () => {
    const purpose = parsePurpose('60 x 45 x 22');
    const one = sizeFor(fitting, 'square-tray-and-eared-lid', purpose, USUAL) as SizedForm;
    const blamed = atOnce(blame(fitting, one, prepare(purpose, USUAL), USUAL));
    const total = blamed.reduce((sum, { share }) => sum + share, 0);
    expect(total).toBeGreaterThan(0.9);
    expect(total).toBeLessThanOrEqual(1 + 1e-9);
    expect(blamed.map(({ share }) => share)).toEqual([...blamed.map(({ share }) => share)].sort((p, q) => q - p));
  });
});

describe('ranking', () => {
  const answers = answer(fitting, parsePurpose('60 x 45 x 22'), USUAL).filter(isSized);

  it('puts first what counts: the smallest sheet when only paper counts, the quickest when only time does', () => {
    const none = { paper: 0, close: 0, sure: 0, time: 0, ease: 0, dry: 0, closed: 0 };
    // Of all units together.
    const area = ({ sheet, copies }: SizedForm): number => copies * sheet.widthMm * sheet.heightMm;
    expect(area(rank(answers, { ...none, paper: 1 })[0].answer)).toBe(Math.min(...answers.map(area)));
    const quickest = rank(answers, { ...none, time: 1 })[0].answer;
    expect(formById(quickest.formId).minutes).toBe(Math.min(...answers.map(({ formId }) => formById(formId).minutes)));
  });

  it('marks lie between 0 and 1, and nothing is lost or made up', () => {
    const ranked = rank(answers, USUAL_WEIGHTS);
    expect(ranked.map(({ answer: one }) => one.formId).sort()).toEqual(answers.map(({ formId }) => formId).sort());
    for (const { marks, score } of ranked)
      for (const mark of [...Object.values(marks), score]) {
        expect(mark).toBeGreaterThanOrEqual(0);
        expect(mark).toBeLessThanOrEqual(1 + 1e-9);
      }
  });
});

describe('what a sheet will hold', () => {
  it('is what each form measures when it is folded from it', () => {
    for (const sheet of [
      { widthMm: 150, heightMm: 150 },
      { widthMm: 210, heightMm: 170 },
    ]) {
      const held = holds(fitting, sheet, { thicknessMm: 0.1, ruler: 'mm' });
      expect(held.length).toBeGreaterThan(1);
      for (const { formId, room } of held) {
        if (formId === 'card-template-wrap') continue;
        expect(make(formId, { sheet, params: {}, paper: { thicknessMm: 0.1 } }).sizes.rooms[0].kind).toBe(room.kind);
      }
    }
    // A wrap is folded round some card: one in the middle of those that it takes, at marks of the ruler.
    for (const ruler of ['5-mm', 'sixteenth-inch'] as const) {
      const [wrap] = holds(fitting, { widthMm: 240, heightMm: 200 }, { thicknessMm: 0.1, ruler }).filter(
        ({ formId }) => formId === 'card-template-wrap',
      );
      const { stepMm } = RULERS[ruler];
      const sides = [wrap.params['longMm'], wrap.params['shortMm']] as readonly number[];
      for (const mm of sides) expect(Math.abs(mm / stepMm - Math.round(mm / stepMm))).toBeLessThan(1e-9);
      expect(sides[0]).toBeLessThan(200);
      expect(sides[1]).toBeGreaterThan(30);
    }
    expect(holds(fitting, { widthMm: 30, heightMm: 30 }, { thicknessMm: 0.1, ruler: 'mm' })).toEqual([]);
  });
});
