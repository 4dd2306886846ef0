import { Worker } from 'node:worker_threads';
import { ProblemError } from '../http/problem-error';
import type { Verdict, VerifyAsked } from './verify-make';

interface Answer {
  readonly n: number;
  readonly verdict?: Verdict;
  readonly failed?: string;
}

interface Waiting {
  readonly asked: VerifyAsked;
  readonly done: (verdict: Verdict) => void;
  readonly failed: (why: Error) => void;
}

/** The slowest make takes about a second; what takes longer has lost its way. */
const LONGEST_MS = 30_000;
/** More makes than these are not waited for. */
const MOST_WAITING = 200;

/**
 * Folds in a thread of its own, one make after another. The thread begins with the first question; one that dies or is stuck
 * is replaced, and only the make that it was folding is refused.
 */
export class Verifier {
  private worker: Worker | null = null;
  private readonly queue: Waiting[] = [];
  private now: Waiting | null = null;
  private n = 0;
  private timer: ReturnType<typeof setTimeout> | null = null;

  /** @param script the worker's own file */
  constructor(
    private readonly script: string | URL,
    private readonly longestMs = LONGEST_MS,
  ) {}

  /** @throws ProblemError 503 when too many wait, or the thread died */
  readonly verify = (asked: VerifyAsked): Promise<Verdict> =>
    new Promise((done, failed) => {
      if (this.queue.length >= MOST_WAITING) {
        failed(new ProblemError(503, 'Too much is being folded just now. Try again in a moment.'));
        return;
      }
      this.queue.push({ asked, done, failed });
      this.next();
    });

  async close(): Promise<void> {
    const { worker } = this;
    this.worker = null;
    const closing = new ProblemError(503, 'The workshop is being closed.');
    for (const { failed } of this.queue.splice(0)) failed(closing);
    this.settle(({ failed }) => failed(closing));
    await worker?.terminate();
  }

  private next(): void {
    if (this.now || !this.queue.length) return;
    this.now = this.queue.shift()!;
    this.worker ??= this.begin();
    this.worker.ref();
    this.timer = setTimeout(() => this.stuck(), this.longestMs);
    this.worker.postMessage({ n: ++this.n, asked: this.now.asked });
  }

  private begin(): Worker {
    const worker = new Worker(this.script);
    worker.on('message', ({ n, verdict, failed }: Answer) => {
      if (worker !== this.worker || n !== this.n) return;
      this.settle((waiting) => (verdict ? waiting.done(verdict) : waiting.failed(new Error(failed))));
    });
    const died = (why: Error): void => {
      if (worker !== this.worker) return;
      this.worker = null;
      this.settle((waiting) => waiting.failed(why));
    };
    worker.on('error', died);
    worker.on('exit', (code) => died(new Error(`The folding thread ended with ${code}.`)));
    return worker;
  }

  private settle(how: (waiting: Waiting) => void): void {
    const waiting = this.now;
    this.now = null;
    if (this.timer) clearTimeout(this.timer);
    // A thread without work keeps no program alive.
    this.worker?.unref();
    if (waiting) how(waiting);
    this.next();
  }

  private stuck(): void {
    const { worker } = this;
    this.worker = null;
    void worker?.terminate();
    this.settle((waiting) => waiting.done({ refused: 'It could not be folded in a reasonable time.' }));
  }
}
