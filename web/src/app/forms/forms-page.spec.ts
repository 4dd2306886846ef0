import { FORMS } from '@odd-corner/core';
import { PageBench } from '../testing/bench';
import { FormsPage } from './forms-page';

describe('the forms place', () => {
  const names = (bench: PageBench<FormsPage>): string[] =>
    [...bench.host.querySelectorAll('h2')].map((h) => h.textContent.trim());
  it('shows every form as a folded picture', async () => {
    const bench = new PageBench(FormsPage);
    await bench.settle(600);
    expect(names(bench)).toEqual(FORMS.map(({ name }) => name));
    expect(bench.host.querySelectorAll('oc-drawing polygon.patch').length).toBeGreaterThan(names(bench).length);
  });

  it('narrows down by what it holds, sheet, glue and skill, and can show all again', async () => {
    const bench = new PageBench(FormsPage);
    await bench.settle();
    await bench.chip('flat things');
    expect(names(bench)).toContain('Diamond envelope');
    expect(names(bench)).not.toContain('Pointed canoe');
    await bench.choose('Sheet', 'oblong');
    expect(names(bench)).toEqual(['Card wrap', 'Gusseted bag']);
    await bench.choose('Glue', 'none');
    expect(names(bench)).toEqual([]);
    bench.button('Show all forms').click();
    await bench.settle();
    await bench.choose('Skill', 'first time');
    expect(names(bench).length).toBeGreaterThan(2);
    expect(names(bench)).not.toContain('Thirds twist letter');
  });
});
