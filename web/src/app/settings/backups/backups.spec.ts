import { PageBench } from '../../testing/bench';
import { Backups } from './backups';

describe('backups', () => {
  const one = { name: 'workshop-2026-11-29T02-15-00Z.sqlite', at: '2026-11-29T02:15:00Z', bytes: 2_345_678 };
  const old = { name: 'workshop-2026-10-01T08-00-00Z-before-0005.sqlite', at: '2026-10-01T08:00:00Z', bytes: 90_000 };
  const show = async (all: readonly object[]): Promise<PageBench<Backups>> => {
    const bench = new PageBench(Backups);
    await bench.settle();
    bench.sent('GET', '/api/backups').flush(all);
    await bench.settle();
    return bench;
  };

  it('are listed with when and how large, the reason of some, and made when asked', async () => {
    const bench = await show([one, old]);
    expect(bench.text).toMatch(/29 Nov 2026|2026/);
    expect(bench.text).toContain('2.3 MB');
    expect(bench.text).toContain('before a new version');
    bench.button('Make a backup now').click();
    await bench.settle();
    expect(bench.button('Make a backup now').disabled).toBe(true);
    bench.sent('POST', '/api/backups').flush(one);
    bench.sent('GET', '/api/backups').flush([one, one, old]);
    await bench.settle();
    expect(bench.host.querySelectorAll('tr[mat-row]')).toHaveLength(3);
    expect(bench.button('Make a backup now').disabled).toBe(false);
  });

  it('are put back only after that was asked, and then everything is read anew', async () => {
    const bench = await show([one]);
    bench.find<HTMLButtonElement>('td.acts button').click();
    await bench.settle(80);
    expect(bench.dialog()).toContain('What is here now is backed up first');
    await bench.press('Cancel');
    bench.http.expectNone('/api/backups/restore');
    bench.find<HTMLButtonElement>('td.acts button').click();
    await bench.settle(80);
    await bench.press('Put it back');
    const { request } = bench.sent('POST', '/api/backups/restore');
    expect(request.body).toEqual({ name: one.name });
  });

  it('say so when there are none, and why when they cannot be read', async () => {
    expect((await show([])).text).toContain('None yet.');
    const bench = new PageBench(Backups);
    await bench.settle();
    bench
      .sent('GET', '/api/backups')
      .flush(
        { type: 'about:blank', title: 'No', status: 422, detail: 'This workshop lies in no file.' },
        { status: 422, statusText: 'Unprocessable' },
      );
    await bench.settle();
    expect(bench.text).toContain('This workshop lies in no file.');
    bench.button('Try again').click();
    bench.sent('GET', '/api/backups').flush([old]);
    await bench.settle();
    expect(bench.host.querySelectorAll('tr[mat-row]')).toHaveLength(1);
  });
});
