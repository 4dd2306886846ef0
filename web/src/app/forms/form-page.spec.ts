import { PageBench } from '../testing/bench';
import { FormPage } from './form-page';

jest.mock('../ui/paper-model/paper-stage', () => ({
  PaperStage: class {
    constructor() {
      throw new Error('no WebGL here');
    }
  },
}));

describe('the page of a form', () => {
  it('shows a form that is on it', async () => {
    const bench = new PageBench(FormPage, { id: 'flat-folding-cup' });
    await bench.settle();
    expect(bench.find('h1').textContent).toContain('Flat-folding cup');
  });

  it('knows no form that is not on the shelf', async () => {
    for (const id of ['paper-hat', 'constructor', '__proto__']) {
      const bench = new PageBench(FormPage, { id });
      await bench.settle();
      expect(bench.text).toContain('Nothing here');
    }
  });
});
