import { PageBench } from '../../testing/bench';
import { Licences } from './licences';

describe('what others made', () => {
  it('stands by name with its licence, its text behind a press', async () => {
    const bench = new PageBench(Licences);
    bench.sent('GET', '/licences.json').flush([
      { name: 'rxjs', version: '7.8.2', licence: 'Apache-2.0', text: 'Apache License' },
      { name: 'small', version: '1.0.0', licence: 'MIT', text: '' },
    ]);
    await bench.settle();
    expect(bench.text).toMatch(/rxjs 7\.8\.2\s*Apache-2\.0/);
    await bench.openPanel('rxjs');
    expect(bench.find('pre').textContent).toBe('Apache License');
  });

  it('that cannot be read is asked for again', async () => {
    const bench = new PageBench(Licences);
    bench.sent('GET', '/licences.json').error(new ProgressEvent('error'));
    await bench.settle();
    bench.button('Try again').click();
    bench.sent('GET', '/licences.json').flush([]);
    await bench.settle();
    expect(bench.text).not.toContain('could not be read');
  });
});
