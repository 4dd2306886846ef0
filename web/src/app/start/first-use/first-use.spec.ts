import { TestBed } from '@angular/core/testing';
import { paperDraft } from '@odd-corner/contract';
import { Papers } from '../../data/papers';
import { aPaper, PageBench, SETTINGS } from '../../testing/bench';
import { FirstUse } from './first-use';
import { usualPapers } from './usual-papers';

describe('a new workshop', () => {
  const show = async (papers: unknown[], version = 1): Promise<PageBench<FirstUse>> => {
    const bench = new PageBench(FirstUse, {}, { ...SETTINGS, version });
    TestBed.inject(Papers).refresh();
    bench.answer('GET', '/api/papers', papers);
    await bench.settle();
    return bench;
  };

  it('asks how it measures, and no more once that is said', async () => {
    const bench = await show([]);
    expect(bench.text).toContain('How do you measure?');
    await bench.choose('Lengths', 'inches');
    const sent = bench.sent('PUT', '/api/settings');
    expect(sent.request.body).toMatchObject({ unit: 'in', version: 1 });
    sent.flush({ ...SETTINGS, unit: 'in', version: 2 });
    await bench.settle();
    expect(bench.text).not.toContain('How do you measure?');
    expect(bench.text).toContain('What paper do you have?');
  });

  it('takes what stands there as it is', async () => {
    const bench = await show([aPaper()]);
    expect(bench.text).not.toContain('What paper');
    bench.button('That’s right').click();
    bench.sent('PUT', '/api/settings').flush({ ...SETTINGS, version: 2 });
    await bench.settle();
    expect(bench.text.trim()).toBe('');
  });

  it('puts usual papers on the shelf, one after another, of the format that is printed on', async () => {
    const bench = await show([], 2);
    bench.button('Put some common papers there').click();
    for (const { name } of usualPapers('A4')) {
      const sent = bench.sent('POST', '/api/papers');
      expect(sent.request.body).toMatchObject({ name });
      sent.flush({ ...(sent.request.body as object), version: 1, reserved: 0 });
      await bench.settle();
    }
    expect(bench.text).not.toContain('What paper');
  });

  it('has usual papers that the shelf takes', () => {
    for (const page of ['A4', 'Letter'] as const)
      for (const paper of usualPapers(page)) expect(() => paperDraft.parse(paper)).not.toThrow();
  });
});
