import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { MatSortHarness } from '@angular/material/sort/testing';
import { MatTableHarness } from '@angular/material/table/testing';
import type { JobDraft, LogEntry, LogEntryChange } from '@odd-corner/contract';
import { aJob, aPaper, aPiece, insideOf, PageBench, SETTINGS } from '../testing/bench';
import { textOf } from '../testing/files';
import { LogbookPage } from './logbook-page';

describe('the logbook', () => {
  const predicted = insideOf(aPiece());
  const off = (mm: number): Record<string, number> => ({
    ...predicted,
    'tray/box.lengthMm': predicted['tray/box.lengthMm'] + mm,
    'tray/box.depthMm': predicted['tray/box.depthMm'] - mm,
  });
  const second = '00000000-0000-4000-8000-000000000099';
  const third = '00000000-0000-4000-8000-000000000098';
  const show = async (pieces: unknown, settings = SETTINGS): Promise<PageBench<LogbookPage>> => {
    const bench = new PageBench(LogbookPage, {}, settings);
    await bench.settle();
    bench.answer('GET', '/api/log', pieces);
    bench.answer('GET', '/api/papers', [aPaper()]);
    await bench.settle();
    return bench;
  };

  it('says what to do while it is empty', async () => expect((await show([])).text).toContain('Nothing folded yet'));

  const cards = (bench: PageBench<LogbookPage>): string[] =>
    [...bench.host.querySelectorAll('.spreads .card')].map((card) => (card.textContent ?? '').replace(/\s+/g, ' '));

  it('averages measured less predicted within form and paper, with sign and spread, never over unlike things', async () => {
    const rust = [{ paperId: null, paperName: 'Rust squares', sheets: 1 }];
    const bench = await show([
      aPiece({ measured: off(1) }),
      aPiece({ id: second, measured: off(2) }),
      aPiece({ id: third, measured: off(-5), sheetsUsed: rust }),
    ]);
    const [kraft, other] = cards(bench);
    expect(kraft).toMatch(/on Kraft, 2 measured/);
    expect(kraft).toMatch(/Inside, long ?\+1\.5 mm ?give or take 0\.7/);
    expect(kraft).toMatch(/Inside, wide ?0 mm/);
    expect(kraft).toMatch(/Inside, deep ?−1\.5 mm/);
    expect(other).toMatch(/on Rust squares, one measured/);
    expect(other).toMatch(/Inside, long ?−5 mm/);
    expect(other).not.toContain('give or take');
  });

  it('leaves what was not measured out of the average', async () => {
    const bench = await show([aPiece({ measured: off(1) }), aPiece({ id: second, measured: {} })]);
    expect(cards(bench)).toHaveLength(1);
    expect(bench.text).toContain('one measured');
    expect(bench.text).toContain('not measured');
  });

  it('is narrowed by words, form, paper and time', async () => {
    const boat = { ...aPiece().make, formId: 'square-canoe' };
    const [now, old] = [new Date().toISOString(), '2001-01-01T10:00:00.000Z'];
    const bench = await show([
      aPiece({ title: 'Watch parts', note: 'Tight corners', foldedAt: old }),
      aPiece({ id: second, title: 'Duck', make: boat, foldedAt: now, sheetsUsed: [] }),
      aPiece({ id: third, title: 'From nowhere', make: { ...boat, formId: 'paper-moon' }, foldedAt: old }),
    ]);
    const titles = (): string[] =>
      [...bench.host.querySelectorAll('tr[mat-row] td:first-child')].map(
        (cell) => /Watch parts|Duck|From nowhere/.exec(cell.textContent ?? '')?.[0] ?? '',
      );
    expect(titles()).toHaveLength(3);
    expect(bench.text).toContain('paper-moon');
    // The server looks through all of them, not only those that are shown.
    const reply = async (answer: readonly LogEntry[]): Promise<Record<string, string>> => {
      await bench.settle(300);
      const found = bench.http.match((request) => request.url === '/api/log').filter(({ cancelled }) => !cancelled);
      expect(found).toHaveLength(1);
      found[0].flush({ rows: [...answer], broken: [], total: answer.length, next: null });
      await bench.settle();
      const { params } = found[0].request;
      return Object.fromEntries(params.keys().map((key) => [key, params.get(key)!]));
    };
    await bench.write('Find', 'TIGHT corners');
    expect(await reply([])).toEqual({ limit: '100', search: 'TIGHT corners' });
    expect(bench.text).toContain('Nothing matches.');
    await bench.write('Find', '');
    expect(await reply([aPiece()])).toEqual({ limit: '100' });
    await bench.choose('Form', 'Pointed canoe');
    expect(await reply([])).toEqual({ limit: '100', form: 'square-canoe' });
    await bench.choose('Form', 'any form');
    await reply([aPiece()]);
    await bench.choose('Paper', 'Kraft');
    expect(await reply([])).toEqual({ limit: '100', paper: aPaper().id });
    await bench.choose('Folded', 'in the last 30 days');
    const { from } = await reply([]);
    expect(Date.now() - Date.parse(from)).toBeLessThan(31 * 86_400_000);
  });

  it('shows a part of a long one, says so, and reads the next when that is asked for', async () => {
    const bench = new PageBench(LogbookPage);
    await bench.settle();
    bench.sent('GET', '/api/log').flush({ rows: [aPiece()], broken: [], total: 20_000, next: 'further' });
    await bench.settle();
    expect(bench.text).toContain('The latest 1 of 20000 are shown');
    bench.button('Show more').click();
    const more = bench.sent('GET', '/api/log');
    expect(more.request.params.get('cursor')).toBe('further');
    more.flush({ rows: [aPiece({ id: second, title: 'Older' })], broken: [], total: 20_000, next: null });
    await bench.settle();
    expect(bench.text).toMatch(/Watch parts.*Older/);
    expect(bench.text).not.toContain('Show more');
  });

  it('is saved whole as a table for other programs', async () => {
    const bench = await show([aPiece({ measured: off(1), note: 'Crisp, "blue"' })]);
    const made = jest.fn((_: Blob) => 'blob:');
    Object.assign(URL, { createObjectURL: made, revokeObjectURL: () => undefined });
    bench.button('Save all as a table').click();
    bench.answer('GET', '/api/log', [aPiece({ measured: off(1), note: 'Crisp, "blue"' })]);
    for (let k = 0; k < 20 && !made.mock.calls.length; k++) await bench.settle(40);
    const text = await textOf(made.mock.calls[0][0]);
    expect(text.split('\r\n')[0]).toContain('Size,Predicted mm,Spread mm,Measured mm,Measured less predicted mm,Note');
    expect(text).toMatch(/Watch parts,Square tray.*,"Crisp, ""blue"""/);
  });

  it('takes a piece out, says what goes back, and can write it down again', async () => {
    const bench = await show([aPiece({ measured: off(1) })]);
    bench.button('Take out').click();
    bench.sent('DELETE', `/api/log/${aPiece().id}`).flush(null);
    await bench.settle();
    expect(bench.text).toContain('Nothing folded yet');
    const bar = document.querySelector('mat-snack-bar-container');
    expect(bar?.textContent).toContain('1 of Kraft back on the shelf');
    bar?.querySelector('button')?.click();
    await bench.settle();
    bench.sent('POST', `/api/log/${aPiece().id}/restore`).flush(aPiece({ measured: off(1) }));
    bench.answer('GET', '/api/log', [aPiece({ measured: off(1) })]);
    await bench.settle();
    expect(bench.text).toContain('Watch parts');
  });

  it('says why when the server is not answering, and tries again', async () => {
    const bench = new PageBench(LogbookPage);
    await bench.settle();
    bench.sent('GET', '/api/log').error(new ProgressEvent('error'));
    await bench.settle();
    expect(bench.text).toContain('is not answering');
    bench.button('Try again').click();
    bench.answer('GET', '/api/log', [aPiece()]);
    await bench.settle();
    expect(bench.text).toContain('Watch parts');
  });

  it('refuses an answer that is not what was agreed', async () => {
    const bench = await show([{ ...aPiece(), predicted: 'large' }]);
    expect(bench.text).toContain('That could not be read');
  });

  it('sorts by any column', async () => {
    const many = Array.from({ length: 53 }, (_, k) =>
      aPiece({
        id: `00000000-0000-4000-8000-${String(k + 100).padStart(12, '0')}`,
        title: `No. ${k}:`,
        minutes: k === 5 ? null : (k * 7) % 53,
        measured: k % 9 ? off(((k * 5) % 53) / 10) : {},
        foldedAt: new Date(Date.UTC(2026, 0, 1 + ((k * 11) % 53))).toISOString(),
      }),
    );
    const bench = await show(many);
    const loader = TestbedHarnessEnvironment.loader(bench.fixture);
    const table = await loader.getHarness(MatTableHarness);
    const titles = async (): Promise<string[]> =>
      (await table.getCellTextByColumnName())['piece'].text.map((text) => /No\. \d+:/.exec(text)?.[0] ?? '');
    const by = (value: (piece: LogEntry) => string | number): string[] =>
      [...many].sort((p, q) => (value(p) < value(q) ? -1 : 1)).map(({ title }) => title);
    expect(await titles()).toEqual(by(({ foldedAt }) => foldedAt).reverse());
    const sort = await loader.getHarness(MatSortHarness);
    const [minutes] = await sort.getSortHeaders({ label: 'Minutes' });
    await minutes.click();
    expect(await titles()).toEqual(by((piece) => piece.minutes ?? -1));
    const [worst] = await sort.getSortHeaders({ label: 'Measured' });
    await worst.click();
    await worst.click();
    const worstOf = ({ measured }: LogEntry): number => {
      const length = measured['tray/box.lengthMm'] as number | undefined;
      return length === undefined ? -1 : Math.abs(length - predicted['tray/box.lengthMm']);
    };
    const shown = (await titles()).map((title) => worstOf(many.find((piece) => piece.title === title)!));
    const sorted = many.map(worstOf).sort((p, q) => q - p);
    shown.forEach((mm, k) => expect(mm).toBeCloseTo(sorted[k], 9));
  });
});

describe('an entry of the logbook', () => {
  const entry = aPiece({ measured: { 'tray/box.lengthMm': 62 }, note: 'Crisp.' });
  const URL = `/api/log/${entry.id}`;
  const show = async (): Promise<PageBench<LogbookPage>> => {
    const bench = new PageBench(LogbookPage);
    await bench.settle();
    bench.answer('GET', '/api/log', [entry]);
    bench.answer('GET', '/api/hands', []);
    await bench.settle();
    return bench;
  };
  const correct = async (): Promise<PageBench<LogbookPage>> => {
    const bench = await show();
    bench.button('Correct').click();
    for (let k = 0; k < 20 && !bench.dialog().includes('Folded on'); k++) await bench.settle(60);
    bench.answer('GET', '/api/hands', []);
    await bench.settle(60);
    return bench;
  };
  const IN = 'mat-dialog-container';

  it('is corrected where it stands: what is not touched stays', async () => {
    const bench = await correct();
    expect(await bench.reads('Inside, long', IN)).toBe('62 mm');
    expect(await bench.reads('Note', IN)).toBe('Crisp.');
    await bench.write('Inside, wide', '61', IN);
    await bench.write('Minutes', '31', IN);
    await bench.write('Folded on', '2026-11-05', IN);
    await bench.press('Keep it so');
    const body = bench.sent('PUT', URL).request.body as LogEntryChange;
    expect(body).toMatchObject({
      ...{ version: 1, minutes: 31, note: 'Crisp.', copies: 1, fits: null },
      measured: { 'tray/box.lengthMm': 62, 'tray/box.widthMm': 61 },
      sheetsUsed: [{ paperId: entry.sheetsUsed[0].paperId, sheets: 1 }],
    });
    expect(body.foldedAt.slice(0, 10)).toBe('2026-11-05');
  });

  it.each(['2026-02-30', 'yesterday', '5.11.2026'])('is on no day called “%s”', async (text) => {
    const bench = await correct();
    await bench.write('Folded on', text, IN);
    await bench.press('Keep it so');
    bench.http.expectNone((request) => request.method === 'PUT');
    expect(await bench.said('Folded on', IN)).toContain('Write a day as year-month-day');
  });

  it('is folded again as it was, for what its job was for', async () => {
    const bench = await show();
    const job = aJob();
    bench.button('Fold again').click();
    bench.answer('GET', `/api/jobs/${job.id}`, job);
    const { title, makes } = bench.sent('POST', '/api/jobs').request.body as JobDraft;
    expect(title).toBe(entry.title);
    expect(makes).toMatchObject([{ asked: { text: '60 x 45 x 22' }, make: entry.make, count: 1 }]);
  });

  it('whose job is gone is folded again without its purpose', async () => {
    const bench = await show();
    bench.button('Fold again').click();
    bench
      .sent('GET', `/api/jobs/${entry.jobId}`)
      .flush({ type: 'about:blank', title: 'Not found', status: 404 }, { status: 404, statusText: 'Not Found' });
    const { makes } = bench.sent('POST', '/api/jobs').request.body as JobDraft;
    expect(makes).toMatchObject([{ asked: { text: '', purpose: null }, make: entry.make }]);
  });
});
