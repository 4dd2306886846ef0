import { placedOutline, type Pose } from '../folding/pose';
import type { FormStep } from '../forms/form';
import { draw } from './draw';
import type { Drawing } from './drawing';
import { type Motion, motionBetween } from './motion';
import { type Looking, viewOf } from './step-pictures';
import { project } from './view';

/** A step as it moves: pictures at one scale, evenly in time; null where it is not known how the paper moves. */
export function movingPictures(step: FormStep, looking: Looking = {}, each = 16): readonly Drawing[] | null {
  const { poses } = step;
  const motions: Motion[] = [];
  for (let k = 1; k < poses.length; k++) {
    const motion = motionBetween(poses[k - 1], poses[k]);
    if (!motion) return null;
    motions.push(motion);
  }
  if (!motions.length) return null;
  const moments: readonly Pose[] = motions.flatMap((motion, k) =>
    Array.from({ length: each + (k === motions.length - 1 ? 1 : 0) }, (_, i) => motion(i / each)),
  );
  const view = viewOf(step, looking);
  const roomFor = moments.flatMap((pose) =>
    pose.pattern.faces.flatMap((_, f) => placedOutline(pose, f).map((p) => project(view, p))),
  );
  return moments.map((pose) => draw([{ kind: 'paper', pose }], view, { hidden: false, roomFor }));
}
