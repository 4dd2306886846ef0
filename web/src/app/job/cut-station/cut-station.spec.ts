import type { CutPlanKept, Job } from '@odd-corner/contract';
import { aJob, aMake, aPaper, atStation as comeTo, type PageBench } from '../../testing/bench';
import { CutStation } from './cut-station';

/** Waits until the best plan is found, however slow the machine is. */
async function planned(b: PageBench<CutStation>): Promise<void> {
  for (let k = 0; k < 200 && b.host.querySelector('mat-progress-bar'); k++) await b.settle(50);
}

const atStation: typeof comeTo<CutStation> = async (...asked) => {
  const b = await comeTo(...asked);
  await planned(b);
  return b;
};

describe('cutting the sheets of a job', () => {
  const job = aJob();
  const [{ id, make }] = job.makes;
  const [tray, lid] = make.entries.map(({ sheet }) => sheet.widthMm);
  const URL = `/api/makes/${id}/cut`;

  it('tells every cut on the ruler’s marks, and what is left', async () => {
    const b = await atStation(CutStation, job);
    expect(b.text).toContain('One sheet of Kraft');
    expect(b.text).toContain('1 × Tray, 1 × Lid with ears');
    const cuts = [...b.host.querySelectorAll('ol li')].map((li) => li.textContent ?? '');
    expect(cuts.length).toBeGreaterThanOrEqual(3);
    for (const side of [tray, lid]) expect(cuts.join()).toContain(`${side}\u00a0mm`);
    expect(b.text).toContain('Left over from each');
    expect(b.text).toContain('Keep blades away from small children');
    expect(b.host.querySelectorAll('oc-drawing text').length).toBeGreaterThan(3);
  });

  it('keeps the sheets, takes them off the shelf, and gives them back', async () => {
    const b = await atStation(CutStation, job);
    b.button('Keep 1 of Kraft for it').click();
    const kept = b.sent('PUT', URL);
    const { plan } = kept.request.body as { plan: CutPlanKept };
    expect(plan.parents).toMatchObject([{ paperId: aPaper().id, sheets: 1 }]);
    expect(plan.parents[0].pieces.map(({ entryKey }) => entryKey).sort()).toEqual(['lid', 'tray']);
    const withCut = (done: boolean): Job => ({ ...job, makes: [{ ...job.makes[0], cut: { plan, done } }] });
    kept.flush(withCut(false));
    await b.settle();
    b.answer('GET', '/api/papers', [aPaper({ reserved: 1 })]);
    await b.settle();
    expect(b.text).toContain('reserved for this job');
    b.button('It is cut').click();
    b.sent('POST', `${URL}/done`).flush(withCut(true));
    await b.settle();
    expect(b.text).toContain('Cut: the sheets are off the shelf.');
    b.button('It was not cut after all').click();
    b.sent('POST', `${URL}/undone`).flush(withCut(false));
    await b.settle();
    b.button('Drop this plan').click();
    b.sent('POST', `${URL}/drop`).flush(job);
    await b.settle();
    await planned(b);
    expect(b.text).toContain('Keep 1 of Kraft for it');
  });

  it('cuts what was left of its paper first, and shows plans that were kept without their cuts', async () => {
    const rest = aPaper({
      ...{ id: '00000000-0000-4000-8000-000000000021', name: 'Kraft, offcut', offcut: true, offcutOf: aPaper().id },
      ...{ widthMm: Math.max(tray, lid), heightMm: tray + lid, count: 1 },
    });
    const b = await atStation(CutStation, job, { papers: [aPaper(), rest] });
    expect(b.text).toContain('One sheet of Kraft, offcut');
    b.button('Keep 1 of Kraft, offcut for it').click();
    const { plan } = b.sent('PUT', URL).request.body as { plan: CutPlanKept };
    const parents = plan.parents.map(({ cuts: _, offcuts: __, ...parent }) => parent);
    const old: Job = { ...job, makes: [{ ...job.makes[0], cut: { plan: { parents }, done: false } }] };
    const again = await atStation(CutStation, old, { papers: [aPaper(), rest] });
    expect(again.host.querySelectorAll('ol li').length).toBeGreaterThan(0);
  });

  it('says where its sheets are cut with others', async () => {
    const [make] = job.makes;
    const inPlan = { id: make.id, title: 'Ticket pockets', done: false };
    const b = await atStation(CutStation, { ...job, makes: [{ ...make, inPlan }] });
    expect(b.text).toContain('Its sheets are reserved, and cut with others: Ticket pockets');
    expect(b.text).not.toContain('Keep 1 of');
  });

  it.each([
    ['too small', aPaper({ widthMm: 120, heightMm: 120 }), 'Kraft gives 0 of 1 sheets for Tray'],
    ['kept for others', aPaper({ count: 2, reserved: 2 }), 'Kraft gives 0 of 1 sheets for Tray'],
  ])('says so when the paper is %s', async (_, paper, told) => {
    const b = await atStation(CutStation, job, { papers: [paper] });
    expect(b.text).toContain(told);
    expect(b.text).not.toContain('Keep 1 of');
  });

  it('tells what sheets are needed of paper that is not on the shelf', async () => {
    const b = await atStation(CutStation, aJob({ makes: [aMake({ papers: [null], count: 2 })] }));
    expect(b.text).toContain('From paper that is not on the shelf');
    expect(b.text).toContain('2 × Tray');
  });

  it('squares an oblong with one cut, and says how without a ruler', async () => {
    const boat = aMake({ formId: 'square-canoe', holds: 'load 20 g' });
    const { widthMm } = boat.make.entries[0].sheet;
    const paper = aPaper({ widthMm: widthMm + 90, heightMm: widthMm });
    const b = await atStation(CutStation, aJob({ makes: [boat] }), { papers: [paper] });
    expect(b.host.querySelectorAll('ol li')).toHaveLength(1);
    expect(b.text).toContain('squares the sheet');
    const right = await atStation(CutStation, aJob({ makes: [boat] }), {
      papers: [aPaper({ widthMm, heightMm: widthMm })],
    });
    expect(right.text).toContain('nothing to cut');
  });

  it('tells why the server refused, and reads the job anew', async () => {
    const b = await atStation(CutStation, job);
    b.button('Keep 1 of Kraft').click();
    b.sent('PUT', URL).flush(
      { type: 'about:blank', title: 'No', status: 422, detail: '“Kraft” has 0 on the shelf.' },
      { status: 422, statusText: 'Unprocessable' },
    );
    await b.settle();
    expect(document.body.textContent).toContain('“Kraft” has 0 on the shelf.');
    b.sent('GET', `/api/jobs/${job.id}`);
  });
});
