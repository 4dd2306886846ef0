import type { Job, Place } from '@odd-corner/contract';
import { aJob, aPaper, doneAt, PageBench } from '../../testing/bench';
import { FoldStation } from './fold-station';

describe('folding at the table', () => {
  const URL = `/api/makes/${aJob().kept.makes[0].id}/progress`;
  const bench = async (
    progress: Place = { part: 'tray', step: 0, seconds: 0 },
  ): Promise<{ b: PageBench<FoldStation>; moved: Job[] }> => {
    const b = new PageBench(FoldStation, { job: aJob({ progress }), paper: aPaper() });
    const moved: Job[] = [];
    b.fixture.componentInstance.moved.subscribe((job) => moved.push(job));
    await b.settle(60);
    return { b, moved };
  };
  const press = async (b: PageBench<FoldStation>, key: string): Promise<void> => {
    window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    await b.settle(40);
  };
  const heading = (b: PageBench<FoldStation>): string => b.find('h2').textContent ?? '';

  it('begins at the step where the hand left off', async () => {
    expect((await bench()).b.text).toContain('step 1 of 16');
    expect((await bench({ part: 'lid', step: 3, seconds: 60 })).b.text).toMatch(/Lid from \d+\smm · step 4 of 16/);
  });

  it('goes on and back by keys, and writes each place', async () => {
    const { b, moved } = await bench();
    await press(b, 'ArrowRight');
    expect(b.text).toContain('step 2 of 16');
    const request = b.sent('POST', URL);
    const [{ done }] = doneAt({ part: 'tray', step: 1, seconds: 0 });
    expect(request.request.body).toMatchObject({ copies: [{ entryKey: 'tray', copy: 0, done }] });
    request.flush(aJob({ state: 'folding', progress: { part: 'tray', step: 1, seconds: 0 } }).kept);
    expect(moved.map((job) => job.makes[0].progress[0].done)).toEqual([done]);
    await press(b, 'ArrowLeft');
    expect(b.text).toContain('step 1 of 16');
    expect(b.button('Back').disabled).toBe(true);
  });

  it('ends the tray with the lid’s sheet, and the lid with the logbook', async () => {
    const { b } = await bench({ part: 'tray', step: 16, seconds: 0 });
    expect(heading(b)).toBe('The tray is folded');
    expect(b.text).toContain(`${aJob().choice.lid.sheetMm}\u00a0mm`.replace('\u00a0', ' '));
    b.button('Fold the lid').click();
    await b.settle(60);
    expect(b.sent('POST', URL).request.body).toMatchObject({ copies: [{ entryKey: 'lid', copy: 0, done: [] }] });
    expect(b.text).toMatch(/Lid from \d+\smm · step 1 of 16/);
    await press(b, 'ArrowLeft');
    expect(heading(b)).toBe('The tray is folded');
    const end = await bench({ part: 'lid', step: 16, seconds: 0 });
    expect(heading(end.b)).toBe('It is folded');
    expect(end.b.find<HTMLAnchorElement>('a[href$="/record"]').getAttribute('href')).toBe(`/jobs/${aJob().id}/record`);
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
    const { b } = await bench({ part: 'tray', step: 9, seconds: 0 });
    await press(b, 'c');
    expect(b.text).toContain('Crease pattern, white side up');
    await press(b, 'c');
    await press(b, 'm');
    expect(b.text).toContain('Inside when folded');
  });

  it('jumps to a step from the row of folds', async () => {
    const { b } = await bench();
    b.host.querySelectorAll<HTMLButtonElement>('.tick')[10].click();
    await b.settle(40);
    expect(b.text).toContain('step 11 of 16');
    expect(heading(b)).toBe('Raise the two sides');
    expect(b.host.querySelectorAll('.tick.past')).toHaveLength(10);
  });

  it('tells the caution where glue is used', async () => {
    const { b } = await bench({ part: 'lid', step: 12, seconds: 0 });
    expect(heading(b)).toBe('Turn the far flap outside');
    expect(b.text).toContain('open a window');
  });
});
