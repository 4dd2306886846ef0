/** How long a slice of work may keep a worker from hearing what it is told, in ms. */
const SLICE_MS = 25;

/**
 * Lets a worker hear what it is told. A message to itself comes after those that are waiting, and sooner than a timer, which
 * browsers hold back by 4 ms once several follow each other (HTML, timers, step 11).
 */
export function pause(ms = 0): Promise<void> {
  if (ms > 0 || typeof MessageChannel === 'undefined') return new Promise((resolve) => setTimeout(resolve, ms));
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });
}

/**
 * Runs work that yields, in slices, so that its worker can hear that it is no longer wanted.
 * @param tell called with the progress after each slice
 * @param stopped asked after each slice; once true, the work is told to stop and gives what it has
 */
export async function inSlices<Progress, Result>(
  work: Generator<Progress, Result, boolean>,
  tell: (progress: Progress) => void,
  stopped: () => boolean,
): Promise<Result> {
  let began = performance.now();
  let state = work.next(false);
  while (!state.done) {
    let stop = false;
    if (performance.now() - began > SLICE_MS) {
      tell(state.value);
      await pause();
      stop = stopped();
      began = performance.now();
    }
    state = work.next(stop);
  }
  return state.value;
}
