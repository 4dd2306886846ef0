import type { Split } from '../pattern/split-faces';
import { noOrder } from './layer-order';
import { findOverlaps } from './overlaps';
import type { Pose } from './pose';
import type { Root } from './roots';
import type { Transform } from './transform';

/** A part of a face that held its sheet; of one that was cut away, the first that is left. */
function rootIn(old: number, faceFrom: readonly number[], placed: readonly Transform[]): Root {
  const face = Math.max(0, faceFrom.indexOf(old));
  return { face, frame: placed[face] };
}

/** The same folded state on a finer pattern: nothing has moved, some faces are creased. */
export function refine(pose: Pose, split: Split): Pose {
  const { pattern, faceFrom, edgeFrom } = split;
  const placed = faceFrom.map((old) => pose.placed[old]);
  const order = noOrder(pattern.faces.length);
  const n = pose.order.faces;
  const parts = new Uint16Array(n);
  for (const old of faceFrom) parts[old]++;
  /** Faces that did not lie on each other do not now; whole ones that did still do; parts of faces have to be measured. */
  const overlapped = (i: number, j: number): boolean | undefined => {
    const [a, b] = [faceFrom[i], faceFrom[j]];
    if (pose.order.side[a * n + b] === 0) return false;
    return parts[a] === 1 && parts[b] === 1 ? true : undefined;
  };
  for (const { i, j } of findOverlaps(pattern, placed, overlapped)) {
    order.side[i * order.faces + j] = pose.order.side[faceFrom[i] * n + faceFrom[j]];
    order.side[j * order.faces + i] = pose.order.side[faceFrom[j] * n + faceFrom[i]];
  }
  // Paper that was cut away may have held the pinned face.
  const pinned = Math.max(0, faceFrom.indexOf(pose.pinned));
  return {
    pattern,
    angles: edgeFrom.map((old) => (old < 0 ? 0 : pose.angles[old])),
    sense: edgeFrom.map((old) => (old < 0 ? 0 : pose.sense[old])),
    pinned,
    frame: placed[pinned],
    ...(pose.others && { others: pose.others.map(({ face }) => rootIn(face, faceFrom, placed)) }),
    placed,
    residual: pose.residual,
    order,
    marks: pose.marks,
  };
}
