import {
  answer,
  explainFit,
  isSized,
  parsePurpose,
  quantity,
  RULERS,
  type SizedForm,
  type SizeOptions,
} from '../../src/index';
import { fitting, USUAL } from './usual-options';

const usual: SizeOptions = { ...USUAL, turning: 'any', fingerRoom: true };
const UNITS = ['mm', 'cm', 'in'] as const;
const asked = ['45 x 40 x 25', 'card 100 x 60', '3 tickets 74 x 52, one key 60 x 20 x 6', 'load 15 g', 'pages 3 mm'];
let answers: readonly SizedForm[];

beforeAll(() => {
  answers = asked.flatMap((text) => answer(fitting, parsePurpose(text), usual).filter(isSized));
});

describe('why a sheet is as large as it is', () => {
  it('tells every need with what there is of it and what is left over, in any unit', () => {
    for (const one of answers)
      for (const unit of UNITS) {
        const told = explainFit(one, usual, unit).map(({ figures }) => figures);
        for (const { have, need, unit: of } of one.fit.needs) {
          const line = `${quantity(have, of, unit)} there, ${quantity(have - need, of, unit)} to spare.`;
          expect(told.some((figures) => figures.endsWith(line))).toBe(true);
        }
      }
  });

  it('tells where room and outside come from, who decided the sheet, and each line once', () => {
    for (const one of answers) {
      const lines = explainFit(one, usual, 'mm');
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
    for (const ruler of Object.keys(RULERS) as (keyof typeof RULERS)[]) {
      const options = { ...usual, ruler };
      for (const one of answer(fitting, parsePurpose('45 x 40 x 25'), options).filter(isSized)) {
        if (one.decided.kind === 'fingers') continue;
        const decided = explainFit(one, options, 'mm').find(({ what }) => what.endsWith('decided'))!;
        expect(decided.figures).toContain(RULERS[ruler].name);
      }
    }
  });
});

describe('a quantity', () => {
  it.each([
    [25.4, 'mm', 'in', '1 in (25.4 mm)'],
    [25.4, 'mm', 'cm', '2.54 cm'],
    [25.44, 'mm', 'mm', '25.4 mm'],
    [12.34, 'g', 'in', '12 g'],
    [3.21, 'ml', 'cm', '3.2 ml'],
  ] as const)('%f %s in %s is %s', (value, of, shown, text) => expect(quantity(value, of, shown)).toBe(text));
});
