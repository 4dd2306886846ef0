import { USUAL_SETTINGS } from '@odd-corner/contract';
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
