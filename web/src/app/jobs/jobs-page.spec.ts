import { aJob, aPaper, PageBench } from '../testing/bench';
import { JobsPage } from './jobs-page';

describe('the jobs', () => {
  const show = async (jobs: unknown[]): Promise<PageBench<JobsPage>> => {
    const bench = new PageBench(JobsPage);
    await bench.settle();
    bench.answer('GET', '/api/papers', [aPaper()]);
    bench.answer('GET', '/api/jobs', jobs);
    await bench.settle();
    return bench;
  };
  const id = (n: number): string => `00000000-0000-4000-8000-00000000010${n}`;

  it('say how to begin while there are none', async () => {
    const bench = await show([]);
    expect(bench.text).toContain('No jobs yet');
    expect(bench.host.querySelectorAll('a[href="/"]').length).toBeGreaterThan(0);
  });

  it('stand in groups, those on the table first, each leading to where it goes on', async () => {
    const bench = await show([
      aJob({ id: id(1), title: 'One', state: 'folded' }).kept,
      aJob({ id: id(2), title: 'Two', state: 'planned', choice: { ...aJob().choice, paperId: null } }).kept,
      aJob({ id: id(3), title: 'Three', state: 'folding', progress: { part: 'lid', step: 1, seconds: 3 } }).kept,
    ]);
    expect([...bench.host.querySelectorAll('section h2')].map((h) => h.textContent)).toEqual([
      'On the table',
      'Planned',
      'Folded',
    ]);
    expect([...bench.host.querySelectorAll('section a')].map((a) => a.getAttribute('href'))).toEqual([
      `/jobs/${id(3)}/fold`,
      `/jobs/${id(2)}/sheet`,
      `/jobs/${id(1)}/record`,
    ]);
    expect(bench.text).toContain('Lid, 1 step done');
    expect(bench.text).toContain('no paper chosen');
    expect(bench.text).toContain('holds 60 × 45 × 22 mm');
  });
});
