import { type Incoming, type Job, type LogEntry, type Paper, problem, workshopFile } from '@odd-corner/contract';
import { demoWorkshop } from '@odd-corner/demo';
import * as fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrate } from '../src/db/migrate';
import { giveFunctions, openDatabase } from '../src/db/open-database';
import { fillWorkshop, openWorkshop } from '../src/db/workshop';
import { KINDS, OTHERS } from '../src/workshop-file/kinds';
import { tablesOf } from '../src/workshop-file/tables';
import { workshopText } from '../src/workshop-file/take-out';
import Database from 'better-sqlite3';
import { KRAFT, MIGRATIONS, type OpenBench, openBench, post, rowsOf, watchJob } from './workshop';

const dir = mkdtempSync(join(tmpdir(), 'odd-corner-file-'));
const opened: OpenBench[] = [];
afterAll(() => {
  opened.forEach((one) => one.close());
  rmSync(dir, { recursive: true });
});

let made = 0;
function empty(): OpenBench {
  const one = openBench(join(dir, `w${made++}`, 'workshop.sqlite'));
  opened.push(one);
  return one;
}

const DEMO = demoWorkshop(new Date('2026-11-30T10:00:00Z'));
function filled(): OpenBench {
  const one = empty();
  fillWorkshop(one.workshop(), DEMO);
  return one;
}

const takenOut = async (b: OpenBench): Promise<string> => {
  const { status, response, body } = await b.send('GET', '/api/workshop');
  expect(status).toBe(200);
  expect(response.headers.get('content-disposition')).toMatch(/odd-corner-\d{4}-\d\d-\d\d\.json/);
  return JSON.stringify(body);
};
const bringIn = (b: OpenBench, text: string) => b.send('POST', '/api/workshop/incoming', text);
async function accept(b: OpenBench, text: string, how: 'merge' | 'replace'): Promise<string> {
  const { body } = await bringIn(b, text);
  const done = await b.send('POST', '/api/workshop/incoming/accept', { id: (body as Incoming).id, how });
  expect(done.status).toBe(200);
  return (done.body as { words: string }).words;
}
const kindOf = ({ kinds }: Incoming, name: string): Incoming['kinds'][number] =>
  kinds.find(({ kind }) => kind === name)!;
/** Whatever a workshop holds, as it is taken out. */
const held = (b: OpenBench): string => [...workshopText(b.workshop().db)].join('');

describe('a workshop’s file', () => {
  it('holds all of it, and puts it into an empty workshop exactly as it was', async () => {
    const from = filled();
    // What was thrown into the bin, and what cannot be read any more, go along.
    const [thing] = DEMO.things;
    await from.send('DELETE', `/api/things/${thing.id}`);
    from.workshop().db.prepare(`UPDATE jobs SET title = '' WHERE id = ?`).run(DEMO.jobs[0].id);
    const text = await takenOut(from);
    expect(workshopFile.safeParse(JSON.parse(text)).success).toBe(true);
    const to = empty();
    const { status, body } = await bringIn(to, text);
    expect({ status, unreadable: (body as Incoming).unreadable }).toEqual({ status: 200, unreadable: 1 });
    expect(kindOf(body, 'papers')).toEqual({
      ...{ kind: 'papers', here: 0, inFile: DEMO.papers.length, fresh: DEMO.papers.length, differing: 0 },
    });
    expect(await rowsOf(to, '/api/papers')).toEqual([]);
    await to.send('POST', '/api/workshop/incoming/accept', { id: (body as Incoming).id, how: 'replace' });
    expect(held(to)).toBe(held(from));
    expect(await takenOut(to)).toBe(text);
    expect(await rowsOf(to, '/api/papers')).toHaveLength(Math.min(50, DEMO.papers.length));
  });

  it('is replaced only with a backup, which puts back what was there', async () => {
    const [from, to] = [filled(), empty()];
    await post<Paper>(to, '/api/papers', KRAFT);
    const before = held(to);
    expect(await accept(to, await takenOut(from), 'replace')).toMatch(/is kept as workshop-.*\.sqlite/);
    expect(held(to)).toBe(held(from));
    const [{ name }] = to.house.list();
    await to.house.restore(name);
    expect(held(to)).toBe(before);
  });

  it('adds what is not here, leaves what is, and says how much that would be before', async () => {
    const to = filled();
    const from = filled();
    const [paper, other] = DEMO.papers;
    await to.send('PUT', `/api/papers/${paper.id}`, { ...paper, name: 'Renamed here' });
    const added = await post<Paper>(from, '/api/papers', { ...KRAFT, name: 'Only in the file' });
    const job = await post<Job>(from, '/api/jobs', watchJob(added.id));
    const entry = await post<LogEntry>(from, '/api/log', {
      ...{ jobId: job.id, makeId: job.makes[0].id, copies: 1, folderHandId: null, measured: {}, fits: null },
      ...{ minutes: null, note: '', sheetsUsed: [{ paperId: added.id, sheets: 2 }] },
    });
    const mine = await post<Paper>(to, '/api/papers', { ...KRAFT, name: 'Only here' });
    const text = await takenOut(from);
    const { body } = await bringIn(to, text);
    expect(kindOf(body, 'papers')).toMatchObject({ fresh: 1, differing: 1, here: DEMO.papers.length + 1 });
    expect([kindOf(body, 'jobs'), kindOf(body, 'log entries'), kindOf(body, 'things')]).toMatchObject([
      { fresh: 1, differing: 0 },
      { fresh: 1, differing: 0 },
      { fresh: 0, differing: 0 },
    ]);
    expect(await accept(to, text, 'merge')).toMatch(/^Added: 1 paper, 1 job, 1 log entry\./);
    const names = (await rowsOf<Paper>(to, '/api/papers?limit=500')).map(({ name }) => name);
    expect(names).toEqual(expect.arrayContaining(['Renamed here', 'Only here', 'Only in the file', other.name]));
    expect(names).not.toContain(paper.name);
    expect((await to.send('GET', `/api/jobs/${job.id}`)).body).toEqual(
      (await from.send('GET', `/api/jobs/${job.id}`)).body,
    );
    expect((await rowsOf<LogEntry>(to, '/api/log?limit=1'))[0]).toEqual(entry);
    // Once more, it is all there; the sheets of the new paper came and went once.
    expect(await accept(to, text, 'merge')).toMatch(/^All of it was here already/);
    const moves = to.workshop().papers.moves.all();
    expect(moves.filter(({ paperId }) => paperId === added.id)).toMatchObject([
      { sheets: KRAFT.count },
      { sheets: -2 },
    ]);
    expect((await to.send('DELETE', `/api/papers/${mine.id}`)).status).toBe(200);
    expect(to.workshop().db.pragma('foreign_key_check')).toEqual([]);
  });

  it('leaves a job out whose make is here under another job, and what names it stays', async () => {
    const [from, to] = [filled(), filled()];
    const job = await post<Job>(from, '/api/jobs', watchJob(null));
    const file = JSON.parse(await takenOut(from)) as { tables: Record<string, { id: string; job_id: string }[]> };
    // The same make under two jobs.
    const stolen = file.tables['makes'].find(({ job_id }) => job_id === job.id)!;
    const known = to.workshop().db.prepare<[], { id: string }>('SELECT id FROM makes LIMIT 1').get()!.id;
    file.tables['makes'] = file.tables['makes'].filter(({ id }) => id !== known);
    for (const table of ['progress', 'cut_sheets', 'plan_makes', 'log_entries'])
      file.tables[table] = file.tables[table].filter(
        (row) => (row as unknown as { make_id: string }).make_id !== known,
      );
    file.tables['sheets_used'] = [];
    stolen.id = known;
    expect(await accept(to, JSON.stringify(file), 'merge')).toMatch(/^All of it was here/);
    expect(to.workshop().db.pragma('foreign_key_check')).toEqual([]);
  });

  it('waits until it is accepted, is forgotten when it is dropped or another comes, and leaves nothing behind', async () => {
    const [from, to] = [filled(), empty()];
    const text = await takenOut(from);
    const first = (await bringIn(to, text)).body as Incoming;
    const second = (await bringIn(to, text)).body as Incoming;
    const ask = (id: string, how = 'merge') => to.send('POST', '/api/workshop/incoming/accept', { id, how });
    expect((await ask(first.id)).status).toBe(404);
    expect((await to.send('DELETE', '/api/workshop/incoming')).status).toBe(200);
    expect((await ask(second.id)).status).toBe(404);
    expect((await ask(randomUUID())).status).toBe(404);
    expect(readdirSync(join(to.house.file, '..')).filter((name) => name.includes('incoming'))).toEqual([]);
    expect(await rowsOf(to, '/api/papers')).toEqual([]);
    const third = (await bringIn(to, text)).body as Incoming;
    const twice = await Promise.all([ask(third.id, 'replace'), ask(third.id, 'replace')]);
    expect(twice.map(({ status }) => status).sort()).toEqual([200, 404]);
    expect(held(to)).toBe(held(from));
  });

  it('is read in one moment, while others go on writing, and broken off where the workshop is changed for another', async () => {
    const from = filled();
    const reader = from.house.takeOut().getReader();
    const first = await reader.read();
    await post<Paper>(from, '/api/papers', { ...KRAFT, name: 'Written meanwhile' });
    const chunks = [first.value!];
    for (let part = await reader.read(); !part.done; part = await reader.read()) chunks.push(part.value);
    expect(Buffer.concat(chunks).toString()).not.toContain('Written meanwhile');
    const broken = from.house.takeOut().getReader();
    await broken.read();
    await from.house.restore((await from.house.add()).name);
    // A small workshop was read whole before; then there is nothing to break off.
    await broken.read().catch((error: unknown) => expect(String(error)).toContain('changed for another'));
    expect(await rowsOf(from, '/api/things')).toHaveLength(DEMO.things.length);
  });
});

describe('a workshop of any released schema', () => {
  it.each(readdirSync(MIGRATIONS).map((_, k) => k + 1))('is brought to the newest one: schema %i', async (schema) => {
    const text = written(schema);
    expect(JSON.parse(text)).toMatchObject({ schema });
    const to = empty();
    await accept(to, text, 'replace');
    expect(await rowsOf<Paper>(to, '/api/papers')).toMatchObject([{ name: 'Kraft', count: 7, widthMm: 420 }]);
    expect(await rowsOf(to, '/api/things')).toMatchObject([{ name: 'Fuses', purpose: { kind: 'hold' } }]);
    // The same as a workshop of that age that was opened.
    expect(JSON.parse(held(to))).toMatchObject({ schema: readdirSync(MIGRATIONS).length });
    expect(await takenOut(to)).toBe(JSON.stringify(JSON.parse(held(to))));
  });
});

describe('a file that is wrong', () => {
  const GOOD = [...workshopText(filledMemory())].join('');
  const B = empty();
  const C = empty();

  /** What was taken is accepted, and then everything is read: no row of it may end the workshop. */
  async function readsWell(text: string): Promise<void> {
    await accept(C, text, 'replace');
    const lists = [
      'papers',
      'things',
      'hands',
      'jobs',
      'log',
      'cutting-plans',
      'eye-tries',
      'recent',
      'bin',
      'settings',
    ];
    for (const list of [...lists, 'papers/months', 'health']) {
      const { status } = await C.send('GET', `/api/${list}`);
      expect([list, status]).toEqual([list, 200]);
    }
    const { rows } = (await C.send('GET', '/api/jobs')).body as { rows: Job[] };
    for (const { makes } of rows)
      for (const { id } of makes)
        expect((await C.send('DELETE', `/api/makes/${id}/progress`)).status).toBeLessThan(500);
    expect(JSON.parse(held(C))).toMatchObject({ format: 'odd-corner-workshop' });
  }

  it.each([
    ['', 'not JSON'],
    ['{"format"', 'not JSON'],
    ['[]', ''],
    [JSON.stringify({ format: 'somebody’s shop', version: 1, schema: 9, tables: {} }), 'not the file of a workshop'],
    [GOOD.replace('"version":1', '"version":2'), 'newer version'],
    [GOOD.replace(/"schema":\d+/, '"schema":99'), 'newer version'],
    [GOOD.replace('\n"papers":[', '\n"paper":['), '“paper”'],
    [GOOD.replace('"width_mm":', '"width":'), '“width”'],
    [GOOD.replace(/"count":\d+/, '"count":-5'), 'cannot be kept'],
    [GOOD.replace(/"count":\d+/, '"count":"many"'), 'cannot be kept'],
    [GOOD.replace(/"name":"[^"]*"/, '"name":"\\ud800"'), 'half a character'],
    [GOOD.replace('\n"settings":[', '\n"settings":[],"settings_before":['), 'There is no “settings_before”'],
    [`{"a":`.repeat(200_000), 'not JSON'],
  ])('is refused with where it is wrong: %#', async (text, why) => {
    const { status, body } = await bringIn(B, text);
    expect(status).toBe(400);
    expect(problem.parse(body).issues?.[0].message).toContain(why);
  });

  it('is a 4xx, changes nothing and leaves nothing, whatever it is', async () => {
    const before = held(B);
    const sound = fc.constantFrom(GOOD, GOOD, GOOD, written(1), written(4), written(8));
    const value = fc.oneof(fc.jsonValue(), fc.constantFrom(-1, 1e308, '', '\u0000', '__proto__', 'x'.repeat(5000)));
    await fc.assert(
      fc.asyncProperty(
        sound,
        fc.nat(),
        value,
        fc.constantFrom('value', 'row', 'cut', 'swap'),
        async (good, at, other, how) => {
          const text = spoil(good, at, other, how);
          const { status, body } = await bringIn(B, text);
          expect(status).toBeLessThan(500);
          if (status !== 200) expect(problem.parse(body).issues?.length).toBeGreaterThan(0);
          else await readsWell(text);
          expect(held(B)).toBe(before);
        },
      ),
      { numRuns: Number(process.env['FC_MANY'] ?? 40) },
    );
    await B.send('DELETE', '/api/workshop/incoming');
    expect(readdirSync(join(B.house.file, '..')).filter((name) => name.includes('incoming'))).toEqual([]);
  });
});

/** Rows of every kind, as each schema had them. */
function written(schema: number): string {
  const db = new Database(':memory:');
  giveFunctions(db);
  migrate(db, MIGRATIONS, null, schema);
  db.exec(`INSERT INTO papers (id, name, width_mm, height_mm, count, gsm, kind, caliper_mm, colour_front, colour_back)
    VALUES ('00000000-0000-4000-8000-000000000001', 'Kraft', 420, 297, 7, 90, 'kraft', 0.12, '#b98d5b', '#b08653')`);
  db.exec(
    schema === 1
      ? `INSERT INTO things (id, name, length_mm, width_mm, height_mm) VALUES ('00000000-0000-4000-8000-000000000002', 'Fuses', 42, 38.5, 20)`
      : `INSERT INTO things (id, name, purpose) VALUES ('00000000-0000-4000-8000-000000000002', 'Fuses',
          '{"kind":"hold","pieces":[{"name":"thing","count":1,"thing":{"shape":"block","lengthMm":42,"widthMm":38.5,"heightMm":20}}]}')`,
  );
  return [...workshopText(db)].join('');
}

function filledMemory(): Database.Database {
  const db = openDatabase(':memory:', MIGRATIONS);
  const jobs = DEMO.jobs.slice(0, 3);
  const trials = DEMO.trials.filter(({ jobId }) => jobs.some(({ id }) => id === jobId));
  fillWorkshop(openWorkshop(db), { ...DEMO, jobs, trials, log: [], cuttingPlans: [] });
  return db;
}

/** A file with one thing in it changed. */
function spoil(text: string, at: number, other: unknown, how: string): string {
  if (how === 'cut') return text.slice(0, at % text.length);
  const file = JSON.parse(text) as { tables: Record<string, Record<string, unknown>[]> };
  const names = Object.keys(file.tables).filter((name) => file.tables[name].length);
  const name = names[at % names.length];
  const rows = file.tables[name];
  if (how === 'row') rows[at % rows.length] = other as Record<string, unknown>;
  else if (how === 'swap') file.tables[name] = other as never;
  else {
    const row = rows[at % rows.length];
    const keys = Object.keys(row);
    row[keys[at % keys.length]] = other;
  }
  return JSON.stringify(file);
}

it('every table is merged with its kind, or named as one that is not', () => {
  const told = [...KINDS.flatMap(({ table, parts }) => [table, ...parts.map((part) => part.table)]), ...OTHERS];
  expect(told.sort()).toEqual(
    tablesOf(openDatabase(':memory:', MIGRATIONS))
      .map(({ name }) => name)
      .sort(),
  );
});

it('every table and every column is told in the documentation', () => {
  const text = readFileSync(join(__dirname, '../../docs/workshop-file.md'), 'utf8');
  for (const { name, columns } of tablesOf(openDatabase(':memory:', MIGRATIONS))) {
    const section = text.split(/^## /m).find((part) => part.startsWith(`\`${name}\``));
    expect([name, section !== undefined]).toEqual([name, true]);
    for (const column of columns) expect(section).toContain(`\`${column}\``);
  }
});
