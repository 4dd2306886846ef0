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
    expect(cube.querySelector('a')?.getAttribute('href')).toBe('/forms/closing-cube?sheet=150x150');
  });

  it('says so when a sheet is too small', async () => {
    const bench = new PageBench(SheetHolds, { sheet: { widthMm: 20, heightMm: 20 } });
    await bench.settle(500);
    expect(bench.text).toContain('No form folds well');
  });
});
