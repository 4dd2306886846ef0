import { PageBench, SETTINGS } from '../../testing/bench';
import { Slider } from './slider';

describe('a number to be dragged', () => {
  const given = { name: 's-mm', label: 'Sheet', min: 60, max: 600, at: 150 };

  it('is named, described, and spoken with its unit', async () => {
    const bench = new PageBench(Slider, { ...given, mm: 152.4 }, { ...SETTINGS, unit: 'in' });
    await bench.settle();
    const range = bench.find<HTMLInputElement>('input');
    expect(bench.find('label').getAttribute('for')).toBe(range.id);
    expect(range.getAttribute('aria-valuetext')).toBe('6\u00a0in');
    expect(bench.find(`#${range.getAttribute('aria-describedby')!}`)).not.toBeNull();
    expect(bench.find('.figure').textContent).toBe('6in');
  });

  it('keeps within its ends and tells where it is dragged', async () => {
    const bench = new PageBench(Slider, { ...given, figure: 3, unit: 'trays', at: 900 });
    await bench.settle();
    expect(bench.find<HTMLInputElement>('input').value).toBe('600');
    expect(bench.find('.figure').textContent).toBe('3trays');
    const told: number[] = [];
    bench.fixture.componentInstance.moved.subscribe((value) => told.push(value));
    bench.type('#s-mm', '75');
    bench.type('#s-mm', '12');
    expect(told).toEqual([75, 60]);
  });
});
