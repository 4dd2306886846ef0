import { type Remote, wrap } from 'comlink';
import type { FoldingTasks } from './folding-tasks';

/** The worker that folds has gone: whatever it was asked is lost, and may be asked again. */
export class WorkerGone extends Error {
  override readonly name = 'WorkerGone';

  constructor() {
    super('Folding broke off. Nothing that you entered is lost.');
  }
}

interface Alive {
  readonly worker: Worker;
  readonly tasks: Remote<FoldingTasks>;
  /** Never fulfilled; rejected when the worker has gone. */
  readonly gone: Promise<never>;
}

let begun = 0;

/** A name that no other page of this browser has. */
const lockName = (): string => `folding ${Date.now()} ${performance.now()} ${begun++}`;

/** So often it is asked, and so long it may take to answer: the slowest folding lets others in before, also on a phone. */
const ASKED_MS = 20_000;
const PATIENCE_MS = 60_000;

/** Finds out without locks that a worker is gone: it does not answer any more. */
function watchByAsking(
  tasks: Pick<Remote<FoldingTasks>, 'watched'>,
  { alive, end }: { readonly alive: () => boolean; readonly end: () => void },
): void {
  const asking = setInterval(() => {
    if (!alive()) {
      clearInterval(asking);
      return;
    }
    let answered = false;
    void tasks.watched().then(() => (answered = true));
    // While a page is out of view its clock and its workers rest.
    setTimeout(() => !answered && alive() && !document.hidden && end(), PATIENCE_MS);
  }, ASKED_MS);
}

/**
 * The tasks of a worker that is begun when first asked, and anew when it has gone. A worker that ends says nothing by itself,
 * so it holds a lock for as long as it lives: who gets that lock knows that it has ended.
 */
export function foldingLine(begin: (name: string) => Worker): Remote<FoldingTasks> {
  let alive: Alive | null = null;
  const start = (): Alive => {
    const name = lockName();
    const worker = begin(name);
    const tasks = wrap<FoldingTasks>(worker);
    const gone = new Promise<never>((_, reject) => {
      const end = (): void => {
        if (alive?.worker === worker) alive = null;
        worker.terminate();
        reject(new WorkerGone());
      };
      worker.addEventListener('error', end);
      // Locks are there where the page is trusted. Elsewhere it is asked now and then whether it still answers.
      if ('locks' in navigator) void tasks.watched().then(() => navigator.locks.request(name, end));
      else watchByAsking(tasks, { alive: () => alive?.worker === worker, end });
    });
    // Nobody may be waiting when it goes.
    gone.catch(() => undefined);
    return (alive = { worker, tasks, gone });
  };
  return new Proxy({} as Remote<FoldingTasks>, {
    get:
      (_, task: keyof FoldingTasks) =>
      (...asked: unknown[]) => {
        const { tasks, gone } = alive ?? start();
        const work = Reflect.apply(tasks[task] as (...all: unknown[]) => Promise<unknown>, tasks, asked);
        return Promise.race([work, gone]);
      },
  });
}
