import type { Backup } from '@odd-corner/contract';
import { copyFileSync } from 'node:fs';
import type { Db } from '../db/open-database';
import { ProblemError } from '../http/problem-error';
import { type Backup as Copy, Backups } from './backups';
import { checkFile } from './check-file';
import type { DataHouse } from './data-house';
import type { DataLock } from './data-lock';
import { keepBackups } from './keep-backups';
import { openData } from './open-data';
import { nameWhole } from './write-whole';

/** As it is told: when it was made as a moment, not as it stands in a name. */
const told = ({ name, at, bytes }: Copy): Backup => ({
  ...{ name, bytes },
  at: at.replace(/T(\d\d)-(\d\d)-(\d\d)Z$/, 'T$1:$2:$3Z'),
});

interface Opening {
  readonly file: string;
  readonly migrationsDir: string;
  readonly lock: DataLock;
  /** Told each time the file was opened: at first, and after a backup was put in its place. */
  readonly opened: (db: Db, house: DataHouse) => void;
  /** Told why a backup could not be made. */
  readonly failed: (why: unknown) => void;
}

/** The workshop's file while it is open: copied now and then, and changed for a copy when that is asked. */
export class OpenFile implements DataHouse {
  private readonly backups: Backups;
  private db: Db;
  private ended: () => void = () => undefined;

  constructor(
    private readonly opening: Opening,
    { anew }: { readonly anew: boolean },
  ) {
    this.backups = new Backups(opening.file);
    this.db = this.open(anew);
    opening.opened(this.db, this);
  }

  list(): Backup[] {
    return this.backups.list().map(told);
  }

  async add(): Promise<Backup> {
    return told(await this.backups.now(this.db));
  }

  async restore(name: string): Promise<{ words: string }> {
    const { file, opened } = this.opening;
    const chosen = this.backups.list().find((one) => one.name === name);
    if (!chosen) throw new ProblemError(404, `There is no backup called “${name}”.`);
    const state = checkFile(chosen.path);
    if (state.kind !== 'workshop')
      throw new ProblemError(422, `${name} ${state.kind === 'other' ? state.why : 'is gone'}, so nothing was changed.`);
    // Making one more may throw the oldest away, which may be this one.
    const copy = `${file}.chosen`;
    copyFileSync(chosen.path, copy);
    const before = await this.backups.now(this.db);
    this.close();
    try {
      nameWhole(copy, file);
      this.db = this.open(false);
    } catch (error) {
      this.backups.restore(before, file);
      this.db = this.open(false);
      opened(this.db, this);
      throw new ProblemError(422, `${name} could not be opened (${String(error)}), so all is as it was.`);
    }
    opened(this.db, this);
    return { words: `${name} is back in place. What was there until now is kept as ${before.name}.` };
  }

  close(): void {
    this.ended();
    this.db.close();
  }

  private open(anew: boolean): Db {
    const { file, migrationsDir, lock, failed } = this.opening;
    const db = openData(file, migrationsDir, lock, { anew });
    this.ended = keepBackups(db, this.backups, failed);
    return db;
  }
}
