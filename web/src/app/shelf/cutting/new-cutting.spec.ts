import type { CuttingPlanKept, Job, NewCuttingPlan } from '@odd-corner/contract';
import { aJob, aPaper, PageBench } from '../../testing/bench';
import { NewCutting } from './new-cutting';

const REST = 500;

describe('planning a cut', () => {
  beforeEach(() => sessionStorage.clear());

  const show = async (
    inputs: Readonly<Record<string, unknown>> = {},
    jobs: readonly Job[] = [],
    papers = [aPaper({ count: 9 })],
  ): Promise<PageBench<NewCutting>> => {
    const bench = new PageBench(NewCutting, inputs);
    await bench.settle();
    bench.answer('GET', '/api/papers', papers);
    bench.answer('GET', '/api/jobs', jobs);
    await bench.settle();
    return bench;
  };
  const type = async (bench: PageBench<NewCutting>, text: string): Promise<void> => {
    const area = bench.find<HTMLTextAreaElement>('textarea');
    area.value = text;
    area.dispatchEvent(new Event('input'));
    await bench.settle(REST);
    for (let k = 0; k < 200 && bench.host.querySelector('mat-progress-bar'); k++) await bench.settle(100);
  };

  it('lays out what is typed, says how good it is, and keeps it', async () => {
    const bench = await show();
    await type(bench, '8 x 150 x 99 pockets\n2 x 420 x 40 strips');
    expect(bench.text).toMatch(/sheets; no plan can do with 1|One sheet does/);
    expect(bench.text).toMatch(/\d × pockets/);
    await bench.write('What it is called', 'Ticket pockets');
    bench.button('Keep it, reserve').click();
    const sent = bench.sent('POST', '/api/cutting-plans');
    const plan = sent.request.body as NewCuttingPlan;
    expect(plan).toMatchObject({ title: 'Ticket pockets', missing: [0, 0], lines: [{ count: 8 }, { name: 'strips' }] });
    const cut = (line: number): number =>
      plan.parents.reduce((sum, { sheets, pieces }) => sum + sheets * pieces.filter((p) => p.line === line).length, 0);
    expect([cut(0), cut(1)]).toEqual([8, 2]);
    const kept: CuttingPlanKept = {
      ...{ ...plan, version: 1, createdAt: '2026-11-01T00:00:00Z', updatedAt: '2026-11-01T00:00:00Z' },
      parents: plan.parents.map((one) => ({ ...one, done: false })),
    };
    sent.flush(kept);
    await bench.settle();
    expect(document.body.textContent).toContain('its sheets are reserved');
  });

  it('says which line it cannot read, and what no paper gives', async () => {
    const bench = await show();
    await type(bench, '2 x 150 x 99\nsome squares');
    expect(bench.text).toContain('Line 2: Write how many and how large');
    await type(bench, '3 x 500 x 400 maps');
    expect(bench.text).toContain('Not on the shelf: 3 of 3 × maps.');
  });

  it('keeps what is typed when the page is read anew', async () => {
    await type(await show(), '2 x 150 x 99 pockets');
    const again = await show();
    await again.settle(REST);
    expect(again.find<HTMLTextAreaElement>('textarea').value).toBe('2 x 150 x 99 pockets');
  });

  it('takes the sheets of a planned job from its own paper', async () => {
    const job = aJob();
    const bench = await show({ job: job.id }, [job]);
    await type(bench, '');
    expect(bench.text).toContain('1 × Watch parts: Tray');
    bench.button('Keep it, reserve').click();
    const plan = bench.sent('POST', '/api/cutting-plans').request.body as NewCuttingPlan;
    expect(plan.lines.map(({ makeId, entryKey }) => [makeId, entryKey])).toEqual([
      [job.makes[0].id, 'tray'],
      [job.makes[0].id, 'lid'],
    ]);
  });

  it('offers no job that is cut, folded or in a plan already', async () => {
    const [make] = aJob().makes;
    const inPlan = aJob({ makes: [{ ...make, inPlan: { id: make.id, title: 'Others', done: false } }] });
    expect((await show({}, [inPlan])).text).toContain('No planned job has sheets');
    expect((await show({}, [aJob({ state: 'folded' })])).text).toContain('No planned job has sheets');
  });

  it('tells a refusal, and reads the shelf anew', async () => {
    const bench = await show();
    await type(bench, '1 x 150 x 99');
    bench.button('Keep it, reserve').click();
    bench
      .sent('POST', '/api/cutting-plans')
      .flush(
        { type: 'about:blank', title: 'No', status: 422, detail: '“Kraft” has 0 on the shelf.' },
        { status: 422, statusText: 'Unprocessable' },
      );
    await bench.settle();
    expect(document.body.textContent).toContain('“Kraft” has 0 on the shelf.');
    bench.sent('GET', '/api/papers');
  });

  it('puts what matters most first by keys, and cuts as it is told', async () => {
    const bench = await show();
    bench.find('mat-expansion-panel-header').click();
    await bench.settle();
    expect(bench.find('oc-cutting-rules ol').textContent).toMatch(/1\. least paper.*2\. fewest whole sheets/);
    bench.button('Sooner: fewest whole sheets').click();
    await bench.settle();
    expect(bench.find('oc-cutting-rules ol').textContent).toMatch(/1\. fewest whole sheets.*2\. least paper/);
    await bench.choose('Cut with', 'something else');
    await bench.settle();
    await bench.write('A cut takes away', '1.5');
    await type(bench, '2 x 210 x 297 halves');
    expect(bench.text).toContain('2 sheets; no plan can do with 1.');
  });
});
