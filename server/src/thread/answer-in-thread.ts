import { parentPort } from 'node:worker_threads';

/** The thread's side: answers one question after another, so that the server goes on meanwhile. */
export function answerInThread<Asked, Answer>(work: (asked: Asked) => Answer): void {
  parentPort?.on('message', ({ n, asked }: { readonly n: number; readonly asked: Asked }) => {
    try {
      parentPort?.postMessage({ n, answer: work(asked) });
    } catch (error) {
      parentPort?.postMessage({ n, failed: error instanceof Error ? (error.stack ?? error.message) : String(error) });
    }
  });
}
