import * as fc from 'fast-check';
import { distance, FORMS, make, marksPicture, sheetFor, sheetMarks, SHELF } from '../../src/index';
import { usualSheet } from '../forms/made';

/** Parameters with which forms ask for a ruler, and the sheets that they suit. */
const MEASURED: readonly (readonly [id: string, share: Readonly<Record<string, unknown>>])[] = [
  ['square-tray-and-eared-lid', { wallMm: 0.15 }],
  ['square-card-envelope', { widthMm: 0.5 }],
  ['square-card-envelope', { thirds: 'ruler' }],
  ['tuck-flap-envelope', { hemMm: 0.1 }],
  ['thirds-twist-letterfold', { thirds: 'ruler' }],
  ['gusseted-bag', { foldUpMm: 0.14 }],
  ['four-pointed-dish', { wallMm: 0.25 }],
  ['banded-gift-box', { halfBandMm: 0.06 }],
  ['closing-cube', { thirds: 'ruler' }],
];

const marksOf = (formId: string, side: number, shares: Readonly<Record<string, unknown>>) => {
  const long = usualSheet(SHELF.form(formId));
  const sheet = { widthMm: side * long, heightMm: side };
  const params = Object.fromEntries(
    Object.entries(shares).map(([key, value]) => [key, typeof value === 'number' ? value * side : value]),
  );
  const { folding } = make(formId, { sheet, params, paper: { thicknessMm: 0.1 } });
  return { folding, marks: sheetMarks(folding, sheetFor(SHELF.form(formId), sheet)), sheet };
};

describe('marks on the sheet', () => {
  it.each(MEASURED)('of %s with %j: every measured length stands in the words of its step', (id, shares) =>
    fc.assert(
      fc.property(fc.integer({ min: 160, max: 420 }), (side) => {
        const { folding, marks } = marksOf(id, side, shares);
        const measured = marks.flatMap((step) =>
          step.marks.flatMap(({ how }) => (how.kind === 'measured' ? [{ step, how }] : [])),
        );
        expect(measured.length).toBeGreaterThan(0);
        for (const { step, how } of measured) {
          const said = folding.steps[step.step - 1];
          expect(said.id).toBe(step.id);
          // “Do the same” refers to the step before.
          const words = `${folding.steps[step.step - 2]?.words ?? ''} ${said.words}`;
          const lengths = [...words.matchAll(/([\d.]+) mm/g)].map(([, figure]) => Number(figure));
          expect(lengths.some((mm) => Math.abs(mm - how.mm) <= 0.051)).toBe(true);
          expect(how.origin).not.toBe('the mark before it');
        }
      }),
      { numRuns: 6 },
    ),
  );

  it('of forms that need no ruler measure nothing, and number their pinches in order', () => {
    for (const form of FORMS) {
      const { marks, folding } = marksOf(form.id, 200, {});
      const all = marks.flatMap((step) => step.marks);
      const numbers = all.flatMap(({ n }) => (n === null ? [] : [n]));
      expect(numbers).toEqual(numbers.map((_, k) => k + 1));
      // Whatever is creased by laying paper on paper is told, once.
      for (const { how } of all) if (how.kind === 'folded') expect(how.words).toMatch(/point|edge|line/);
      expect(marks.map(({ step }) => step)).toEqual([...marks.map(({ step }) => step)].sort((a, b) => a - b));
      const shown = new Set(marksPicture(folding, marks).labels.map(({ text }) => Number(text)));
      expect([...shown].every((n) => numbers.includes(n))).toBe(true);
    }
  });

  it('measured on open paper lie as far from their origin on the sheet', () => {
    const { marks } = marksOf('tuck-flap-envelope', 210, { hemMm: 0.1 });
    const [hem] = marks.flatMap((step) => step.marks);
    if (hem.how.kind !== 'measured') throw new Error('The hem is measured.');
    expect(hem.how.places).toHaveLength(2);
    for (const { at, from } of hem.how.places) expect(distance(at, from)).toBeCloseTo(0.1 * 210, 9);
    expect(hem.how.origin).toBe('the near left corner and the near right corner');
  });

  it('stand in the picture by their numbers, ticks at the end of a line from where they are measured', () => {
    const { folding, marks } = marksOf('closing-cube', 180, { thirds: 'ruler' });
    const drawn = marksPicture(folding, marks);
    const measured = marks.flatMap((step) => step.marks.filter(({ how }) => how.kind === 'measured'));
    for (const { n } of measured) expect(drawn.labels.map(({ text }) => text)).toContain(`${n}`);
    const lines = drawn.lines.filter(({ kind }) => kind === 'hidden');
    for (const { from, to } of lines) expect(distance(from, to)).toBeCloseTo(60, 6);
    expect(lines).toHaveLength(2);
  });
});
