import { newJob } from '@odd-corner/contract';
import { blockOf, parsePurpose } from '@odd-corner/core';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { MatAutocompleteHarness } from '@angular/material/autocomplete/testing';
import { aPaper, aThing, PageBench, SETTINGS } from '../testing/bench';
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
    await bench.settle(700);
    await folded(bench);
  };
  /** Waits until the tray's two ways have been worked out. */
  const folded = async (bench: PageBench<StartPage>): Promise<void> => {
    const waiting = (): boolean =>
      bench.text.includes('Folding it') || bench.text.includes('Looking through the shelf');
    for (let k = 0; k < 60 && waiting(); k++) await bench.settle(200);
  };

  it('invites to measure while nothing is typed', async () =>
    expect((await show()).text).toContain('Measure what goes in'));

  it('answers with sheets, papers and a picture, and starts a job with what is shown', async () => {
    const bench = await show();
    await ask(bench, '60 x 45 x 22');
    expect(bench.host.querySelectorAll('oc-answer-card')).toHaveLength(2);
    expect(bench.host.querySelectorAll('oc-answer-card oc-drawing svg')).toHaveLength(2);
    const card = bench.find('oc-answer-card');
    card.querySelectorAll<HTMLInputElement>('input[type=radio]')[1].click();
    await bench.settle();
    const sheets = [...card.querySelectorAll('.figure')].map((f) => parseFloat(f.textContent ?? ''));
    bench.button('Start this job').click();
    expect(bench.sent('POST', '/api/jobs').request.body).toMatchObject({
      title: 'Tray for 60 × 45 × 22 mm',
      makes: [
        {
          asked: { text: '60 x 45 x 22', purpose: parsePurpose('60 x 45 x 22'), options: { ease: 'easy' } },
          make: {
            entries: sheets.map((mm) => ({
              sheet: { widthMm: mm, heightMm: mm },
              ...{ params: { wallMm: null }, thicknessMm: 0.12, papers: [aPaper().id] },
            })),
          },
        },
      ],
    });
  });

  it('names the job after the thing that was picked', async () => {
    const bench = await show();
    await bench.chip('Fuses');
    await bench.settle(700);
    await folded(bench);
    expect(await bench.reads('What, and how large')).toBe('42 × 38 × 20 mm');
    bench.button('Start this job').click();
    expect(bench.sent('POST', '/api/jobs').request.body).toMatchObject({ title: 'Fuses' });
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

  it('reckons with the hand that the settings name', async () => {
    const bench = await show([], { ...SETTINGS, hand: 'learning' });
    await bench.openPanel('Options');
    await bench.settle();
    expect(bench.text).toContain('with a hand that misses by 0.6 mm');
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

  it('takes bare numbers in the workshop’s unit', async () => {
    const bench = await show([], { ...SETTINGS, unit: 'in', ruler: 'sixteenth-inch' });
    await ask(bench, '2 3/8 x 1 3/4 x 7/8');
    bench.button('Start this job').click();
    const [{ asked, make }] = newJob.parse(bench.sent('POST', '/api/jobs').request.body).makes;
    expect(blockOf(asked.purpose!)?.lengthMm).toBeCloseTo(60.325, 9);
    const sixteenths = (make.entries[0].sheet.widthMm / 25.4) * 16;
    expect(sixteenths).toBeCloseTo(Math.round(sixteenths), 9);
  });

  it('says that the shelf is empty', async () => {
    const bench = await show([]);
    await ask(bench, '60 x 45 x 22');
    expect(bench.text).toContain('The shelf is empty.');
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
    await bench.write('Equal pieces share it', '3');
    expect(bench.text).toContain('3 pieces');
    for (const wrong of ['0', 'many', '']) {
      await bench.write('Equal pieces share it', wrong);
      expect(await bench.said('Equal pieces share it')).toMatch(/Count/);
      expect(bench.text).toContain('3 pieces');
    }
  });
});
