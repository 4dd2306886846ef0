import * as fc from 'fast-check';
import {
  formatSizes,
  NO_TERMS,
  type OuterLimits,
  ParsePurposeError,
  readPurposeLine,
  sayPurpose,
  sayTerms,
  type Terms,
  writePurpose,
  writeTerms,
} from '../../src/index';
import { runs } from '../runs';

const limits = (lengthMm: number | null, widthMm: number | null, heightMm: number | null): OuterLimits => ({
  ...{ lengthMm, widthMm, heightMm },
});
const KRAFT = { name: 'Kraft brown', widthMm: 300, heightMm: 250 };
const termsOf = (line: string): Terms => readPurposeLine(line, 'mm', [KRAFT]).terms;

describe('what a line says beside the things', () => {
  it.each([
    ['60 x 45 x 22, under 40 high', limits(null, null, 40)],
    ['60 x 45 x 22 no more than 4 cm high', limits(null, null, 40)],
    ['60 x 45 x 22 under 200 long, under 80 wide', limits(200, 80, null)],
    ['60 x 45 x 22, fits a drawer 200 x 80', limits(200, 80, null)],
    ['60 x 45 x 22 must fit into my tin 80 x 120 x 40', limits(120, 80, 40)],
    ['4 tickets 105 x 74, slot 110', limits(null, 110, null)],
    ['4 tickets 105 x 74 fits a slot of 110', limits(null, 110, null)],
    ['120 ml under 90 high', limits(null, null, 90)],
  ])('%s: limits outside', (line, most) => expect(termsOf(line)).toEqual({ most, from: null }));

  it.each([
    ['60 x 45 x 22 from A4', { name: 'A4', widthMm: 297, heightMm: 210, many: 1 }],
    ['60 x 45 x 22 from one sheet of a5, three of them', { name: 'A5', widthMm: 210, heightMm: 148, many: 3 }],
    ['60 x 45 x 22 from B6', { name: 'B6', widthMm: 176, heightMm: 125, many: 1 }],
    ['2 of them, 60 x 45 x 22 from kraft brown', { ...KRAFT, many: 2 }],
    ['60 x 45 x 22 from 10 in x 8 in', { name: '10 in x 8 in', widthMm: 254, heightMm: 203.2, many: 1 }],
    ['60 x 45 x 22 from 150', { name: '150', widthMm: 150, heightMm: 150, many: 1 }],
  ])('%s: the sheet that it comes from', (line, { name, widthMm, heightMm, many }) => {
    const { from, most } = termsOf(line);
    expect(most).toBeNull();
    expect(from?.name.toLowerCase()).toBe(name.toLowerCase());
    expect(from?.widthMm).toBeCloseTo(widthMm, 9);
    expect(from?.heightMm).toBeCloseTo(heightMm, 9);
    expect(from?.many).toBe(many);
  });

  it.each([
    ['4 dice 16 in a row', { order: 'row' }],
    ['6 cells ø14.5 x 50 side by side', { order: 'floor' }],
    ['6 cells ø14.5 x 50, side-by-side', { order: 'floor' }],
    ['2 boxes 60 x 45 x 22 one on the other', { order: 'stack' }],
    ['4 tickets 105 x 74, 2 keys 60 x 20 x 4, in layers', { order: 'layers' }],
    ['3 pencils standing, may stand proud by 60 mm', { proudMm: 60 }],
    ['3 pencils standing, 6 cm proud', { proudMm: 60 }],
    ['60 x 45 x 22 must be gripped', { gripped: true }],
  ])('%s: how the things are set', (line, manner) => {
    const { purpose, terms } = readPurposeLine(line);
    expect(purpose).toMatchObject({ kind: 'hold', ...manner });
    expect(terms).toEqual(NO_TERMS);
  });

  it('takes nothing away from a name that only sounds like it', () => {
    expect(sayPurpose(readPurposeLine('gift from grandma 60 x 45 x 22').purpose)).toContain('gift from grandma');
    expect(sayPurpose(readPurposeLine('slot car 60 x 45 x 22').purpose)).toContain('slot car');
  });

  it.each([
    ['60 x 45 x 22, under 40', 'under 40'],
    ['60 x 45 x 22, fits a drawer 200', 'fits a drawer 200'],
    ['60 x 45 x 22 from A4, 500 of them', '500 of them'],
    ['60 x 45 x 22, proud by a lot', 'proud by'],
    ['60 x 45 x 22 from 10 x 20 x 30', 'from 10 x 20 x 30'],
  ])('%s: what cannot be read is pointed at', (line, wrong) => {
    try {
      readPurposeLine(line);
      throw new Error('It was read.');
    } catch (error) {
      if (!(error instanceof ParsePurposeError)) throw error;
      expect(line.slice(error.at.from, error.at.to)).toBe(wrong);
    }
  });

  it.each(['120 ml, stacked', '30 loose beads ø8 side by side', 'load 40 g, gripped', 'strap 25 x 2, 40 g'])(
    '%s: what has no meaning there is refused, not passed over',
    (line) => expect(() => readPurposeLine(line)).toThrow('leave it out here'),
  );

  it('weighs what is poured too', () => {
    const { purpose } = readPurposeLine('100 loose screws ø6 x 20, 2 g each');
    expect(purpose).toMatchObject({ kind: 'loose', grams: 200 });
    expect(readPurposeLine(writePurpose(purpose)).purpose).toEqual(purpose);
    expect(sayPurpose(purpose)).toMatch(/poured in, weighing 200 g$/);
  });

  const mm = fc.integer({ min: 5, max: 900 });
  const most = fc
    .tuple(fc.option(mm), fc.option(mm), fc.option(mm))
    .map(([a, b, c]) => (a === null && b === null && c === null ? null : limits(a, b, c)));
  const from = fc.option(fc.record({ widthMm: mm, heightMm: mm, many: fc.integer({ min: 1, max: 200 }) }));
  const manner = fc.record(
    {
      order: fc.constantFrom('row' as const, 'floor' as const, 'stack' as const, 'layers' as const),
      proudMm: mm,
      gripped: fc.constant(true as const),
    },
    { requiredKeys: [] },
  );

  it('reads back as it was written, and is said in words with all of its figures', () =>
    fc.assert(
      fc.property(most, from, manner, fc.constantFrom('mm', 'cm', 'in'), (limit, sheet, how, unit) => {
        const { purpose: plain } = readPurposeLine('4 dice 16 x 16 x 16 mm');
        const purpose = { ...plain, ...how } as typeof plain;
        const terms: Terms = { most: limit, from: sheet && { name: '', ...sheet } };
        const line = [writePurpose(purpose, { unit }), writeTerms(terms, { unit })].filter(Boolean).join(', ');
        const again = readPurposeLine(line, 'mm');
        expect(again.purpose).toMatchObject(how);
        for (const side of ['lengthMm', 'widthMm', 'heightMm'] as const) {
          if (limit?.[side]) expect(again.terms.most?.[side]).toBeCloseTo(limit[side], 6);
          else expect(again.terms.most?.[side] ?? null).toBeNull();
        }
        if (sheet) {
          expect(again.terms.from?.widthMm).toBeCloseTo(sheet.widthMm, 6);
          expect(again.terms.from?.heightMm).toBeCloseTo(sheet.heightMm, 6);
          expect(again.terms.from?.many).toBe(sheet.many);
          expect(sayTerms(terms)).toContain(formatSizes([sheet.widthMm, sheet.heightMm], 'mm'));
        } else expect(again.terms.from).toBeNull();
        if (how.proudMm) expect(sayPurpose(purpose)).toContain(`${how.proudMm} mm over the rim`);
      }),
      { numRuns: runs(100, 1000) },
    ));
});
