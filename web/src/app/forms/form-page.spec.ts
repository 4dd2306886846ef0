import { PageBench } from '../testing/bench';
import { FormPage } from './form-page';

describe('the page of a form', () => {
  it('knows no form that is not on the shelf', async () => {
    const bench = new PageBench(FormPage, { id: 'paper-hat' });
    await bench.settle();
    expect(bench.text).toContain('Nothing lies here');
  });
});
