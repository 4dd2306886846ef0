import { type CreasePattern, isBorder } from '../pattern/crease-pattern';
import { FoldRefused } from './fold-refused';
import { type LayerOrder, sideOfFace } from './layer-order';
import { layerProblem, type LayerProblem, type Unbent } from './layer-problem';
import { piercingFaces } from './piercing';
import { CLOSURE, place } from './place';
import type { Pose } from './pose';
import { givenByCreases, layerOrdersOf } from './solve-layers';
import type { Transform } from './transform';

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
  pinned: number,
  frame: Transform,
): { readonly faces: readonly Transform[]; readonly residual: number } {
  const placement = place(pattern, angles, pinned, frame);
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

/** Faces that hang together by creases that keep their angles, by the number of their piece. */
function rigidPieces({ faces, edges }: CreasePattern, keepsAngle: (edge: number) => boolean): number[] {
  const neighbours: number[][] = faces.map(() => []);
  edges.forEach((edge, e) => {
    if (isBorder(edge) || !keepsAngle(e)) return;
    neighbours[edge.left].push(edge.right);
    neighbours[edge.right].push(edge.left);
  });
  const piece = faces.map(() => -1);
  faces.forEach((_, face) => {
    if (piece[face] >= 0) return;
    const reached = [face];
    for (let next = reached.pop(); next !== undefined; next = reached.pop()) {
      if (piece[next] >= 0) continue;
      piece[next] = face;
      reached.push(...neighbours[next]);
    }
  });
  return piece;
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

/** A pattern with fold angles, and where one of its faces lies. */
export interface Unsettled {
  readonly pattern: CreasePattern;
  readonly angles: readonly number[];
  readonly sense: readonly number[];
  readonly pinned: number;
  readonly frame: Transform;
}

/** What the layers are told beyond the signs of the folds. */
export interface SettleOptions {
  /** An order to stay close to where there is a choice. */
  readonly prefer?: LayerOrder;
  /** Where the paper lay before, on the same pattern: what hangs together unbent keeps its order. */
  readonly from?: Pose;
  /** Edges folded flat of which it is open whether they are valleys or mountains: their angle's sign is ignored. */
  readonly eitherWay?: ReadonlySet<number>;
  /** Faces of which the second lies over or under the first, as the viewer sees them then. */
  readonly known?: readonly { readonly face: number; readonly other: number; readonly lies: 'over' | 'under' }[];
}

/**
 * Brings a pattern with fold angles into a lie that paper can have: placed, closed, layered, nothing piercing.
 * @throws FoldRefused saying which of these fails, and where
 */
export function settle(
  { pattern, angles, sense, pinned, frame }: Unsettled,
  { prefer, from, eitherWay, known = [] }: SettleOptions = {},
): Pose {
  const { faces: placed, residual } = placeOrRefuse(pattern, angles, pinned, frame);
  const through = piercingFaces(pattern, placed);
  if (through) throw new FoldRefused('crosses', 'One part of the paper would go through another.', through);
  const unbent = from && {
    pieces: rigidPieces(pattern, (e) => !eitherWay?.has(e) && angles[e] === from.angles[e]),
    order: from.order,
  };
  const problem = layerProblem(pattern, placed, { unbent });
  const byCreases = givenByCreases(problem, eitherWay ? angles.map((a, e) => (eitherWay.has(e) ? 0 : a)) : angles);
  const given = new Map([...(unbent ? keptPairs(problem, unbent) : []), ...byCreases]);
  const n = pattern.faces.length;
  for (const { face, other, lies } of known) {
    const side = Math.sign(placed[face][8]) * (lies === 'over' ? 1 : -1);
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
    placed,
    residual,
    order,
  };
}
