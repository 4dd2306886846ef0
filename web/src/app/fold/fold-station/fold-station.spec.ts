import { TestBed } from '@angular/core/testing';
import { type Batch, type Job, markName, NO_BATCH } from '@odd-corner/contract';
import { JobInHand } from '../../job/job-in-hand';
import { aJob, aMake, aPaper, atStation, type PageBench } from '../../testing/bench';
import type { CopyToFold } from '../copies';
import { Timers } from '../timers/timers';
import { FoldStation } from './fold-station';

describe('folding at the table', () => {
  const STEPS = 16;
  const URL = `/api/makes/${aMake().id}/progress`;
  const bench = async (done: readonly number[] = [], more: Parameters<typeof aMake>[0] = {}) => {
    const job = aJob({ makes: [aMake({ done, ...more })] });
    const b = await atStation(FoldStation, job);
    for (let k = 0; k < 40 && !b.host.querySelector('h2'); k++) await b.settle(60);
    return { b, job };
  };
  const press = async (b: PageBench<FoldStation>, key: string): Promise<void> => {
    window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    await b.settle(60);
  };
  const heading = (b: PageBench<FoldStation>): string => (b.find('h2').textContent ?? '').trim();
  const ids = ({ makes: [{ make }] }: Job): string[] => make.entries.map(({ key }) => key);

  it('begins at the step where the hand left off', async () => {
    expect((await bench()).b.text).toContain('step 1 of 16');
    const toGo = (text: string): number => Number(/· (\d+) min left/.exec(text)![1]);
    const [whole, later] = [(await bench()).b.text, (await bench([STEPS - 4])).b.text];
    expect(toGo(later)).toBeLessThan(toGo(whole) / 2);
    expect((await bench([STEPS, 3])).b.text).toMatch(/Lid with ears from \d+\smm · step 4 of 16/);
  });

  it('goes on and back by keys, and writes each step by its id', async () => {
    const { b, job } = await bench();
    await press(b, 'ArrowRight');
    expect(b.text).toContain('step 2 of 16');
    const [progress] = aMake({ done: [1] }).progress;
    const request = b.sent('POST', URL);
    expect(request.request.body).toMatchObject({ copies: [{ entryKey: 'tray', copy: 0, done: progress.done }] });
    request.flush({ ...job, state: 'folding', makes: [{ ...job.makes[0], progress: [progress] }] });
    expect(TestBed.inject(JobInHand).make().progress).toEqual([progress]);
    await press(b, 'ArrowLeft');
    expect(b.text).toContain('step 1 of 16');
    expect(b.button('Back').disabled).toBe(true);
    // What is done stays done, and shows so.
    expect(b.host.querySelectorAll('.tick.past')).toHaveLength(1);
  });

  it('shows the last states and the usual slips beside the right one, and goes on from the one that is chosen', async () => {
    const { b } = await bench([4]);
    expect(b.text).toContain('step 5 of 16');
    await press(b, 'd');
    const dialog = (): HTMLElement => document.querySelector<HTMLElement>('oc-looks-different')!;
    for (let k = 0; k < 40 && !dialog().querySelector('h3'); k++) await b.settle(60);
    const words = dialog().textContent ?? '';
    expect(words).toContain('After step 5 it should look like this');
    expect(words).toContain('The other side was up');
    // Each state from both sides.
    expect(dialog().querySelectorAll('.slips oc-drawing').length).toBeGreaterThan(6);
    const back = [...dialog().querySelectorAll('button')].find(({ textContent }) =>
      textContent?.includes('from step 3'),
    );
    back?.click();
    for (let k = 0; k < 20 && document.querySelector('oc-looks-different'); k++) await b.settle(60);
    expect(b.text).toContain('step 3 of 16');
  });

  it('fills the screen by a key or its button, on this device from then on, until Escape or the table is left', async () => {
    localStorage.clear();
    const filled = (): boolean => document.documentElement.classList.contains('filled');
    const { b } = await bench();
    expect(filled()).toBe(false);
    await press(b, 'f');
    expect(filled()).toBe(true);
    expect(b.button('Fill the screen').getAttribute('aria-pressed')).toBe('true');
    b.fixture.destroy();
    expect(filled()).toBe(false);
    const { b: again } = await bench();
    expect(filled()).toBe(true);
    await press(again, 'Escape');
    expect(filled()).toBe(false);
    await press(again, 'Escape');
    expect(filled()).toBe(false);
    again.button('Fill the screen').click();
    await again.settle(60);
    expect(filled()).toBe(true);
    // The browser has left it by a way of its own.
    document.dispatchEvent(new Event('fullscreenchange'));
    await again.settle(60);
    expect([filled(), localStorage.getItem('odd-corner.filled')]).toEqual([false, 'false']);
  });

  it('begins with the folds that find its marks, where they are not measured, and says at its step what was found', async () => {
    const make = aMake({ formId: 'closing-cube', holds: '40 x 40 x 40', given: { thirds: 'ruler' } });
    const key = make.make.entries[0].key;
    const ways = { [markName(key, 'third')]: 'f-p03023-p03014-o045323', [markName(key, 'two-thirds')]: 'card' };
    const b = await atStation(FoldStation, aJob({ makes: [{ ...make, marks: ways }] }));
    for (let k = 0; k < 40 && !b.host.querySelector('h2'); k++) await b.settle(60);
    expect(heading(b)).toBe('Pinch 1');
    await press(b, 'ArrowRight');
    await press(b, 'ArrowRight');
    expect(heading(b)).toBe('Mark 1');
    expect(b.sent('POST', URL).request.body).toMatchObject({ copies: [{ done: ['mark-1-p03023'] }] });
    await press(b, 'ArrowRight');
    await press(b, 'ArrowRight');
    const finds = [...b.host.querySelectorAll('.finds')].map((find) => find.textContent ?? '');
    expect(finds).toHaveLength(2);
    expect(finds[0]).toContain('Mark 1 is pinched already. Fold through the pinch, square to its edge.');
    expect(finds[1]).toMatch(/Mark 2: a card or strip cut to \d+/);
  });

  it('of several pieces goes from one to the next, and ends with all of it put together', async () => {
    const { b, job } = await bench([STEPS - 1]);
    await press(b, ' ');
    expect(heading(b)).toBe('Tray: folded');
    expect(b.text).toContain(`from a sheet of ${job.makes[0].make.entries[1].sheet.widthMm} mm`);
    await press(b, ' ');
    expect(b.text).toMatch(/Lid with ears from \d+\smm · step 1 of 16/);
    const last = await bench([STEPS, STEPS - 1]);
    await press(last.b, 'ArrowRight');
    await press(last.b, 'ArrowRight');
    expect(heading(last.b)).toBe('It is folded');
    expect(last.b.text).toContain('Put over each other: Lid with ears over Tray.');
    for (let k = 0; k < 60 && !last.b.host.querySelector('.use'); k++) await last.b.settle(60);
    expect(last.b.find('.use h3').textContent).toBe('Fill and carry it');
    expect(last.b.find('a[href$="/record"]').getAttribute('href')).toBe(`/jobs/${last.job.id}/record`);
  });

  it('stays at the end of the last piece until the hand goes on, also when the server has answered', async () => {
    const { b, job } = await bench([STEPS, STEPS - 1]);
    await press(b, 'ArrowRight');
    expect(heading(b)).toBe('Lid with ears: folded');
    const [make] = job.makes;
    const { progress } = aMake({ done: [STEPS, STEPS] });
    b.sent('POST', URL).flush({ ...job, makes: [{ ...make, progress }] });
    await b.settle(100);
    expect(heading(b)).toBe('Lid with ears: folded');
    expect(b.button('Everything is folded').disabled).toBe(false);
  });

  it('counts copies, and opens any of them where its hand left off', async () => {
    const { b, job } = await bench([2, 0, 1], { formId: 'square-card-envelope', holds: 'card 60 x 60', count: 3 });
    expect(b.text).toMatch(/Diamond envelope 1 of 3 from \d+\smm · step 3 of 6/);
    await b.choose('What is folded', /3 of 3, 1 of 6 steps/);
    await b.settle(60);
    expect(b.text).toMatch(/Diamond envelope 3 of 3 .* step 2 of 6/);
    await press(b, 'ArrowRight');
    expect(b.sent('POST', URL).request.body).toMatchObject({ copies: [{ entryKey: ids(job)[0], copy: 2 }] });
  });

  it('shows a step as it moves, to be drawn along by hand, and says so where it is not known how', async () => {
    const { b } = await bench([4]);
    await press(b, 'p');
    for (let k = 0; k < 40 && !b.host.querySelector('oc-moving-picture'); k++) await b.settle(60);
    const thumb = b.find<HTMLInputElement>('oc-moving-picture input');
    expect(Number(thumb.max)).toBeGreaterThan(20);
    const patches = (): string => b.find('oc-moving-picture svg').innerHTML;
    thumb.value = '0';
    thumb.dispatchEvent(new Event('input'));
    await b.settle(60);
    const before = patches();
    thumb.value = '8';
    thumb.dispatchEvent(new Event('input'));
    await b.settle(60);
    expect(patches()).not.toBe(before);
    expect(b.text).toContain('Play it');
    await press(b, 'p');
    expect(b.host.querySelector('oc-moving-picture')).toBeNull();
    // Raising an end: the paper bends on the way.
    const other = await bench([11]);
    await press(other.b, 'p');
    for (let k = 0; k < 40 && !other.b.text.includes('not known'); k++) await other.b.settle(60);
    expect(other.b.text).toContain('before and after only');
  });

  it('shows the paper as large as it is', async () => {
    localStorage.clear();
    const { b } = await bench([4]);
    b.button('True size').click();
    for (let k = 0; k < 20 && !document.querySelector('oc-lay-on oc-drawing svg[viewBox]'); k++) await b.settle(60);
    const drawing = document.querySelector<HTMLElement>('oc-lay-on .room oc-drawing')!;
    const svg = drawing.querySelector('svg[viewBox]')!;
    const [, , width, height] = svg.getAttribute('viewBox')!.split(' ').map(Number);
    // As CSS means a pixel, as long as nobody has measured the screen.
    expect(parseFloat(drawing.style.width)).toBeCloseTo((width * 96) / 25.4, 3);
    expect(parseFloat(drawing.style.height)).toBeCloseTo((height * 96) / 25.4, 3);
    expect(document.querySelector('oc-lay-on')!.textContent).toContain('Measure this screen first');
  });

  describe('of several copies stage by stage', () => {
    const CARDS = { formId: 'tuck-flap-envelope', holds: 'one ticket 105 x 74', count: 3 } as const;
    const together = async (batch: Partial<Batch>, done: readonly number[] = []) => {
      const make = { ...aMake({ ...CARDS, done }), batch: { ...NO_BATCH, way: 'stages' as const, ...batch } };
      const b = await atStation(FoldStation, aJob({ makes: [make] }));
      for (let k = 0; k < 40 && !b.host.querySelector('h2'); k++) await b.settle(60);
      return b;
    };
    const at = (b: PageBench<FoldStation>): string =>
      (b.find('.count').textContent ?? '').replaceAll(/\s+/g, ' ').trim();
    beforeEach(() => localStorage.clear());

    it('goes on with the next copy when a stage is done, and says so', async () => {
      const b = await together({});
      const first = stageEnd(b);
      for (let k = 0; k < first; k++) await press(b, 'ArrowRight');
      expect(at(b)).toContain('2 of 3');
      expect(b.text).toContain('A stage of Tuck-flap envelope 1 of 3 is done. Now Tuck-flap envelope 2 of 3.');
      expect(at(b)).toContain('step 1 of');
    });

    it('holds a stage that the lead has not opened, and offers what is left', async () => {
      const b = await together({ openTo: 0 });
      const first = stageEnd(b);
      for (let k = 0; k < 3 * first; k++) await press(b, 'ArrowRight');
      expect(heading(b)).toBe('Not yet');
      expect(b.text).toContain('Whoever leads holds this stage');
      // Who leads opens it, on another device.
      const job = TestBed.inject(JobInHand).job();
      const [make] = job.makes;
      TestBed.inject(JobInHand).took({ ...job, makes: [{ ...make, batch: { ...make.batch, openTo: null } }] });
      await b.settle(60);
      expect(heading(b)).not.toBe('Not yet');
    });

    it('shows all copies and stages; who has given a name takes a copy, and folds only that', async () => {
      const b = await together({ gate: 'all' });
      await press(b, 'g');
      expect(b.find('oc-copy-grid tfoot').textContent).toMatch(/0 of 3/);
      expect(b.host.querySelectorAll('oc-copy-grid .cell.held').length).toBeGreaterThan(2);
      const name = b.find<HTMLInputElement>('oc-copy-grid input');
      name.value = 'Blue chair';
      name.dispatchEvent(new Event('change'));
      await b.settle(60);
      [...b.host.querySelectorAll<HTMLButtonElement>('oc-copy-grid tbody button')]
        .filter(({ textContent }) => textContent?.includes('Take it'))[1]
        .click();
      const request = b.sent('POST', `/api/makes/${aMake().id}/seats`);
      expect(request.request.body).toEqual({ name: 'Blue chair', copies: [{ entryKey: 'piece', copy: 1 }] });
      const job = TestBed.inject(JobInHand).job();
      const [make] = job.makes;
      const seats = [{ entryKey: 'piece', copy: 1, name: 'Blue chair' }];
      request.flush({ ...job, makes: [{ ...make, batch: { ...make.batch, seats } }] });
      await b.settle(60);
      expect(b.find('oc-copy-grid .next').textContent).toContain('2 of 3');
      await b.choose('The lead', 'Hold after stage 1');
      expect(b.sent('PUT', `/api/makes/${aMake().id}/batch`).request.body).toEqual({
        way: 'stages',
        gate: 'all',
        openTo: 0,
      });
    });

    it('ends with the copies that are one’s own: what others have taken is theirs', async () => {
      localStorage.setItem('odd-corner.name-at-table', '"Blue chair"');
      const seats = [0, 1, 2].map((copy) => ({ entryKey: 'piece', copy, name: copy ? 'Window' : 'Blue chair' }));
      const b = await together({ way: 'copies', seats }, [10]);
      expect(at(b)).toContain('1 of 3');
      await press(b, 'ArrowRight');
      expect(b.text).toContain('That was the last of yours. 2 are still being folded by others.');
      await press(b, 'ArrowRight');
      expect(heading(b)).toBe('Tuck-flap envelope 1 of 3: folded');
    });

    it('offers the next copy while glue dries on one', async () => {
      const b = await together({ way: 'copies' }, [2]);
      TestBed.inject(Timers).start('White glue', 20, 'piece 0');
      await b.settle(60);
      await press(b, 'g');
      expect(b.find('oc-copy-grid .next').textContent).toContain('2 of 3');
    });

    /** How many steps the first stage has. */
    const stageEnd = (b: PageBench<FoldStation>): number =>
      (b.fixture.componentInstance as unknown as { copies(): readonly CopyToFold[] }).copies()[0].stages[0].to;
  });

  it('takes papers in turn among the copies', async () => {
    const blue = aPaper({ id: '00000000-0000-4000-8000-000000000020', name: 'Blue', colourFront: '#0000ff' });
    const make = aMake({
      ...{ formId: 'square-card-envelope', holds: 'card 60 x 60', count: 2, done: [6] },
      papers: [aPaper().id, blue.id],
    });
    const b = await atStation(FoldStation, aJob({ makes: [make] }), { papers: [aPaper(), blue] });
    for (let k = 0; k < 40 && !b.host.querySelector('h2'); k++) await b.settle(60);
    expect(b.find('oc-drawing').style.getPropertyValue('--front')).toBe('#0000ff');
  });

  it('that is all done can be begun again', async () => {
    const { b, job } = await bench([STEPS, STEPS]);
    expect(heading(b)).toBe('It is folded');
    b.button('Fold it again from the start').click();
    b.sent('DELETE', URL).flush({ ...job, makes: [{ ...job.makes[0], progress: [] }] });
    await b.settle(60);
    expect(b.text).toContain('step 1 of 16');
  });

  it('shows the other side in the paper’s other colour', async () => {
    const { b } = await bench();
    const fills = (): string[] =>
      [...b.host.querySelectorAll<SVGElement>('.now polygon.patch')].map((p) => p.getAttribute('style') ?? '');
    expect(fills().every((style) => style.includes('--back'))).toBe(true);
    await press(b, 'v');
    expect(fills().every((style) => style.includes('--front'))).toBe(true);
  });

  it('shows the creases and the measures on request', async () => {
    const { b } = await bench([9]);
    await press(b, 'c');
    expect(b.text).toContain('Crease pattern, white side up');
    await press(b, 'c');
    await press(b, 'm');
    await b.settle(100);
    expect(b.text).toContain('Inside when folded');
  });

  it('jumps to a step from the row of folds', async () => {
    const { b } = await bench();
    b.host.querySelectorAll<HTMLButtonElement>('.tick')[10].click();
    await b.settle(60);
    expect(b.text).toContain('step 11 of 16');
    expect(heading(b)).toBe('Raise the two sides');
    expect(b.host.querySelectorAll('.tick.past')).toHaveLength(10);
  });

  it('tells the caution where glue is used', async () => {
    const { b } = await bench([STEPS, 12]);
    expect(heading(b)).toBe('Turn the far flap outside');
    expect(b.text).toContain('open a window');
  });
});
