import { aMake, PageBench } from '../../testing/bench';
import { textOf } from '../../testing/files';
import { PrintMake } from './print-make';

describe('what goes on paper', () => {
  beforeEach(() => {
    localStorage.clear();
    HTMLAnchorElement.prototype.click = () => undefined;
    Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined });
  });
  const bench = (): PageBench<PrintMake> => new PageBench(PrintMake, { make: aMake(), title: 'Watch parts' });

  it('is asked for with the printer’s paper, each sheet by itself, and the paper is remembered', async () => {
    const b = bench();
    await b.settle(30);
    await b.choose('Printer’s paper', 'Letter');
    await b.choose('Booklet', '9 steps a page');
    b.button('Booklet of the steps').click();
    const booklet = b.http.expectOne((request) => request.url.endsWith('/booklet'));
    expect(
      Object.fromEntries(booklet.request.params.keys().map((key) => [key, booklet.request.params.get(key)])),
    ).toEqual({
      page: 'letter',
      perPage: '9',
    });
    await b.settle(30);
    expect(b.text).toContain('Setting the pages');
    booklet.flush(new Blob(['%PDF']));
    await b.settle(30);
    expect(b.text).not.toContain('Setting the pages');
    b.button('Creases of the Tray').click();
    const sheet = b.http.expectOne((request) => request.url.endsWith('/crease-sheet'));
    expect(sheet.request.params.get('entry')).toBe('tray');
    sheet.flush(new Blob(['%PDF']));
    const again = bench();
    await again.settle(30);
    again.button('Labels').click();
    expect(again.http.expectOne((request) => request.url.endsWith('/labels')).request.params.get('page')).toBe(
      'letter',
    );
  });

  it('that the server cannot print says why', async () => {
    const b = bench();
    await b.settle(30);
    b.button('Labels').click();
    // The browser that tests run in has no such method.
    Object.assign(Blob.prototype, {
      text(this: Blob) {
        return textOf(this);
      },
    });
    const refused = { type: 'about:blank', title: 'Busy', status: 503, detail: 'Too much is being printed just now.' };
    b.http
      .expectOne((request) => request.url.endsWith('/labels'))
      .flush(new Blob([JSON.stringify(refused)]), { status: 503, statusText: 'x' });
    for (let k = 0; k < 20 && !document.body.textContent?.includes('Too much is being printed'); k++)
      await b.settle(40);
    expect(document.body.textContent).toContain('Too much is being printed just now.');
  });
});
