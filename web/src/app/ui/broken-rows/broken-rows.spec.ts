import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Papers } from '../../data/papers';
import { aPaper, listed, PageBench } from '../../testing/bench';
import { BrokenRows } from './broken-rows';

@Component({
  imports: [BrokenRows],
  template: '<oc-broken-rows [list]="papers" what="papers" />',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Page {
  readonly papers = inject(Papers);
}

describe('rows that cannot be read', () => {
  const broken = { id: 'x1', why: 'kind: Invalid option', row: { id: 'x1', name: 'Vellum', kind: 'vellum' } };
  const show = async (rows: readonly object[]): Promise<PageBench<Page>> => {
    const bench = new PageBench(Page);
    bench.fixture.componentInstance.papers.refresh();
    await bench.settle();
    bench.answer('GET', '/api/papers', { ...listed([aPaper()]), broken: rows });
    await bench.settle();
    return bench;
  };

  it('are not spoken of while there are none', async () => expect((await show([])).text.trim()).toBe(''));

  it('are named with what is wrong, kept as a file, and removed', async () => {
    const kept: Blob[] = [];
    URL.createObjectURL = (blob) => (kept.push(blob as Blob), 'blob:kept');
    URL.revokeObjectURL = () => undefined;
    jest.spyOn(HTMLAnchorElement.prototype, 'click').mockReturnValue();
    const bench = await show([broken]);
    expect(bench.text).toMatch(/One of the papers cannot be read/);
    expect(bench.text).toContain('Vellum');
    expect(bench.text).toContain('kind: Invalid option');
    bench.button('Save as a file').click();
    expect(JSON.parse(await textOf(kept[0]))).toEqual(broken);
    bench.button('Remove').click();
    bench.sent('DELETE', '/api/papers/x1').flush(null);
    await bench.settle();
    bench.answer('GET', '/api/papers', [aPaper()]);
    await bench.settle();
    expect(bench.text.trim()).toBe('');
  });
});

/** What a blob holds; the page that tests run in has no `text()` of its own. */
const textOf = (blob: Blob): Promise<string> =>
  new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.readAsText(blob);
  });
