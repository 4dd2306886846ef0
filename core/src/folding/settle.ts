import type { CreasePattern } from '../pattern/crease-pattern';
import { FoldRefused } from './fold-refused';
import type { LayerOrder } from './layer-order';
import { layerProblem, type LayerProblem } from './layer-problem';
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
export function orderOrRefuse(problem: LayerProblem, angles: readonly number[], prefer?: LayerOrder): LayerOrder {
  let inTheWay: readonly number[] = [];
  const given = givenByCreases(problem, angles);
  const orders = layerOrdersOf(problem, { given, prefer }, (conflict) => (inTheWay = conflict.faces));
  const first = orders.next();
  if (first.done)
    throw new FoldRefused('no-layer-order', 'The layers would have to pass through each other.', inTheWay);
  return first.value;
}

/**
 * Brings a pattern with fold angles into a lie that paper can have: placed, closed, layered, nothing piercing.
 * @throws FoldRefused saying which of these fails, and where
 */
export function settle(
  pattern: CreasePattern,
  angles: readonly number[],
  sense: readonly number[],
  pinned: number,
  frame: Transform,
  prefer?: LayerOrder,
): Pose {
  const { faces: placed, residual } = placeOrRefuse(pattern, angles, pinned, frame);
  const through = piercingFaces(pattern, placed);
  if (through) throw new FoldRefused('crosses', 'One part of the paper would go through another.', through);
  const order = orderOrRefuse(layerProblem(pattern, placed), angles, prefer);
  return {
    pattern,
    angles,
    sense: angles.map((a, e) => Math.sign(a) || sense[e]),
    pinned,
    frame,
    placed,
    residual,
    order,
  };
}
