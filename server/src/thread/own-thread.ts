import { Worker } from 'node:worker_threads';
import { ProblemError } from '../http/problem-error';

interface Said<Answer> {
  readonly n: number;
  readonly answer?: Answer;
  readonly failed?: string;
}

interface Waiting<Asked, Answer> {
  readonly asked: Asked;
  readonly done: (answer: Answer) => void;
  readonly failed: (why: Error) => void;
}

/** What a thread does that is asked one thing after another. */
export interface ThreadWork<Answer> {
  /** What takes longer has lost its way. */
  readonly longestMs: number;
  /** What is answered then. */
  readonly stuck: () => Answer;
  /** What is said when too many wait. */
  readonly busy: string;
}

/** More questions than these are not waited for. */
const MOST_WAITING = 200;

/**
 * Works in a thread of its own, one question after another. The thread begins with the first question; one that dies or is
 * stuck is replaced, and only the question that it was at is refused.
 */
export class OwnThread<Asked, Answer> {
  private worker: Worker | null = null;
  private readonly queue: Waiting<Asked, Answer>[] = [];
  private now: Waiting<Asked, Answer> | null = null;
  private n = 0;
  private timer: ReturnType<typeof setTimeout> | null = null;

  /** @param script the worker's own file */
  constructor(
    private readonly script: string | URL,
    private readonly work: ThreadWork<Answer>,
  ) {}

  /** @throws ProblemError 503 when too many wait, or the thread died */
  readonly ask = (asked: Asked): Promise<Answer> =>
    new Promise((done, failed) => {
      if (this.queue.length >= MOST_WAITING) {
        failed(new ProblemError(503, this.work.busy));
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
    this.timer = setTimeout(() => this.stuck(), this.work.longestMs);
    this.worker.postMessage({ n: ++this.n, asked: this.now.asked });
  }

  private begin(): Worker {
    const worker = new Worker(this.script);
    worker.on('message', ({ n, answer, failed }: Said<Answer>) => {
      if (worker !== this.worker || n !== this.n) return;
      this.settle((waiting) => (answer === undefined ? waiting.failed(new Error(failed)) : waiting.done(answer)));
    });
    const died = (why: Error): void => {
      if (worker !== this.worker) return;
      this.worker = null;
      this.settle((waiting) => waiting.failed(why));
    };
    worker.on('error', died);
    worker.on('exit', (code) => died(new Error(`The thread ended with ${code}.`)));
    return worker;
  }

  private settle(how: (waiting: Waiting<Asked, Answer>) => void): void {
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
    this.settle((waiting) => waiting.done(this.work.stuck()));
  }
}
