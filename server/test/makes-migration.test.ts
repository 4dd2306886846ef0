import { job as jobSchema, logEntry } from '@odd-corner/contract';
import { toFold } from '@odd-corner/contract';
import { foldMake } from '@odd-corner/core';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Backups } from '../src/data/backups';
import { type Db, openDatabase } from '../src/db/open-database';
import { openWorkshop } from '../src/db/workshop';
import { bench, MIGRATIONS } from './workshop';

const folders: string[] = [];
afterAll(() => folders.forEach((dir) => rmSync(dir, { recursive: true })));

const idOf = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

/** A workshop's file as a schema left it, filled by `fill`, opened today. */
function migrated(schema: number, fill: (db: Db) => void): { readonly file: string; readonly db: Db } {
  const dir = mkdtempSync(join(tmpdir(), 'odd-corner-makes-'));
  folders.push(dir);
  const file = join(dir, 'workshop.sqlite');
  const old = join(dir, 'old');
  cpSync(MIGRATIONS, old, {
    recursive: true,
    filter: (path) => Number(/(\d{4})-[^/]*$/.exec(path)?.[1] ?? 0) <= schema,
  });
  const before = openDatabase(file, old);
  expect(before.pragma('user_version', { simple: true })).toBe(schema);
  fill(before);
  before.close();
  return { file, db: openDatabase(file, MIGRATIONS) };
}

const choice = (wallMm: number | null, paperId: string | null) =>
  JSON.stringify({
    ...{ formId: 'square-tray-and-eared-lid', walls: wallMm === null ? 'folded' : 'measured', ruler: 'sixteenth-inch' },
    ...{
      thicknessMm: 0.12,
      tray: { sheetMm: 177.8, wallMm },
      lid: { sheetMm: 182.5, wallMm: wallMm && wallMm - 1 },
      paperId,
    },
  });

const PURPOSE = JSON.stringify({
  ...{ text: '2 1/2 in x 1 3/4 in x 7/8 in', ease: 'snug' },
  block: { lengthMm: 63.5, widthMm: 44.45, heightMm: 22.225 },
});
const INSIDE = JSON.stringify({ lengthMm: 66.2, widthMm: 65, depthMm: 32 });

function fill(db: Db): void {
  const at = '2026-11-01T09:00:00.000Z';
  db.exec(`INSERT INTO papers (id, name, width_mm, height_mm, count, gsm, kind, colour_front, colour_back)
    VALUES ('${idOf(1)}', 'Kraft', 420, 297, 7, 90, 'kraft', '#b98d5b', '#b08653')`);
  const job =
    db.prepare(`INSERT INTO jobs (id, title, purpose, choice, paper_id, created_at, updated_at, removed_at, version)
    VALUES (?, ?, ?, ?, ?, '${at}', '${at}', ?, ?)`);
  job.run(idOf(11), 'Watch parts', PURPOSE, choice(null, idOf(1)), idOf(1), null, 3);
  job.run(idOf(12), 'Fuses', PURPOSE, choice(22, null), null, null, 1);
  job.run(idOf(13), 'Thrown away', PURPOSE, choice(null, null), null, at, 2);
  const place = db.prepare('INSERT INTO progress (job_id, part, step, seconds) VALUES (?, ?, ?, ?)');
  place.run(idOf(11), 'lid', 5, 700);
  place.run(idOf(12), 'tray', 7, 90);
  const piece =
    db.prepare(`INSERT INTO pieces (id, job_id, title, choice, paper_id, paper_name, sheets_used, predicted, measured,
      minutes, note, folded_at, version)
    VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`);
  piece.run(
    idOf(21),
    idOf(11),
    'Watch parts',
    choice(null, idOf(1)),
    idOf(1),
    'Kraft',
    2,
    INSIDE,
    INSIDE,
    25,
    'Tight',
    at,
    4,
  );
  piece.run(
    idOf(22),
    null,
    'Orphan',
    choice(22, null),
    null,
    null,
    0,
    INSIDE,
    null,
    null,
    '',
    '2026-11-02T09:00:00.000Z',
    1,
  );
}

describe('jobs and logbook of before there were makes', () => {
  it.each([1, 2, 3, 4])('are all there, from schema %i: nothing that was known is lost, the rest is null', (schema) => {
    const { db, file } = migrated(schema, fill);
    const { jobs, log, papers } = openWorkshop(db);
    const all = jobs.list({}).rows.map((row) => jobSchema.parse(row));
    expect(all.map(({ id, title, version, state }) => [id, title, version, state]).sort()).toEqual([
      [idOf(11), 'Watch parts', 3, 'folded'],
      [idOf(12), 'Fuses', 1, 'folding'],
    ]);
    const watch = jobs.get(idOf(11)).makes[0];
    expect(watch).toMatchObject({
      ...{ count: 1, told: null, cut: null, marks: null, art: null },
      asked: {
        text: '2 1/2 in x 1 3/4 in x 7/8 in',
        purpose: {
          kind: 'hold',
          pieces: [{ thing: { shape: 'block', lengthMm: 63.5, widthMm: 44.45, heightMm: 22.225 } }],
        },
        options: {
          ease: 'snug',
          ruler: 'sixteenth-inch',
          lid: 'eared',
          nested: 1,
          turning: 'upright',
          fingerRoom: false,
        },
      },
    });
    expect(watch.make.entries).toMatchObject([
      {
        key: 'tray',
        sheet: { widthMm: 177.8, heightMm: 177.8 },
        params: { wallMm: null },
        papers: [idOf(1)],
        thicknessMm: 0.12,
      },
      { key: 'lid', sheet: { widthMm: 182.5, heightMm: 182.5 }, params: { wallMm: null }, papers: [idOf(1)] },
    ]);
    expect(jobs.get(idOf(12)).makes[0].make.entries[1]).toMatchObject({ params: { wallMm: 21 }, papers: [null] });
    expect(log.list({}).rows.map((row) => logEntry.parse(row))).toMatchObject([
      { id: idOf(22), jobId: null, title: 'Orphan', measured: {}, sheetsUsed: [], minutes: null },
      {
        ...{ id: idOf(21), jobId: idOf(11), makeId: idOf(11), note: 'Tight', minutes: 25, version: 4, fits: null },
        sheetsUsed: [{ paperId: idOf(1), paperName: 'Kraft', sheets: 2 }],
        predicted: { 'tray/box.lengthMm': { mm: 66.2, sdMm: null } },
        measured: { 'tray/box.lengthMm': 66.2, 'tray/box.widthMm': 65, 'tray/box.depthMm': 32 },
        papers: { tray: [{ paperId: idOf(1), name: 'Kraft', caliperMm: 0.12 }] },
      },
    ]);
    expect(papers.list({}).rows).toMatchObject([{ name: 'Kraft', count: 7, reserved: 0 }]);
    expect(jobs.restore(idOf(13))).toMatchObject({ title: 'Thrown away', version: 3 });
    expect(db.pragma('foreign_key_check')).toEqual([]);
    expect(db.pragma('integrity_check', { simple: true })).toBe('ok');
    expect(new Backups(file).list()).toHaveLength(1);
    db.close();
  });

  it('are as far folded as they were, step by step', () => {
    const { db } = migrated(4, fill);
    const { jobs } = openWorkshop(db);
    const [{ make, progress }] = jobs.get(idOf(11)).makes;
    const { entries } = foldMake(toFold(make));
    const steps = (key: string): string[] => entries.get(key)!.folding.steps.map(({ id }) => id);
    expect(progress).toEqual([
      { entryKey: 'tray', copy: 0, done: steps('tray'), seconds: 700 },
      { entryKey: 'lid', copy: 0, done: steps('lid').slice(0, 5), seconds: 0 },
    ]);
    const [fuses] = jobs.get(idOf(12)).makes;
    expect(fuses.progress).toEqual([{ entryKey: 'tray', copy: 0, done: steps('tray').slice(0, 7), seconds: 90 }]);
    db.close();
  });

  it('can be recorded, renamed and found like all others, also when their paper is gone for good', async () => {
    const { db, file } = migrated(4, fill);
    db.close();
    const b = bench({ file });
    const entry = {
      ...{ id: idOf(31), jobId: idOf(12), makeId: idOf(12), copies: 1, folderHandId: null, sheetsUsed: [], fits: null },
      ...{ measured: { 'tray/box.depthMm': 21.5 }, minutes: null, note: '' },
    };
    const { status, body } = await b.send('POST', '/api/log', entry);
    expect(status).toBe(201);
    expect(logEntry.parse(body).predicted['tray/box.depthMm'].sdMm).toBeGreaterThan(0);
    const found = await b.send('GET', '/api/log?search=orphan+177.8');
    expect((found.body as { rows: unknown[] }).rows).toHaveLength(1);
    await b.send('DELETE', `/api/papers/${idOf(1)}`);
    expect((await b.send('DELETE', `/api/bin/${idOf(1)}`)).status).toBe(200);
    const late = { ...entry, id: idOf(32), jobId: idOf(11), makeId: idOf(11) };
    expect((await b.send('POST', '/api/log', late)).body).toMatchObject({
      papers: { tray: [{ paperId: idOf(1), name: null }] },
    });
    const { makes, ...job } = jobSchema.parse((await b.send('GET', `/api/jobs/${idOf(11)}`)).body);
    const drafts = makes.map(({ id, asked, make, count, marks, art }) => ({
      id,
      asked,
      make,
      count,
      marks,
      art,
      chance: null,
    }));
    const renamed = { title: 'Renamed', folderHandId: job.folderHandId, makes: drafts, version: job.version };
    expect(await b.send('PUT', `/api/jobs/${idOf(11)}`, renamed)).toMatchObject({
      status: 200,
      body: { title: 'Renamed' },
    });
    b.workshop.db.close();
  });
});
