import { area, type Convex, intersect } from '../pattern/convex';
import { faceOutline } from '../pattern/crease-pattern';
import { sideOfFace } from './layer-order';
import { OVERLAP_SHARE, outlineInFrameOf } from './overlaps';
import type { Pose } from './pose';

/**
 * The most layers that lie over any one spot of a face, on its white (1) or coloured (-1) side; the face itself is not
 * counted.
 */
export function stackDepth(pose: Pose, face: number, side: 1 | -1): number {
  const { pattern, placed, order } = pose;
  const smallest = OVERLAP_SHARE * pattern.size * pattern.size;
  const others = pattern.faces.flatMap((_, f) =>
    sideOfFace(order, face, f) === side ? [outlineInFrameOf(pattern, placed, face, f)] : [],
  );
  const deepest = (region: Convex, from: number): number => {
    let most = 0;
    for (let k = from; k < others.length; k++) {
      if (others.length - k <= most) break;
      const shared = intersect(region, others[k]);
      if (area(shared) > smallest) most = Math.max(most, 1 + deepest(shared, k + 1));
    }
    return most;
  };
  return deepest(faceOutline(pattern, face), 0);
}
