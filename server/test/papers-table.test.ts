import { mapColumns, PAPER_COLUMNS, type PaperDraft, papersFrom, papersTable, paperDraft } from '@odd-corner/contract';
import * as fc from 'fast-check';
import { parse, unparse } from 'papaparse';
import { arbitraryOf } from './arbitrary-of';
import { KRAFT } from './workshop';

const OURS = { currency: 'EUR', first: 2 } as const;

function taken(text: string): ReturnType<typeof papersFrom> {
  const [head, ...rows] = parse<string[]>(text, { skipEmptyLines: 'greedy' }).data;
  return papersFrom(rows, mapColumns(head), OURS);
}

const saidOf = (text: string): readonly string[] => taken(text).flatMap((row) => ('wrong' in row ? row.wrong : []));

describe('a table of papers', () => {
  it('is read back as it was written, between commas, semicolons or tabs', () =>
    fc.assert(
      fc.property(
        fc.array(arbitraryOf(paperDraft), { minLength: 1, maxLength: 5 }),
        fc.constantFrom(',', ';', '\t'),
        (all, delimiter) => {
          // A table has no place for what a paper was cut from, and cells lose the blanks around them.
          const papers = all.map((one): PaperDraft => {
            const draft = paperDraft.parse(one);
            const fine = (mm: number): number => Number(mm.toFixed(6));
            const price = draft.price && { ...draft.price, currency: 'EUR' as const };
            const measures = {
              ...{ widthMm: fine(draft.widthMm), heightMm: fine(draft.heightMm), gsm: fine(draft.gsm) },
              ...{ marginsMm: fine(draft.marginsMm), caliperMm: draft.caliperMm && fine(draft.caliperMm) },
            };
            return { ...draft, ...measures, price, offcutOf: null, name: draft.name.replace(/\s+/g, ' ') };
          });
          fc.pre(papers.every(({ name }) => name === name.trim() && !/\p{Cc}/u.test(name)));
          const text = unparse(
            papersTable(papers).map((row) => [...row]),
            { delimiter, newline: '\n' },
          );
          const [head, ...rows] = parse<string[]>(text, { delimiter }).data;
          expect(
            papersFrom(rows, mapColumns(head), OURS).map((row) => ('paper' in row ? row.paper : row.wrong)),
          ).toEqual(papers.map((paper) => ({ ...paper, place: paper.place.trim() })));
        },
      ),
      { numRuns: 60 },
    ));

  it('takes what other programs call things, sizes by name, pounds, and commas in numbers', () => {
    const [row] = taken(
      'Paper;Format;Qty;Weight;Price;Pack\nLedger book;A3;40;20 lb bond;12,50;100'.replaceAll(';', '\t'),
    );
    expect(row).toMatchObject({
      line: 2,
      paper: { name: 'Ledger book', widthMm: 420, heightMm: 297, count: 40, price: { minor: 1250, sheets: 100 } },
    });
    expect('paper' in row && row.paper.gsm).toBeCloseTo(75.19, 1);
  });

  it.each([
    ['name,size,sheets\n,A4,3', 'Give it a name.'],
    ['name,size,sheets\nKraft,big,3', 'write two sides'],
    ['name,size,sheets\nKraft,A4,many', 'Sheets: “many” is no number.'],
    ['name,size,sheets,kind\nKraft,A4,3,velvet', 'Kind: “velvet” is none of'],
    ['name,size,sheets,front\nKraft,A4,3,red', 'Front: “red” is no colour'],
    ['name,size,sheets,grain\nKraft,A4,3,up', 'is neither width nor height'],
    ['name,size,sheets\nKraft,A4,-3', 'below zero'],
    ['name,size,sheets\nKraft,5 x 5,3', 'at least 20 mm'],
    ['name,size,sheets,food\nKraft,A4,3,maybe', 'neither yes, no nor unknown'],
  ])('of %j says %s', (text, told) => expect(saidOf(text).join(' ')).toContain(told));

  it('never throws, whatever stands in it', () =>
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 8 }), { maxLength: 6 }), (cells) => {
        const map = Object.fromEntries(PAPER_COLUMNS.map(({ id }, k) => [id, k % 8]));
        const rows = papersFrom(cells, map, OURS);
        expect(rows.map(({ line }) => line)).toEqual(cells.map((_, k) => k + 2));
        for (const row of rows) if ('paper' in row) expect(paperDraft.safeParse(row.paper).success).toBe(true);
      }),
      { numRuns: 300 },
    ));

  it('knows a column once, by the first that says so', () =>
    expect(mapColumns(['Name', 'Paper', 'GSM', 'elephants'])).toEqual({ name: 0, gsm: 2 }));

  it('leaves what it does not say as for any paper', () => {
    const [row] = taken(`name,size,sheets\n${KRAFT.name},420 x 297,3`);
    expect(row).toMatchObject({
      paper: { gsm: 80, kind: 'printer', price: null, lowMark: null, place: '', runs: null },
    });
  });
});
