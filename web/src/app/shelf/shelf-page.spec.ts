import { parsePurpose } from '@odd-corner/core';
import { aPaper, aThing, PageBench, SETTINGS } from '../testing/bench';
import { ShelfPage } from './shelf-page';

describe('the shelf', () => {
  const show = async (
    papers: unknown[] = [aPaper()],
    things: unknown[] = [aThing()],
  ): Promise<PageBench<ShelfPage>> => {
    const bench = new PageBench(ShelfPage);
    await bench.settle();
    bench.answer('GET', '/api/papers', papers);
    bench.answer('GET', '/api/things', things);
    await bench.settle();
    return bench;
  };

  it('says what to do while it is empty', async () =>
    expect((await show([], [])).text).toContain('The shelf is empty'));

  it('shows size, weight, thickness and where it comes from', async () => {
    expect((await show()).text).toContain('420 × 297 mm');
    expect((await show()).text).toContain('kraft, 90 g/m², 0.12 mm');
    expect((await show([aPaper({ caliperMm: null, gsm: 100 })])).text).toContain('0.14 mm, estimated');
  });

  it('counts up and down from the version that is shown', async () => {
    const bench = await show();
    bench.button('One sheet less').click();
    const request = bench.sent('PUT', `/api/papers/${aPaper().id}`);
    expect(request.request.body).toMatchObject({ count: 4, version: 3, name: 'Kraft' });
    request.flush(aPaper({ count: 4, version: 4 }));
    await bench.settle();
    expect(bench.find('output').textContent).toBe('4');
  });

  it('cannot count below nothing', async () =>
    expect((await show([aPaper({ count: 0 })])).button('One sheet less').disabled).toBe(true));

  it('shows both counts when someone else was quicker, and keeps the one that is chosen', async () => {
    const bench = await show();
    const theirs = aPaper({ count: 9, version: 4 });
    const late = (): void =>
      bench
        .sent('PUT', `/api/papers/${aPaper().id}`)
        .flush(
          { type: 'about:blank', title: 'Changed', status: 409, detail: 'Someone changed this.', current: theirs },
          { status: 409, statusText: 'Conflict' },
        );
    bench.button('One sheet more').click();
    late();
    await bench.settle(80);
    expect(bench.dialog()).toMatch(/“Kraft” was changed meanwhile.*Sheets\s*6\s*9/);
    await bench.press('Decide later');
    expect(bench.find('output').textContent).toBe('5');
    bench.button('One sheet more').click();
    late();
    await bench.settle(80);
    await bench.press('Keep it as it is');
    expect(bench.find('output').textContent).toBe('9');
  });

  it('says nothing when someone else did just the same', async () => {
    const bench = await show();
    bench.button('One sheet more').click();
    bench.sent('PUT', `/api/papers/${aPaper().id}`).flush(
      {
        ...{ type: 'about:blank', title: 'Changed', status: 409, detail: 'Someone changed this.' },
        current: aPaper({ count: 6, version: 4 }),
      },
      { status: 409, statusText: 'Conflict' },
    );
    await bench.settle(80);
    expect(bench.dialog()).toBe('');
    expect(bench.find('output').textContent).toBe('6');
  });

  it('removes and puts back', async () => {
    const bench = await show();
    bench.button('Remove').click();
    bench.sent('DELETE', `/api/papers/${aPaper().id}`).flush(null);
    await bench.settle();
    expect(bench.text).toContain('The shelf is empty');
    document.querySelector<HTMLButtonElement>('mat-snack-bar-container button')?.click();
    await bench.settle();
    bench.sent('POST', `/api/papers/${aPaper().id}/restore`).flush(aPaper({ version: 5 }));
    await bench.settle();
    expect(bench.text).toContain('Kraft');
  });

  it('adds a thing, or a set of them, from one line', async () => {
    const bench = await show();
    bench.button('Add a thing').click();
    await bench.settle();
    await bench.write('Name', 'Hinges');
    await bench.write('What it is, and how large', '7.6 x 5 x');
    await bench.submit('oc-thing-editor form');
    bench.http.expectNone((r) => r.method === 'POST');
    expect(await bench.said('What it is, and how large')).toContain('A size is missing');
    await bench.write('What it is, and how large', '7.6 x 5 x 0.9 cm, 4 screws ø4 x 30');
    await bench.submit('oc-thing-editor form');
    expect(bench.sent('POST', '/api/things').request.body).toEqual({
      id: expect.any(String) as string,
      name: 'Hinges',
      purpose: {
        kind: 'hold',
        pieces: [
          { name: 'thing', count: 1, thing: { shape: 'block', lengthMm: 76, widthMm: 50, heightMm: 9 } },
          { name: 'screws', count: 4, posture: 'lying', thing: { shape: 'cylinder', diameterMm: 4, lengthMm: 30 } },
        ],
      },
    });
  });

  it('changes a thing from the version that is shown', async () => {
    const bench = await show();
    bench.button('Change Fuses').click();
    await bench.settle();
    expect(await bench.reads('What it is, and how large')).toBe('42 × 38 × 20 mm');
    await bench.write('What it is, and how large', '42 x 38 x 21');
    await bench.submit('oc-thing-editor form');
    const request = bench.sent('PUT', `/api/things/${aThing().id}`);
    expect(request.request.body).toMatchObject({ name: 'Fuses', version: 1 });
    request.flush({ ...aThing(), purpose: parsePurpose('42 x 38 x 21'), version: 2 });
    await bench.settle();
    expect(bench.text).toContain('42 × 38 × 21 mm');
    expect(bench.host.querySelector('oc-thing-editor')).toBeNull();
  });

  it('says what a pack costs, in its own currency and the maker’s numbers', async () => {
    const price = { minor: 1250, currency: 'GBP', sheets: 1500 } as const;
    const bench = new PageBench(ShelfPage, {}, { ...SETTINGS, decimal: 'comma' });
    await bench.settle();
    bench.answer('GET', '/api/papers', [aPaper({ price })]);
    await bench.settle();
    expect(bench.text).toMatch(/12,50 GBP for 1.500/);
    expect(bench.text).toContain('0,12 mm');
  });
});
