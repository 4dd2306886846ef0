import type { Paper } from '@odd-corner/contract';
import { aPaper, PageBench, SETTINGS } from '../../testing/bench';
import { PaperEditor } from './paper-editor';

describe('writing a paper down', () => {
  const fill = async (bench: PageBench<PaperEditor>, texts: Readonly<Record<string, string>>): Promise<void> => {
    for (const [field, text] of Object.entries(texts)) await bench.write(field, text);
  };
  const show = async (paper: Paper | null, settings = SETTINGS): Promise<PageBench<PaperEditor>> => {
    const bench = new PageBench(PaperEditor, { paper }, settings);
    await bench.settle();
    return bench;
  };

  it('reads sizes in any unit and sends millimetres', async () => {
    const bench = await show(null);
    await fill(bench, {
      Name: 'Kraft',
      'Size of one sheet': '8 1/2 x 11 in',
      Sheets: '12',
      Weight: '90',
      'Thickness of a stack': '2,4',
      'Sheets in the stack': '20',
    });
    await bench.submit();
    const body = bench.sent('POST', '/api/papers').request.body as Record<string, unknown>;
    expect(body).toMatchObject({ name: 'Kraft', count: 12, gsm: 90, caliperMm: 0.12 });
    expect(body['widthMm']).toBeCloseTo(215.9, 9);
    expect(body['heightMm']).toBeCloseTo(279.4, 9);
  });

  it('takes bare numbers in the workshop’s unit and leaves an unmeasured thickness open', async () => {
    const bench = await show(null, { ...SETTINGS, unit: 'cm' });
    await fill(bench, { Name: 'Sheets', 'Size of one sheet': '15 x 15', Sheets: '3' });
    await bench.submit();
    expect(bench.sent('POST', '/api/papers').request.body).toMatchObject({
      widthMm: 150,
      heightMm: 150,
      caliperMm: null,
    });
  });

  it('begins with the sheet that the workshop prints on, and takes a sheet by its name', async () => {
    const letter = await show(null, { ...SETTINGS, page: 'Letter', unit: 'in' });
    expect(await letter.reads('Size of one sheet')).toBe('11 × 8 1/2 in');
    const bench = await show(null);
    expect(await bench.reads('Size of one sheet')).toBe('297 × 210 mm');
    await fill(bench, { Name: 'Big', 'Size of one sheet': 'a3', Sheets: '3' });
    await bench.submit();
    expect(bench.sent('POST', '/api/papers').request.body).toMatchObject({ widthMm: 420, heightMm: 297 });
  });

  it('keeps a price in cents, with its currency and pack, and writes it as the maker does', async () => {
    const euro = { ...SETTINGS, decimal: 'comma' } as const;
    const bench = await show(null, euro);
    await fill(bench, { Name: 'Pack', Sheets: '50', Price: '12,50', 'for how many sheets': '50' });
    await bench.submit();
    const price = { minor: 1250, currency: 'EUR', sheets: 50 } as const;
    expect(bench.sent('POST', '/api/papers').request.body).toMatchObject({ price });
    const again = await show(aPaper({ price, caliperMm: 0.12, stackSheets: 20 }), euro);
    expect([await again.reads('Price'), await again.reads('Thickness of a stack')]).toEqual(['12,50', '2,4']);
    await again.write('Price', '');
    await again.submit();
    expect(again.sent('PUT', `/api/papers/${aPaper().id}`).request.body).toMatchObject({ price: null });
  });

  it.each([
    ['Name', ' ', 'Give it a name.'],
    ['Size of one sheet', '297', 'Write two sizes'],
    ['Size of one sheet', '297 x 12 furlongs', 'is not a unit known here'],
    ['Size of one sheet', '', 'Write the size of one sheet'],
    ['Size of one sheet', '4 m x 2 m', 'at most 3 m'],
    ['Sheets', '1.5', 'Count whole sheets'],
    ['Sheets', '1,200', 'Count whole sheets'],
    ['Weight', 'heavy', 'or 20 lb bond'],
    ['Weight', '', 'Write a weight from 10 to 600'],
    ['Thickness of a stack', '9', 'Of one sheet: Paper is at most 2 mm thick'],
    ['Thickness of a stack', '0.1 in', 'Write a thickness in mm'],
    ['Price', '1.005', 'Write a price'],
    ['for how many sheets', '0', 'one sheet or more'],
  ])('tells what is wrong with %s “%s” beside it and sends nothing', async (field, text, told) => {
    const bench = await show(null);
    await fill(bench, { Name: 'Kraft', 'Size of one sheet': '297 x 210', Sheets: '5', Weight: '80', [field]: text });
    await bench.submit();
    bench.http.expectNone('/api/papers');
    expect(await bench.said(field)).toContain(told);
    expect(await bench.reads(field)).toBe(text);
    expect(await bench.isWrong(field)).toBe(true);
  });

  it('says nothing of a field that nobody has touched yet', async () => {
    const bench = await show(null);
    for (const field of ['Name', 'Sheets']) expect(await bench.isWrong(field)).toBe(false);
    await bench.submit();
    for (const field of ['Name', 'Sheets']) expect(await bench.isWrong(field)).toBe(true);
  });

  it('changes a paper from the version that was seen, and shows what the server finds wrong', async () => {
    const bench = await show(aPaper());
    expect(await bench.reads('Size of one sheet')).toBe('420 × 297 mm');
    await fill(bench, { Sheets: '4' });
    await bench.submit();
    const request = bench.sent('PUT', `/api/papers/${aPaper().id}`);
    expect(request.request.body).toMatchObject({ count: 4, version: 3 });
    request.flush(
      {
        type: 'about:blank',
        title: 'No',
        status: 400,
        detail: 'No',
        issues: [{ path: ['name'], message: 'That name is taken.' }],
      },
      { status: 400, statusText: 'Bad Request' },
    );
    await bench.settle();
    expect(await bench.said('Name')).toBe('That name is taken.');
    expect(await bench.reads('Sheets')).toBe('4');
    await bench.write('Name', 'Another');
    expect(await bench.isWrong('Name')).toBe(false);
  });

  it('takes back what was changed, and a paper that was just added', async () => {
    const undo = async (bench: PageBench<PaperEditor>): Promise<void> => {
      await bench.settle();
      document.querySelector<HTMLButtonElement>('mat-snack-bar-container button')?.click();
      await bench.settle();
    };
    const changed = await show(aPaper());
    await fill(changed, { Sheets: '40' });
    await changed.submit();
    changed.sent('PUT', `/api/papers/${aPaper().id}`).flush(aPaper({ count: 40, version: 4 }));
    await undo(changed);
    expect(changed.sent('PUT', `/api/papers/${aPaper().id}`).request.body).toMatchObject({ count: 5, version: 4 });
    const added = await show(null);
    await fill(added, { Name: 'Kraft', Sheets: '3' });
    await added.submit();
    const sent = added.sent('POST', '/api/papers');
    const { id } = sent.request.body as { id: string };
    sent.flush(aPaper({ id, count: 3 }));
    await undo(added);
    added.sent('DELETE', `/api/papers/${id}`);
  });

  it('sends a new paper under one id as long as it stands open, and the next under another', async () => {
    const sent = async (bench: PageBench<PaperEditor>): Promise<string> => {
      await bench.submit();
      const request = bench.sent('POST', '/api/papers');
      request.error(new ProgressEvent('error'));
      await bench.settle();
      return (request.request.body as { id: string }).id;
    };
    const open = async (): Promise<PageBench<PaperEditor>> => {
      const bench = await show(null);
      await fill(bench, { Name: 'Kraft', Sheets: '3' });
      return bench;
    };
    const bench = await open();
    const first = await sent(bench);
    expect(await sent(bench)).toBe(first);
    expect(await bench.reads('Sheets')).toBe('3');
    expect(await sent(await open())).not.toBe(first);
  });
});
