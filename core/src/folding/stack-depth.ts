import { area, type Convex, intersect, subtract } from '../pattern/convex';
import { faceOutline } from '../pattern/crease-pattern';
import { type LayerOrder, sideOfFace } from './layer-order';
import { OVERLAP_SHARE, outlineInFrameOf } from './overlaps';
import type { Pose } from './pose';

/** The thickest spot of a face on one side: how many layers lie there, and which. */
interface Thickest {
  readonly depth: number;
  readonly layers: readonly number[];
  /** Whether no more could lie there however they share spots: no larger set of them lies on each other two by two. */
  readonly tight: boolean;
}

/**
 * By the signs of an order, which poses share that were followed on other sheets: what lay thickest on one of them, to be
 * looked at first on the others.
 */
const thickestBefore = new WeakMap<Int8Array, Map<number, Thickest>>();

/**
 * The most layers that lie over any one spot of a face, on its white (1) or coloured (-1) side; the face itself is not
 * counted.
 */
export function stackDepth(pose: Pose, face: number, side: 1 | -1): number {
  let known = thickestBefore.get(pose.order.side);
  if (!known) thickestBefore.set(pose.order.side, (known = new Map<number, Thickest>()));
  const key = side * (face + 1);
  const before = known.get(key);
  if (before?.tight && shareSpot(pose, face, before.layers)) return before.depth;
  const thickest = thickestOf(pose, face, side);
  known.set(key, thickest);
  return thickest.depth;
}

/** Whether layers and a face all lie over one spot. */
function shareSpot({ pattern, placed }: Pose, face: number, layers: readonly number[]): boolean {
  const smallest = OVERLAP_SHARE * pattern.size * pattern.size;
  let shared: Convex = faceOutline(pattern, face);
  for (const f of layers) {
    shared = intersect(shared, outlineInFrameOf(pattern, placed, face, f));
    if (area(shared) <= smallest) return false;
  }
  return true;
}

function thickestOf(pose: Pose, face: number, side: 1 | -1): Thickest {
  const { pattern, placed, order } = pose;
  const smallest = OVERLAP_SHARE * pattern.size * pattern.size;
  const others = pattern.faces.flatMap((_, f) => (sideOfFace(order, face, f) === side ? [f] : []));
  // The face cut up by what lies over it: each piece knows which layers cover it.
  let pieces: { readonly region: Convex; readonly layers: readonly number[] }[] = [
    { region: faceOutline(pattern, face), layers: [] },
  ];
  for (const f of others) {
    const other = outlineInFrameOf(pattern, placed, face, f);
    pieces = pieces.flatMap((piece) => {
      const shared = intersect(piece.region, other);
      if (area(shared) <= smallest) return [piece];
      const rest = subtract(piece.region, other, smallest);
      return [
        { region: shared, layers: [...piece.layers, f] },
        ...rest.map((region) => ({ region, layers: piece.layers })),
      ];
    });
  }
  const { layers } = pieces.reduce((most, piece) => (piece.layers.length > most.layers.length ? piece : most));
  return { depth: layers.length, layers, tight: mostMutual(order, others) <= layers.length };
}

/** So many sets are looked at before a question is left open. */
const MOST_SETS = 2000;

/** The size of the largest set of faces of which every two lie on each other; more than there are when not found out. */
function mostMutual(order: LayerOrder, faces: readonly number[]): number {
  let most = 0;
  let looked = 0;
  const grow = (size: number, candidates: readonly number[]): void => {
    most = Math.max(most, size);
    if (looked++ > MOST_SETS) return;
    candidates.forEach((f, k) => {
      if (size + candidates.length - k > most)
        grow(
          size + 1,
          candidates.slice(k + 1).filter((g) => sideOfFace(order, f, g) !== 0),
        );
    });
  };
  grow(0, faces);
  return looked > MOST_SETS ? Infinity : most;
}

/** How many faces lie anywhere on one side of a face: no fewer than lie over one spot of it. */
export function layersOn({ order }: Pose, face: number, side: 1 | -1): number {
  let count = 0;
  for (let f = 0; f < order.faces; f++) if (sideOfFace(order, face, f) === side) count++;
  return count;
}

/** Counted once for each layer order: poses that only moved, or missed a little, share theirs. */
const counted = new WeakMap<LayerOrder, number>();

/** Sides of faces in the order of how many others lie on them: the same for all poses that share signs. */
const byOthers = new WeakMap<
  Int8Array,
  readonly { readonly face: number; readonly side: 1 | -1; readonly others: number }[]
>();

/** Layers at the thickest spot of the paper. */
export function mostLayers(pose: Pose): number {
  const known = counted.get(pose.order);
  if (known !== undefined) return known;
  // The outermost layer of the thickest spot has all others on one side. Faces with most others there come first: no
  // later one is measured that could not have more.
  let candidates = byOthers.get(pose.order.side);
  if (!candidates) {
    candidates = pose.pattern.faces
      .flatMap((_, face) => ([1, -1] as const).map((side) => ({ face, side, others: layersOn(pose, face, side) })))
      .sort((p, q) => q.others - p.others);
    byOthers.set(pose.order.side, candidates);
  }
  // The same for all that share signs: no set of more faces lies two by two on each other.
  let most = 0;
  for (const { face, side, others } of candidates) {
    if (others <= most) break;
    most = Math.max(most, stackDepth(pose, face, side));
  }
  counted.set(pose.order, most + 1);
  return most + 1;
}
