import { type Line, type Point, sideOf } from '../measure/point';
import { middle } from '../pattern/convex';
import { faceOutline, isBorder } from '../pattern/crease-pattern';
import type { Split } from '../pattern/split-faces';
import { creaseFlap, type FoldLayers, isOnLine, layersFrom } from './crease-flap';
import { FoldRefused } from './fold-refused';
import { noOrder, sideOfFace } from './layer-order';
import { layerProblem } from './layer-problem';
import { faceAt, isFlat, type Pose, whiteUp } from './pose';
import { type KnownLayers, knownFaces } from './known-layers';
import { heldFlat } from './roots';
import { placeOrRefuse, settle } from './settle';
import { brokenRule } from './solve-layers';
import { apply } from './transform';

export interface SimpleFold {
  /** Fold line on the table, moving paper on its left. */
  readonly line: Line;
  /** `over`: towards the viewer (valley); `behind`: away (mountain). */
  readonly towards: 'over' | 'behind';
  readonly layers: FoldLayers;
  readonly name: string;
  /** A sheet point of the layer that the moved paper slips under (with all layers that lie on it) instead of on top. */
  readonly under?: Point;
  /** With these the layer solver finds where the moved paper slips in, close to what the rule would give. */
  readonly among?: readonly KnownLayers[];
}

export interface Folded {
  readonly pose: Pose;
  /** How the pattern was refined, so that other poses can follow. */
  readonly split: Split;
  /** The pose before, on the refined pattern. */
  readonly before: Pose;
}

/**
 * Folds flat paper along one line. Moved layers turn over as a block and land on top (`over`) or underneath (`behind`).
 * With `under` they slip below a layer: a tuck into a pocket.
 * @throws FoldRefused when layers are trapped, the paper would tear, or nothing moves
 */
export function foldSimply(start: Pose, fold: SimpleFold): Folded {
  if (!isFlat(start)) throw new FoldRefused('ambiguous', 'This fold is made on the table, with the paper flat.');
  const { before, split, moving } = creaseFlap(start, fold.line, fold.layers, fold.name);
  const { pattern } = before;
  const over = fold.towards === 'over' ? 1 : -1;
  const covering = coverOf(start, fold, over);
  const cover = new Set(pattern.faces.flatMap((_, f) => (covering.has(split.faceFrom[f]) ? [f] : [])));
  refuseTrapped(before, moving, over, cover);

  const turn = fold.towards === 'over' ? 180 : -180;
  const angles = before.angles.map((angle, e) => {
    const edge = pattern.edges[e];
    if (isBorder(edge) || moving[edge.left] === moving[edge.right]) return angle;
    if (!isOnLine(before, e, fold.line))
      throw new FoldRefused('tears', `The paper would tear along “${edge.name}”.`, [edge.left, edge.right]);
    const stays = moving[edge.left] ? edge.right : edge.left;
    const staysOnFarSide = sideOf(fold.line, apply(before.placed[stays], middle(faceOutline(pattern, stays)))) < 0;
    const changed = angle + turn * Math.sign(whiteUp(before, stays)) * (staysOnFarSide ? 1 : -1);
    if (Math.abs(changed) > 180)
      throw new FoldRefused('crosses', `The fold would turn “${edge.name}” through itself.`, [edge.left, edge.right]);
    return changed;
  });

  const held = heldFlat(before, moving);
  const { faces: placed, residual } = placeOrRefuse(pattern, angles, held);
  const order = noOrder(pattern.faces.length);
  const problem = layerProblem(pattern, placed, {
    kinds: 'crossing',
    unbent: { pieces: moving.map(Number), order: before.order },
  });
  for (const { i, j } of problem.pairs)
    for (const [a, b] of [
      [i, j],
      [j, i],
    ]) {
      const up = Math.sign(placed[a][8]);
      // Seen from the staying layer: moved paper lies over it, unless that layer belongs to the pocket's cover.
      const lands = cover.has(moving[a] ? b : a) ? -over : over;
      const known = moving[a] === moving[b] ? sideOfFace(before.order, a, b) : moving[b] ? lands * up : -lands * up;
      order.side[a * order.faces + b] = known;
    }
  if (fold.among) {
    const known = knownFaces(pattern, fold.among);
    return { pose: settle({ ...before, angles, ...held }, { prefer: order, known }), split, before };
  }
  // Stacks are in order by the rule: moved layers kept theirs as a block, all of it lands between the same two sets of
  // layers, and nothing outside the cover lies over the cover.
  const broken = brokenRule(problem, order);
  if (broken) throw new FoldRefused('crosses', 'Layers would pass through each other.', broken.faces);
  const sense = angles.map((angle, e) => Math.sign(angle) || before.sense[e]);
  return { pose: { pattern, angles, sense, ...held, placed, residual, order }, split, before };
}

/** The layers that moved paper slips under: those of a pocket, or those that lie over the layers chosen. */
function coverOf(pose: Pose, { under, layers }: SimpleFold, over: number): Set<number> {
  if (under) return layersFrom(pose, faceAt(pose.pattern, under), over);
  if (layers === 'all' || !('between' in layers)) return new Set();
  const [a, b] = layers.between.map((p) => faceAt(pose.pattern, p));
  return layersFrom(pose, layersFrom(pose, a, over).has(b) ? b : a, over);
}

/** Paper that stays must not lie between moving paper and the side it moves to, unless it is a cover that is held up. */
function refuseTrapped(pose: Pose, moving: readonly boolean[], over: number, cover: ReadonlySet<number>): void {
  const n = moving.length;
  for (let m = 0; m < n; m++)
    for (let s = 0; s < n; s++) {
      if (!moving[m] || moving[s] || cover.has(s)) continue;
      const side = sideOfFace(pose.order, m, s) * Math.sign(whiteUp(pose, m));
      if (side === over) throw new FoldRefused('trapped', 'A layer that stays lies over the layers to fold.', [s, m]);
    }
}
