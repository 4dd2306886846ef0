import { parsePurpose } from '@odd-corner/core';
import { aPaper, PageBench, SIZE_OPTIONS } from '../../testing/bench';
import { RankedAnswers } from './ranked-answers';

describe('answers from all forms', () => {
  const show = async (text: string, papers = [aPaper()], units = 1): Promise<PageBench<RankedAnswers>> => {
    const bench = new PageBench(RankedAnswers, { purpose: parsePurpose(text), options: SIZE_OPTIONS, papers, units });
    await settled(bench);
    return bench;
  };
  const settled = async (bench: PageBench<RankedAnswers>): Promise<void> => {
    const busy = (): boolean => bench.host.querySelector('[aria-busy="true"]') !== null;
    for (let k = 0; k < 300 && (busy() || !/can do it|No form/.test(bench.text)); k++) await bench.settle(200);
    // Pictures follow one by one.
    const bare = (): boolean =>
      [...bench.host.querySelectorAll('oc-answer-row')].some((row) => !row.querySelector('oc-drawing svg'));
    for (let k = 0; k < 20 && bare(); k++) await bench.settle(100);
    await bench.settle(100);
  };
  const names = (bench: PageBench<RankedAnswers>): string[] =>
    [...bench.host.querySelectorAll('oc-answer-row h3')].map((h) => h.textContent ?? '');

  it('shows each form that can do it with its picture, sheet, paper and reasons', async () => {
    const bench = await show('60 x 45 x 22');
    expect(names(bench)).toContain('Square tray');
    expect(names(bench).length).toBeGreaterThan(4);
    const row = bench.find('oc-answer-row');
    expect(row.querySelector('oc-drawing svg')).not.toBeNull();
    expect(row.textContent).toContain('Kraft, on your shelf');
    [...row.querySelectorAll('mat-expansion-panel-header')].forEach((header) => (header as HTMLElement).click());
    await bench.settle(50);
    expect(row.querySelector('oc-why')?.textContent).toMatch(/contents 60 mm \+ ease 2\.1 mm = 62\.1 mm needed/);
    const link = [...row.querySelectorAll('a')].find((a) => a.textContent?.includes('Fold it'))!;
    expect(link.getAttribute('href')).toMatch(/\/forms\/[a-z-]+\/steps\?sheet=\d/);
  });

  it('names the next size that is sold when the shelf has nothing', async () => {
    const bench = await show('60 x 45 x 22', []);
    expect(bench.text).toContain('next size sold: 180 mm square');
  });

  it('says once what the purpose asks to be careful with', async () => {
    const bench = await show('30 washers ø10 x 1');
    expect(bench.text.match(/Small parts can choke/g)).toHaveLength(1);
    expect((await show('60 x 45 x 22')).text).not.toContain('Small parts');
  });

  it('takes food-safe paper for a drink, and where there is none says why the cup stands lower', async () => {
    const small = aPaper({ id: '0dd00000-0000-4000-8000-0000000000f1', name: 'Plain', widthMm: 300, heightMm: 300 });
    const safe = { ...small, id: '0dd00000-0000-4000-8000-0000000000f2', name: 'Baking', widthMm: 380, heightMm: 380 };
    const bench = await show('120 ml', [small, { ...safe, foodSafe: 'yes' }]);
    expect(bench.find('oc-answer-row').textContent).toContain('Baking, on your shelf');
    expect(bench.text).not.toContain('Ranked lower');
    const unsure = await show('120 ml', [small]);
    expect(unsure.text).toContain('Ranked lower: nobody has noted that Plain is safe for food.');
    expect((await show('60 x 45 x 22', [small])).text).not.toContain('Ranked lower');
  });

  it('sorts anew when something else counts', async () => {
    const bench = await show('60 x 45 x 22');
    for (const one of ['close', 'sure', 'time', 'ease', 'dry', 'closed']) bench.type(`#w-${one}`, '0');
    bench.type('#w-paper', '3');
    await bench.settle();
    const sheets = [...bench.host.querySelectorAll('.sheet b')].map((b) => parseFloat(b.textContent ?? ''));
    expect(sheets[0]).toBe(Math.min(...sheets));
  });

  it('sets up to four side by side, and leaves one out again', async () => {
    const bench = await show('60 x 45 x 22');
    const boxes = [...bench.host.querySelectorAll<HTMLInputElement>('mat-checkbox input')];
    boxes.slice(0, 4).forEach((box) => box.click());
    await bench.settle(1500);
    expect(bench.host.querySelectorAll('oc-compare-answers thead th')).toHaveLength(4);
    expect(bench.host.querySelectorAll('oc-compare-answers oc-drawing svg')).toHaveLength(4);
    expect(bench.host.querySelectorAll<HTMLInputElement>('mat-checkbox input')[4].disabled).toBe(true);
    bench.button('Leave out').click();
    await bench.settle(500);
    expect(bench.host.querySelectorAll('oc-compare-answers thead th')).toHaveLength(3);
  });

  it('folds an answer again and again, and says where the doubt comes from', async () => {
    const bench = await show('30 x 30 x 30');
    await bench.openPanel('More about it');
    await bench.settle();
    await bench.openPanel('How sure is it\\?');
    bench.button('Fold it 2,000 times').click();
    for (let k = 0; k < 60 && !bench.text.includes('of 2,000 tries fit'); k++) await bench.settle(250);
    await bench.settle(1000);
    expect(bench.find('.result').textContent).toMatch(/[\d.]+\s%\s*of 2,000 tries fit/);
    expect(bench.text).toContain('Where the doubt comes from');
    bench.button('Hide').click();
    await bench.settle();
    expect(bench.text).toContain('Fold it 2,000 times');
  });

  it('asks for a sheet for each of several equal pieces', async () => {
    const bench = await show('40 x 30 x 15', [aPaper()], 6);
    expect(bench.text).toMatch(/6 squares of\s*\d+\s*mm/);
    expect(bench.text).toContain('min each');
  });

  it('rows keep their places while surer sheets are being found, and are sorted once when all are', async () => {
    const options = { ...SIZE_OPTIONS, confidence: 0.9 };
    const bench = new PageBench(RankedAnswers, {
      purpose: parsePurpose('30 x 30 x 30'),
      options,
      papers: [],
      weights: { paper: 0, close: 0, sure: 3, time: 0, ease: 0, dry: 0, closed: 0 },
    });
    const busy = (): boolean => bench.find('section.all').getAttribute('aria-busy') === 'true';
    const orders = new Set<string>();
    for (let k = 0; k < 400 && (k === 0 || busy()); k++) {
      await bench.settle(8);
      if (busy() && bench.text.includes('of 100 tries')) orders.add(names(bench).join());
    }
    expect(busy()).toBe(false);
    expect(orders.size).toBe(1);
    const chances = [...bench.host.querySelectorAll('oc-answer-row dd')]
      .map((dd) => /^\s*(\d+) of 100 tries\s*$/.exec(dd.textContent ?? '')?.[1])
      .filter((share) => share !== undefined)
      .map(Number);
    expect(chances.length).toBeGreaterThan(4);
    expect(chances).toEqual([...chances].sort((p, q) => q - p));
  });

  it('narrows down to forms of a kind, and says so when none is', async () => {
    const bench = await show('60 x 45 x 22');
    const all = names(bench).length;
    await bench.openPanel('Sort and filter');
    await bench.choose('Closing', 'closed');
    const closed = names(bench);
    expect(closed).not.toContain('Square tray');
    expect(closed.length).toBeGreaterThan(0);
    await bench.choose('Family', 'bookmarks');
    expect(names(bench)).toEqual([]);
    expect(bench.text).toMatch(/None of these \d+ forms is of that kind/);
    await bench.choose('Family', 'any');
    await bench.choose('Closing', 'open or closed');
    expect(names(bench)).toHaveLength(all);
  });

  it('tells what the paper costs: all its sheets, as its price says', async () => {
    const price = { minor: 1250, currency: 'EUR' as const, sheets: 50 };
    const bench = await show('40 x 30 x 15', [aPaper({ price, count: 9, widthMm: 200, heightMm: 200 })], 6);
    expect(bench.text).toMatch(/Kraft, on your shelf, 1\.50 EUR/);
  });

  it.each([
    [{ count: 0 }, 'no Kraft is left'],
    [{ widthMm: 60, heightMm: 60 }, 'Kraft is too small'],
    [{ widthMm: 300, heightMm: 300 }, 'too few sheets of Kraft'],
  ])('says of the paper that was chosen why it does not do: %j', async (more, told) => {
    const paper = aPaper({ count: 1, ...more });
    const options = { purpose: parsePurpose('40 x 40 x 40'), options: SIZE_OPTIONS, papers: [paper], units: 40, paper };
    const bench = new PageBench(RankedAnswers, options);
    await settled(bench);
    expect(bench.text).toContain(told);
  });

  it('says so when no form does it', async () => {
    const bench = await show('strap 900 x 2');
    expect(names(bench)).toEqual([]);
    expect(bench.text).toContain('Strap buckle');
  });
});
