import { TestBed } from '@angular/core/testing';
import { parsePurpose } from '@odd-corner/core';
import { Changes } from '../data/changes';
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
    const measured = await show([aPaper({ stackSheets: 20, place: 'Flat drawer', runs: 'width', lowMark: 5 })]);
    expect(measured.text).toMatch(/kraft\s*90 g\/m².*0\.12 mm\s*± 0\.003/);
    expect(measured.text).toMatch(/grain along side 1.*running low.*Flat drawer/);
    const estimated = await show([aPaper({ caliperMm: null, gsm: 100, reserved: 2 })]);
    expect(estimated.text).toMatch(/0\.14 mm\s*± 0\.014, estimated.*2 reserved, 3 free/);
  });

  it('counts up and down from the version that is shown', async () => {
    const bench = await show();
    bench.button('One sheet less').click();
    const request = bench.sent('PUT', `/api/papers/${aPaper().id}`);
    expect(request.request.body).toMatchObject({ count: 4, version: 3, name: 'Kraft' });
    request.flush(aPaper({ count: 4, version: 4 }));
    await bench.settle();
    expect(bench.find('oc-edit-cell.count').textContent.trim()).toBe('4');
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
    expect(bench.find('oc-edit-cell.count').textContent.trim()).toBe('5');
    bench.button('One sheet more').click();
    late();
    await bench.settle(80);
    await bench.press('Keep it as it is');
    expect(bench.find('oc-edit-cell.count').textContent.trim()).toBe('9');
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
    expect(bench.find('oc-edit-cell.count').textContent.trim()).toBe('6');
  });

  it('removes and puts back', async () => {
    const bench = await show();
    bench.button('More').click();
    await bench.settle();
    document.querySelector<HTMLButtonElement>('button[mat-menu-item]')?.click();
    bench.sent('DELETE', `/api/papers/${aPaper().id}`).flush(null);
    await bench.settle();
    expect(bench.text).toContain('The shelf is empty');
    document.querySelector<HTMLButtonElement>('mat-snack-bar-container button')?.click();
    await bench.settle();
    bench.sent('POST', `/api/papers/${aPaper().id}/restore`).flush(aPaper({ version: 5 }));
    await bench.settle();
    expect(bench.text).toContain('Kraft');
  });

  const rowsOf = (bench: PageBench<ShelfPage>): string[] =>
    [...bench.host.querySelectorAll('oc-edit-cell.name')].map((cell) => cell.textContent.trim());

  it('finds papers by words, shows offcuts alone, and sorts by any column', async () => {
    const papers = [
      aPaper({ id: '00000000-0000-4000-8000-000000000011', name: 'Kraft', count: 5 }),
      aPaper({ id: '00000000-0000-4000-8000-000000000012', name: 'Kraft, offcut', count: 2, offcut: true }),
      aPaper({ id: '00000000-0000-4000-8000-000000000013', name: 'Sea charts', count: 9, place: 'Rack' }),
    ];
    const bench = await show(papers);
    expect(rowsOf(bench)).toEqual(['Kraft', 'Kraft, offcut', 'Sea charts']);
    bench.find('th.mat-column-count').click();
    await bench.settle();
    expect(rowsOf(bench)).toEqual(['Kraft, offcut', 'Kraft', 'Sea charts']);
    await bench.write('Find', 'rack');
    await bench.settle();
    expect(rowsOf(bench)).toEqual(['Sea charts']);
    await bench.write('Find', '');
    await bench.choose('Show', 'Offcuts');
    await bench.settle();
    expect(rowsOf(bench)).toEqual(['Kraft, offcut']);
  });

  it('keeps what is being written in a cell when somebody else changes the list', async () => {
    const bench = await show();
    bench.find('oc-edit-cell.count button').click();
    await bench.settle();
    const box = bench.find<HTMLInputElement>('oc-edit-cell.count input');
    bench.type('oc-edit-cell.count input', '17');
    TestBed.inject(Changes).everything();
    await bench.settle(120);
    const other = aPaper({ id: '00000000-0000-4000-8000-000000000077', name: 'Another' });
    bench.answer('GET', '/api/papers', [other, aPaper({ count: 9, version: 4 })]);
    await bench.settle();
    expect(bench.host.querySelectorAll('oc-edit-cell.count')).toHaveLength(2);
    expect(bench.find<HTMLInputElement>('oc-edit-cell.count input')).toBe(box);
    expect(box.value).toBe('17');
    box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await bench.settle();
    expect(bench.text).toContain('Somebody has made it 9 meanwhile.');
    box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await bench.settle();
    expect(bench.sent('PUT', `/api/papers/${aPaper().id}`).request.body).toMatchObject({ count: 17, version: 4 });
  });

  it('edits a count where it stands, tells what is wrong, and takes it back', async () => {
    const bench = await show();
    const type = async (text: string, key: string): Promise<void> => {
      bench.find('oc-edit-cell.count button').click();
      await bench.settle();
      const box = bench.find<HTMLInputElement>('oc-edit-cell.count input');
      box.value = text;
      box.dispatchEvent(new Event('input'));
      await bench.settle();
      box.dispatchEvent(new KeyboardEvent('keydown', { key }));
      await bench.settle();
    };
    await type('minus one', 'Enter');
    expect(bench.find('oc-edit-cell.count').textContent).toContain('Count whole sheets');
    bench.http.expectNone((request) => request.method === 'PUT');
    bench.find('oc-edit-cell.count input').dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await bench.settle();
    await type('40', 'Enter');
    const sent = bench.sent('PUT', `/api/papers/${aPaper().id}`);
    expect(sent.request.body).toMatchObject({ count: 40, version: 3 });
    sent.flush(aPaper({ count: 40, version: 4 }));
    await bench.settle();
    document.querySelector<HTMLButtonElement>('mat-snack-bar-container button')?.click();
    await bench.settle();
    expect(bench.sent('PUT', `/api/papers/${aPaper().id}`).request.body).toMatchObject({ count: 5, version: 4 });
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
