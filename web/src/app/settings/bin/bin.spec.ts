import { aPaper, PageBench } from '../../testing/bench';
import { Bin } from './bin';

describe('the bin', () => {
  const paper = { id: aPaper().id, kind: 'paper', title: 'Kraft', removedAt: '2026-11-28T10:00:00.000Z' };
  const job = { id: 'x', kind: 'job', title: 'Watch parts', removedAt: '2026-11-27T10:00:00.000Z' };
  const show = async (rows: object[]): Promise<PageBench<Bin>> => {
    const bench = new PageBench(Bin);
    await bench.settle();
    bench.sent('GET', '/api/bin').flush(rows);
    await bench.settle();
    return bench;
  };
  const acts = (bench: PageBench<Bin>): HTMLButtonElement[] => [
    ...bench.host.querySelectorAll<HTMLButtonElement>('td.acts button'),
  ];

  it('is empty at first', async () => expect((await show([])).text).toContain('The bin is empty.'));

  it('puts each kind of row back where it was', async () => {
    const bench = await show([paper, job]);
    expect(bench.host.querySelectorAll('tr[mat-row]')).toHaveLength(2);
    acts(bench)[0].click();
    bench.sent('POST', `/api/papers/${paper.id}/restore`).flush(aPaper());
    await bench.settle();
    bench.sent('GET', '/api/bin').flush([job]);
    await bench.settle();
    expect(bench.host.querySelectorAll('tr[mat-row]')).toHaveLength(1);
    acts(bench)[0].click();
    expect(bench.sent('POST', '/api/jobs/x/restore').request.body).toBeNull();
  });

  it('throws away only after that was asked', async () => {
    const bench = await show([job]);
    acts(bench)[1].click();
    await bench.settle(80);
    expect(bench.dialog()).toContain('gone for good');
    await bench.press('Cancel');
    bench.http.expectNone('/api/bin/x');
    acts(bench)[1].click();
    await bench.settle(80);
    await bench.press('Throw it away');
    bench.sent('DELETE', '/api/bin/x').flush(null);
    await bench.settle();
    bench.sent('GET', '/api/bin').flush([]);
    await bench.settle();
    expect(bench.text).toContain('The bin is empty.');
  });
});
