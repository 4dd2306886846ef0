import { layerProblem } from './layer-problem';
import { piercingFaces } from './piercing';
import type { Pose } from './pose';
import { StructureDiffers } from './recording';
import { brokenRule } from './solve-layers';

/**
 * Proves a placed and ordered pose by the rules themselves, without searching.
 * @throws StructureDiffers when paper goes through paper, or the order is not one of the faces that share a spot
 */
export function refuseOtherState({ pattern, placed, order }: Pose): void {
  if (piercingFaces(pattern, placed)) throw new StructureDiffers('One part of the paper would go through another.');
  const problem = layerProblem(pattern, placed);
  let ordered = 0;
  for (const side of order.side) if (side !== 0) ordered++;
  const same =
    ordered === 2 * problem.pairs.length &&
    problem.pairs.every(({ i, j, parallel }) => {
      const side = order.side[i * order.faces + j];
      return side !== 0 && order.side[j * order.faces + i] === -side * parallel;
    });
  if (!same || problem.piercing.length || brokenRule(problem, order))
    throw new StructureDiffers('The layers lie in another order here.');
}
