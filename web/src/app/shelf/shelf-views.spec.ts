import type { NewPaper } from '@odd-corner/contract';
import { aJob, aPaper, PageBench } from '../testing/bench';
import { ImportPapers } from './import-papers/import-papers';
import { PaperParts } from './paper-parts/paper-parts';
import { PaperUse } from './paper-use/paper-use';
import { ShoppingList } from './shopping-list/shopping-list';

describe('bringing in a table of papers', () => {
  const paste = async (bench: PageBench<ImportPapers>, text: string): Promise<void> => {
    const area = bench.find<HTMLTextAreaElement>('textarea');
    area.value = text;
    area.dispatchEvent(new Event('input'));
    await bench.settle(60);
  };

  it('looks at every line, sends only what is accepted, and takes it back', async () => {
    const bench = new PageBench(ImportPapers);
    await bench.settle();
    bench.answer('GET', '/api/papers', []);
    await paste(bench, 'Paper;Format;Sheets\nKraft;A3;12\nVelvet;huge;3\nCharts;640 x 450;7');
    expect(bench.text).toContain('2 of 3 can be taken in; 1 are left out');
    expect(bench.text).toMatch(/Velvet.*write two sides/);
    bench.http.expectNone((request) => request.method === 'POST');
    bench.button('Put 2 on the shelf').click();
    const sent = bench.sent('POST', '/api/papers/many');
    const { papers } = sent.request.body as { papers: NewPaper[] };
    expect(papers).toMatchObject([
      { name: 'Kraft', widthMm: 420, heightMm: 297, count: 12 },
      { name: 'Charts', widthMm: 640, count: 7 },
    ]);
    // A list that is no page of rows.
    sent.flush(papers.map((paper) => ({ ...paper, version: 1, reserved: 0 })));
    await bench.settle();
    document.querySelector<HTMLButtonElement>('mat-snack-bar-container button')?.click();
    await bench.settle();
    for (const { id } of papers) bench.sent('DELETE', `/api/papers/${id}`);
  });

  it('lets the maker say which column is what', async () => {
    const bench = new PageBench(ImportPapers);
    await bench.settle();
    await paste(bench, 'What,How large,Pieces\nKraft,A4,12');
    expect(bench.text).toContain('0 of 1 can be taken in');
    await bench.choose('Name', 'What');
    await bench.choose('Size', 'How large');
    await bench.choose('Sheets', 'Pieces');
    await bench.settle();
    expect(bench.text).toContain('1 of 1 can be taken in');
  });

  it('says what is missing where there are no lines', async () => {
    const bench = new PageBench(ImportPapers);
    await bench.settle();
    await paste(bench, 'name,size,sheets');
    expect(bench.text).toContain('then a line for each paper');
  });
});

describe('a shopping list', () => {
  it('tells what planned jobs lack, and for which', async () => {
    const bench = new PageBench(ShoppingList);
    await bench.settle();
    bench.answer('GET', '/api/papers', [aPaper({ count: 0, price: { minor: 1250, currency: 'EUR', sheets: 50 } })]);
    bench.answer('GET', '/api/jobs', [aJob()]);
    await bench.settle();
    expect(bench.text).toMatch(/1 sheet\s*12\.50 EUR.*Kraft.*Watch parts/);
  });

  it('says that nothing is lacking', async () => {
    const bench = new PageBench(ShoppingList);
    await bench.settle();
    bench.answer('GET', '/api/papers', [aPaper()]);
    bench.answer('GET', '/api/jobs', [aJob()]);
    await bench.settle();
    expect(bench.text).toContain('Nothing is lacking');
  });
});

describe('how paper is used', () => {
  it('tells each month, the last first, beside its charts', async () => {
    const bench = new PageBench(PaperUse);
    await bench.settle();
    const month = { usedMm2: 250_000, wasteMm2: 50_000, sheets: 1200, value: [{ currency: 'EUR', minor: 1234.4 }] };
    // Not a list in parts: answered as it is.
    bench.sent('GET', '/api/papers/months').flush([
      { ...month, month: '2026-10' },
      { ...month, month: '2026-11' },
    ]);
    await bench.settle();
    expect(bench.text).toMatch(/2026-11\s*0\.25 m²\s*0\.05 m²\s*12\.34 EUR\s*1,200.*2026-10/);
    expect(bench.host.querySelectorAll('oc-chart')).toHaveLength(2);
  });
});

describe('parts of a sheet', () => {
  const show = async (more = {}): Promise<PageBench<PaperParts>> => {
    const bench = new PageBench(PaperParts, { id: aPaper().id });
    await bench.settle();
    bench.answer('GET', '/api/papers', [aPaper(more)]);
    await bench.settle(200);
    return bench;
  };

  it('are squares, halves, proportions and strips, with the steps to the square by folding or measuring', async () => {
    const bench = await show();
    expect(bench.text).toMatch(/Largest square\s*1 × 297 × 297 mm\s*123 × 297 mm/);
    expect(bench.text).toMatch(/Quarters\s*4 × 210 × 148\.5 mm/);
    expect(bench.text).toMatch(/Strips across the sheet\s*14 × 30 × 297 mm/);
    expect(bench.text).toContain('Fold a corner over');
    expect(bench.text).toContain('away from small children');
    expect(bench.host.querySelectorAll('.steps oc-drawing')).toHaveLength(8);
    bench.button('By measuring').click();
    await bench.settle(200);
    expect(bench.text).toContain('Measure the short side along the long one');
    await bench.write('Width of strips', '1 in');
    await bench.settle();
    expect(bench.text).toMatch(/Strips across the sheet\s*16 × 25\.4 × 297 mm/);
  });

  it('leave out margins, and nothing is squared that is square', async () => {
    expect((await show({ marginsMm: 10 })).text).toMatch(/Largest square\s*1 × 277 × 277 mm/);
    expect((await show({ widthMm: 297 })).text).toContain('It is square already.');
  });
});
