import { PageBench } from '../../testing/bench';
import { picking } from '../../testing/files';
import { TakenAlong } from './taken-along';

describe('a workshop that is taken along', () => {
  const kind = (more: object = {}): object => ({
    kind: 'papers',
    here: 3,
    inFile: 12_000,
    fresh: 2,
    differing: 1,
    ...more,
  });
  const incoming = (more: object = {}): object => ({
    ...{ id: '00000000-0000-4000-8000-000000000001', schema: 9, unreadable: 0, kinds: [kind()] },
    ...more,
  });
  const choose = async (answer: object | null): Promise<PageBench<TakenAlong>> => {
    const bench = new PageBench(TakenAlong);
    await bench.settle();
    await picking(new File(['{}'], 'along.json'), () => bench.button('Look at a file').click());
    await bench.settle();
    if (answer) bench.sent('POST', '/api/workshop/incoming').flush(answer);
    await bench.settle();
    return bench;
  };

  it('is a link to one file', async () => {
    const bench = new PageBench(TakenAlong);
    await bench.settle();
    const link = bench.find<HTMLAnchorElement>('a[download]');
    expect(link.getAttribute('href')).toBe('/api/workshop');
  });

  it('is looked at before anything is changed, then merged', async () => {
    const bench = await choose(incoming({ unreadable: 2 }));
    expect(bench.text).toMatch(/papers 12000 3 2 1/);
    expect(bench.text).toContain('2 of its rows cannot be read');
    bench.button('Add what is new').click();
    const sent = bench.sent('POST', '/api/workshop/incoming/accept');
    expect(sent.request.body).toEqual({ id: '00000000-0000-4000-8000-000000000001', how: 'merge' });
    sent.flush({ words: 'Added: 2 papers.' });
    await bench.settle();
    bench.answer('GET', '/api/settings', {});
    expect(bench.text).not.toContain('What the file would bring');
  });

  it('takes the place of everything only after that was asked', async () => {
    const bench = await choose(incoming());
    bench.button('Put it in place of everything').click();
    await bench.settle(80);
    expect(bench.dialog()).toContain('backed up first');
    await bench.press('Cancel');
    bench.http.expectNone('/api/workshop/incoming/accept');
    bench.button('Put it in place of everything').click();
    await bench.settle(80);
    await bench.press('Put it in place');
    expect(bench.sent('POST', '/api/workshop/incoming/accept').request.body).toMatchObject({ how: 'replace' });
  });

  it('has nothing to add where all is here, and is left', async () => {
    const bench = await choose(incoming({ kinds: [kind({ fresh: 0 })] }));
    expect(bench.button('Add what is new').disabled).toBe(true);
    bench.button('Leave it').click();
    bench.sent('DELETE', '/api/workshop/incoming').flush(null);
    await bench.settle();
    expect(bench.text).not.toContain('What the file would bring');
  });

  it('is refused with what is wrong and where; reading it can be stopped', async () => {
    const bench = await choose(null);
    const message = 'A value here is a text, a number or null.';
    bench.sent('POST', '/api/workshop/incoming').flush(
      {
        type: 'about:blank',
        title: 'x',
        status: 400,
        detail: message,
        issues: [{ path: ['tables', 'papers', 4, 'name'], message }],
      },
      { status: 400, statusText: 'Bad Request' },
    );
    await bench.settle();
    expect(bench.text).toContain(`${message} In the file at tables › papers › 4 › name`);
    await picking(new File(['{}'], 'along.json'), () => bench.button('Look at a file').click());
    await bench.settle();
    const sent = bench.sent('POST', '/api/workshop/incoming');
    bench.button('Stop').click();
    await bench.settle();
    expect(sent.cancelled).toBe(true);
    expect(bench.button('Look at a file').disabled).toBe(false);
  });
});
