import { make } from '@odd-corner/core';
import { PageBench } from '../../testing/bench';
import { FormSteps } from './form-steps';

describe('the steps of a form', () => {
  it('shows every step with its pictures, words, check and slip', async () => {
    const bench = new PageBench(FormSteps, { id: 'page-corner-bookmark' });
    await bench.settle(300);
    const { steps: folded, uses = [] } = make('page-corner-bookmark', {
      sheet: { widthMm: 150, heightMm: 150 },
      params: {},
      paper: { thicknessMm: 0.1 },
    }).folding;
    // How it is used comes last.
    const steps = [...folded, ...uses];
    expect(uses.length).toBeGreaterThan(0);
    expect([...bench.host.querySelectorAll('h2')].map((h) => h.textContent)).toEqual(
      steps.map(({ title }, k) => `${k + 1}. ${title}`),
    );
    for (const { words, check, slip } of steps)
      for (const text of [words, check, slip.what, slip.remedy]) expect(bench.text).toContain(text);
    expect(bench.host.querySelectorAll('oc-drawing svg').length).toBeGreaterThanOrEqual(2 * steps.length);
  });

  it('knows no form that is not on the shelf', async () => {
    const bench = new PageBench(FormSteps, { id: 'paper-hat' });
    await bench.settle();
    expect(bench.text).toContain('Nothing here');
  });
});
