import * as fc from 'fast-check';
import {
  atOnce,
  entriesOf,
  entriesSized,
  explainFit,
  FORMS,
  isSized,
  judging,
  type Make,
  meeting,
  NO_WISHES,
  parsePurpose,
  sizeFor,
  type SizedForm,
  type SizeOptions,
  USUALLY_SHOWN,
} from '../../src/index';
import { fitting, USUAL } from './usual-options';

const TRAY = 'square-tray-and-eared-lid';

const makeOf = (answer: SizedForm, { thicknessMm, thicknesses }: SizeOptions): Make => ({
  formId: answer.formId,
  params: answer.make,
  entries: Object.fromEntries(
    entriesSized(answer).map(({ key, sheet, params }) => [
      key,
      { sheet, params, thicknessMm: thicknesses?.[key] ?? thicknessMm },
    ]),
  ),
});
const sized = (formId: string, text: string, options: SizeOptions): SizedForm => {
  const answer = sizeFor(fitting, formId, parsePurpose(text), options);
  if (!isSized(answer)) throw new Error(`${formId} does not do for ${text}.`);
  return answer;
};
const judge = (make: Make, text: string | null, options: SizeOptions) =>
  atOnce(judging(fitting, make, text === null ? null : parsePurpose(text), options));

describe('a make as it stands, held against what it is for', () => {
  const sides = fc.tuple(...[0, 1, 2].map(() => fc.integer({ min: 18, max: 60 })));

  it('does at the sheets that were told, with the very needs and chance; one mark less does not', () =>
    fc.assert(
      fc.property(sides, fc.constantFrom(null, 0.9), (size, confidence) => {
        const options: SizeOptions = { ...USUAL, confidence, wishes: { lid: 'plain', nested: 1 } };
        const text = size.join(' x ');
        const answer = sized(TRAY, text, options);
        const make = makeOf(answer, options);
        const judged = judge(make, text, options);
        expect(judged.map(({ does }) => does)).toEqual([true, true]);
        entriesSized(answer).forEach((told, k) => {
          const { fit, outer } = judged[k].sized!;
          fit.needs.forEach(({ name, have, need }, n) => {
            expect(name).toBe(told.fit.needs[n].name);
            expect(have).toBeCloseTo(told.fit.needs[n].have, 6);
            expect(need).toBeCloseTo(told.fit.needs[n].need, 6);
          });
          expect(outer.heightMm).toBeCloseTo(told.outer.heightMm, 6);
          if (confidence && k) expect(judged[k].sized!.chance).toBeCloseTo(told.chance!, 6);
        });
        const [tray] = answer.decided.kind === 'need' ? [answer.sheet.widthMm - 1] : [answer.sheet.widthMm];
        if (tray === answer.sheet.widthMm || answer.params['wallMm'] !== undefined) return;
        const entries = {
          ...make.entries,
          tray: { ...make.entries['tray'], sheet: { widthMm: tray, heightMm: tray } },
        };
        expect(judge({ ...make, entries }, text, options)[0].does).toBe(false);
      }),
      { numRuns: 5 },
    ));

  it('without a purpose asks nothing of the first entry, and of the others what they follow', () => {
    const options = { ...USUAL, wishes: { lid: 'eared', nested: 1 } as const };
    const [tray, lid] = judge(makeOf(sized(TRAY, '60 x 45 x 22', options), options), null, options);
    expect(tray).toMatchObject({ sized: null, does: true });
    expect(lid.does).toBe(true);
    expect(lid.sized!.fit.needs.length).toBeGreaterThan(0);
  });

  it('each entry is sized for its own paper: a lid of board over a tray of thin paper', () => {
    const wishes = { lid: 'plain', nested: 1 } as const;
    const thin: SizeOptions = { ...USUAL, thicknessMm: 0.08, wishes };
    const board: SizeOptions = { ...thin, thicknesses: { lid: 0.3 } };
    const [a, b] = [thin, board].map((options) => sized(TRAY, '60 x 45 x 22', options));
    expect(b.sheet).toEqual(a.sheet);
    expect(b.others[0].sheet.widthMm).toBeGreaterThan(a.others[0].sheet.widthMm);
    expect(judge(makeOf(b, board), '60 x 45 x 22', board).every(({ does }) => does)).toBe(true);
  });

  it('says of a sheet that was chosen by hand what it needs, and not that it decided', () => {
    const answer = sized('square-card-envelope', 'card 90 x 90', USUAL);
    const make = makeOf(answer, USUAL);
    const entries = { piece: { ...make.entries['piece'], sheet: { widthMm: 300, heightMm: 300 } } };
    const [{ sized: on }] = judge({ ...make, entries }, 'card 90 x 90', USUAL);
    const said = explainFit(on!, USUAL, USUALLY_SHOWN).map(({ what }) => what);
    expect(said.join()).not.toContain('decided');
    expect(said.length).toBeGreaterThan(2);
  });

  it('judges every form in its usual make, whatever it is asked', () => {
    for (const form of FORMS) {
      const longer = form.sheetShape === 'square' ? 1 : Math.max(1.2, form.sheetShape.longPerShort[0]);
      const sheet = { widthMm: 220 * longer, heightMm: 220 };
      const params = meeting(form, NO_WISHES)!;
      const keys = entriesOf(form, params).map((entry) => entry.key);
      const [key] = keys;
      // All units of a piece that is made of several colours, alike.
      const entries = Object.fromEntries(keys.map((one) => [one, { sheet, thicknessMm: 0.1 }]));
      const [judged] = judge({ formId: form.id, params, entries }, '40 x 30 x 10', USUAL);
      expect(judged.key).toBe(key);
      expect(judged.does).toBe(judged.sized === null || judged.sized.fit.leastShare >= -1e-9);
    }
  });
});
