import type { Pose } from './pose';
import { compose, type Transform } from './transform';

/** The same folded state, moved bodily. */
export function moved(pose: Pose, motion: Transform): Pose {
  return {
    ...pose,
    frame: compose(motion, pose.frame),
    ...(pose.others && {
      others: pose.others.map(({ face, frame }) => ({ face, frame: compose(motion, frame) })),
    }),
    placed: pose.placed.map((m) => compose(motion, m)),
  };
}
