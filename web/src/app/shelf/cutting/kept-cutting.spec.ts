import { type CuttingPlanKept, USUAL_CUTTING } from '@odd-corner/contract';
import { aPaper, PageBench } from '../../testing/bench';
import { KeptCutting } from './kept-cutting';

const ID = '00000000-0000-4000-8000-0000000000aa';
const SHEET = '00000000-0000-4000-8000-0000000000bb';
const URL = `/api/cutting-plans/${ID}`;

const aPlan = (done = false, version = 1): CuttingPlanKept => ({
  ...{ id: ID, version, title: 'Ticket pockets', options: USUAL_CUTTING, missing: [0] },
  lines: [
    {
      ...{ name: 'pocket', widthMm: 200, heightMm: 297, count: 2, mayTurn: true, grain: null },
      ...{ papers: null, makeId: null, entryKey: null },
    },
  ],
  parents: [
    {
      ...{ id: SHEET, paperId: aPaper().id, sheets: 2, done },
      sheet: { name: 'Kraft', widthMm: 420, heightMm: 297, caliperMm: 0.12 },
      pieces: [{ line: 0, turned: false, xMm: 0, yMm: 0, widthMm: 200, heightMm: 297 }],
      cuts: [{ piece: { xMm: 0, yMm: 0, widthMm: 420, heightMm: 297 }, runs: 'upright', atMm: 200 }],
      offcuts: [{ xMm: 200, yMm: 0, widthMm: 220, heightMm: 297 }],
    },
  ],
  proof: { aim: 'paper', value: 249480, least: 249480, sheets: 2, leastSheets: 2, whole: true },
  ...{ createdAt: '2026-11-01T00:00:00Z', updatedAt: '2026-11-01T00:00:00Z' },
});

describe('a cutting plan that was kept', () => {
  const show = async (plan = aPlan(), papers = [aPaper({ reserved: 2 })]): Promise<PageBench<KeptCutting>> => {
    const bench = new PageBench(KeptCutting, { id: ID });
    await bench.settle();
    bench.answer('GET', URL, plan);
    bench.answer('GET', '/api/papers', papers);
    await bench.settle();
    return bench;
  };

  it('is ticked sheet by sheet, and takes that back', async () => {
    const bench = await show();
    expect(bench.text).toContain('2 sheets; no plan can do with 1. 0 of 1 cut.');
    bench.find<HTMLInputElement>('mat-checkbox input').click();
    const sent = bench.sent('POST', `${URL}/cut`);
    expect(sent.request.body).toEqual({ version: 1, parentId: SHEET, done: true });
    sent.flush(aPlan(true, 2));
    await bench.settle();
    expect(bench.text).toContain('All of it is cut.');
    document.querySelector<HTMLButtonElement>('mat-snack-bar-container button')?.click();
    await bench.settle();
    const back = bench.sent('POST', `${URL}/cut`);
    expect(back.request.body).toEqual({ version: 2, parentId: SHEET, done: false });
    back.flush(aPlan(false, 3));
    await bench.settle();
    expect(bench.text).toContain('0 of 1 cut.');
  });

  it('tells what has changed on the shelf, and is planned anew', async () => {
    const other = aPaper({ id: '00000000-0000-4000-8000-0000000000cc', name: 'Sea charts', count: 4, reserved: 0 });
    const bench = await show(aPlan(), [aPaper({ count: 1, reserved: 2 }), other]);
    expect(bench.text).toContain('The shelf has changed since');
    expect(bench.text).toContain('“Kraft” has 1 sheets for it, 2 are needed.');
    for (let k = 0; k < 200 && bench.host.querySelector('mat-progress-bar'); k++) await bench.settle(100);
    expect(bench.text).toContain('Planned anew:');
    bench.button('Take the new plan').click();
    const sent = bench.sent('PUT', URL);
    const next = sent.request.body as Pick<CuttingPlanKept, 'parents' | 'missing' | 'version'>;
    expect(next).toMatchObject({ version: 1, missing: [0] });
    const taken = (id: string): number =>
      next.parents.reduce((sum, { paperId, sheets }) => sum + (paperId === id ? sheets : 0), 0);
    expect(taken(aPaper().id)).toBeLessThanOrEqual(1);
    expect(taken(aPaper().id) + taken(other.id)).toBe(next.parents.reduce((sum, { sheets }) => sum + sheets, 0));
  });

  it('is removed and put back', async () => {
    const bench = await show();
    bench.button('Remove the plan').click();
    bench.sent('DELETE', URL).flush(null);
    await bench.settle();
    document.querySelector<HTMLButtonElement>('mat-snack-bar-container button')?.click();
    await bench.settle();
    bench.sent('POST', `${URL}/restore`);
  });

  it('says so where there is none', async () => {
    const bench = new PageBench(KeptCutting, { id: ID });
    await bench.settle();
    bench
      .sent('GET', URL)
      .flush(
        { type: 'about:blank', title: 'Not found', status: 404, detail: 'There is no such cutting plan.' },
        { status: 404, statusText: 'Not Found' },
      );
    await bench.settle();
    expect(bench.host.querySelector('oc-not-here')).not.toBeNull();
  });
});
