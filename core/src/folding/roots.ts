import { sheetsOf } from '../pattern/plates';
import { FoldRefused } from './fold-refused';
import type { Pose } from './pose';
import type { Transform } from './transform';

/** A face of a sheet and where it lies: where the rest of the sheet lies follows from it. */
export interface Root {
  readonly face: number;
  readonly frame: Transform;
}

/** What holds the paper of a pose in place: one face of each of its sheets. */
export type Held = Pick<Pose, 'pinned' | 'frame' | 'others'>;

/** One root for each sheet of a pose; that of the pinned face comes first. */
export function rootsOf({ pinned, frame, others = [] }: Held): readonly Root[] {
  return [{ face: pinned, frame }, ...others];
}

/** The same pose held by another face of the sheet that it belongs to; other sheets are held as before. */
export function heldBy(pose: Pose, face: number): Held {
  const frame = pose.placed[face];
  if (!pose.others) return { pinned: face, frame };
  const sheets = sheetsOf(pose.pattern);
  return { pinned: face, frame, others: rootsOf(pose).filter((root) => sheets[root.face] !== sheets[face]) };
}

/**
 * The same pose with every sheet held by a face that does not move.
 * @throws FoldRefused when a sheet lies wholly on the side that moves: it would only be carried along
 */
export function heldFlat(pose: Pose, moving: readonly boolean[]): Held {
  const sheets = sheetsOf(pose.pattern);
  const roots = rootsOf(pose).map((root): Root => {
    if (!moving[root.face]) return root;
    const face = moving.findIndex((moves, f) => !moves && sheets[f] === sheets[root.face]);
    if (face < 0)
      throw new FoldRefused(
        'no-paper',
        'One of the pieces would move as a whole: it does not reach over the fold line.',
      );
    return { face, frame: pose.placed[face] };
  });
  const [{ face, frame }, ...others] = roots;
  return { pinned: face, frame, ...(pose.others && { others }) };
}
