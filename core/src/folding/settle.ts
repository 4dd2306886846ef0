import { platesOf } from '../pattern/plates';
import { type CreasePattern } from '../pattern/crease-pattern';
import { FoldRefused } from './fold-refused';
import { type LayerOrder, sideOfFace } from './layer-order';
import { layerProblem, type LayerProblem, type Unbent } from './layer-problem';
import { piercingFaces } from './piercing';
import { CLOSURE, place } from './place';
import type { Pose } from './pose';
import { givenByCreases, layerOrdersOf } from './solve-layers';
import { type Held, rootsOf } from './roots';
import type { Transform } from './transform';
import { type Lying, sideThatLies } from './known-layers';

function nameOfEdge(pattern: CreasePattern, edge: number): string {
  const { from, to, name } = pattern.edges[edge];
  const a = pattern.vertices[from];
  const b = pattern.vertices[to];
  const at = (p: { x: number; y: number }): string => `(${p.x.toFixed(2)}, ${p.y.toFixed(2)})`;
  return `“${name}” ${at(a)}–${at(b)}`;
}

/** Places a pattern with given angles and refuses what does not close. */
export function placeOrRefuse(
  pattern: CreasePattern,
  angles: readonly number[],
  held: Held,
): { readonly faces: readonly Transform[]; readonly residual: number } {
  const placement = place(pattern, angles, held.pinned, held.frame, held.others);
  if (placement.residual > CLOSURE)
    throw new FoldRefused(
      'does-not-close',
      `The paper does not meet along ${nameOfEdge(pattern, placement.worstEdge)}: off by ${placement.residual.toExponential(2)}.`,
    );
  return placement;
}

/** The first layer order of a placed pattern, close to a preferred one where there is a choice. */
function orderOrRefuse(
  problem: LayerProblem,
  given: ReadonlyMap<number, number>,
  prefer: LayerOrder | undefined,
): LayerOrder {
  let inTheWay: readonly number[] = [];
  const orders = layerOrdersOf(problem, { given, prefer }, (conflict) => (inTheWay = conflict.faces));
  const first = orders.next();
  if (first.done)
    throw new FoldRefused('no-layer-order', 'The layers would have to pass through each other.', inTheWay);
  return first.value;
}

/** What hangs together since an earlier pose on the same pattern. */
function unbentSince(from: Pose, angles: readonly number[], held: Held, eitherWay?: ReadonlySet<number>): Unbent {
  const plates = platesOf(from.pattern, (e) => !eitherWay?.has(e) && angles[e] === from.angles[e]);
  return { pieces: stillTogether(plates, held, from), order: from.order };
}

/** Plates of different sheets that all stay where they were are one piece too: nothing between them has changed. */
function stillTogether(plates: readonly number[], held: Held, { placed }: Pose): readonly number[] {
  if (!held.others?.length) return plates;
  const still = new Set(rootsOf(held).flatMap(({ face, frame }) => (frame === placed[face] ? [plates[face]] : [])));
  const [first] = still;
  return plates.map((plate) => (still.has(plate) ? first : plate));
}

/** Signs of the pairs that lay on each other before and hang together unbent: they cannot have changed places. */
function keptPairs({ pairs }: LayerProblem, { pieces, order }: Unbent): Map<number, number> {
  const kept = new Map<number, number>();
  pairs.forEach(({ i, j }, pair) => {
    const side = pieces[i] === pieces[j] ? sideOfFace(order, i, j) : 0;
    if (side) kept.set(pair, side);
  });
  return kept;
}

/** A pattern with fold angles, and where one face of each of its sheets lies. */
export interface Unsettled extends Held {
  readonly pattern: CreasePattern;
  readonly angles: readonly number[];
  readonly sense: readonly number[];
}

/** What the layers are told beyond the signs of the folds. */
export interface SettleOptions {
  /** An order to stay close to where there is a choice. */
  readonly prefer?: LayerOrder;
  /** Where the paper lay before, on the same pattern: what hangs together unbent keeps its order. */
  readonly from?: Pose;
  /** What hangs together and in which order it lies, where that is known otherwise than from an earlier pose. */
  readonly unbent?: Unbent;
  /** Edges folded flat of which it is open whether they are valleys or mountains: their angle's sign is ignored. */
  readonly eitherWay?: ReadonlySet<number>;
  /** Faces of which the second lies so to the first afterwards. */
  readonly known?: readonly { readonly face: number; readonly other: number; readonly lies: Lying }[];
}

/**
 * Brings a pattern with fold angles into a valid folded state: placed, closed, layered, nothing piercing.
 * @throws FoldRefused saying which of these fails, and where
 */
export function settle(
  { pattern, angles, sense, pinned, frame, others }: Unsettled,
  {
    prefer,
    from,
    eitherWay,
    known = [],
    unbent = from && unbentSince(from, angles, { pinned, frame, others }, eitherWay),
  }: SettleOptions = {},
): Pose {
  const { faces: placed, residual } = placeOrRefuse(pattern, angles, { pinned, frame, others });
  const through = piercingFaces(pattern, placed);
  if (through) throw new FoldRefused('crosses', 'One part of the paper would go through another.', through);
  const problem = layerProblem(pattern, placed, { unbent });
  const byCreases = givenByCreases(problem, eitherWay ? angles.map((a, e) => (eitherWay.has(e) ? 0 : a)) : angles);
  const given = new Map([...(unbent ? keptPairs(problem, unbent) : []), ...byCreases]);
  const n = pattern.faces.length;
  for (const { face, other, lies } of known) {
    const side = sideThatLies(lies, placed[face]);
    const pair = problem.pairOf.get(Math.min(face, other) * n + Math.max(face, other));
    if (pair === undefined)
      throw new FoldRefused('ambiguous', 'One layer is said to lie over another that it does not reach.', [
        face,
        other,
      ]);
    given.set(pair, face < other ? side : -side * problem.pairs[pair].parallel);
  }
  const order = orderOrRefuse(problem, given, prefer ?? from?.order);
  const signed = angles.map((angle, e) =>
    eitherWay?.has(e) && angle
      ? Math.abs(angle) * sideOfFace(order, pattern.edges[e].left, pattern.edges[e].right)
      : angle,
  );
  return {
    pattern,
    angles: signed,
    sense: signed.map((a, e) => Math.sign(a) || sense[e]),
    pinned,
    frame,
    ...(others && { others }),
    placed,
    residual,
    order,
  };
}
