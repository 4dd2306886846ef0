import type { Point } from '../measure/point';
import { FoldRefused } from './fold-refused';
import { type Pose, whereIs } from './pose';

/** Two spots of the sheet that glue or tape holds together, as far apart as they were when it was put on. */
export interface Stuck {
  readonly how: 'glue' | 'tape';
  readonly point: Point;
  readonly other: Point;
  readonly apartMm: number;
}

const apart = (pose: Pose, p: Point, q: Point): number => {
  const [a, b] = [whereIs(pose, p), whereIs(pose, q)];
  return Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);
};

/**
 * Glue between two layers that touch, or tape over the gap between two spots.
 * @throws FoldRefused for glue between spots that do not touch
 */
export function stick(pose: Pose, how: Stuck['how'], point: Point, other: Point): Stuck {
  const apartMm = apart(pose, point, other);
  if (how === 'glue' && apartMm > 1e-6 * pose.pattern.size)
    throw new FoldRefused('ambiguous', `Glue holds layers that touch; these are ${apartMm.toFixed(2)} mm apart.`);
  return { how, point, other, apartMm };
}

/** @throws FoldRefused when a pose would pull apart what is stuck together */
export function refuseUnstuck(pose: Pose, stuck: readonly Stuck[]): void {
  for (const { how, point, other, apartMm } of stuck)
    if (Math.abs(apart(pose, point, other) - apartMm) > 1e-6 * pose.pattern.size)
      throw new FoldRefused(
        'stuck',
        `The ${how} at (${point.x.toFixed(1)}, ${point.y.toFixed(1)}) holds the layers together.`,
      );
}
