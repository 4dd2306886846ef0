import type { Sitting } from './schedule-run';

/** When somebody folds: on which days of the week, from when, and how long. */
export interface Evenings {
  /** Days of the week, Sunday being 0. */
  readonly days: readonly number[];
  /** Minutes after midnight. */
  readonly from: number;
  readonly minutes: number;
}

const MINUTE_MS = 60_000;
/** No run is looked at further ahead, in days. */
const FURTHEST = 400;

/**
 * All evenings from a moment until the end of a day, as minutes since 1970: what is over of the first is left out.
 * @param now and until, as moments in ms; days and hours are those of the clock here
 */
export function eveningsUntil({ days, from, minutes }: Evenings, now: number, until: number): readonly Sitting[] {
  const sittings: Sitting[] = [];
  const begins = new Date(now);
  for (let day = 0; day < FURTHEST; day++) {
    const at = new Date(begins.getFullYear(), begins.getMonth(), begins.getDate() + day, 0, from);
    const start = Math.max(at.getTime(), now);
    const end = at.getTime() + minutes * MINUTE_MS;
    if (at.getTime() > until) break;
    if (!days.includes(at.getDay()) || end <= start) continue;
    sittings.push({ from: start / MINUTE_MS, to: end / MINUTE_MS });
  }
  return sittings;
}
