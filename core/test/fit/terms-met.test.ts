import * as fc from 'fast-check';
import {
  answer,
  atOnce,
  explainFit,
  formById,
  isSized,
  lostToRoom,
  parsePurpose,
  prepare,
  rank,
  readPurposeLine,
  type SizedForm,
  sizeFor,
  type SizeOptions,
  sizingForm,
  slackIn,
  tooRoomy,
  USUALLY_SHOWN,
  type Unmet,
  whyUnmet,
} from '../../src/index';
import { runs } from '../runs';
import { fitting, USUAL } from './usual-options';

const ANY: SizeOptions = { ...USUAL, turning: 'any' };
const TRAY = 'square-tray-and-eared-lid';

function sized(formId: string, line: string, options: SizeOptions = ANY): SizedForm {
  const found = sizeFor(fitting, formId, parsePurpose(line), options);
  if (!isSized(found)) throw new Error(`${formId} does not do “${line}”.`);
  return found;
}

describe('limits outside', () => {
  it('are kept by every answer that is told, and those that are left out cannot be told without breaking them', () =>
    fc.assert(
      fc.property(
        fc.tuple(...[0, 1, 2].map(() => fc.integer({ min: 12, max: 90 }))),
        fc.integer({ min: 5, max: 60 }),
        fc.constantFrom('long', 'wide', 'high'),
        fc.constantFrom(TRAY, 'banded-gift-box', 'closing-cube', 'card-template-wrap'),
        (sides, more, side, formId) => {
          const size = [...sides].sort((p, q) => q - p)[side === 'long' ? 0 : side === 'wide' ? 1 : 2];
          const { purpose, terms } = readPurposeLine(`${sides.join(' x ')}, under ${size + more} ${side}`);
          const found = sizeFor(fitting, formId, purpose, { ...ANY, most: terms.most });
          const free = sizeFor(fitting, formId, purpose, ANY);
          if (!found) expect(free).toBeNull();
          else if (isSized(found)) {
            const { lengthMm, widthMm, heightMm } = found.outer;
            const outside = { long: Math.max(lengthMm, widthMm), wide: Math.min(lengthMm, widthMm), high: heightMm };
            expect(outside[side]).toBeLessThanOrEqual(size + more + 1e-6);
            // It takes no less paper to keep to a limit.
            if (isSized(free)) expect(found.sheet.widthMm).toBeGreaterThanOrEqual(free.sheet.widthMm);
          } else if (isSized(free)) {
            const { lengthMm, widthMm, heightMm } = free.outer;
            const outside = { long: Math.max(lengthMm, widthMm), wide: Math.min(lengthMm, widthMm), high: heightMm };
            expect(outside[side]).toBeGreaterThan(size + more);
            expect(whyUnmet(found)).toContain('outside it comes to');
          }
        },
      ),
      { numRuns: runs(12, 150) },
    ));
});

describe('what stands over the rim', () => {
  it('lowers the walls of a tray by as much', () => {
    const [whole, proud] = ['', ', proud by 10 mm'].map((how) => sized(TRAY, `60 x 45 x 40${how}`));
    expect(proud.room.sizes['depthMm']).toBeLessThan(whole.room.sizes['depthMm']);
    expect(proud.room.sizes['depthMm']).toBeGreaterThanOrEqual(30 - 1e-6);
    expect(proud.sheet.widthMm).toBeLessThan(whole.sheet.widthMm);
  });

  it('leaves room for fingers where it must be gripped, and keeps forms out that close', () => {
    const { room } = sized(TRAY, '60 x 45 x 40, gripped');
    expect(room.sizes['depthMm']).toBeLessThanOrEqual(30 + 1e-6);
    expect(room.sizes['depthMm']).toBeGreaterThanOrEqual(20 - 1e-6);
    expect(sizeFor(fitting, 'closing-cube', parsePurpose('60 x 45 x 40, gripped'), ANY)).toBeNull();
  });
});

describe('answers that make sense', () => {
  it('rule a pocket out for what is too thick to lie flat, and say so', () => {
    const thick = sizeFor(fitting, 'card-template-wrap', parsePurpose('85.6 x 54 x 7.6'), USUAL);
    expect(thick).toEqual({
      formId: 'card-template-wrap',
      demands: [],
      refused: 'what goes in is too thick for a pocket that lies flat',
    });
    // Told is what the things need, not what their thickness blows up.
    const thin = sized('card-template-wrap', 'card 85.6 x 54 x 0.8');
    expect(thin.room.sizes['widthMm']).toBeLessThan(85.6 + 15);
  });

  it('say where a form is no use any more, and with what sheet', () => {
    const pages = sizeFor(fitting, 'page-corner-bookmark', parsePurpose('pages 20 mm'), USUAL) as Unmet;
    expect(pages.beyond?.needsMm).toBeGreaterThan(pages.beyond!.mostMm);
    expect(whyUnmet(pages)).toMatch(/sheet of \d+ mm, and from more than 300 mm it folds the pages/);
    for (const one of answer(fitting, parsePurpose('ruler 310 x 30 x 1.5'), USUAL))
      if (isSized(one))
        expect(Math.min(one.sheet.widthMm, one.sheet.heightMm)).toBeLessThanOrEqual(formById(one.formId).ceiling.mm);
  });

  it('put no photo into a boat', () => {
    const prepared = prepare(parsePurpose('photo 130 x 90'), USUAL);
    for (const id of ['square-canoe', 'oblong-canoe', 'pod-boat'])
      expect(atOnce(sizingForm(fitting, formById(id), prepared, USUAL))).toBeNull();
  });

  it('lay a ruler cornerwise where that takes less paper, and draw it so', () => {
    const ruler = sized(TRAY, 'ruler 310 x 30 x 1.5', USUAL);
    expect(ruler.fit.arrangement?.cornerwise?.of).toEqual([310, 30, 1.5]);
    // Straight it would need a floor as long as the ruler; the diagonal of the floor is enough.
    const { lengthMm, widthMm } = ruler.room.sizes;
    expect(Math.max(lengthMm, widthMm)).toBeLessThan(310);
    expect(Math.hypot(lengthMm, widthMm)).toBeGreaterThan(310);
    const [said] = explainFit(ruler, USUAL, USUALLY_SHOWN).filter(({ what }) => what === 'Laid cornerwise');
    expect(said.figures).toContain(`${Math.round((ruler.fit.arrangement!.cornerwise!.angle * 180) / Math.PI)}°`);
    // A slender thing turned by an angle: its corners stay inside, by the rectangle's own trigonometry.
    const { angle } = ruler.fit.arrangement!.cornerwise!;
    expect(310 * Math.cos(angle) + 30 * Math.sin(angle)).toBeLessThanOrEqual(Math.max(lengthMm, widthMm) + 1e-9);
    expect(310 * Math.sin(angle) + 30 * Math.cos(angle)).toBeLessThanOrEqual(Math.min(lengthMm, widthMm) + 1e-9);
  });
});

describe('room that is too much', () => {
  const answers = answer(fitting, parsePurpose('120 x 60 x 20'), USUAL).filter(isSized);

  it('is told by side, beyond what is still close, and costs places', () => {
    const ranked = rank(answers);
    expect(ranked.some(({ roomy }) => roomy.length > 0)).toBe(true);
    for (const { answer: one, roomy } of ranked)
      for (const { name, byMm } of roomy) {
        const need = one.fit.needs.find((each) => each.name === name)!;
        expect(byMm).toBeLessThan(need.have - need.need);
        expect(byMm).toBeGreaterThan(0);
      }
    // A square tray round something long is far too wide.
    const tray = ranked.find(({ answer: one }) => one.formId === TRAY)!;
    expect(tray.roomy.map(({ name }) => name)).toContain('width');
    const close = rank(answers.map((one) => ({ ...one, fit: { ...one.fit, arrangement: null } })));
    expect(close.find(({ answer: one }) => one.formId === TRAY)!.score).toBeGreaterThan(tray.score);
  });

  it('counts from the smaller end of a range', () => {
    const [wide, exact] = ['100-120 x 60 x 20', '120 x 60 x 20'].map((line) => parsePurpose(line));
    expect(slackIn(wide)).toBeCloseTo(20, 9);
    expect(slackIn(exact)).toBe(0);
    const by = (slackMm: number): number =>
      rank(answers, undefined, undefined, { slackMm })
        .flatMap(({ roomy }) => roomy)
        .reduce((sum, { byMm }) => sum + byMm, 0);
    expect(by(slackIn(wide))).toBeGreaterThan(by(slackIn(exact)));
  });

  it('is less for a looser fit, none where nothing was packed, and never costs all', () => {
    for (const { fit } of answers) {
      const [snug, easy, loose] = (['snug', 'easy', 'loose'] as const).map((ease) => tooRoomy(fit, ease, true));
      expect(loose.length).toBeLessThanOrEqual(easy.length);
      expect(easy.length).toBeLessThanOrEqual(snug.length);
      expect(tooRoomy({ ...fit, arrangement: null }, 'snug', true)).toEqual([]);
      expect(lostToRoom(snug)).toBeLessThanOrEqual(1);
      expect(lostToRoom([])).toBe(0);
    }
  });
});
