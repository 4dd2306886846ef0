import { jobFileOf, newJob, type NewJob } from '@odd-corner/contract';
import { aJob, aMake, aPaper, PageBench } from '../testing/bench';
import { picking } from '../testing/files';
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

  it('are found by the server, archived ones apart', async () => {
    const bench = await show([aJob({ id: id(1), title: 'Fuses' })]);
    const titles = (): string[] => [...bench.host.querySelectorAll('h3')].map((h) => h.textContent);
    expect(titles()).toEqual(['Fuses']);
    const reply = async (answer: unknown[]): Promise<string[]> => {
      await bench.settle(300);
      const open = bench.http.match(({ url }) => url === '/api/jobs').filter(({ cancelled }) => !cancelled);
      open.forEach((request) => request.flush({ rows: answer, broken: [], total: answer.length, next: null }));
      await bench.settle();
      return open.map(
        ({ request: { params } }) => `${params.get('state')} ${params.get('archived')} ${params.get('search')}`,
      );
    };
    await bench.write('Find', 'envelope');
    expect(await reply([])).toEqual(['folding no envelope', 'planned no envelope', 'folded no envelope']);
    expect(bench.text).toContain('No job matches.');
    await bench.write('Find', '');
    bench.button('Archived').click();
    expect((await reply([])).slice(-1)).toEqual(['folded yes null']);
    expect(bench.text).toContain('Nothing is archived.');
  });

  it('come in parts where there are many', async () => {
    const bench = new PageBench(JobsPage);
    await bench.settle();
    for (const request of bench.http.match(({ url }) => url === '/api/jobs')) {
      const mine = request.request.params.get('state') === 'folded';
      const rows = mine ? [aJob({ id: id(1), title: 'One', state: 'folded' })] : [];
      request.flush({ rows, broken: [], total: mine ? 10_000 : 0, next: mine ? 'further' : null });
    }
    await bench.settle();
    expect(bench.text).toContain('1 of 10000 are shown');
    bench.button('Show more').click();
    const more = bench.sent('GET', '/api/jobs');
    expect(more.request.params.get('cursor')).toBe('further');
    more.flush({ rows: [aJob({ id: id(2), title: 'Two', state: 'folded' })], broken: [], total: 10_000, next: null });
    await bench.settle();
    expect([...bench.host.querySelectorAll('h3')].map((h) => h.textContent)).toEqual(['One', 'Two']);
  });

  it('of another workshop begin from its file, with ids of their own and papers of this shelf', async () => {
    const bench = await show([]);
    const theirs = '00000000-0000-4000-8000-0000000000aa';
    const job = aJob({ title: 'Shared', makes: [aMake({ papers: [theirs] })] });
    const { name, gsm, colourFront, colourBack } = aPaper();
    const papers = { tray: [{ name, gsm, colourFront, colourBack, caliperMm: 0.12, paperId: theirs }] };
    const [make] = job.makes;
    const told = make.told ?? { sizes: {}, chance: null, handMm: 0.3, engineVersion: 1, papers: {} };
    const file = jobFileOf({ ...job, makes: [{ ...make, told: { ...told, papers } }] });
    await picking(new File([JSON.stringify(file)], 'shared.json'), () => bench.button('Open a job’s file').click());
    await bench.settle(60);
    bench.answer('GET', '/api/papers', [aPaper()]);
    await bench.settle();
    const body = bench.sent('POST', '/api/jobs').request.body as NewJob;
    expect(newJob.parse(body)).toMatchObject({ title: 'Shared', folderHandId: null });
    expect(body.id).not.toBe(job.id);
    expect(body.makes[0].id).not.toBe(make.id);
    expect(new Set(body.makes[0].make.entries.flatMap((entry) => entry.papers))).toEqual(new Set([aPaper().id]));
  });

  it('say what is wrong with a file that is no job', async () => {
    const bench = await show([]);
    await picking(new File(['{"format":"a list of birds"}'], 'birds.json'), () =>
      bench.button('Open a job’s file').click(),
    );
    await bench.settle(60);
    expect(bench.text).toContain('“birds.json” is not opened: That is not the file of a job.');
  });
});
