import type { Pose } from '../folding/pose';
import type { Transform } from '../folding/transform';
import type { Point } from '../measure/point';
import type { Folding } from './form';

const scaledPoint = ({ x, y }: Point, k: number): Point => ({ x: k * x, y: k * y });

const scaledMotion = (m: Transform, k: number): Transform => [...m.slice(0, 9), k * m[9], k * m[10], k * m[11]];

/** The same folded state of a sheet k times as large: angles and layers stay, lengths grow. */
export function scaledPose(pose: Pose, k: number): Pose {
  const { pattern, frame, placed, marks } = pose;
  return {
    ...pose,
    pattern: { ...pattern, size: k * pattern.size, vertices: pattern.vertices.map((p) => scaledPoint(p, k)) },
    frame: scaledMotion(frame, k),
    placed: placed.map((m) => scaledMotion(m, k)),
    marks: marks?.map((mark) => ({ ...mark, from: scaledPoint(mark.from, k), to: scaledPoint(mark.to, k) })),
  };
}

/**
 * What a folding comes to from a sheet k times as large when no length in it is fixed: similar in every part. Its steps
 * are left out, for their words name lengths.
 */
export function scaledFolding({ finished, open, flat }: Folding, k: number): Folding {
  return {
    steps: [],
    finished: scaledPose(finished, k),
    open: open && (open === finished ? undefined : scaledPose(open, k)),
    flat: flat && scaledPose(flat, k),
  };
}
