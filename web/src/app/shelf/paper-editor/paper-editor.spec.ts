import { aPaper, PageBench, SETTINGS } from '../../testing/bench';
import { PaperEditor } from './paper-editor';

describe('writing a paper down', () => {
  const fill = (bench: PageBench<PaperEditor>, texts: Readonly<Record<string, string>>): void =>
    Object.entries(texts).forEach(([field, text]) => bench.type(`#p-${field}`, text));
  const submit = async (bench: PageBench<PaperEditor>): Promise<void> => {
    bench.find('form').dispatchEvent(new Event('submit', { cancelable: true }));
    await bench.settle();
  };

  it('reads sizes in any unit and sends millimetres', async () => {
    const bench = new PageBench(PaperEditor, { paper: null });
    fill(bench, { name: 'Kraft', size: '8 1/2 x 11 in', count: '12', gsm: '90', caliper: '0,12' });
    await submit(bench);
    const body = bench.sent('POST', '/api/papers').request.body as Record<string, unknown>;
    expect(body).toMatchObject({ name: 'Kraft', count: 12, gsm: 90, caliperMm: 0.12 });
    expect(body['widthMm']).toBeCloseTo(215.9, 9);
    expect(body['heightMm']).toBeCloseTo(279.4, 9);
  });

  it('takes bare numbers in the workshop’s unit and leaves an unmeasured thickness open', async () => {
    const bench = new PageBench(PaperEditor, { paper: null }, { ...SETTINGS, unit: 'cm' });
    await bench.settle();
    fill(bench, { name: 'Sheets', size: '15 x 15', count: '3' });
    await submit(bench);
    expect(bench.sent('POST', '/api/papers').request.body).toMatchObject({
      widthMm: 150,
      heightMm: 150,
      caliperMm: null,
    });
  });

  it.each([
    ['name', { name: ' ' }, 'Give it a name.'],
    ['size', { size: '297' }, 'Write two sizes'],
    ['size', { size: '297 x 12 furlongs' }, 'is not a unit known here'],
    ['count', { count: '1.5' }, 'Count whole sheets'],
    ['gsm', { gsm: 'heavy' }, 'Write a weight from 10 to 600'],
    ['caliper', { caliper: '9' }, 'at most 2 mm thick'],
  ])('tells what is wrong with the %s beside it and sends nothing', async (field, wrong, told) => {
    const bench = new PageBench(PaperEditor, { paper: null });
    fill(bench, { name: 'Kraft', size: '297 x 210', count: '5', gsm: '80', ...wrong });
    await submit(bench);
    bench.http.expectNone('/api/papers');
    expect(bench.find(`#p-${field}-note`).textContent).toContain(told);
    expect(bench.find(`#p-${field}`).getAttribute('aria-invalid')).toBe('true');
  });

  it('changes a paper from the version that was seen, and shows what the server finds wrong', async () => {
    const bench = new PageBench(PaperEditor, { paper: aPaper() });
    await bench.settle();
    expect(bench.find<HTMLInputElement>('#p-size').value).toBe('420 x 297 mm');
    fill(bench, { count: '4' });
    await submit(bench);
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
    expect(bench.find('#p-name-note').textContent).toContain('That name is taken.');
    expect(bench.find<HTMLInputElement>('#p-count').value).toBe('4');
  });
});
