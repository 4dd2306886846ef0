import type { Accepting, Backup, Incoming } from '@odd-corner/contract';
import { copyFileSync, rmSync } from 'node:fs';
import { inOneGo } from '../db/in-one-go';
import type { Db } from '../db/open-database';
import { ProblemError } from '../http/problem-error';
import { type Build, IncomingFiles } from '../workshop-file/incoming';
import { merge } from '../workshop-file/merge';
import { type TakingOut, takeOut } from '../workshop-file/take-out';
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
  /** Told each time the file was opened: at first, and after another took its place. */
  readonly opened: (db: Db, house: DataHouse) => void;
  /** Told why a backup could not be made. */
  readonly failed: (why: unknown) => void;
  /** Makes a workshop of a file that was sent. */
  readonly build: Build;
}

/** The workshop's file while it is open: copied now and then, taken out, and changed for another when that is asked. */
export class OpenFile implements DataHouse {
  private readonly backups: Backups;
  private readonly incoming: IncomingFiles;
  private readonly taking = new Set<TakingOut>();
  private db: Db;
  private ended: () => void = () => undefined;

  constructor(
    private readonly opening: Opening,
    { anew }: { readonly anew: boolean },
  ) {
    const { file, migrationsDir, build } = opening;
    this.backups = new Backups(file);
    this.incoming = new IncomingFiles(file, migrationsDir, build);
    this.db = this.open(anew);
    opening.opened(this.db, this);
  }

  get file(): string {
    return this.opening.file;
  }

  list(): Backup[] {
    return this.backups.list().map(told);
  }

  async add(): Promise<Backup> {
    return told(await this.backups.now(this.db));
  }

  async restore(name: string): Promise<{ words: string }> {
    const chosen = this.backups.list().find((one) => one.name === name);
    if (!chosen) throw new ProblemError(404, `There is no backup called “${name}”.`);
    const state = checkFile(chosen.path);
    if (state.kind !== 'workshop')
      throw new ProblemError(422, `${name} ${state.kind === 'other' ? state.why : 'is gone'}, so nothing was changed.`);
    // Making one more may throw the oldest away, which may be this one.
    const copy = `${this.file}.chosen`;
    copyFileSync(chosen.path, copy);
    const before = await this.putInPlace(copy, name);
    return { words: `${name} is back in place. What was there until now is kept as ${before}.` };
  }

  takeOut(): ReadableStream<Uint8Array> {
    const taking = takeOut(this.file, () => this.taking.delete(taking));
    this.taking.add(taking);
    return taking.stream;
  }

  async bringIn(sent: ReadableStream<Uint8Array>): Promise<Incoming> {
    const { id, built } = await this.incoming.take(sent);
    return { id, ...built };
  }

  async accept({ id, how }: Accepting): Promise<{ words: string }> {
    // Accepted twice at once, it is accepted once.
    const { path } = this.incoming.claim(id);
    try {
      return how === 'replace' ? await this.replace(path) : await this.merge(path);
    } finally {
      rmSync(path, { force: true });
    }
  }

  private async replace(path: string): Promise<{ words: string }> {
    const before = await this.putInPlace(path, 'The file');
    return { words: `The workshop of the file is in place. What was there until now is kept as ${before}.` };
  }

  private async merge(path: string): Promise<{ words: string }> {
    const { name } = await this.backups.now(this.db);
    const added = this.beside(path, () => inOneGo(this.db, () => merge(this.db)));
    const said = added.flatMap(({ kind: { kind, one }, count }) =>
      count ? [`${count} ${count === 1 ? one : kind}`] : [],
    );
    return {
      words: `${said.length ? `Added: ${said.join(', ')}.` : 'All of it was here already.'} Before it, ${name} was made.`,
    };
  }

  drop(): void {
    this.incoming.drop();
  }

  close(): void {
    this.ended();
    // Who still reads the file would leave its log behind, which belongs to no other file.
    for (const taking of [...this.taking]) taking.end();
    this.db.close();
  }

  /** With another workshop's file attached as `incoming`. */
  private beside<T>(path: string, work: () => T): T {
    this.db.prepare('ATTACH ? AS incoming').run(path);
    try {
      return work();
    } finally {
      this.db.exec('DETACH incoming');
    }
  }

  /**
   * Puts a workshop's file in the place of what is open, of which a backup is made first. @returns the backup's name
   * @throws ProblemError 422 when it cannot be opened: then all is as it was
   */
  private async putInPlace(path: string, what: string): Promise<string> {
    const { file, opened } = this.opening;
    const before = await this.backups.now(this.db);
    this.close();
    try {
      nameWhole(path, file);
      this.db = this.open(false);
    } catch (error) {
      this.backups.restore(before, file);
      this.db = this.open(false);
      opened(this.db, this);
      throw new ProblemError(422, `${what} could not be opened (${String(error)}), so all is as it was.`);
    }
    opened(this.db, this);
    return before.name;
  }

  private open(anew: boolean): Db {
    const { file, migrationsDir, lock, failed } = this.opening;
    const db = openData(file, migrationsDir, lock, { anew });
    this.ended = keepBackups(db, this.backups, failed);
    return db;
  }
}
