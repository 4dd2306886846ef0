import type { IncomingKind, Issue } from '@odd-corner/contract';
import { randomUUID } from 'node:crypto';
import { createWriteStream, existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Worker } from 'node:worker_threads';
import { ProblemError } from '../http/problem-error';
import { type Built, buildWorkshop } from './build-workshop';
import { compareFiles } from './compare';
import { FileRefused } from './file-refused';

/** A workshop to be made of the file at `from`, and held against the one that is open. */
export interface BuildAsked {
  readonly from: string;
  readonly to: string;
  readonly migrationsDir: string;
  readonly beside: string;
}

/** What was made, and how it stands beside what is here. */
export interface Compared extends Built {
  readonly kinds: IncomingKind[];
}

/** What came of it. */
export type BuildAnswer = { readonly built: Compared } | { readonly refused: Issue[] } | { readonly failed: string };

/** What makes a workshop of a file. @throws ProblemError 400 with what is wrong in it */
export type Build = (asked: BuildAsked) => Promise<Compared>;

const refusal = (issues: Issue[]): ProblemError => new ProblemError(400, issues[0].message, { issues });

/** The whole work of the thread. */
export function buildAndCompare({ from, to, migrationsDir, beside }: BuildAsked): Compared {
  const built = buildWorkshop(readFileSync(from, 'utf8'), to, migrationsDir);
  return { ...built, kinds: compareFiles(beside, to) };
}

/** On this thread. */
export const buildHere: Build = (asked) => {
  try {
    return Promise.resolve(buildAndCompare(asked));
  } catch (error) {
    return Promise.reject(error instanceof FileRefused ? refusal(error.issues) : (error as Error));
  }
};

/** In a thread of its own. @param script the worker's own file */
export const buildInThread =
  (script: string): Build =>
  (workerData) =>
    new Promise((done, failed) => {
      const worker = new Worker(script, { workerData });
      worker.once('message', (answer: BuildAnswer) => {
        if ('built' in answer) done(answer.built);
        else failed('refused' in answer ? refusal(answer.refused) : new Error(answer.failed));
      });
      worker.once('error', (error) => {
        // It ran out of memory, or of stack.
        failed(new ProblemError(422, `That file could not be read: ${error.message}`));
      });
    });

/** A workshop that was sent and waits beside the workshop's file to be accepted. */
export interface Waiting {
  readonly id: string;
  readonly path: string;
  readonly built: Compared;
}

/** Takes files of workshops in; one at a time waits, and a later one takes its place. */
export class IncomingFiles {
  private waiting: Waiting | null = null;

  constructor(
    private readonly file: string,
    private readonly migrationsDir: string,
    private readonly build: Build,
  ) {
    this.sweep();
  }

  async take(sent: ReadableStream<Uint8Array>): Promise<Waiting> {
    const id = randomUUID();
    const path = `${this.stem}${id}`;
    const from = `${path}.json`;
    try {
      await pipeline(Readable.fromWeb(sent), createWriteStream(from));
      const built = await this.build({ from, to: path, migrationsDir: this.migrationsDir, beside: this.file });
      this.drop();
      return (this.waiting = { id, path, built });
    } catch (error) {
      rmSync(path, { force: true });
      throw error;
    } finally {
      rmSync(from, { force: true });
    }
  }

  /** The one that waits, once: from now on it is the asker's. @throws ProblemError 404 when it is another, or none */
  claim(id: string): Waiting {
    const { waiting } = this;
    if (waiting?.id !== id || !existsSync(waiting.path))
      throw new ProblemError(404, 'That file does not wait any more. Choose it again.');
    this.waiting = null;
    return waiting;
  }

  drop(): void {
    if (this.waiting) rmSync(this.waiting.path, { force: true });
    this.waiting = null;
  }

  private get stem(): string {
    return `${this.file}.incoming-`;
  }

  /** What earlier runs left. */
  private sweep(): void {
    const folder = dirname(this.file);
    if (!existsSync(folder)) return;
    for (const name of readdirSync(folder))
      if (name.startsWith(basename(this.stem))) rmSync(join(folder, name), { force: true });
  }
}
