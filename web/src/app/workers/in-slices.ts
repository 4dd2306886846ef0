/** How long a slice of work may keep a worker from hearing what it is told, in ms. */
const SLICE_MS = 25;

/** Lets a worker hear what it is told. */
export const pause = (ms = 0): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Runs work that comes up for air, in slices, so that its worker can hear that it is no longer wanted.
 * @param tell told of progress after each slice
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
