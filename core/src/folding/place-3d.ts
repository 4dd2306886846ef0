import type { CreasePattern } from '../pattern/crease-pattern';
import { vertexStars } from '../pattern/vertex-star';
import { place, type Placement } from './place';
import { aboutSheetLine, compose, IDENTITY, type Transform } from './transform';

/** How far the paper fails to meet round one vertex: largest entry of (product of rotations − identity). */
export interface VertexResidual {
  readonly vertex: number;
  readonly residual: number;
}

export interface Placement3d extends Placement {
  /** One for each interior vertex, in the pattern's order of vertices. */
  readonly vertices: readonly VertexResidual[];
}

/**
 * Where each face lies in space, the first face kept where it is on the sheet, white side up.
 * @param anglesDeg fold angle of each edge: + valley, − mountain seen from the white side, 0 open, ±180 flat; entries of
 *   border edges are ignored
 * @throws RangeError when there is not one angle for each edge
 */
export function place3d(
  pattern: CreasePattern,
  anglesDeg: readonly number[],
  frame: Transform = IDENTITY,
): Placement3d {
  if (anglesDeg.length !== pattern.edges.length)
    throw new RangeError(`The pattern has ${pattern.edges.length} edges, not ${anglesDeg.length}.`);
  const vertices = vertexStars(pattern).flatMap((star, vertex): VertexResidual[] => {
    if (!star.interior) return [];
    const at = pattern.vertices[vertex];
    let round = IDENTITY;
    star.edges.forEach((edge, k) => {
      const to = { x: at.x + Math.cos(star.angles[k]), y: at.y + Math.sin(star.angles[k]) };
      round = compose(round, aboutSheetLine(at, to, anglesDeg[edge]));
    });
    let residual = 0;
    for (let i = 0; i < 9; i++) residual = Math.max(residual, Math.abs(round[i] - IDENTITY[i]));
    return [{ vertex, residual }];
  });
  return { ...place(pattern, anglesDeg, 0, frame), vertices };
}
