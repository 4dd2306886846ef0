import { copyFileSync, existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import type { Db } from '../db/open-database';
import { checkFile } from './check-file';
import { nameWhole } from './write-whole';

/** A whole copy of a workshop. */
export interface Backup {
  readonly name: string;
  readonly path: string;
  /** When it was made, as in its name: `2026-11-29T02-15-00Z`. */
  readonly at: string;
  readonly bytes: number;
}

/** Of those made while running the newest are kept, and the newest of each of the last days. */
const KEPT = { newest: 8, days: 14 } as const;

/** A moment as it can stand in a file's name: to the second, in UTC. */
export const stampOf = (moment: Date): string =>
  moment
    .toISOString()
    .replace(/\.\d+Z$/, 'Z')
    .replaceAll(':', '-');

/**
 * Copies of a workshop in a folder beside its file. A copy has its name only when it is whole: made under another one, opened
 * and checked, and flushed to the disk.
 */
export class Backups {
  private readonly dir: string;
  private readonly stem: string;
  private readonly named: RegExp;

  constructor(file: string) {
    this.dir = join(dirname(file), 'backups');
    this.stem = basename(file, '.sqlite');
    this.named = new RegExp(String.raw`^${this.stem}-(\d{4}-\d\d-\d\dT\d\d-\d\d-\d\dZ)(-before-\d{4})?\.sqlite$`);
  }

  /** All copies, the newest first. */
  list(): readonly Backup[] {
    if (!existsSync(this.dir)) return [];
    return readdirSync(this.dir)
      .flatMap((name) => {
        const at = this.named.exec(name)?.[1];
        const path = join(this.dir, name);
        return at ? [{ name, path, at, bytes: statSync(path).size }] : [];
      })
      .sort((p, q) => (p.name < q.name ? 1 : -1));
  }

  /** Copies before a migration, all at once. @throws Error when the copy is not whole: then nothing may be migrated */
  before(db: Db, migration: number, now = new Date()): Backup {
    return this.make(`-before-${String(migration).padStart(4, '0')}`, now, (path) => {
      db.prepare('VACUUM INTO ?').run(path);
    });
  }

  /** Copies while the workshop is being used; older copies that are no longer needed go. */
  async now(db: Db, now = new Date()): Promise<Backup> {
    const temporary = this.temporary();
    await db.backup(temporary);
    const made = this.settle(temporary, '', now);
    this.tidy();
    return made;
  }

  /** Puts a copy in place of a workshop's file, which must not be open. */
  restore({ path }: Backup, file: string): void {
    const temporary = `${file}.tmp`;
    copyFileSync(path, temporary);
    nameWhole(temporary, file);
  }

  private make(end: string, now: Date, copy: (path: string) => void): Backup {
    const temporary = this.temporary();
    copy(temporary);
    return this.settle(temporary, end, now);
  }

  /** A fresh name for a copy that is not whole yet; what a power cut left of earlier ones goes. */
  private temporary(): string {
    mkdirSync(this.dir, { recursive: true });
    const path = join(this.dir, `${this.stem}.making`);
    for (const left of ['', '-wal', '-shm', '-journal']) rmSync(path + left, { force: true });
    return path;
  }

  private settle(temporary: string, end: string, now: Date): Backup {
    const state = checkFile(temporary);
    if (state.kind !== 'workshop')
      throw new Error(`The backup ${state.kind === 'other' ? state.why : 'was not written'}; nothing was changed.`);
    for (const left of ['-wal', '-shm', '-journal']) rmSync(temporary + left, { force: true });
    const at = stampOf(now);
    const name = `${this.stem}-${at}${end}.sqlite`;
    const path = join(this.dir, name);
    nameWhole(temporary, path);
    return { name, path, at, bytes: statSync(path).size };
  }

  private tidy(): void {
    const running = this.list().filter(({ name }) => !name.includes('-before-'));
    const days = [...new Set(running.map(({ at }) => at.slice(0, 10)))].slice(0, KEPT.days);
    const kept = new Set([
      ...running.slice(0, KEPT.newest),
      ...days.map((day) => running.find(({ at }) => at.startsWith(day))),
    ]);
    for (const one of running) if (!kept.has(one)) rmSync(one.path);
  }
}
