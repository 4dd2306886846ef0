import { aPaper, aThing, PageBench } from '../testing/bench';
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

  it('reads the shelf again when someone else was quicker', async () => {
    const bench = await show();
    bench.button('One sheet more').click();
    bench.sent('PUT', `/api/papers/${aPaper().id}`).flush(
      {
        type: 'about:blank',
        title: 'Changed',
        status: 409,
        detail: 'Someone changed this.',
        current: aPaper({ count: 9, version: 4 }),
      },
      { status: 409, statusText: 'Conflict' },
    );
    bench.answer('GET', '/api/papers', [aPaper({ count: 9, version: 4 })]);
    await bench.settle();
    expect(bench.find('output').textContent).toBe('9');
    expect(document.querySelector('mat-snack-bar-container')?.textContent).toContain('Someone changed this.');
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
    bench.type('#t-name', 'Hinges');
    bench.type('#t-holds', '7.6 x 5 x');
    bench.find('oc-thing-editor form').dispatchEvent(new Event('submit', { cancelable: true }));
    await bench.settle();
    bench.http.expectNone((r) => r.method === 'POST');
    expect(bench.find('#t-holds-note').textContent).toContain('A size is missing');
    bench.type('#t-holds', '7.6 x 5 x 0.9 cm, 4 screws ø4 x 30');
    bench.find('oc-thing-editor form').dispatchEvent(new Event('submit', { cancelable: true }));
    expect(bench.sent('POST', '/api/things').request.body).toEqual({
      name: 'Hinges',
      purpose: {
        kind: 'hold',
        pieces: [
          { name: 'thing', count: 1, thing: { shape: 'block', lengthMm: 76, widthMm: 50, heightMm: 9 } },
          { name: 'screws', count: 4, thing: { shape: 'cylinder', diameterMm: 4, lengthMm: 30 } },
        ],
      },
    });
  });
});
