import type { Point } from '../measure/point';
import { dot, type Point3 } from '../measure/vector3';

/** A parallel view: unit vectors of the picture's right and up, and towards the viewer. */
export interface View {
  readonly right: Point3;
  readonly up: Point3;
  readonly toward: Point3;
}

/** Straight down on the table. */
export const FROM_ABOVE: View = { right: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 }, toward: { x: 0, y: 0, z: 1 } };

/**
 * From a direction over the table: `turnDeg` walks round the table to the right of the near side, `riseDeg` lifts the
 * eye from the table (0) to straight above (90).
 */
export function fromDirection(turnDeg: number, riseDeg: number): View {
  const a = (turnDeg * Math.PI) / 180;
  const e = (riseDeg * Math.PI) / 180;
  const right = { x: Math.cos(a), y: Math.sin(a), z: 0 };
  const toward = { x: Math.sin(a) * Math.cos(e), y: -Math.cos(a) * Math.cos(e), z: Math.sin(e) };
  return {
    right,
    toward,
    up: {
      x: toward.y * right.z - toward.z * right.y,
      y: toward.z * right.x - toward.x * right.z,
      z: toward.x * right.y - toward.y * right.x,
    },
  };
}

/** A point in picture coordinates, y down. */
export function project(view: View, p: Point3): Point {
  return { x: dot(view.right, p), y: -dot(view.up, p) };
}
