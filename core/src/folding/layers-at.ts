import type { Point } from '../measure/point';
import { contains, counterClockwise } from '../pattern/convex';
import { toleranceOf } from '../pattern/crease-pattern';
import { sideOfFace } from './layer-order';
import { outlineInFrameOf } from './overlaps';
import { faceAt, placedOutline, type Pose } from './pose';

/** How many layers of flat paper lie over a table point; edges count for neither side. */
export function layersAt(pose: Pose, p: Point): number {
  return pose.pattern.faces.filter((_, f) =>
    contains(counterClockwise(placedOutline(pose, f)), p, -10 * toleranceOf(pose.pattern)),
  ).length;
}

/** Width and height of flat paper on the table, in mm. */
export function flatExtent(pose: Pose): { readonly widthMm: number; readonly heightMm: number } {
  const points = pose.pattern.faces.flatMap((_, f) => placedOutline(pose, f));
  const span = (axis: 'x' | 'y'): number => {
    const values = points.map((p) => p[axis]);
    return Math.max(...values) - Math.min(...values);
  };
  return { widthMm: span('x'), heightMm: span('y') };
}

/** How many layers lie on each other, in whatever plane, where a sheet point has come to lie; its own counts. */
export function layersThrough(pose: Pose, p: Point): number {
  const { pattern, placed, order } = pose;
  const face = faceAt(pattern, p);
  return (
    1 +
    pattern.faces.filter(
      (_, f) =>
        sideOfFace(order, face, f) !== 0 &&
        contains(outlineInFrameOf(pattern, placed, face, f), p, -10 * toleranceOf(pattern)),
    ).length
  );
}
