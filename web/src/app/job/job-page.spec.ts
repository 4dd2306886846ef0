import { aJob, aMake, aPaper, PageBench } from '../testing/bench';
import { JobPage } from './job-page';

describe('a job', () => {
  const job = aJob({ state: 'folding', makes: [aMake({ done: [5] })] });
  const URL = `/api/jobs/${job.id}`;
  const open = async (inputs: object = {}): Promise<PageBench<JobPage>> => {
    const bench = new PageBench(JobPage, { id: job.id, ...inputs });
    await bench.settle();
    bench.answer('GET', '/api/papers', [aPaper()]);
    bench.answer('GET', '/api/hands', []);
    return bench;
  };

  it('shows its name and the strip of all stations', async () => {
    const bench = await open();
    bench.answer('GET', URL, job);
    await bench.settle();
    expect(bench.find('h1').textContent).toBe('Watch parts');
    expect(
      [...bench.host.querySelectorAll('oc-strip .name')].map((n) => n.textContent?.trim().split(' ').at(-1)),
    ).toEqual(['Purpose', 'Form', 'Sheet', 'Cut', 'Marks', 'Fold', 'Prove', 'Record']);
    expect(bench.text).toContain('1 of 2 begun');
  });

  it('is not here under a wrong id', async () => {
    const bench = await open();
    bench
      .sent('GET', URL)
      .flush({ type: 'about:blank', title: 'Not found', status: 404 }, { status: 404, statusText: 'Not Found' });
    await bench.settle();
    expect(bench.text).toContain('Nothing here');
  });

  it('says why it cannot be read, and tries again', async () => {
    const bench = await open();
    bench.sent('GET', URL).error(new ProgressEvent('error'));
    await bench.settle();
    bench.button('Try again').click();
    bench.answer('GET', URL, job);
    await bench.settle();
    expect(bench.text).toContain('Watch parts');
  });

  it('that holds several makes lets one be chosen, and its strip tells of that one', async () => {
    const boat = aMake({ formId: 'square-canoe', holds: 'load 20 g' }, 31);
    const kit = aJob({ makes: [aMake(), boat] });
    const bench = await open({ make: boat.id });
    bench.answer('GET', URL, kit);
    await bench.settle();
    const list = await bench.list('What of it');
    expect(await list.getValueText()).toContain('Pointed canoe, load 20 g');
    expect(bench.find('oc-strip').textContent).toContain('load 20 g');
    await list.open();
    expect(await list.getOptions()).toHaveLength(2);
  });
});
