import { aJob, aPaper, PageBench } from '../../testing/bench';
import type { Outcome } from '../job-change';
import { FormStation } from './form-station';

describe('the ways of a form', () => {
  it('stand side by side; the other one says what it changes and can be taken', async () => {
    const b = new PageBench(FormStation, { job: aJob(), paper: aPaper() });
    const kept: Outcome[] = [];
    b.fixture.componentInstance.keep.subscribe((outcome) => kept.push(outcome));
    await b.settle(200);
    const [folded, measured] = [...b.host.querySelectorAll('article')].map((article) =>
      (article.textContent ?? '').replace(/\s+/g, ' '),
    );
    expect(folded).toContain('This is the way of this job.');
    expect(measured).toContain('Sheets change, so folding starts again.');
    expect(b.host.querySelectorAll('article svg')).toHaveLength(2);
    b.button('Fold it this way').click();
    expect(kept[0].draft.choice.walls).toBe('measured');
    expect(kept[0].draft.choice.tray.wallMm).toBe(24);
    expect(kept[0].draft.choice.tray.sheetMm).toBeLessThan(aJob().choice.tray.sheetMm);
  });
});
