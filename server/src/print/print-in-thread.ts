import { Worker } from 'node:worker_threads';
import { ProblemError } from '../http/problem-error';
import type { Fonts, Print, Printed } from './print-asked';

/** A booklet of the largest make takes a few seconds. */
const LONGEST_MS = 60_000;
/** Each holds a whole engine in memory. */
const MOST_AT_ONCE = 3;

/** Prints each make in a thread of its own. @param script the thread's file */
export function printInThread(script: string | URL, fonts: Fonts, longestMs = LONGEST_MS): Print {
  let running = 0;
  return async (asked) => {
    if (running >= MOST_AT_ONCE)
      throw new ProblemError(503, 'Too much is being printed just now. Try again in a moment.');
    running += 1;
    const worker = new Worker(script, { workerData: { asked, fonts } });
    let late: ReturnType<typeof setTimeout> | null = null;
    try {
      return await new Promise<Printed>((done, failed) => {
        late = setTimeout(() => {
          failed(new ProblemError(503, 'It could not be printed in a reasonable time.'));
          void worker.terminate();
        }, longestMs);
        worker.once('message', done);
        worker.once('error', failed);
        worker.once('exit', (code) => failed(new Error(`The printing thread ended with ${code}.`)));
      });
    } finally {
      if (late) clearTimeout(late);
      running -= 1;
    }
  };
}
