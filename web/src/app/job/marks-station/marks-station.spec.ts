import { type JobDraft, type Settings, USUAL_SETTINGS } from '@odd-corner/contract';
import { aJob, aMake, atStation, type PageBench } from '../../testing/bench';
import { MarksStation } from './marks-station';

describe('the marks of a job', () => {
  const show = async (make = aMake()): Promise<PageBench<MarksStation>> => {
    const b = await atStation(MarksStation, aJob({ makes: [make] }));
    for (let k = 0; k < 20 && !b.host.querySelector('h4'); k++) await b.settle(60);
    return b;
  };

  it('of measured walls name the length, what it is measured from, and the step', async () => {
    const b = await show(aMake({ given: { wallMm: 24 } }));
    const ruled = [...b.host.querySelectorAll('.ruled')].map((li) => (li.textContent ?? '').replace(/\s+/g, ' '));
    expect(ruled).toHaveLength(4);
    for (const text of ruled) expect(text).toMatch(/24 mm from the crease “(left|right) edge”, at both ends\./);
    expect(b.text).toContain('Step 6: ');
    expect(b.host.querySelectorAll('oc-drawing')).toHaveLength(2);
  });

  it('of walls that folding gives need no ruler', async () => {
    const b = await show();
    expect(b.host.querySelectorAll('.ruled')).toHaveLength(0);
    expect(b.text).toContain('Fold: an edge or a crease laid onto another.');
  });

  it('beside a mark of the ruler say on which side of it', async () => {
    const make = aMake({ formId: 'closing-cube', holds: '40 x 40 x 40', given: { thirds: 'ruler' } });
    const { widthMm } = make.make.entries[0].sheet;
    const third = Math.round((10 * widthMm) / 3) / 10;
    const b = await show(make);
    expect(b.text).toContain(`${third}\u00a0mm`.replace('\u00a0', ' '));
    if (third % 1) expect(b.text).toMatch(/a little (past|before) the mark at/);
    expect(b.text).toContain('from the near left corner');
  });

  it('can be found by folding: the whole school at once, or one mark; what is chosen is kept by name', async () => {
    const make = aMake({ formId: 'closing-cube', holds: '40 x 40 x 40', given: { thirds: 'ruler' } });
    const b = await show(make);
    for (const header of b.host.querySelectorAll<HTMLElement>('oc-mark-choice mat-expansion-panel-header'))
      header.click();
    await b.settle(60);
    const ways = [...b.host.querySelectorAll('oc-mark-choice .way')].map((way) => way.textContent ?? '');
    expect(ways.some((way) => way.includes('By folding') && way.includes('exact in itself'))).toBe(true);
    expect(ways.some((way) => way.includes('of a guess is left after each round'))).toBe(true);
    expect(b.host.querySelectorAll('oc-fold-strip oc-drawing').length).toBeGreaterThan(2);
    b.button('By folding').click();
    await b.settle();
    const kept = b.sent('PUT', `/api/jobs/${aJob().id}`);
    const marks = (kept.request.body as JobDraft).makes[0].marks!;
    expect(Object.keys(marks).length).toBeGreaterThan(0);
    for (const [name, way] of Object.entries(marks)) {
      expect(name).toMatch(/^[a-z0-9-]+--(two-)?third/);
      expect(way).toMatch(/^(f-|halving-)/);
    }
    const settings = b.sent('PUT', '/api/settings').request.body as Settings;
    expect(settings.school).toBe('fold');
  });

  it('that nobody chose are found as the workshop does, and are the first folds', async () => {
    const make = aMake({ formId: 'closing-cube', holds: '40 x 40 x 40', given: { thirds: 'ruler' } });
    const b = await atStation(MarksStation, aJob({ makes: [make] }), {
      settings: { ...USUAL_SETTINGS, school: 'fold', version: 1 },
    });
    for (let k = 0; k < 20 && !b.host.querySelector('h4'); k++) await b.settle(60);
    expect(b.text).toMatch(/\d+ folds on the open sheet find these marks/);
    expect(b.host.querySelector('.mat-button-toggle-checked')?.textContent).toContain('By folding');
  });

  it('can be printed, and name the ruler that the job was sized for', async () => {
    const b = await show(aMake({ options: { ruler: 'sixteenth-inch' } }));
    expect(b.text).toContain('sixteenths of an inch');
    expect(USUAL_SETTINGS.ruler).toBe('mm');
    const print = jest.spyOn(window, 'print').mockImplementation(() => undefined);
    b.button('Print this page').click();
    expect(print).toHaveBeenCalledTimes(1);
    print.mockRestore();
  });
});
