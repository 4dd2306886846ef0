import { SHELF } from '@odd-corner/core';
import { aJob, aMake, NOTHING_LEARNED, PageBench, SETTINGS } from '../../testing/bench';
import { calendarOf } from './run-calendar';
import { RunPage } from './run-page';
import { piecesOf } from './run-pieces';

const TRAY = 'square-tray-and-eared-lid';
const { minutes } = SHELF.form(TRAY);

const show = async (count = 3, learned = NOTHING_LEARNED): Promise<PageBench<RunPage>> => {
  localStorage.clear();
  const bench = new PageBench(RunPage, {}, SETTINGS, [], learned);
  await bench.settle();
  bench.answer('GET', '/api/jobs', [aJob({ makes: [aMake({ count })] })]);
  for (let k = 0; k < 40 && !bench.text.includes('of folding'); k++) await bench.settle(100);
  return bench;
};
const total = (text: string): number => {
  const [, h = '0', min] = /pieces?, (?:(\d+) h )?(\d+) min of folding/.exec(text)!;
  return 60 * Number(h) + Number(min);
};

describe('many pieces until a day', () => {
  it('take what their form takes, evening by evening, and are told when they are done', async () => {
    const bench = await show();
    expect(total(bench.text)).toBe(3 * minutes);
    expect(bench.text).toMatch(/6 pieces/);
    expect(bench.text).toMatch(/Done on .*\. No order of work is done before/);
    expect(bench.host.querySelectorAll('ol > li').length).toBeGreaterThan(0);
    expect(bench.text).not.toContain('Drop');
  });

  it('take as long as this hand takes, where the logbook knows that', async () => {
    const pace = { times: 2, spread: 0.2, pieces: 6, forms: {}, steps: {} };
    const bench = await show(3, { hands: [{ handId: null, pieces: 0, any: null, papers: {}, pace }], papers: [] });
    expect(bench.text).toContain('2.00 times as long as told, from 6 times');
    expect(total(bench.text)).toBe(6 * minutes);
  });

  it('that are not done by the day are told, with what to drop; more time mends it', async () => {
    const bench = await show(40);
    const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
    await bench.write('Done by', tomorrow);
    await bench.settle();
    expect(bench.text).toMatch(/pieces are not done by then\. Drop \d+ of “Watch parts”/);
    await bench.write('Done by', `${new Date().getFullYear() + 1}-12-31`);
    await bench.settle();
    expect(bench.text).not.toContain('not done by then');
  });

  it('say what is wrong beside the field, and what is to do where there is no job', async () => {
    const bench = await show();
    await bench.write('You begin at', '25:00');
    expect(await bench.said('You begin at')).toContain('19:30');
    await bench.write('Done by', 'soon');
    expect(await bench.said('Done by')).toContain('2026-03-14');
    const none = new PageBench(RunPage);
    await none.settle();
    none.answer('GET', '/api/jobs', []);
    await none.settle();
    expect(none.text).toContain('No job is planned');
  });
});

describe('pieces of a run', () => {
  it('leave out steps that are done, and wait where glue dries', () => {
    const make = aMake();
    const steps = ['a', 'b', 'c'].map((id, k) => ({ id, title: id, ...(k === 1 && { waits: 'glue' as const }) }));
    const order = { entries: [{ key: 'tray', name: 'Tray', copies: 1, steps, stages: [] }] };
    const asked = { job: aJob(), make, order, pace: null };
    const [{ parts }] = piecesOf(asked, 20);
    expect(parts.map(({ waits }) => waits)).toEqual([20, 0]);
    expect(parts.reduce((sum, one) => sum + one.minutes, 0)).toBeCloseTo(minutes, 9);
    const begun = { ...make, progress: [{ entryKey: 'tray', copy: 0, done: ['a', 'b'], seconds: 0 }] };
    expect(piecesOf({ ...asked, make: begun }, 20)[0].parts).toEqual([{ minutes: minutes / 3, waits: 0 }]);
    // A step that is known to take longer leaves the others less.
    const longer = { a: { times: 1, copies: 4 }, b: { times: 2, copies: 4 }, c: { times: 1, copies: 4 } };
    const pace = { times: 1, spread: 0.2, pieces: 4, forms: {}, steps: { [make.make.formId]: longer } };
    const shared = piecesOf({ ...asked, pace }, 20)[0].parts.map((part) => part.minutes / minutes);
    expect(shared).toEqual([0.75, 0.25]);
    const done = { ...make, progress: [{ entryKey: 'tray', copy: 0, done: ['a', 'b', 'c'], seconds: 0 }] };
    expect(piecesOf({ ...asked, make: done }, 20)).toEqual([]);
  });
});

describe('the calendar of a run', () => {
  it('has an event for each sitting, in the lines of iCalendar', async () => {
    const from = Date.UTC(2026, 11, 1, 19, 0);
    const text = await calendarOf([{ from, to: from + 3_600_000, words: 'Trays: 4 pieces' }]);
    const lines = text.split('\r\n');
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(lines).toContain('DTSTART:20261201T190000Z');
    expect(lines).toContain('DTEND:20261201T200000Z');
    expect(text).toContain('Trays: 4 pieces');
    expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(1);
  });
});
