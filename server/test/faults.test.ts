import type { Health, Paper, Problem } from '@odd-corner/contract';
import { randomUUID } from 'node:crypto';
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Backups } from '../src/data/backups';
import { faultOf, lastGoodBackup } from '../src/data/faults';
import { MigrationRefused } from '../src/db/migrate';
import { openDatabase } from '../src/db/open-database';
import { journalBeside } from '../src/journal/journal';
import { bench, type Bench, KRAFT, MIGRATIONS, post, rowsOf } from './workshop';

const dir = mkdtempSync(join(tmpdir(), 'odd-corner-faults-'));
afterAll(() => rmSync(dir, { recursive: true }));
const FILE = join(dir, 'workshop.sqlite');
const coded = (code: string): Error => Object.assign(new Error(code), { code });

describe('a fault of the disk', () => {
  it('says what happened, with which file, what can be done, and where the last good backup lies', () => {
    const db = openDatabase(FILE, MIGRATIONS);
    const backups = new Backups(FILE);
    const good = backups.before(db, 7, new Date('2026-11-01T00:00:00Z'));
    const later = backups.before(db, 8, new Date('2026-11-02T00:00:00Z'));
    writeFileSync(later.path, 'cut off');
    db.close();
    expect(lastGoodBackup(FILE)).toBe(
      `The last good backup is ${good.path}. Put it back: npm run restore -- ${good.name}`,
    );
    for (const [code, what, todo] of [
      ['SQLITE_FULL', 'disk is full', 'Make room'],
      ['ENOSPC', 'disk is full', 'Make room'],
      ['SQLITE_CORRUPT_INDEX', 'damaged', good.path],
      ['SQLITE_NOTADB', 'damaged', good.path],
      ['SQLITE_READONLY_DBMOVED', 'cannot be written', 'ODD_CORNER_DATA'],
      ['EROFS', 'cannot be written', 'ODD_CORNER_DATA'],
      ['SQLITE_IOERR_WRITE', 'did not do what it was asked', good.path],
    ]) {
      const fault = faultOf(coded(code), FILE)!;
      expect(fault.what).toContain(what);
      expect(fault.what).toContain(dir);
      expect(fault.todo).toContain(todo);
    }
    for (const other of [coded('SQLITE_BUSY'), new TypeError('no'), null, 'SQLITE_FULL'])
      expect(faultOf(other, FILE)).toBeNull();
  });
});

describe('while the workshop is open', () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  afterAll(() => quiet.mockRestore());
  const add = (b: Bench, name = 'Kraft') => b.send('POST', '/api/papers', { ...KRAFT, name, id: randomUUID() });

  it('its health reads and writes the file, and changes nothing', async () => {
    const b = bench();
    const changes = (): unknown => b.workshop.db.prepare('SELECT total_changes() AS n').get();
    const before = changes();
    expect(await b.send('GET', '/api/health')).toMatchObject({ status: 200, body: { state: 'ok', why: null } });
    expect(changes()).toEqual(before);
    expect(b.workshop.db.pragma('application_id', { simple: true })).not.toBe(0);
  });

  it('a file that cannot be written is told in its health, and by what is refused; reading goes on', async () => {
    const b = bench({ file: join(dir, 'read-only.sqlite') });
    await post(b, '/api/papers', KRAFT);
    b.workshop.db.pragma('query_only = 1');
    const { status, body } = await b.send('GET', '/api/health');
    expect(status).toBe(503);
    const { state, why } = body as Health;
    expect([state, why]).toEqual(['degraded', expect.stringContaining('cannot be written')]);
    const refused = await add(b);
    expect(refused.status).toBe(507);
    expect((refused.body as Problem).detail).toContain(dir);
    expect(await rowsOf(b, '/api/papers')).toHaveLength(1);
  });

  it('a full disk refuses what is written with its reason, keeps nothing of it, and goes on once there is room', async () => {
    const b = bench({ file: join(dir, 'full.sqlite') });
    const { db } = b.workshop;
    db.pragma(`max_page_count = ${db.pragma('page_count', { simple: true }) as number}`);
    const answers = [];
    for (let k = 0; k < 60; k++) answers.push(await add(b, `${'x'.repeat(70)}${k}`));
    const kept = answers.filter(({ status }) => status === 201).length;
    const last = answers[answers.length - 1];
    expect([last.status, (last.body as Problem).detail]).toEqual([507, expect.stringContaining('disk is full')]);
    expect(await rowsOf(b, '/api/papers?limit=500')).toHaveLength(kept);
    db.pragma('max_page_count = 1000000');
    expect((await add(b)).status).toBe(201);
  });
});

describe('a step to a newer version that fails', () => {
  it('is told with what can be done, and the file is as it was, with a backup beside it', () => {
    const migrations = join(dir, 'migrations');
    cpSync(MIGRATIONS, migrations, { recursive: true });
    const file = join(dir, 'old.sqlite');
    openDatabase(file, migrations).close();
    const next = String(readdirSync(migrations).length + 1).padStart(4, '0');
    writeFileSync(join(migrations, `${next}-wrong.sql`), 'CREATE TABLE papers (n INTEGER)');
    const open = (): unknown => openDatabase(file, migrations);
    expect(open).toThrow(MigrationRefused);
    expect(open).toThrow(`The step ${next}-wrong.sql to the newest version failed`);
    expect(lastGoodBackup(file)).toContain(`-before-${next}.sqlite`);
    const newer = openDatabase(file, MIGRATIONS);
    newer.pragma('user_version = 77');
    newer.close();
    expect(() => openDatabase(file, MIGRATIONS)).toThrow('newer version of Odd Corner (schema 77');
  });
});

describe('the log', () => {
  const lines = (folder: string, name: string): Record<string, unknown>[] =>
    readFileSync(join(folder, 'logs', name), 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>);

  it('has one line for each request with when, route, status and milliseconds, and nothing that it said', async () => {
    const folder = join(dir, 'logged');
    mkdirSync(folder);
    const journal = journalBeside(join(folder, 'workshop.sqlite'));
    const b = bench({ journal });
    const { id } = await post<Paper>(b, '/api/papers', { ...KRAFT, name: 'Secret paper' });
    await b.send('DELETE', `/api/papers/${id}`);
    await b.send('GET', '/api/papers?search=Secret');
    await b.send('GET', '/api/nothing/of/it');
    await journal.close();
    const found = lines(folder, 'workshop.log');
    expect(found.map(({ method, route, status }) => [method, route, status])).toEqual([
      ['POST', '/api/papers', 201],
      ['DELETE', '/api/papers/:id', 200],
      ['GET', '/api/papers', 200],
      ['GET', '/*', 404],
    ]);
    for (const { at, ms } of found) {
      expect(Date.parse(at as string)).toBeGreaterThan(0);
      expect(ms).toBeGreaterThanOrEqual(0);
    }
    expect(readFileSync(join(folder, 'logs/workshop.log'), 'utf8')).not.toMatch(/Secret|nothing/);
  });

  it('is turned over when it has grown, and the oldest goes', async () => {
    const folder = join(dir, 'grown');
    mkdirSync(folder);
    const journal = journalBeside(join(folder, 'workshop.sqlite'), { size: '2K', kept: 3 });
    for (let k = 0; k < 400; k++) {
      journal.request({ method: 'GET', route: `/api/${k}`, status: 200, ms: 1 });
      if (k % 10 === 0) await new Promise((resolve) => setTimeout(resolve, 5));
    }
    await journal.close();
    const names = readdirSync(join(folder, 'logs')).sort();
    expect(names).toEqual(['workshop.log', 'workshop.log.1', 'workshop.log.2', 'workshop.log.3']);
    expect(lines(folder, 'workshop.log.1').every(({ status }) => status === 200)).toBe(true);
  });

  it('stops nothing when it cannot be written, and says so once', async () => {
    const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    writeFileSync(join(dir, 'no-folder'), '');
    const journal = journalBeside(join(dir, 'no-folder', 'workshop.sqlite'));
    const b = bench({ journal });
    for (let k = 0; k < 5; k++) expect((await b.send('GET', '/api/papers')).status).toBe(200);
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(said.mock.calls.filter(([text]) => String(text).includes('cannot be written'))).toHaveLength(1);
    said.mockRestore();
  });
});
