import { aJob, aMake, aPaper, PageBench } from '../testing/bench';
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
      aJob({ id: id(1), title: 'One', state: 'folded' }),
      aJob({ id: id(2), title: 'Two', makes: [aMake({ papers: [null] })] }),
      aJob({ id: id(3), title: 'Three', state: 'folding', makes: [aMake({ done: [16, 1] })] }),
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
    expect(bench.text).toContain('2 of 2 begun, 17 steps done');
    expect(bench.text).toContain('no paper chosen');
    expect(bench.text).toContain('Square tray for 60 x 45 x 22');
  });

  it('of a kit tell its makes, of which at most three', async () => {
    const boats = [1, 2, 3].map((n) => aMake({ formId: 'square-canoe', holds: 'load 20 g', count: n }, 30 + n));
    const bench = await show([aJob({ title: 'Regatta', makes: [aMake(), ...boats] })]);
    expect(bench.text).toContain('2 × Pointed canoe for load 20 g');
    expect(bench.text).toContain('and 1 more');
  });

  it('are found by name, form and paper, archived ones apart', async () => {
    const away = aJob({ id: id(2), title: 'Old one', archivedAt: '2026-11-05T10:00:00.000Z' });
    const bench = await show([aJob({ id: id(1), title: 'Fuses' }), away]);
    const titles = (): string[] => [...bench.host.querySelectorAll('h3')].map((h) => h.textContent);
    expect(titles()).toEqual(['Fuses']);
    await bench.write('Find', 'kraft tray');
    await bench.settle();
    expect(titles()).toEqual(['Fuses']);
    await bench.write('Find', 'envelope');
    await bench.settle();
    expect(titles()).toEqual([]);
    expect(bench.text).toContain('No job matches.');
    await bench.write('Find', '');
    bench.button('Archived').click();
    await bench.settle();
    expect(titles()).toEqual(['Old one']);
  });
});
