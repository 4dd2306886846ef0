import { layersThrough } from '../../folding/layers-at';
import { faceAt, type Pose, whereIs } from '../../folding/pose';
import type { Point3 } from '../../measure/vector3';
import { apply, compose, inverse } from '../../folding/transform';
import { point } from '../../measure/point';
import type { Folding } from '../form';
import { type Hull } from '../../bodies/hull';
import type { Frame } from './frame';

/**
 * The hull as it stands, in its own frame: x along, y across, z up from the floor. Measured from corner to corner, over both
 * sides and both ends: a boat that was folded a little askew is taken for the even one between.
 */
export function measuredHull({ finished, flat }: Folding, frame: Frame): Hull {
  const { width, length, h, e } = frame;
  const mid = width / 2;
  // Back into the floor's own plane, where the sheet lies flat.
  const back = inverse(
    finished.placed[faceAt(finished.pattern, point(mid + 1e-3 * width, length / 2 + 1e-3 * length))],
  );
  const corners = (at: (side: 1 | -1, y: number) => Point3): Point3 => {
    const [nearLeft, nearRight, farLeft, farRight] = [e, length - e].flatMap((y) =>
      ([-1, 1] as const).map((side) => apply(back, at(side, y))),
    );
    return {
      x: (farLeft.y - nearLeft.y + farRight.y - nearRight.y) / 4,
      y: (nearRight.x - nearLeft.x + farRight.x - farLeft.x) / 4,
      z: Math.abs(nearLeft.z + nearRight.z + farLeft.z + farRight.z) / 4,
    };
  };
  const [foot, head] = [0, length].map((y) => apply(back, whereIs(finished, point(mid, y))));
  return {
    chine: { ...corners((side, y) => whereIs(finished, point(mid + side * h, y))), z: 0 },
    rim: corners((side, y) => wallMotion(finished, flat!, frame, side, { x: mid, y, z: 0 })),
    tip: { x: (head.y - foot.y) / 2, y: 0, z: Math.abs(foot.z + head.z) / 2 },
  };
}

/** Where a spot of the flat pack's wall on one side has gone: walls move as one stack. */
function wallMotion(finished: Pose, flat: Pose, { width, length, h }: Frame, side: 1 | -1, spot: Point3): Point3 {
  // The strip between chine and side fold of the back belongs to the wall.
  const onWall = point(width / 2 + side * 1.4 * h, length / 2);
  const from = flat.placed[faceAt(flat.pattern, onWall)];
  const to = finished.placed[faceAt(finished.pattern, onWall)];
  return apply(compose(to, inverse(from)), spot);
}

/** Places along a side, from one end of the straight part to the other, and how far from the bend in heights of the wall. */
const ALONG = [0.04, 0.25, 0.5];
const BESIDE_BEND = 0.06;

/** The most layers of a side beside its bend. */
export function sideLayers({ finished }: Folding, { width, length, h, e }: Frame): number {
  const x = width / 2 + (1 + BESIDE_BEND) * h;
  return Math.max(...ALONG.map((part) => layersThrough(finished, point(x, e + part * (length - 2 * e)))));
}
