import { joined } from '../pattern/plates';
import { type Line, lineThrough, type Point, sideOf } from '../measure/point';
import { middle } from '../pattern/convex';
import { faceOutline, toleranceOf } from '../pattern/crease-pattern';
import { type Split, splitFaces } from '../pattern/split-faces';
import { FoldRefused } from './fold-refused';
import { sideOfFace } from './layer-order';
import { faceAt, faceHolds, type Pose, whiteUp } from './pose';
import { refine } from './refine';
import { layersOn, stackDepth } from './stack-depth';
import { apply, inverse } from './transform';

/**
 * Which layers a fold takes along: all, the `top` so many, the flap that a sheet point belongs to (all paper beyond the
 * line that hangs together with it other than across the line), or those that lie `between` the layers of two sheet points.
 */
export type FoldLayers =
  'all' | { readonly flap: Point } | { readonly top: number } | { readonly between: readonly [Point, Point] };

/** Paper creased along a line, and the part of it that will move. */
export interface CreasedFlap {
  readonly before: Pose;
  readonly split: Split;
  readonly moving: readonly boolean[];
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
function movingFaces(pose: Pose, line: Line, layers: FoldLayers, between: (face: number) => boolean): boolean[] {
  const { pattern } = pose;
  const onLeft = pattern.faces.map((_, f) => sideOf(line, apply(pose.placed[f], middle(faceOutline(pattern, f)))) > 0);
  if (layers === 'all') return onLeft;
  if ('top' in layers)
    return onLeft.map((left, f) => {
      const side = whiteUp(pose, f) > 0 ? 1 : -1;
      return left && (layersOn(pose, f, side) < layers.top || stackDepth(pose, f, side) < layers.top);
    });
  if ('between' in layers) return onLeft.map((left, f) => left && between(f));
  const flap = layers.flap;
  const seed = pattern.faces.findIndex((_, f) => onLeft[f] && faceHolds(pattern, f, flap, toleranceOf(pattern)));
  if (seed < 0) throw new FoldRefused('no-paper', 'The flap to fold does not reach over the fold line.');
  return joined(pattern, [seed], (edge, _, other) => onLeft[other] && !isOnLine(pose, edge, line));
}

/** The layers strictly between those of two sheet points, whichever of them lies over the other. */
function layersBetween(pose: Pose, [p, q]: readonly [Point, Point]): Set<number> {
  const [a, b] = [faceAt(pose.pattern, p), faceAt(pose.pattern, q)];
  const over = layersFrom(pose, a, 1).has(b) ? 1 : -1;
  const beyond = layersFrom(pose, b, -over);
  return new Set([...layersFrom(pose, a, over)].filter((f) => f !== a && f !== b && beyond.has(f)));
}

/** A layer and all that lie on it, towards the viewer (1) or away (-1). */
export function layersFrom(pose: Pose, face: number, over: number): Set<number> {
  const found = new Set([face]);
  for (const f of found)
    for (let g = 0; g < pose.order.faces; g++)
      if (sideOfFace(pose.order, f, g) * Math.sign(whiteUp(pose, f)) === over) found.add(g);
  return found;
}

export function isOnLine(pose: Pose, edge: number, line: Line): boolean {
  const { from, to, left, right } = pose.pattern.edges[edge];
  const placed = pose.placed[left >= 0 ? left : right];
  const tolerance = 100 * toleranceOf(pose.pattern);
  return [from, to].every((v) => Math.abs(sideOf(line, apply(placed, pose.pattern.vertices[v]))) <= tolerance);
}

/**
 * Creases the layers that will move along a table line, moving side on its left.
 * @throws FoldRefused when there is no paper on that side, or none on the other
 */
export function creaseFlap(start: Pose, line: Line, layers: FoldLayers, name: string): CreasedFlap {
  // Which layers lie between is read off the uncreased faces: their pieces need not lie over each other.
  const inner = layers !== 'all' && 'between' in layers ? layersBetween(start, layers.between) : null;
  const isInner =
    ({ faceFrom }: Split) =>
    (face: number): boolean =>
      inner?.has(faceFrom[face]) ?? false;
  const cutsAll = new Map(start.pattern.faces.map((_, f) => [f, onSheet(start, f, line)] as const));
  let split = splitFaces(start.pattern, cutsAll, name);
  let before = refine(start, split);
  let moving = movingFaces(before, line, layers, isInner(split));
  if (layers !== 'all') {
    // Layers that stay must not be creased: cut again, only the faces that have a moving part.
    const touched = new Set(moving.flatMap((m, f) => (m ? [split.faceFrom[f]] : [])));
    split = splitFaces(start.pattern, new Map([...cutsAll].filter(([f]) => touched.has(f))), name);
    before = refine(start, split);
    moving = movingFaces(before, line, layers, isInner(split));
  }
  if (!moving.includes(true)) throw new FoldRefused('no-paper', 'There is no paper on that side of the fold line.');
  if (!moving.includes(false)) throw new FoldRefused('no-paper', 'All of the paper would move: nothing is folded.');
  return { before, split, moving };
}
