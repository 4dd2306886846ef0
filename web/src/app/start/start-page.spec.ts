import { type JobDraft, newJob } from '@odd-corner/contract';
import { parsePurpose } from '@odd-corner/core';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { MatAutocompleteHarness } from '@angular/material/autocomplete/testing';
import { aJob, aPaper, aThing, PageBench, SETTINGS } from '../testing/bench';
import { StartPage } from './start-page';

describe('the start', () => {
  const show = async (papers: unknown[] = [aPaper()], settings = SETTINGS): Promise<PageBench<StartPage>> => {
    const bench = new PageBench(StartPage, {}, settings);
    await bench.settle();
    bench.answer('GET', '/api/papers', papers);
    bench.answer('GET', '/api/things', [aThing()]);
    await bench.settle();
    return bench;
  };
  const ask = async (bench: PageBench<StartPage>, text: string): Promise<void> => {
    await bench.write('What, and how large', text);
    await folded(bench);
  };
  /** Waits until all answers are known, and says which jobs there are. */
  const folded = async (bench: PageBench<StartPage>, jobs: unknown[] = []): Promise<void> => {
    for (let k = 0; k < 120 && !/forms? can do it(?!, so far)/.test(bench.text); k++) {
      await bench.settle(100);
      bench.answer('GET', '/api/jobs', jobs);
    }
  };
  /** Waits until there is an answer at all: it may still come to be another. */
  const answered = async (bench: PageBench<StartPage>): Promise<void> => {
    for (let k = 0; k < 120 && !bench.host.querySelector('oc-answer-row [matButton]'); k++) await bench.settle(50);
  };
  const rowOf = (bench: PageBench<StartPage>, name: string): HTMLElement =>
    [...bench.host.querySelectorAll<HTMLElement>('oc-answer-row')].find((row) => row.textContent?.includes(name))!;
  const press = (within: HTMLElement, label: string): void =>
    [...within.querySelectorAll('button')].find((button) => button.textContent?.includes(label))!.click();
  const sent = (bench: PageBench<StartPage>) => newJob.parse(bench.sent('POST', '/api/jobs').request.body);

  it('shows while nothing is asked what can be asked, what was asked before, and what lies on the table', async () => {
    const bench = await show();
    const jobs = [
      aJob({ title: 'Watch parts', state: 'folding' }),
      aJob({ id: '00000000-0000-4000-8000-000000000044', title: 'Planned' }),
    ];
    const before = { text: '120 ml', purpose: parsePurpose('120 ml'), askedAt: '2026-11-05T10:00:00.000Z' };
    const there = (): boolean => bench.text.includes('On the table') && bench.text.includes('Asked before');
    for (let k = 0; k < 60 && !(there() && bench.host.querySelectorAll('oc-start-ideas svg').length >= 11); k++) {
      bench.answer('GET', '/api/jobs', jobs);
      for (const asked of bench.http.match('/api/recent')) asked.flush([before]);
      await bench.settle(100);
    }
    expect(bench.host.querySelectorAll('oc-start-ideas oc-drawing svg')).toHaveLength(11);
    expect(bench.find('a[href$="/fold"]').textContent).toContain('Watch parts');
    expect(bench.text).not.toContain('Planned');
    // Each example answers when it is pressed.
    for (const card of bench.host.querySelectorAll('oc-start-ideas .kinds .muted'))
      expect(() => parsePurpose(card.textContent)).not.toThrow();
    bench.button('120 ml').click();
    await bench.settle();
    expect(await bench.reads('What, and how large')).toBe('120 ml');
    expect(bench.host.querySelector('oc-start-ideas')).toBeNull();
  });

  it('remembers a question that stands for a while', async () => {
    const bench = await show();
    await bench.write('What, and how large', 'load 40 g');
    await bench.settle(4600);
    expect(bench.sent('POST', '/api/recent').request.body).toEqual({
      text: 'load 40 g',
      purpose: parsePurpose('load 40 g'),
    });
  });

  it('is a sheet by the name of a paper on the shelf, in its own thickness', async () => {
    const bench = await show([aPaper({ name: 'Kraft A3', caliperMm: 0.4 })]);
    await bench.write('What, and how large', 'sheet kraft a3');
    for (let k = 0; k < 60 && !bench.text.includes('forms from this sheet'); k++) await bench.settle(100);
    bench.button('Start this job: Long canoe').click();
    const [{ make }] = sent(bench).makes;
    expect(make.entries).toMatchObject([
      { sheet: { widthMm: 420, heightMm: 297 }, papers: [aPaper().id], thicknessMm: 0.4 },
    ]);
  });

  it('starts a job with the very answer that is pressed: sheets, lengths, chance and all options', async () => {
    const bench = await show();
    await ask(bench, '60 x 45 x 22');
    const row = rowOf(bench, 'Square tray');
    expect(row.querySelectorAll('oc-drawing svg')).toHaveLength(1);
    const side = parseFloat(row.querySelector('.sheet b')?.textContent ?? '');
    const tries = Number(/(\d+) of 100 tries/.exec(row.textContent ?? '')![1]);
    press(row, 'Start this job');
    const { title, makes } = sent(bench);
    expect(title).toBe('Square tray for 60 × 45 × 22 mm');
    const [{ asked, make, chance, count }] = makes;
    expect(asked).toMatchObject({ text: '60 x 45 x 22', purpose: parsePurpose('60 x 45 x 22') });
    expect(asked.options).toMatchObject({ ease: 'easy', confidence: 0.9, ruler: 'mm', lid: 'none', units: 1 });
    expect(make.entries).toMatchObject([{ sheet: { widthMm: side, heightMm: side }, papers: [null] }]);
    expect(Math.round(100 * chance!)).toBe(tries);
    expect(count).toBe(1);
  });

  it('adds an answer to a job that is there: a kit', async () => {
    const bench = await show();
    await bench.write('What, and how large', 'load 20 g');
    const job = aJob({ title: 'Regatta' });
    await folded(bench, [job, aJob({ id: '00000000-0000-4000-8000-000000000044', title: 'Done', state: 'folded' })]);
    press(rowOf(bench, 'Pointed canoe'), 'Add to a job');
    await bench.settle(50);
    const items = [...document.querySelectorAll<HTMLElement>('[mat-menu-item]')];
    expect(items.map((item) => item.textContent.trim())).toEqual(['Regatta']);
    items[0].click();
    bench.answer('GET', `/api/jobs/${job.id}`, job);
    const body = bench.sent('PUT', `/api/jobs/${job.id}`).request.body as JobDraft;
    expect(body.makes.map(({ make }) => make.formId)).toEqual(['square-tray-and-eared-lid', 'square-canoe']);
  });

  it('names the job after the thing that was picked', async () => {
    const bench = await show();
    await bench.chip('Fuses');
    await answered(bench);
    expect(await bench.reads('What, and how large')).toBe('42 × 38 × 20 mm');
    bench.button('Start this job').click();
    expect(sent(bench).title).toBe('Fuses');
  });

  it('keeps what is asked among the maker’s own things, for the next time', async () => {
    const bench = await show();
    await bench.write('What, and how large', '4 tickets 105 x 74');
    await bench.settle();
    bench.button('Keep this among my things').click();
    await bench.settle();
    expect(await bench.reads('What it is, and how large')).toBe('4 tickets 105 × 74 mm');
    await bench.write('Name', 'Tickets');
    await bench.submit('oc-thing-editor form');
    const { request } = bench.sent('POST', '/api/things');
    expect(request.body).toMatchObject({ name: 'Tickets', purpose: { kind: 'hold', pieces: [{ count: 4 }] } });
  });

  it('sizes for the paper that it is to be folded from, and says when that one is too small', async () => {
    const thick = aPaper({
      id: '00000000-0000-4000-8000-0000000000aa',
      name: 'Card',
      widthMm: 120,
      heightMm: 120,
      caliperMm: 0.5,
    });
    const bench = await show([aPaper(), thick]);
    await bench.write('What, and how large', '40 x 40 x 40');
    const tray = (): HTMLElement | undefined =>
      [...bench.host.querySelectorAll<HTMLElement>('oc-answer-row')].find((row) => row.textContent?.includes('tray'));
    /** Surer sheets come last: until then the list is still changing. */
    const sure = async (): Promise<number> => {
      for (let k = 0; k < 80 && !tray()?.textContent?.includes('of 100 tries'); k++) await bench.settle(200);
      return parseFloat(tray()?.querySelector('.sheet b')?.textContent ?? '');
    };
    const usual = await sure();
    await bench.openPanel('Options');
    await bench.choose('Folded from', new RegExp(thick.name));
    for (let k = 0; k < 20 && tray()?.textContent?.includes('of 100 tries'); k++) await bench.settle(40);
    expect(await sure()).toBeGreaterThan(usual);
    expect(tray()?.textContent).toContain('Card is too small');
  });

  it('sizes for the hand that the settings name, and says what that means', async () => {
    const bench = await show([], { ...SETTINGS, hand: 'learning' });
    await bench.openPanel('Options');
    await bench.settle();
    expect(bench.text).toContain('Your hand misses a mark by about 0.6 mm. The sheet is large enough that 90 of 100');
  });

  it('explains what it cannot read only when the hand rests', async () => {
    const bench = await show();
    await bench.write('What, and how large', '60 x');
    await bench.settle(60);
    expect(await bench.said('What, and how large')).toContain('Bare numbers are mm');
    await bench.settle(700);
    expect(await bench.said('What, and how large')).toContain('A size is missing after “60”');
    expect(await bench.reads('What, and how large')).toBe('60 x');
  });

  it('says in other words what was read', async () => {
    const bench = await show();
    await bench.write('What, and how large', '12 rods ø9 x 145');
    await bench.settle(60);
    expect(await bench.said('What, and how large')).toContain('Read as: 12 rods, each round ø9 × 145 mm, lying flat');
  });

  it('underlines the part of the line that cannot be read', async () => {
    const bench = await show();
    await bench.write('What, and how large', '4 tickets 105 x 74, one key 1,200 x 50');
    await bench.settle(700);
    expect(bench.find('oc-ask-line u').textContent).toBe('1,200');
    expect(bench.text).toContain('may be 1.2 or 1200');
    // Where all of it is meant there is nothing to underline.
    await bench.write('What, and how large', 'scissors');
    await bench.settle(700);
    expect(bench.host.querySelector('oc-ask-line u')).toBeNull();
    expect(bench.text).toContain('“scissors” has no sizes');
  });

  it('takes bare numbers in the workshop’s unit', async () => {
    const bench = await show([], { ...SETTINGS, unit: 'in', ruler: 'sixteenth-inch' });
    await bench.write('What, and how large', '2 3/8 x 1 3/4 x 7/8');
    await answered(bench);
    bench.button('Start this job').click();
    const [{ asked, make }] = sent(bench).makes;
    expect(asked.purpose).toMatchObject({ pieces: [{ thing: { lengthMm: expect.closeTo(60.325, 9) as number } }] });
    const sixteenths = (make.entries[0].sheet.widthMm / 25.4) * 16;
    expect(sixteenths).toBeCloseTo(Math.round(sixteenths), 9);
  });

  it('offers things by their names, and takes the one that is picked', async () => {
    const bench = await show();
    const loader = TestbedHarnessEnvironment.documentRootLoader(bench.fixture);
    const line = await loader.getHarness(MatAutocompleteHarness);
    await line.enterText('fus');
    const named = await Promise.all((await line.getOptions()).map((option) => option.getText()));
    expect(named[0]).toMatch(/^Fuses/);
    await line.selectOption({ text: /^Fuses/ });
    expect(await bench.reads('What, and how large')).toBe('42 × 38 × 20 mm');
    await line.enterText('6');
    expect(await line.isOpen()).toBe(false);
  });

  it('counts pieces that share it, and tells what is no count beside its field', async () => {
    const bench = await show();
    await bench.openPanel('Options');
    await bench.write('Shared among equal pieces', '3');
    expect(bench.text).toContain('3 pieces');
    for (const wrong of ['0', 'many', '']) {
      await bench.write('Shared among equal pieces', wrong);
      expect(await bench.said('Shared among equal pieces')).toMatch(/Count/);
      expect(bench.text).toContain('3 pieces');
    }
  });
});
