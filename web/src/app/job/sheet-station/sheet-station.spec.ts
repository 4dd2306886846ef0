import { aJob, aPaper, PageBench } from '../../testing/bench';
import type { Outcome } from '../job-change';
import { SheetStation } from './sheet-station';

jest.mock('../../ui/paper-model/paper-stage', () => ({
  PaperStage: class {
    constructor() {
      throw new Error('no WebGL here');
    }
  },
}));

describe('the sheets of a job', () => {
  const large = aPaper({
    id: '00000000-0000-4000-8000-000000000020',
    name: 'Sea chart',
    widthMm: 640,
    heightMm: 450,
    caliperMm: 0.2,
  });
  const small = aPaper({ id: '00000000-0000-4000-8000-000000000021', name: 'Foil', widthMm: 100, heightMm: 100 });
  const show = async (
    paper: ReturnType<typeof aPaper> | null = aPaper(),
    job = aJob(),
  ): Promise<{ b: PageBench<SheetStation>; kept: Outcome[] }> => {
    const b = new PageBench(SheetStation, { job, paper });
    const kept: Outcome[] = [];
    b.fixture.componentInstance.keep.subscribe((outcome) => kept.push(outcome));
    const { Papers } = await import('../../data/papers');
    b.fixture.debugElement.injector.get(Papers).refresh();
    b.answer('GET', '/api/papers', [aPaper(), large, small]);
    await b.settle(200);
    return { b, kept };
  };

  it('shows both, what decided, and the arithmetic that leads there', async () => {
    const { b } = await show();
    const { tray, lid } = aJob().choice;
    expect([...b.host.querySelectorAll('.figure')].map((f) => parseFloat(f.textContent ?? ''))).toEqual([
      tray.sheetMm,
      lid.sheetMm,
    ]);
    expect(b.text).toContain('Length decided.');
    expect(b.text).toContain('contents 60 mm + ease 2.1 mm = 62.1 mm needed');
    expect(b.text).toContain(`Tried: ${tray.sheetMm - 1} mm`);
    expect(b.text).toContain('what it takes in 62.7 mm + play 0.5 mm = 63.2 mm needed');
  });

  it('sketches how they lie on the paper', async () => {
    const { b } = await show();
    expect(b.text).toContain('Both squares from one sheet');
    expect(b.host.querySelectorAll('oc-cut-sketch rect.square')).toHaveLength(2);
  });

  it('offers other papers that can give both, worked out for their own thickness', async () => {
    const { b, kept } = await show();
    expect(b.text).toContain('Sea chart');
    expect(b.text).not.toContain('Foil');
    b.button('Take it: Sea chart').click();
    expect(kept[0].draft.choice).toMatchObject({ paperId: large.id, thicknessMm: 0.2 });
    expect(kept[0].draft.choice.tray.sheetMm).toBeGreaterThan(aJob().choice.tray.sheetMm);
    expect(kept[0].refold).toBe(true);
  });

  it('says so when the paper chosen is used up', async () =>
    expect((await show(aPaper({ count: 0 }))).b.text).toContain('can no longer give both squares'));

  it('works without any paper', async () => {
    const { b } = await show(null, aJob({ choice: { ...aJob().choice, paperId: null } }));
    expect(b.text).toContain('No paper chosen yet');
    expect(b.text).toContain('paper 0.12 mm thick');
  });

  it('shows a still picture where there is no WebGL', async () => {
    const { b } = await show();
    expect(b.host.querySelectorAll('[data-testid=model-still] polygon').length).toBeGreaterThan(10);
  });
});
