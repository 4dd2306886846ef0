import { WALL_SHARE } from '@odd-corner/core';
import { PageBench } from '../testing/bench';
import { FormPage } from './form-page';

jest.mock('../ui/paper-model/paper-stage', () => ({
  PaperStage: class {
    constructor() {
      throw new Error('no WebGL here');
    }
  },
}));

describe('trying a form', () => {
  const drag = async (bench: PageBench<FormPage>, field: string, value: number): Promise<void> => {
    bench.type(field, `${value}`);
    await bench.settle(80);
  };
  const figures = (bench: PageBench<FormPage>): number[] =>
    [...bench.host.querySelectorAll('.controls .figure')].map((f) => parseFloat(f.textContent ?? ''));

  it('the walls follow the sheet: an eighth of its diagonal', async () => {
    const bench = new PageBench(FormPage, { id: 'square-tray-and-eared-lid' });
    await bench.settle(80);
    for (const sheet of [150, 90, 420]) {
      await drag(bench, '#f-sheet', sheet);
      const [shown, wall] = figures(bench);
      expect(shown).toBe(sheet);
      expect(wall).toBeCloseTo((sheet * Math.SQRT2) / 8, 1);
    }
  });

  it('measured walls keep within what folds, at every sheet', async () => {
    const bench = new PageBench(FormPage, { id: 'square-tray-and-eared-lid' });
    await bench.settle(80);
    for (const end of ['min', 'max'] as const) {
      await drag(bench, '#f-wall', Number(bench.find<HTMLInputElement>('#f-wall')[end]));
      for (const sheet of [60, 600]) {
        await drag(bench, '#f-sheet', sheet);
        const [, wall] = figures(bench);
        expect(wall).toBeGreaterThanOrEqual(WALL_SHARE.min * sheet);
        expect(wall).toBeLessThan(WALL_SHARE.max * sheet);
        expect(bench.host.querySelectorAll('figure line.valley').length).toBeGreaterThan(10);
      }
    }
    bench.button('Back to folding alone').click();
    await bench.settle(80);
    expect(figures(bench)[1]).toBeCloseTo((600 * Math.SQRT2) / 8, 1);
  });

  it('a set of trays names ever larger sheets, one for each tray', async () => {
    const bench = new PageBench(FormPage, { id: 'square-tray-and-eared-lid' });
    await bench.settle(200);
    for (const count of [2, 4]) {
      await drag(bench, '#f-count', count);
      await bench.settle(2400);
      const sheets = [...bench.find('#f-count-note').textContent.matchAll(/(\d+)\s*mm/g)].map((m) => Number(m[1]));
      expect(sheets).toHaveLength(count);
      expect(sheets[0]).toBe(150);
      expect([...sheets].sort((a, b) => a - b)).toEqual(sheets);
    }
  });

  it('knows no form that is not on the shelf', async () => {
    const bench = new PageBench(FormPage, { id: 'paper-hat' });
    await bench.settle();
    expect(bench.text).toContain('Nothing lies here');
  });
});
