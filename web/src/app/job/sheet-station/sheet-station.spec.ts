import type { JobDraft } from '@odd-corner/contract';
import { aJob, aMake, aPaper, atStation, type JobPlace, type PageBench } from '../../testing/bench';
import { SheetStation } from './sheet-station';

jest.mock('../../ui/paper-model/paper-stage', () => ({
  PaperStage: class {
    constructor() {
      throw new Error('no WebGL here');
    }
  },
}));

describe('the sheets of a job', () => {
  const job = aJob();
  const [{ make }] = job.makes;
  const chart = aPaper({ id: '00000000-0000-4000-8000-000000000020', name: 'Sea chart', caliperMm: 0.3 });
  const show = async (of = job, place: JobPlace = {}): Promise<PageBench<SheetStation>> => {
    const b = await atStation(SheetStation, of, place);
    await settled(b);
    return b;
  };
  const settled = async (b: PageBench<SheetStation>): Promise<void> => {
    await b.settle(400);
    for (let k = 0; k < 40 && !b.host.querySelector('.verdict, .wrong'); k++) await b.settle(100);
  };
  const figures = (b: PageBench<SheetStation>): number[] =>
    [...b.host.querySelectorAll('.sheet .figure')].map((figure) => parseFloat(figure.textContent ?? ''));
  const sent = (b: PageBench<SheetStation>): JobDraft => b.sent('PUT', `/api/jobs/${job.id}`).request.body as JobDraft;

  it('stand with what each must do, what it does, and why', async () => {
    const b = await show();
    expect(figures(b)).toEqual(make.entries.map(({ sheet }) => sheet.widthMm));
    expect(b.text).toContain('Fits if folded exactly.');
    expect(b.text).toMatch(/Length\s*62\.\d mm of 62\.1 mm needed/i);
    expect(b.text).toContain('Sized for paper 0.12 mm thick');
    await b.openPanel('Why this sheet');
    expect(b.text).toContain('what it takes in');
    expect(b.host.querySelectorAll('[data-testid=model-still] polygon').length).toBeGreaterThan(10);
  });

  it('follow another paper, each for its own thickness, and are kept with it', async () => {
    const b = await show(job, { papers: [aPaper(), chart] });
    const before = figures(b);
    await b.choose('Paper', /Sea chart/);
    await settled(b);
    expect(figures(b)[0]).toBeGreaterThan(before[0]);
    b.button('Keep these sheets').click();
    const [tray, lid] = sent(b).makes[0].make.entries;
    expect(tray).toMatchObject({ papers: [chart.id], thicknessMm: 0.3 });
    expect(lid).toMatchObject({ papers: [aPaper().id], thicknessMm: 0.12 });
  });

  it('of several copies can each have a paper of its own, seen on the piece, and kept in their order', async () => {
    const cards = aMake({ formId: 'square-card-envelope', holds: 'card 60 x 60', count: 3 });
    const b = await show(aJob({ makes: [cards] }), { papers: [aPaper(), chart] });
    await b.openPanel('A paper for each copy');
    await b.choose('Copy 2', /Sea chart/);
    await b.settle(100);
    b.button('Keep these sheets').click();
    const { papers } = sent(b).makes[0].make.entries[0];
    expect(papers).toEqual([aPaper().id, chart.id, aPaper().id]);
  });

  it('changed by hand are judged at once; the lid follows, and all of it can be left as it was', async () => {
    const b = await show();
    await b.openPanel('Set it by hand');
    await b.write('Side of the square', '140');
    await settled(b);
    expect(b.text).toMatch(/Does not fit: .*length.* too small/i);
    expect(figures(b)[1]).toBeLessThan(make.entries[1].sheet.widthMm);
    b.button('Find the smallest sheet').click();
    await settled(b);
    expect(figures(b)).toEqual(make.entries.map(({ sheet }) => sheet.widthMm));
    await b.write('Side of the square', '20 cm');
    await settled(b);
    expect(b.text).toContain('Fits if folded exactly.');
    b.button('Discard changes').click();
    await settled(b);
    expect(figures(b)).toEqual(make.entries.map(({ sheet }) => sheet.widthMm));
    b.http.expectNone((request) => request.method === 'PUT');
  });

  it('that cannot be folded say why, beside what was typed', async () => {
    const b = await show();
    await b.openPanel('Set it by hand');
    await b.write('Side of the square', '40');
    await settled(b);
    expect(b.find('[role=alert]').textContent).toContain('at least 60 mm');
    expect(b.button('Keep these sheets').disabled).toBe(true);
    await b.write('Side of the square', 'wide');
    expect(await b.isWrong('Side of the square')).toBe(true);
  });

  it('of a paper that was measured anew are offered to be sized again', async () => {
    const b = await show(job, { papers: [aPaper({ caliperMm: 0.2 })] });
    expect(b.text).toContain('0.20 mm thick now; the sheet was sized for 0.12 mm');
    const before = figures(b);
    b.button('Size it again').click();
    await settled(b);
    expect(figures(b)[0]).toBeGreaterThan(before[0]);
  });

  it('of a set tell how many; both sides of an oblong; and what a boat carries', async () => {
    const boat = await show(aJob({ makes: [aMake({ formId: 'oblong-canoe', holds: 'load 20 g', count: 3 })] }));
    expect(boat.text).toContain('3 of them');
    expect(figures(boat)).toHaveLength(2);
    expect(boat.text).toMatch(/\d g of 20 g needed/);
  });

  it('ask nothing where nothing is known of what it is for', async () => {
    const [one] = job.makes;
    const b = await show(aJob({ makes: [{ ...one, asked: { ...one.asked, text: '', purpose: null } }] }));
    expect(b.text).not.toContain('Find the smallest sheet');
    // The lid still has to go over the tray.
    expect(b.text).toMatch(/Fits if folded exactly/);
  });
});
