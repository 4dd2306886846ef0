import { type Line, lineThrough, type Point, sideOf } from '../measure/point';
import { middle } from '../pattern/convex';
import { faceOutline, isBorder, toleranceOf } from '../pattern/crease-pattern';
import { type Split, splitFaces } from '../pattern/split-faces';
import { FoldRefused } from './fold-refused';
import { noOrder, sideOfFace } from './layer-order';
import { layerProblem } from './layer-problem';
import { findOverlaps } from './overlaps';
import { isFlat, type Pose, whiteUp } from './pose';
import { refine } from './refine';
import { placeOrRefuse } from './settle';
import { brokenRule } from './solve-layers';
import { apply, inverse } from './transform';

/** Which layers a fold takes along: all, or the flap that a sheet point belongs to. */
export type FoldLayers = 'all' | { readonly flap: Point };

export interface SimpleFold {
  /** Fold line on the table, moving paper on its left. */
  readonly line: Line;
  /** `over`: towards the viewer (valley); `behind`: away (mountain). */
  readonly towards: 'over' | 'behind';
  readonly layers: FoldLayers;
  readonly name: string;
}

export interface Folded {
  readonly pose: Pose;
  /** How the pattern was refined, so that other poses can follow. */
  readonly split: Split;
  /** The pose before, on the refined pattern. */
  readonly before: Pose;
}

/** The table line drawn on a face, in sheet coordinates. */
function onSheet(pose: Pose, face: number, line: Line): Line {
  const back = inverse(pose.placed[face]);
  const z = pose.placed[face][11];
  const p = apply(back, { ...line.at, z });
  const q = apply(back, {
    x: line.at.x + line.along.x * pose.pattern.size,
    y: line.at.y + line.along.y * pose.pattern.size,
    z,
  });
  return lineThrough(p, q);
}

/** The moving faces: on the left of the line, and, for a flap, joined to it other than across the line. */
function movingFaces(pose: Pose, fold: SimpleFold): boolean[] {
  const { pattern } = pose;
  const onLeft = pattern.faces.map(
    (_, f) => sideOf(fold.line, apply(pose.placed[f], middle(faceOutline(pattern, f)))) > 0,
  );
  if (fold.layers === 'all') return onLeft;
  const flap = fold.layers.flap;
  const seed = pattern.faces.findIndex((_, f) => onLeft[f] && faceHolds(pose, f, flap));
  if (seed < 0) throw new FoldRefused('no-paper', 'The flap to fold does not reach over the fold line.');
  const moving = onLeft.map(() => false);
  const queue = [seed];
  moving[seed] = true;
  for (const face of queue)
    for (const edge of pattern.faces[face].edges) {
      const { left, right } = pattern.edges[edge];
      const other = left === face ? right : left;
      if (other < 0 || moving[other] || !onLeft[other] || isOnLine(pose, edge, fold.line)) continue;
      moving[other] = true;
      queue.push(other);
    }
  return moving;
}

function faceHolds(pose: Pose, face: number, p: Point): boolean {
  const outline = faceOutline(pose.pattern, face);
  return outline.every(
    (a, i) => sideOf(lineThrough(a, outline[(i + 1) % outline.length]), p) >= -toleranceOf(pose.pattern),
  );
}

function isOnLine(pose: Pose, edge: number, line: Line): boolean {
  const { from, to, left, right } = pose.pattern.edges[edge];
  const placed = pose.placed[left >= 0 ? left : right];
  const tolerance = 100 * toleranceOf(pose.pattern);
  return [from, to].every((v) => Math.abs(sideOf(line, apply(placed, pose.pattern.vertices[v]))) <= tolerance);
}

/**
 * Folds flat paper along one line. Moved layers turn over as a block and land on top (`over`) or underneath (`behind`).
 * @throws FoldRefused when layers are trapped, the paper would tear, or nothing moves
 */
export function foldSimply(start: Pose, fold: SimpleFold): Folded {
  if (!isFlat(start)) throw new FoldRefused('ambiguous', 'This fold is made on the table, with the paper flat.');
  const cutsAll = new Map(start.pattern.faces.map((_, f) => [f, onSheet(start, f, fold.line)] as const));
  let split = splitFaces(start.pattern, cutsAll, fold.name);
  let before = refine(start, split);
  let moving = movingFaces(before, fold);
  if (fold.layers !== 'all') {
    // Layers that stay must not be creased: cut again, only the faces that have a moving part.
    const touched = new Set(moving.flatMap((m, f) => (m ? [split.faceFrom[f]] : [])));
    split = splitFaces(start.pattern, new Map([...cutsAll].filter(([f]) => touched.has(f))), fold.name);
    before = refine(start, split);
    moving = movingFaces(before, fold);
  }
  const { pattern } = before;
  if (!moving.includes(true)) throw new FoldRefused('no-paper', 'There is no paper on that side of the fold line.');
  if (!moving.includes(false)) throw new FoldRefused('no-paper', 'All of the paper would move: nothing is folded.');
  refuseTrapped(before, moving, fold.towards);

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

  const pinned = moving[before.pinned] ? moving.indexOf(false) : before.pinned;
  const frame = before.placed[pinned];
  const { faces: placed, residual } = placeOrRefuse(pattern, angles, pinned, frame);
  const order = noOrder(pattern.faces.length);
  const lands = fold.towards === 'over' ? 1 : -1;
  for (const { i, j } of findOverlaps(pattern, placed))
    for (const [a, b] of [
      [i, j],
      [j, i],
    ]) {
      const up = Math.sign(placed[a][8]);
      const known = moving[a] === moving[b] ? sideOfFace(before.order, a, b) : moving[b] ? lands * up : -lands * up;
      order.side[a * order.faces + b] = known;
    }
  const broken = brokenRule(layerProblem(pattern, placed), order);
  if (broken) throw new FoldRefused('crosses', 'Layers would pass through each other.', broken.faces);
  const sense = angles.map((angle, e) => Math.sign(angle) || before.sense[e]);
  return { pose: { pattern, angles, sense, pinned, frame, placed, residual, order }, split, before };
}

/** Paper that stays must not lie between moving paper and the side it moves to. */
function refuseTrapped(pose: Pose, moving: readonly boolean[], towards: 'over' | 'behind'): void {
  const n = moving.length;
  for (let m = 0; m < n; m++)
    for (let s = 0; s < n; s++) {
      if (!moving[m] || moving[s]) continue;
      const side = sideOfFace(pose.order, m, s) * Math.sign(whiteUp(pose, m));
      if (side === (towards === 'over' ? 1 : -1))
        throw new FoldRefused('trapped', 'A layer that stays lies over the layers to fold.', [s, m]);
    }
}
