import type { Point } from '../measure/point';
import { contains, counterClockwise } from '../pattern/convex';
import { toleranceOf } from '../pattern/crease-pattern';
import { placedOutline, type Pose } from './pose';

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
