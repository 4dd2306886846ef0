import { area, type Convex, intersect, subtract } from '../pattern/convex';
import { faceOutline } from '../pattern/crease-pattern';
import { type LayerOrder, sideOfFace } from './layer-order';
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
  // The face cut up by what lies over it: each piece knows how many layers cover it.
  let pieces: { readonly region: Convex; readonly depth: number }[] = [
    { region: faceOutline(pattern, face), depth: 0 },
  ];
  for (const other of others)
    pieces = pieces.flatMap((piece) => {
      const shared = intersect(piece.region, other);
      if (area(shared) <= smallest) return [piece];
      const rest = subtract(piece.region, other, smallest);
      return [{ region: shared, depth: piece.depth + 1 }, ...rest.map((region) => ({ region, depth: piece.depth }))];
    });
  return Math.max(...pieces.map(({ depth }) => depth));
}

/** How many faces lie anywhere on one side of a face: no fewer than lie over one spot of it. */
export function layersOn({ order }: Pose, face: number, side: 1 | -1): number {
  let count = 0;
  for (let f = 0; f < order.faces; f++) if (sideOfFace(order, face, f) === side) count++;
  return count;
}

/** Counted once for each layer order: poses that only moved, or missed a little, share theirs. */
const counted = new WeakMap<LayerOrder, number>();

/** Layers at the thickest spot of the paper. */
export function mostLayers(pose: Pose): number {
  const known = counted.get(pose.order);
  if (known !== undefined) return known;
  // The outermost layer of the thickest spot has all others on one side. Faces with most others there come first: no
  // later one is measured that could not have more.
  const candidates = pose.pattern.faces
    .flatMap((_, face) => ([1, -1] as const).map((side) => ({ face, side, others: layersOn(pose, face, side) })))
    .sort((p, q) => q.others - p.others);
  let most = 0;
  for (const { face, side, others } of candidates) {
    if (others <= most) break;
    most = Math.max(most, stackDepth(pose, face, side));
  }
  counted.set(pose.order, most + 1);
  return most + 1;
}
