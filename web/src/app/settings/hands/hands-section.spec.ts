import { PageBench } from '../../testing/bench';
import { HandsSection } from './hands-section';

describe('who folds', () => {
  const ines = { id: '00000000-0000-4000-8000-000000000071', name: 'Ines', missMm: 0.25, version: 1 };
  const show = async (rows: object[]): Promise<PageBench<HandsSection>> => {
    const bench = new PageBench(HandsSection);
    await bench.settle();
    bench.answer('GET', '/api/hands', rows);
    await bench.settle();
    return bench;
  };

  it('is written down by name and by how far a mark is missed, in any unit', async () => {
    const bench = await show([]);
    bench.button('Add a hand').click();
    await bench.settle();
    await bench.write('Name or role', 'Helpers');
    await bench.write('Misses a mark by', '0.06 cm');
    await bench.submit();
    const { request } = bench.sent('POST', '/api/hands');
    expect(request.body).toMatchObject({ name: 'Helpers' });
    expect((request.body as { missMm: number }).missMm).toBeCloseTo(0.6, 12);
  });

  it.each([
    ['Name or role', '   ', 'Give it a name.'],
    ['Misses a mark by', '9', 'is not a fold'],
    ['Misses a mark by', '0', 'more than zero'],
  ])('says beside “%s” why “%s” cannot be', async (field, text, told) => {
    const bench = await show([]);
    bench.button('Add a hand').click();
    await bench.settle();
    await bench.write('Name or role', 'Ines');
    await bench.write('Misses a mark by', '0.3');
    await bench.write(field, text);
    await bench.submit();
    bench.http.expectNone((request) => request.method === 'POST');
    expect(await bench.said(field)).toContain(told);
  });

  it('is changed by version, removed, and put back', async () => {
    const bench = await show([ines]);
    expect(bench.text).toContain('misses by about 0.25 mm');
    const [change, remove] = [...bench.host.querySelectorAll<HTMLButtonElement>('li button')];
    change.click();
    await bench.settle();
    await bench.write('Name or role', 'Ines, left-handed');
    await bench.submit();
    const sent = bench.sent('PUT', `/api/hands/${ines.id}`);
    expect(sent.request.body).toMatchObject({ name: 'Ines, left-handed', missMm: 0.25, version: 1 });
    sent.flush({ ...ines, name: 'Ines, left-handed', version: 2 });
    await bench.settle();
    remove.click();
    bench.sent('DELETE', `/api/hands/${ines.id}`).flush(null);
    await bench.settle();
    expect(bench.host.querySelectorAll('li')).toHaveLength(0);
    [...document.querySelectorAll<HTMLButtonElement>('mat-snack-bar-container button')].at(-1)?.click();
    await bench.settle();
    bench.sent('POST', `/api/hands/${ines.id}/restore`).flush(ines);
    await bench.settle();
    expect(bench.text).toContain('Ines');
  });
});
