import type { Nearest } from './nearest';

/** Bins by which marks are looked up along an edge. */
const BINS = 4096;

/** Marks on an edge, to be looked up by where they are. */
export interface EdgeMarks {
  /** Offers the marks round a place, nearer bins first, until none further away can be wanted. */
  each(at: number, found: Nearest, of: (line: number) => number): void;
}

/**
 * Sorts marks into bins along an edge, each looked up in the time that its neighbours take.
 * @param at where each is, from the edge's first end, @param line which line makes it, @param long how long the edge is
 */
export function binned(at: readonly number[], line: readonly number[], long: number): EdgeMarks {
  const binOf = (t: number): number => Math.max(0, Math.min(BINS - 1, Math.floor((t / long) * BINS)));
  const starts = new Int32Array(BINS + 1);
  for (const t of at) starts[binOf(t) + 1]++;
  for (let k = 0; k < BINS; k++) starts[k + 1] += starts[k];
  const [places, lines] = [new Float64Array(at.length), new Int32Array(at.length)];
  const filled = starts.slice();
  at.forEach((t, k) => {
    const slot = filled[binOf(t)]++;
    places[slot] = t;
    lines[slot] = line[k];
  });
  return {
    each: (wanted, found, of) => {
      const middle = binOf(wanted);
      for (let d = 0; d < BINS; d++) {
        if (((d - 1) * long) / BINS > found.reach) return;
        for (const bin of d ? [middle - d, middle + d] : [middle]) {
          if (bin < 0 || bin >= BINS) continue;
          for (let k = starts[bin]; k < starts[bin + 1]; k++) {
            const item = of(lines[k]);
            if (item >= 0) found.offer(item, places[k] - wanted);
          }
        }
      }
    },
  };
}
