import type { EyeTry } from '@odd-corner/contract';
import { seededNormal } from '@odd-corner/core';
import { demoId } from './demo-id';

/** Tries of four evenings at the bench: the eye of the workshop's usual hand grows surer. */
const EVENINGS = [
  { daysAgo: 61, misses: 0.034 },
  { daysAgo: 40, misses: 0.026 },
  { daysAgo: 19, misses: 0.021 },
  { daysAgo: 5, misses: 0.016 },
];
const PLACES = [1 / 3, 1 / 5, 2 / 3, 1 / 4, 3 / 7, 1 / 2, 4 / 5, 1 / 6];
const SIDE_MM = 150;

/** What was set by eye at the repair café. @param ago a moment so many days and minutes before now */
export function demoEyeTries(ago: (days: number, minutes: number) => string): EyeTry[] {
  const normal = seededNormal(31);
  return EVENINGS.flatMap(({ daysAgo, misses }, evening) =>
    PLACES.map((share, k): EyeTry => {
      const set = share + misses * normal() * Math.min(share, 1 - share);
      return {
        id: demoId('eye', evening * PLACES.length + k + 1),
        ...{ handId: null, share, set, sideMm: SIDE_MM },
        at: ago(daysAgo, 60 - 2 * k),
      };
    }),
  );
}
