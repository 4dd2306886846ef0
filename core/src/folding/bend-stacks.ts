import type { Point } from '../measure/point';
import { type CreasePattern, isBorder, toleranceOf } from '../pattern/crease-pattern';
import { onStretch, type Stretch } from '../pattern/crease-stretches';
import { type CreaseAngle, edgesOn } from './collapse';
import { onLayer } from './on-layers';
import { faceAt, type Pose, whiteUp } from './pose';

/** A stack of layers that bends as one along a piece of table line. */
export interface StackBend {
  readonly from: Point;
  readonly to: Point;
  /** As the viewer sees it: + valley, - mountain. */
  readonly angleDeg: number;
  /** Sheet points of faces that do not take part: a floor under walls, say. */
  readonly except: readonly Point[];
  readonly name: string;
}

/** The creases that bends make on every layer, each in its own sense. */
export function bendStacks(pose: Pose, bends: readonly StackBend[]): CreaseAngle[] {
  return bends.flatMap(({ from, to, angleDeg, except, name }) => {
    const left = new Set(except.map((p) => faceAt(pose.pattern, p)));
    return pose.pattern.faces.flatMap((_, f) => {
      if (left.has(f)) return [];
      return (
        onLayer(pose, f, from, to, name)
          // Along a folded edge nothing bends: the paper turns back there. Nor along the sheet's own edge: it ends there.
          .filter(
            (stretch) =>
              !edgesOn(pose.pattern, stretch).some((e) => pose.angles[e] !== 0) &&
              !isAlongBorder(pose.pattern, f, stretch),
          )
          .map((stretch) => ({ ...stretch, angleDeg: angleDeg * Math.sign(whiteUp(pose, f)) }))
      );
    });
  });
}

/** Whether a stretch lies on an edge where a face ends and the sheet with it. */
function isAlongBorder(pattern: CreasePattern, face: number, { from, to }: Stretch): boolean {
  const tolerance = 100 * toleranceOf(pattern);
  return pattern.edges.some((edge) => {
    if (!isBorder(edge) || (edge.left !== face && edge.right !== face)) return false;
    const [a, b] = [pattern.vertices[edge.from], pattern.vertices[edge.to]];
    return [from, to].every((p) => onStretch(p, { from: a, to: b }, tolerance));
  });
}
