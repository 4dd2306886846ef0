import { newJob } from '@odd-corner/contract';
import { PageBench } from '../../testing/bench';
import { SheetHolds } from './sheet-holds';

describe('what a sheet will hold', () => {
  it('lists each form with its room, and links to it at that sheet', async () => {
    const bench = new PageBench(SheetHolds, { sheet: { widthMm: 150, heightMm: 150 } });
    for (let k = 0; k < 30 && !bench.text.includes('forms from this sheet'); k++) await bench.settle(200);
    expect(bench.host.querySelectorAll('li').length).toBeGreaterThan(8);
    const cube = [...bench.host.querySelectorAll('li')].find((li) => li.textContent?.includes('Closing cube'))!;
    expect(parseFloat(/Inside, deep\s*([\d.]+)/.exec(cube.textContent ?? '')![1])).toBeCloseTo(
      (150 * Math.SQRT2) / 6,
      -1,
    );
    expect(cube.querySelector('a')?.getAttribute('href')).toContain('/forms/closing-cube?sheet=150x150');
  });

  it('begins a job with the sheet: what it is for may be said later', async () => {
    const bench = new PageBench(SheetHolds, { sheet: { widthMm: 150, heightMm: 150 } });
    for (let k = 0; k < 30 && !bench.text.includes('forms from this sheet'); k++) await bench.settle(200);
    bench.button('Start this job: Closing cube').click();
    const { title, makes } = newJob.parse(bench.sent('POST', '/api/jobs').request.body);
    expect(title).toBe('Closing cube from 150 × 150 mm');
    expect(makes).toMatchObject([
      {
        asked: { text: '', purpose: null },
        make: { formId: 'closing-cube', entries: [{ sheet: { widthMm: 150, heightMm: 150 }, papers: [null] }] },
      },
    ]);
  });

  it('says so when a sheet is too small', async () => {
    const bench = new PageBench(SheetHolds, { sheet: { widthMm: 20, heightMm: 20 } });
    await bench.settle(500);
    expect(bench.text).toContain('No form folds well');
  });
});
