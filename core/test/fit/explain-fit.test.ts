import {
  answer,
  explainFit,
  isSized,
  parsePurpose,
  quantity,
  RULERS,
  type SizedForm,
  type SizeOptions,
  USUALLY_SHOWN,
} from '../../src/index';
import { runs } from '../runs';
import { fitting, USUAL } from './usual-options';

const usual: SizeOptions = { ...USUAL, turning: 'any', fingerRoom: true };
const SHOWN = [
  ...(['mm', 'cm', 'in'] as const).map((unit) => ({ ...USUALLY_SHOWN, unit })),
  { ...USUALLY_SHOWN, mass: 'oz' as const },
];
const asked = ['45 x 40 x 25', 'card 100 x 60', '3 tickets 74 x 52, one key 60 x 20 x 6', 'load 15 g', 'pages 3 mm'];
let answers: readonly SizedForm[];

beforeAll(() => {
  answers = asked.flatMap((text) => answer(fitting, parsePurpose(text), usual).filter(isSized));
});

describe('why a sheet is as large as it is', () => {
  it('tells every need with what there is of it and what is left over, in any unit', () => {
    for (const one of answers)
      for (const shown of SHOWN) {
        const told = explainFit(one, usual, shown).map(({ figures }) => figures);
        for (const { have, need, unit: of } of one.fit.needs) {
          const line = `${quantity(have, of, shown)} available, ${quantity(have - need, of, shown)} to spare.`;
          expect(told.some((figures) => figures.endsWith(line))).toBe(true);
        }
      }
  });

  it('weighs in ounces for those who do', () => {
    const boat = answers.find(({ fit }) => fit.needs.some(({ unit }) => unit === 'g'))!;
    const told = explainFit(boat, usual, { ...USUALLY_SHOWN, mass: 'oz' }).map(({ figures }) => figures);
    // 15 g are 15 / 28.349523125 oz.
    expect(told.some((figures) => figures.includes('0.529 oz needed'))).toBe(true);
    expect(told.some((figures) => / g (there|needed)/.test(figures))).toBe(false);
  });

  it('tells where room and outside come from, who decided the sheet, and each line once', () => {
    for (const one of answers) {
      const lines = explainFit(one, usual, USUALLY_SHOWN);
      expect(lines.filter(({ what }) => what.endsWith('comes from'))).toHaveLength(one.sums.length);
      expect(lines.filter(({ what }) => what.endsWith('decided'))).toHaveLength(1);
      // What was tried beside it is told, and that it does not do.
      const tried = lines.filter(({ what }) => what.startsWith('Tried: '));
      expect(tried).toHaveLength(one.tried.length);
      for (const { figures } of tried) expect(figures).toMatch(/needed\.$|not sure enough\.$|cannot be folded/);
      expect(new Set(lines.map(({ what }) => what)).size).toBe(lines.length);
      for (const { what, figures } of lines) {
        expect(what).toMatch(/^[A-Z]/);
        expect(figures).not.toMatch(/NaN|undefined|null|Infinity/);
      }
    }
  });

  it('names the mark of the ruler that it is measured with', () => {
    // All of them when there is time.
    const rulers = (Object.keys(RULERS) as (keyof typeof RULERS)[]).sort((p) => (p === 'sixteenth-inch' ? -1 : 1));
    for (const ruler of rulers.slice(0, runs(1, rulers.length))) {
      const options = { ...usual, ruler };
      for (const one of answer(fitting, parsePurpose('45 x 40 x 25'), options).filter(isSized)) {
        if (one.decided.kind === 'fingers') continue;
        const decided = explainFit(one, options, USUALLY_SHOWN).find(({ what }) => what.endsWith('decided'))!;
        expect(decided.figures).toContain(RULERS[ruler].name);
      }
    }
  });
});

describe('a quantity', () => {
  it.each([
    [25.4, 'mm', { unit: 'in' }, '1 in (25.4 mm)'],
    [25.4, 'mm', { unit: 'cm' }, '2.54 cm'],
    [25.44, 'mm', {}, '25.4 mm'],
    [12.34, 'g', { unit: 'in' }, '12.3 g'],
    [28.349523125, 'g', { mass: 'oz' }, '1 oz'],
    [3.21, 'ml', { unit: 'cm' }, '3.21 ml'],
    [59.147059125, 'ml', { volume: 'fl oz' }, '2 fl oz'],
  ] as const)('%f %s for %j is %s', (value, of, shown, text) =>
    expect(quantity(value, of, { ...USUALLY_SHOWN, ...shown })).toBe(text),
  );
});
