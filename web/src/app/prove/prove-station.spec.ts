import { type Trial } from '@odd-corner/contract';
import { aJob, aMake, aPaper, atStation, listed, type PageBench } from '../testing/bench';
import { trialsOf } from './can-try';
import { ProveStation } from './prove-station/prove-station';

/** Waits until something is told, as long as a pour takes. */
async function until(bench: PageBench<ProveStation>, words: RegExp, seconds = 40): Promise<void> {
  for (let k = 0; k < 4 * seconds && !words.test(bench.text); k++) await bench.settle(250);
  expect(bench.text).toMatch(words);
}

const station = async (make: Parameters<typeof aMake>[0], trials: readonly Partial<Trial>[] = []) => {
  const bench = await atStation(ProveStation, aJob({ makes: [aMake(make)] }), { papers: [aPaper()] });
  bench.answer('GET', '/api/trials', trials);
  await bench.settle();
  return bench;
};

describe('what can be tried of a form', () => {
  it('follows from what its rooms hold', () => {
    const ids = (formId: string): readonly string[] => trialsOf(formId).map(({ id }) => id);
    expect(ids('square-tray-and-eared-lid')).toEqual(['pour', 'hold']);
    expect(ids('square-canoe')).toEqual(['float', 'hold']);
    expect(ids('bead-track-straight')).toEqual(['roll', 'hold']);
    expect(ids('card-template-wrap')).toEqual(['hold']);
    expect(ids('constructor')).toEqual([]);
  });
});

describe('the station where a make is proved', () => {
  it('pours things in, tells how many, and keeps a guess that came before', async () => {
    const bench = await station({});
    await bench.choose('Each is', 'a block');
    for (const side of ['Long', 'Wide', 'High']) await bench.write(side, '12');
    await bench.write('Your guess', '40');
    bench.button('Pour them in').click();
    await until(bench, /From 3 pours/);
    expect(bench.text).toMatch(/Comfortable.*Level.*Heaped.*Room up to the rim/);
    await bench.write('It came to', '31');
    bench.button('Write the trial down').click();
    await bench.settle();
    const { body } = bench.sent('POST', '/api/trials').request as { body: Trial };
    expect(body).toMatchObject({ kind: 'pour', guess: 40, truth: 31, unit: 'pieces', role: '' });
    expect(body.what).toContain('12');
    const { least, likely, most } = body.foretold!;
    expect(least).toBeGreaterThan(3);
    expect(likely).toBeGreaterThanOrEqual(least);
    expect(most).toBeGreaterThanOrEqual(likely);
    // What is guessed once it was told is none.
    expect(bench.text).toMatch(/Your guess ?40 pieces/);
  }, 90_000);

  it('tells from the room alone where there are too many, and asks for sizes that can be poured', async () => {
    const bench = await station({});
    await bench.choose('Each is', 'a ball');
    await bench.write('Across', '1 mm');
    expect(await bench.said('Across')).toContain('runs like a liquid');
    expect(bench.button('Pour them in').disabled).toBe(true);
    await bench.write('Across', '4 mm');
    bench.button('Pour them in').click();
    await until(bench, /Too many to drop one by one/);
  }, 60_000);

  it('sets a boat afloat, moves its load by keys, and does not know how long the paper holds', async () => {
    const bench = await station({ formId: 'square-canoe', holds: 'load 20 g' });
    await until(bench, /Set it afloat/);
    expect(bench.text).toContain('not known');
    bench.button('Set it afloat').click();
    await until(bench, /Draught.*Freeboard.*Metacentre/);
    expect(bench.text).toMatch(/Trim ?level/);
    const load = bench.find<HTMLElement>('circle.load');
    for (let k = 0; k < 2; k++) load.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    await until(bench, /the right end lower/);
    await bench.write('Weight', '20000');
    expect(await bench.said('Weight')).toContain('At most');
    await bench.write('Weight', '900');
    await until(bench, /It sinks/);
  }, 60_000);

  it('lets a bead roll, says what would change it, and can be stopped', async () => {
    const bench = await station({ formId: 'bead-track-straight', holds: 'bead 8 mm' });
    bench.button('Let it roll').click();
    await until(bench, /It gets through in|stalls|jumps/);
    bench.button('What would change it').click();
    await until(bench, /The high end one degree higher/);
    await bench.write('Bead', '80 mm');
    expect(await bench.said('Bead')).toContain('At most 40 mm');
    expect(bench.button('Let it roll').disabled).toBe(true);
  }, 60_000);

  it('tips a tidy by what leans in it, and tells which weight, paper or glue helps', async () => {
    const bench = await station({ formId: 'six-tube-tidy', holds: '12 pens standing ø8 x 150' });
    expect(bench.text).not.toContain('It tips');
    await bench.write('Your guess', '9');
    bench.button('Lean them all one way').click();
    await until(bench, /It tips ?from \d+ on/);
    const from = (): number => Number(/It tips ?from (\d+) on/.exec(bench.text)![1]);
    expect(bench.text).toMatch(/Not glued, its first part tips ?from \d+ on/);
    const light = from();
    await bench.write('How many', `${light}`);
    await until(bench, /all that way ?it tips/);
    expect(bench.text).toMatch(/A weight in its middle holds it ?from [\d.]+ k?g on/);
    await bench.write('How many', `${light - 1}`);
    await until(bench, /it stands: \d+ % of what tips it/);
    // Lighter things, more of them.
    await bench.write('Weight of each', '2');
    await bench.settle(1500);
    expect(from()).toBeGreaterThan(light);
    await bench.write('Long', '700 mm');
    expect(await bench.said('Long')).toContain('At most 600 mm');
    await bench.write('Long', '150 mm');
    await bench.write('It came to', '11');
    bench.button('Write the trial down').click();
    await bench.settle();
    const { body } = bench.sent('POST', '/api/trials').request as { body: Trial };
    expect(body).toMatchObject({ kind: 'hold', asked: { how: 'tip', grams: 2 }, guess: 9, truth: 11, unit: 'pieces' });
  }, 60_000);

  it('says so where nothing that leans turns a piece over, or it does not stand', async () => {
    const cup = await station({ formId: 'flat-folding-cup', holds: '60 ml' });
    cup.button('Hold').click();
    await cup.settle();
    cup.button('Lean them all one way').click();
    await until(cup, /does not stand by itself|It tips/);
    const tray = await station({});
    tray.button('Hold').click();
    await tray.settle();
    await tray.write('Long', '20 mm');
    tray.button('Lean them all one way').click();
    await until(tray, /It tips ?not by/);
  }, 60_000);

  it('knows how many stack only from trials of that form on that paper', async () => {
    const make = aMake();
    const tried = (truth: number, more: Partial<Trial> = {}): Partial<Trial> => ({
      ...{ id: `00000000-0000-4000-8000-0000000009${truth}`, kind: 'hold', title: 'A', make: make.make, jobId: null },
      ...{ makeId: null, entryId: null, what: 'Like it', paperId: aPaper().id, folderHandId: null, unit: 'pieces' },
      ...{ asked: { how: 'stack' }, guess: null, foretold: null, truth, role: '', note: '', version: 1 },
      ...{ triedAt: '2026-11-01T10:00:00.000Z', ...more },
    });
    const none = await station({});
    none.button('Hold').click();
    await none.settle();
    none.button('Stacked').click();
    await none.settle();
    none.answer('GET', '/api/trials', [tried(40, { paperId: null })]);
    await none.settle();
    expect(none.text).toContain('nobody has tried this form on this paper yet');
    const known = await station({});
    known.button('Hold').click();
    await known.settle();
    known.button('Stacked').click();
    await known.settle();
    known.http
      .match((request) => request.url === '/api/trials')
      .forEach((one) => one.flush(listed([tried(10), tried(12)])));
    await known.settle();
    expect(known.text).toMatch(/About 11 pieces, from \d+ to \d+, by 2 trials/);
  });
});
