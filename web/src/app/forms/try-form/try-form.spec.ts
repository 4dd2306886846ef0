import { caliperOf, COMMON_PAPER, make } from '@odd-corner/core';
import { PageBench } from '../../testing/bench';
import { TryForm } from './try-form';

jest.mock('../../ui/paper-model/paper-stage', () => ({
  PaperStage: class {
    constructor() {
      throw new Error('no WebGL here');
    }
  },
}));

describe('trying any form', () => {
  const fact = (bench: PageBench<TryForm>, name: string): string =>
    [...bench.host.querySelectorAll('.facts > div')]
      .find((row) => row.querySelector('dt')?.textContent?.includes(name))
      ?.querySelector('dd')
      ?.textContent?.trim() ?? '';
  const number = (bench: PageBench<TryForm>, name: string): number => parseFloat(fact(bench, name));

  it('sizes follow the sheet', async () => {
    const bench = new PageBench(TryForm, { id: 'square-card-envelope' });
    await bench.settle(200);
    for (const sheet of [150, 96, 420]) {
      bench.type('#t-width', `${sheet}`);
      await bench.settle(200);
      expect(number(bench, 'Pocket, wide')).toBeCloseTo((sheet * Math.SQRT2) / 3, 0);
    }
  });

  it('the walls of a tray follow the sheet, an eighth of its diagonal, and can be measured', async () => {
    const bench = new PageBench(TryForm, { id: 'square-tray-and-eared-lid' });
    await bench.settle(200);
    for (const sheet of [150, 90, 420]) {
      bench.type('#t-width', `${sheet}`);
      await bench.settle(200);
      expect(number(bench, 'walls between creases')).toBeCloseTo((sheet * Math.SQRT2) / 8, 0);
    }
    for (const end of ['min', 'max'] as const) {
      const wall = Number(bench.find<HTMLInputElement>('#t-wallMm')[end]);
      bench.type('#t-wallMm', `${wall}`);
      await bench.settle(200);
      expect(number(bench, 'walls between creases')).toBe(wall);
      expect(bench.host.querySelectorAll('figure line.valley').length).toBeGreaterThan(10);
    }
  });

  it('says what each size comes from, once asked', async () => {
    const bench = new PageBench(TryForm, { id: 'closing-cube' });
    await bench.settle(400);
    expect(bench.text).not.toContain('0.2357 × sheet');
    await bench.openPanel('Why these sizes');
    const why = bench.find('oc-why');
    await bench.settle(1500);
    expect(why.textContent).toContain('0.2357 × sheet 150 mm − 6 × one layer of paper');
    bench.type('#t-width', '300');
    await bench.settle(400);
    expect(why.textContent).toContain('0.2357 × sheet 300 mm');
  });

  it('a setting can be measured, and taken back to the usual', async () => {
    const bench = new PageBench(TryForm, { id: 'tuck-flap-envelope' });
    await bench.settle(200);
    const usual = number(bench, 'Pocket, high');
    bench.type('#t-hemMm', '12');
    await bench.settle(200);
    expect(number(bench, 'Pocket, high')).toBeCloseTo(150 / 2 - 12, 0);
    bench.button('Back to the usual').click();
    await bench.settle(200);
    expect(number(bench, 'Pocket, high')).toBe(usual);
  });

  it('says why settings do not go together, and keeps the last piece in view', async () => {
    const bench = new PageBench(TryForm, { id: 'square-card-envelope' });
    await bench.settle(200);
    bench.type('#t-widthMm', '90');
    await bench.settle(200);
    const before = fact(bench, 'Pocket, wide');
    bench.type('#t-width', '300');
    await bench.settle(200);
    expect(bench.find('[role=alert]').textContent).toContain('does not suit a sheet of 300');
    expect(fact(bench, 'Pocket, wide')).toBe(before);
  });

  it('a cup opens, and tells what it holds and how sure that is', async () => {
    const bench = new PageBench(TryForm, { id: 'flat-folding-cup' });
    for (let k = 0; k < 60 && !bench.text.includes('most, if the paper'); k++) await bench.settle(500);
    expect(number(bench, 'most, if the paper')).toBeCloseTo((0.0202 * 150 ** 3) / 1000, -1);
    expect(bench.text).toContain('within about 2 %');
  });

  it('shows a box closed, and open with something in it', async () => {
    const bench = new PageBench(TryForm, { id: 'closing-cube' });
    await bench.settle(800);
    const shapes = (): number => bench.host.querySelectorAll('oc-paper-model .patch').length;
    const closed = shapes();
    bench.button('Open, to be filled').click();
    await bench.settle();
    expect(bench.button('Open, to be filled').getAttribute('aria-pressed')).toBe('true');
    expect(shapes()).not.toBe(closed);
  });

  it('a piece dragged to another size is the piece folded at that size', async () => {
    const dragged = new PageBench(TryForm, { id: 'four-pointed-dish' });
    await dragged.settle(800);
    dragged.type('#t-width', '240');
    await dragged.settle(400);
    const { sizes } = make('four-pointed-dish', {
      sheet: { widthMm: 240, heightMm: 240 },
      params: {},
      paper: { thicknessMm: caliperOf(COMMON_PAPER) },
    });
    for (const { name, mm } of sizes.lengths) expect(number(dragged, name)).toBeCloseTo(mm, 0);
  });

  it('shows the angle that a boat has when none is set', async () => {
    const bench = new PageBench(TryForm, { id: 'square-canoe' });
    await bench.settle(400);
    expect(bench.find<HTMLInputElement>('#t-wallDeg').value).toBe('100');
    expect(bench.text).toContain('No flame in it or beside it');
  });
});
