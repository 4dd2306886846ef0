import { toFold, USUAL_SETTINGS, workshop as workshopSchema } from '@odd-corner/contract';
import { foretell } from '@odd-corner/core';
import { demoWorkshop } from '@odd-corner/demo';
import { mkdtempSync, readdirSync, rmSync, writeFileSync, cpSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { Backups } from '../src/data/backups';
import { checkFile } from '../src/data/check-file';
import { openDatabase } from '../src/db/open-database';
import { fillWorkshop, isEmpty, openWorkshop } from '../src/db/workshop';
import { readOptions, StartRefused } from '../src/read-options';
import { MIGRATIONS } from './workshop';

const folders: string[] = [];
const folder = (): string => {
  folders.push(mkdtempSync(join(tmpdir(), 'odd-corner-')));
  return folders[folders.length - 1];
};
afterAll(() => folders.forEach((dir) => rmSync(dir, { recursive: true })));

/** The number that the next migration would carry. */
const NEXT = String(readdirSync(MIGRATIONS).length + 1).padStart(4, '0');

describe('a workshop’s file', () => {
  it('flushes at every commit and holds references', () => {
    const db = openDatabase(join(folder(), 'w.sqlite'), MIGRATIONS);
    expect(db.pragma('journal_mode', { simple: true })).toBe('wal');
    expect(db.pragma('synchronous', { simple: true })).toBe(2);
    expect(() => db.prepare("INSERT INTO progress VALUES ('no such make', 'tray', 0, 0, '[]', '{}')").run()).toThrow(
      /FOREIGN KEY/,
    );
    db.close();
  });

  it('is copied before a new migration, which runs once', () => {
    const dir = folder();
    const file = join(dir, 'w.sqlite');
    const migrations = join(dir, 'migrations');
    cpSync(MIGRATIONS, migrations, { recursive: true });
    openDatabase(file, migrations).close();
    writeFileSync(join(migrations, `${NEXT}-extra.sql`), 'CREATE TABLE extra (n INTEGER);');
    openDatabase(file, migrations).close();
    const db = openDatabase(file, migrations);
    expect(db.pragma('user_version', { simple: true })).toBe(Number(NEXT));
    db.close();
    const [copy] = new Backups(file).list();
    expect(copy.name).toMatch(new RegExp(`^w-.*-before-${NEXT}\\.sqlite$`));
    expect(checkFile(copy.path)).toEqual({ kind: 'workshop', schema: Number(NEXT) - 1 });
  });

  it('is left as it was by a migration that fails', () => {
    const dir = folder();
    const migrations = join(dir, 'migrations');
    cpSync(MIGRATIONS, migrations, { recursive: true });
    openDatabase(join(dir, 'w.sqlite'), migrations).close();
    writeFileSync(
      join(migrations, `${NEXT}-broken.sql`),
      'CREATE TABLE extra (n INTEGER); CREATE TABLE papers (n INTEGER);',
    );
    expect(() => openDatabase(join(dir, 'w.sqlite'), migrations)).toThrow(/already exists/);
    const db = openDatabase(join(dir, 'w.sqlite'), MIGRATIONS);
    expect(db.prepare("SELECT count(*) AS n FROM sqlite_master WHERE name = 'extra'").get()).toEqual({ n: 0 });
    db.close();
  });

  it('keeps settings and papers of before there were prices, which nobody has written down yet', () => {
    const dir = folder();
    const file = join(dir, 'w.sqlite');
    const third = join(dir, 'third');
    cpSync(MIGRATIONS, third, { recursive: true, filter: (path) => !/(000[4-9]|00[1-9]\d)-/.test(path) });
    const old = openDatabase(file, third);
    old.exec(`UPDATE settings SET unit = 'in', hand = 'exact', version = 3;
      INSERT INTO papers (id, name, width_mm, height_mm, count, gsm, kind, colour_front, colour_back, version)
      VALUES ('00000000-0000-4000-8000-000000000001', 'Kraft', 420, 297, 7, 90, 'kraft', '#b98d5b', '#b08653', 5)`);
    old.close();
    const { papers, settings, db } = openWorkshop(openDatabase(file, MIGRATIONS));
    expect(settings.get()).toEqual({ ...USUAL_SETTINGS, unit: 'in', hand: 'exact', version: 3 });
    expect(papers.list({}).rows).toMatchObject([{ name: 'Kraft', count: 7, caliperMm: null, price: null, version: 5 }]);
    db.close();
  });

  it('keeps the things of before they could be anything but blocks', () => {
    const dir = folder();
    const file = join(dir, 'w.sqlite');
    const first = join(dir, 'first');
    cpSync(MIGRATIONS, first, { recursive: true, filter: (path) => !/(000[2-9]|00[1-9]\d)-/.test(path) });
    const old = openDatabase(file, first);
    old.exec(`INSERT INTO things (id, name, length_mm, width_mm, height_mm, version)
      VALUES ('00000000-0000-4000-8000-000000000001', 'Fuses', 42, 38.5, 20, 4)`);
    old.close();
    const { things, db } = openWorkshop(openDatabase(file, MIGRATIONS));
    const block = { shape: 'block', lengthMm: 42, widthMm: 38.5, heightMm: 20 };
    expect(things.list({}).rows).toEqual([
      {
        id: '00000000-0000-4000-8000-000000000001',
        name: 'Fuses',
        purpose: { kind: 'hold', pieces: [{ name: 'thing', count: 1, thing: block }] },
        version: 4,
      },
    ]);
    db.close();
  });

  it('refuses a file from a newer version', () => {
    const file = join(folder(), 'w.sqlite');
    const db = openDatabase(file, MIGRATIONS);
    db.pragma('user_version = 99');
    db.close();
    expect(() => openDatabase(file, MIGRATIONS)).toThrow(/newer version/);
  });
});

describe('the demo workshop', () => {
  const data = demoWorkshop(new Date('2026-11-27T10:00:00Z'));

  it('is what the schemas allow, and reads back as it was written', () => {
    expect(workshopSchema.parse(data)).toEqual(data);
    const workshop = openWorkshop(openDatabase(':memory:', MIGRATIONS));
    expect(isEmpty(workshop)).toBe(true);
    fillWorkshop(workshop, data);
    const byId = (a: { id: string }, b: { id: string }): number => (a.id < b.id ? -1 : 1);
    const all = { limit: 500 };
    const { papers, things, log, jobs } = workshop;
    expect(
      papers
        .list(all)
        .rows.map(({ reserved: _, ...paper }) => paper)
        .sort(byId),
    ).toEqual([...data.papers].sort(byId));
    expect(things.list(all).rows.sort(byId)).toEqual([...data.things].sort(byId));
    expect(log.list(all).rows.sort(byId)).toEqual([...data.log].sort(byId));
    expect(
      jobs
        .list(all)
        .rows.map(({ state: _, ...job }) => job)
        .sort(byId),
    ).toEqual([...data.jobs].sort(byId));
  });

  it('has jobs in every state, and predictions that folding confirms', () => {
    const workshop = openWorkshop(openDatabase(':memory:', MIGRATIONS));
    fillWorkshop(workshop, data);
    const states = workshop.jobs.list({}).rows.map(({ state }) => state);
    expect(new Set(states)).toEqual(new Set(['planned', 'folding', 'folded']));
    const missOf = (id: string | null): number => data.hands.find((hand) => hand.id === id)?.missMm ?? 0.3;
    for (const { make, predicted, sheetsUsed, folderHandId } of workshop.log.list({}).rows) {
      const own = foretell(toFold(make), missOf(folderHandId));
      expect(Object.keys(predicted)).toEqual(Object.keys(own));
      for (const [key, { mm, sdMm }] of Object.entries(own)) {
        expect(predicted[key].mm).toBe(mm);
        expect(predicted[key].sdMm).toBeCloseTo(sdMm, 9);
      }
      expect(sheetsUsed[0].sheets).toBeGreaterThan(0);
    }
  });

  it('has jobs over at least nine forms, one of them a kit, one folded by another hand, one archived', () => {
    const makes = data.jobs.flatMap((job) => job.makes);
    expect(new Set(makes.map(({ make }) => make.formId)).size).toBeGreaterThanOrEqual(9);
    expect(new Set(data.log.map(({ make }) => make.formId)).size).toBeGreaterThanOrEqual(6);
    expect(data.jobs.filter(({ makes: own }) => own.length > 1)).toHaveLength(1);
    expect(data.jobs.some(({ folderHandId }) => folderHandId !== null)).toBe(true);
    expect(data.jobs.some(({ archivedAt }) => archivedAt !== null)).toBe(true);
  });

  it('keeps what its cutting plans keep, and nothing else', () => {
    const workshop = openWorkshop(openDatabase(':memory:', MIGRATIONS));
    fillWorkshop(workshop, data);
    const kept = data.jobs.flatMap(({ makes }) =>
      makes.flatMap(({ cut }) => (cut && !cut.done ? cut.plan.parents : [])),
    );
    for (const { id, reserved } of workshop.papers.list({ limit: 500 }).rows) {
      const own = kept.filter(({ paperId }) => paperId === id).reduce((sum, { sheets }) => sum + sheets, 0);
      expect(reserved).toBe(own);
    }
    expect(kept.length).toBeGreaterThan(0);
  });
});

describe('starting', () => {
  it('reads the environment', () => {
    expect(readOptions({ PORT: '5000', ODD_CORNER_DATA: '/srv/paper' }, ['--demo'])).toEqual({
      port: 5000,
      host: '127.0.0.1',
      file: '/srv/paper/demo.sqlite',
      demo: true,
      passphrases: null,
      https: null,
      proxies: new Set(),
      anew: false,
      restore: null,
    });
    expect(readOptions({}, ['--new', '--restore']).restore).toBe('list');
    expect(readOptions({}, ['--demo', '--restore', 'newest'])).toMatchObject({ restore: 'newest', demo: true });
  });

  it('keeps a workshop with the user’s own data, and a demo beside the program', () => {
    expect(readOptions({ XDG_DATA_HOME: '/srv/own' }, []).file).toBe('/srv/own/odd-corner/workshop.sqlite');
    expect(readOptions({ HOME: '/home/ines' }, []).file).toBe('/home/ines/.local/share/odd-corner/workshop.sqlite');
    expect(readOptions({ HOME: '/home/ines' }, ['--demo']).file).toBe(resolve('data/demo.sqlite'));
  });

  it.each([
    [{ PORT: 'http' }, []],
    [{ PORT: '70000' }, []],
    [{ HOST: '0.0.0.0' }, []],
    [{}, ['--dmeo']],
  ])('refuses %j %j', (env, args) =>
    expect(() => readOptions(env as Record<string, string>, args)).toThrow(StartRefused),
  );
});
