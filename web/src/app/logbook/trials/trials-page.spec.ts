import type { Trial } from '@odd-corner/contract';
import { aMake, PageBench } from '../../testing/bench';
import { TrialsPage } from './trials-page';

const { make } = aMake();
const aTrial = (n: number, more: Partial<Trial> = {}): Trial => ({
  ...{ id: `00000000-0000-4000-8000-0000000008${n + 10}`, kind: 'pour', title: 'Watch parts', make, jobId: null },
  ...{ makeId: null, entryId: null, what: `Dice, try ${n}`, paperId: null, folderHandId: null, unit: 'pieces' },
  ...{ asked: {}, guess: 20, foretold: { least: 18, likely: 21, most: 24 }, truth: 22, role: 'Sorter', note: '' },
  ...{ version: 1, triedAt: `2026-11-0${n}T10:00:00.000Z`, ...more },
});

const show = async (trials: readonly Trial[]): Promise<PageBench<TrialsPage>> => {
  const bench = new PageBench(TrialsPage);
  await bench.settle();
  bench.answer('GET', '/api/trials', trials);
  await bench.settle();
  return bench;
};

describe('trials in the logbook', () => {
  it('say what to do while there are none', async () => expect((await show([])).text).toContain('Nothing tried yet'));

  it('show guess, what was told and what came, and whose guesses get better', async () => {
    const guesses = [20, 21, 11, 44, 30].map((guess, k) => aTrial(5 - k, { guess }));
    const bench = await show([...guesses, aTrial(9, { role: '', guess: null, truth: null })]);
    expect(bench.text).toMatch(/Guessed ?20 pieces ?Told ?21 pieces, 18 to 24 ?Came ?22 pieces/);
    // From the earliest on: 30 and 44 of 22 were off by 68 %, 21 and 20 by 7 %.
    expect(bench.text).toContain('Sorter: 5 guesses, off by 68 % at first and by 7 % now. They get better.');
    expect(bench.text).toContain('Say what came');
  });

  it('are set right by what came later', async () => {
    const bench = await show([aTrial(1, { truth: null })]);
    bench.button('Say what came').click();
    await bench.settle();
    await bench.write('It came to', '19,5');
    bench.button('Keep it so').click();
    await bench.settle();
    const sent = bench.sent('PUT', `/api/trials/${aTrial(1).id}`);
    expect(sent.request.body).toMatchObject({ truth: 19.5, guess: 20, version: 1 });
    sent.flush(aTrial(1, { truth: 19.5, version: 2 }));
    await bench.settle();
    expect(bench.text).toMatch(/Came ?19\.5 pieces/);
  });

  it('stand side by side as drafts: what was changed, and what it did', async () => {
    const other = {
      ...make,
      entries: make.entries.map((entry, k) => (k ? entry : { ...entry, sheet: { widthMm: 190, heightMm: 190 } })),
    };
    const bench = await show([aTrial(2, { make: other, truth: 30 }), aTrial(1)]);
    expect(bench.text).toContain('Tick two or more');
    for (const box of bench.host.querySelectorAll<HTMLInputElement>('mat-checkbox input')) box.click();
    await bench.settle();
    const table = bench.find('oc-plain-table').textContent.replace(/\s+/g, ' ');
    expect(table).toMatch(/Sheet, wide ?190 mm/);
    expect(table).toMatch(/Came ?30 pieces ?22 pieces/);
  });
});
