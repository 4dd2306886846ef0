import type { Job, JobDraft } from '@odd-corner/contract';
import { aJob, aPaper, PageBench } from '../testing/bench';
import { JobPage } from './job-page';

describe('a job', () => {
  const URL = `/api/jobs/${aJob().id}`;
  const PROGRESS = `/api/makes/${aJob().kept.makes[0].id}/progress`;
  const open = async (station: string): Promise<PageBench<JobPage>> => {
    const bench = new PageBench(JobPage, { id: aJob().id, station });
    await bench.settle();
    bench.answer('GET', '/api/papers', [aPaper()]);
    return bench;
  };
  const begun = aJob({ state: 'folding', progress: { part: 'tray', step: 5, seconds: 70 } });

  it('shows its strip and the station that is open', async () => {
    const bench = await open('marks');
    bench.answer('GET', URL, begun.kept);
    await bench.settle();
    expect(
      [...bench.host.querySelectorAll('oc-strip .name')].map((n) => n.textContent?.trim().split(' ').at(-1)),
    ).toEqual(['Purpose', 'Form', 'Sheet', 'Cut', 'Marks', 'Fold', 'Record']);
    expect(bench.host.querySelector('[aria-current=step] .name')?.textContent).toContain('Marks');
    expect(bench.text).toContain('Marks is coming soon');
    expect(bench.text).toContain('tray, 5 steps done');
  });

  it('is not here under a wrong id or at no station', async () => {
    const missing = await open('sheet');
    missing
      .sent('GET', URL)
      .flush({ type: 'about:blank', title: 'Not found', status: 404 }, { status: 404, statusText: 'Not Found' });
    await missing.settle();
    expect(missing.text).toContain('Nothing lies here');
    expect((await open('glue')).text).toContain('Nothing lies here');
  });

  it('says why it cannot be read, and tries again', async () => {
    const bench = await open('cut');
    bench.sent('GET', URL).error(new ProgressEvent('error'));
    await bench.settle();
    bench.button('Try again').click();
    bench.answer('GET', URL, begun.kept);
    await bench.settle();
    expect(bench.text).toContain('Cut a square of');
  });

  it('keeps a change, starts folding again when sheets change, and undoes both', async () => {
    const bench = await open('purpose');
    bench.answer('GET', URL, begun.kept);
    await bench.settle(250);
    await bench.write('Length x width x height', '70 x 45 x 22');
    await bench.settle(250);
    bench.find('form').dispatchEvent(new Event('submit', { cancelable: true }));
    const change = bench.sent('PUT', URL);
    const sent = change.request.body as JobDraft;
    expect(sent).toMatchObject({ version: 7, makes: [{ asked: { text: '70 × 45 × 22 mm' } }] });
    const [make] = begun.kept.makes;
    const next: Job = { ...begun.kept, makes: [{ ...make, ...sent.makes[0] }], version: 8 };
    change.flush(next);
    const reset = bench.sent('DELETE', PROGRESS);
    reset.flush({ ...next, state: 'planned', makes: [{ ...next.makes[0], progress: [] }] });
    await bench.settle();
    expect(bench.text).toContain('not begun');
    [...document.querySelectorAll<HTMLButtonElement>('mat-snack-bar-container button')].at(-1)?.click();
    await bench.settle();
    const back = bench.sent('PUT', URL);
    expect(back.request.body).toMatchObject({ version: 8, makes: [{ asked: make.asked, make: make.make }] });
    back.flush({ ...begun.kept, version: 9 });
    expect(bench.sent('POST', PROGRESS).request.body).toEqual({ copies: make.progress });
  });

  it.each([
    ['Keep yours', 8, 'Clock parts'],
    ['Keep it as it stands', null, 'Watch and clock parts'],
  ] as const)('shows both versions when someone else changed it: %s', async (press, version, title) => {
    const bench = await open('purpose');
    bench.answer('GET', URL, begun.kept);
    await bench.settle(250);
    await bench.write('Name of the job', 'Clock parts');
    await bench.settle(250);
    await bench.submit();
    const theirs = { ...begun.kept, title: 'Watch and clock parts', version: 8 };
    bench
      .sent('PUT', URL)
      .flush(
        { type: 'about:blank', title: 'Changed', status: 409, detail: 'Someone changed this.', current: theirs },
        { status: 409, statusText: 'Conflict' },
      );
    await bench.settle(80);
    expect(bench.dialog()).toMatch(/Name of the job\s*Clock parts\s*Watch and clock parts/);
    expect(bench.dialog()).not.toContain('What goes in');
    await bench.press(press);
    if (version !== null) {
      const again = bench.sent('PUT', URL);
      expect(again.request.body).toMatchObject({ version, title });
      again.flush({ ...begun.kept, title, version: version + 1 });
    }
    bench.http.expectNone((request) => request.method === 'PUT');
    await bench.settle();
    expect(bench.find('h1').textContent).toBe(title);
  });
});
