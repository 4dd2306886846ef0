import { USUAL_SETTINGS } from '@odd-corner/contract';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Backups, stampOf } from '../src/data/backups';
import { checkFile } from '../src/data/check-file';
import { lockData } from '../src/data/data-lock';
import { keepBackups } from '../src/data/keep-backups';
import { openData } from '../src/data/open-data';
import { restoreBackup } from '../src/data/restore';
import { openDatabase } from '../src/db/open-database';
import { openWorkshop, type Workshop } from '../src/db/workshop';
import { KRAFT, MIGRATIONS } from './workshop';

const folders: string[] = [];
const place = (): string => {
  folders.push(mkdtempSync(join(tmpdir(), 'odd-corner-data-')));
  return join(folders[folders.length - 1], 'workshop.sqlite');
};
afterAll(() => folders.forEach((dir) => rmSync(dir, { recursive: true })));

const idOf = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const open = (file: string): Workshop => openWorkshop(openDatabase(file, MIGRATIONS));
const namesIn = (workshop: Workshop): string[] => workshop.papers.list({}).rows.map(({ name }) => name);
const add = (workshop: Workshop, n: number): void =>
  void workshop.papers.add({ ...KRAFT, name: `Kraft ${n}`, id: idOf(n) }, '2026-11-01T00:00:00.000Z');
const hour = (n: number): Date => new Date(Date.UTC(2026, 10, 1, n));

describe('the right to a workshop’s file', () => {
  it('is one program’s, who is told to the other, and free again when it is released', () => {
    const file = place();
    const first = lockData(file);
    expect(first.openedBefore).toBeNull();
    expect(() => lockData(file)).toThrow(/open already\. /);
    first.opened('2026-11-29T02:00:00.000Z', 'http://127.0.0.1:4377');
    expect(() => lockData(file)).toThrow(/open already, at http:\/\/127\.0\.0\.1:4377/);
    first.release();
    const second = lockData(file);
    expect(second.openedBefore).toBe('2026-11-29T02:00:00.000Z');
    second.release();
  });
});

describe('what lies where the workshop’s file belongs', () => {
  it('is looked at before it is opened, and left as it is', () => {
    const file = place();
    expect(checkFile(file)).toEqual({ kind: 'none' });
    for (const [text, why] of [
      ['', 'is empty'],
      [
        'not a database, and longer than the hundred bytes that a header would take, to be sure of it. '.repeat(3),
        'cannot be read',
      ],
    ] as const) {
      writeFileSync(file, text);
      expect(checkFile(file)).toMatchObject({ kind: 'other', why: expect.stringContaining(why) as string });
      expect(() => openData(file, MIGRATIONS, { openedBefore: null }, { anew: false })).toThrow(why);
      expect(readFileSync(file, 'utf8')).toBe(text);
    }
  });

  it('is the file of another program when it has none of our tables', () => {
    const file = place();
    const db = openDatabase(file, MIGRATIONS);
    db.exec('DROP TABLE settings');
    db.close();
    expect(checkFile(file)).toEqual({ kind: 'other', why: 'is the file of another program' });
  });

  it('is refused when it was cut off', () => {
    const file = place();
    const workshop = open(file);
    for (let n = 0; n < 200; n++) add(workshop, n);
    workshop.db.close();
    truncateSync(file, 9000);
    expect(checkFile(file).kind).toBe('other');
  });

  it('is begun anew only where nothing was, or when that is asked for; then the old one is set aside', () => {
    const file = place();
    openData(file, MIGRATIONS, { openedBefore: null }, { anew: false }).close();
    rmSync(file);
    const before = { openedBefore: '2026-11-20T10:00:00.000Z' };
    expect(() => openData(file, MIGRATIONS, before, { anew: false })).toThrow(/is gone.*2026-11-20/);
    expect(existsSync(file)).toBe(false);
    openData(file, MIGRATIONS, before, { anew: true }).close();
    const workshop = open(file);
    add(workshop, 1);
    workshop.db.close();
    const empty = openWorkshop(openData(file, MIGRATIONS, before, { anew: true, now: hour(5) }));
    expect(namesIn(empty)).toEqual([]);
    expect(empty.settings.get()).toEqual({ ...USUAL_SETTINGS, version: 1 });
    empty.db.close();
    expect(namesIn(open(`${file}.set-aside-${stampOf(hour(5))}`))).toEqual(['Kraft 1']);
  });
});

describe('backups', () => {
  it('are whole, and hold what was written before them, while writing goes on', async () => {
    const file = place();
    const workshop = open(file);
    const backups = new Backups(file);
    for (let n = 0; n < 30; n++) {
      add(workshop, n);
      if (n % 10 !== 9) continue;
      const making = backups.now(workshop.db, hour(n));
      workshop.settings.change({ ...workshop.settings.get(), unit: n % 20 === 9 ? 'in' : 'mm' });
      const { path } = await making;
      expect(checkFile(path).kind).toBe('workshop');
      const copy = open(path);
      expect(namesIn(copy).length).toBeGreaterThanOrEqual(n + 1);
      copy.db.close();
    }
    expect(backups.list().map(({ at }) => at)).toEqual([29, 19, 9].map((n) => stampOf(hour(n))));
    workshop.db.close();
  });

  it('keep the newest, and one of each of the last days', async () => {
    const file = place();
    const workshop = open(file);
    const backups = new Backups(file);
    for (let n = 0; n < 24 * 20; n += 6) await backups.now(workshop.db, hour(n));
    const left = backups.list().map(({ at }) => at);
    expect(left.slice(0, 8)).toEqual(Array.from({ length: 8 }, (_, k) => stampOf(hour(24 * 20 - 6 - 6 * k))));
    expect(new Set(left.map((at) => at.slice(0, 10))).size).toBe(14);
    expect(left).toHaveLength(8 + 12);
    workshop.db.close();
  });

  it('are none when they were cut off: half a copy has no such name, and goes with the next one', async () => {
    const file = place();
    const workshop = open(file);
    const backups = new Backups(file);
    const dir = join(file, '../backups');
    mkdirSync(dir);
    writeFileSync(join(dir, 'workshop.making'), 'half a co');
    writeFileSync(join(dir, 'workshop-yesterday.sqlite'), '');
    expect(backups.list()).toEqual([]);
    const { name } = await backups.now(workshop.db, hour(1));
    expect(readdirSync(dir).sort()).toEqual([name, 'workshop-yesterday.sqlite'].sort());
    workshop.db.close();
  });

  it('are put back, and what was there is set aside; not while the workshop is open, and no damaged one', async () => {
    const file = place();
    const workshop = open(file);
    const backups = new Backups(file);
    expect(() => restoreBackup(file, 'newest')).toThrow(/no backups/);
    add(workshop, 1);
    const { name, path } = await backups.now(workshop.db, hour(1));
    add(workshop, 2);
    workshop.db.close();
    expect(restoreBackup(file, 'list')).toContain(name);
    expect(() => restoreBackup(file, 'yesterday')).toThrow(/no backup called/);
    const lock = lockData(file);
    expect(() => restoreBackup(file, name)).toThrow(/open already/);
    lock.release();
    expect(restoreBackup(file, 'newest', hour(2))).toContain('is back in place');
    const restored = open(file);
    expect(namesIn(restored)).toEqual(['Kraft 1']);
    restored.db.close();
    expect(namesIn(open(`${file}.set-aside-${stampOf(hour(2))}`))).toEqual(['Kraft 1', 'Kraft 2']);
    truncateSync(path, 5000);
    expect(() => restoreBackup(file, name, hour(3))).toThrow(/damaged|cannot be read/);
    expect(checkFile(file).kind).toBe('workshop');
  });

  it('are made now and then, when something was written', async () => {
    const file = place();
    const workshop = open(file);
    const backups = new Backups(file);
    const end = keepBackups(workshop.db, backups, (why) => expect(why).toBeUndefined(), 20);
    await new Promise((resolve) => setTimeout(resolve, 90));
    expect(backups.list()).toHaveLength(0);
    add(workshop, 1);
    for (let k = 0; k < 200 && !backups.list().length; k++) await new Promise((resolve) => setTimeout(resolve, 20));
    end();
    expect(backups.list().length).toBeGreaterThan(0);
    workshop.db.close();
  });
});
