import { foldLine } from '../folding/alignment';
import type { FoldLayers } from '../folding/crease-flap';
import { FoldRefused } from '../folding/fold-refused';
import { sideOfFace } from '../folding/layer-order';
import type { MeantFold } from '../folding/meant-fold';
import { moved } from '../folding/moved';
import { middleOfTable, placedOutline, type Pose, whereIs, whiteUp } from '../folding/pose';
import { foldSimply } from '../folding/simple-fold';
import { apply, inverse, overUpright, type Transform, turnOnTable } from '../folding/transform';
import type { Line, Point } from '../measure/point';
import { area, clipLeft, contains, counterClockwise, middle } from '../pattern/convex';
import { toleranceOf } from '../pattern/crease-pattern';
import { mistakenFor } from './next-landmarks';
import type { SlipKind } from './slip-words';

/** A move that a hand may have made instead, and where it led. */
export interface WrongFold {
  readonly kind: SlipKind;
  readonly pose: Pose;
}

/** Faces over a table point, from the viewer down. */
function stackAt(pose: Pose, p: Point): number[] {
  const tolerance = 10 * toleranceOf(pose.pattern);
  const here = pose.pattern.faces.flatMap((_, f) =>
    contains(counterClockwise(placedOutline(pose, f)), p, -tolerance) ? [f] : [],
  );
  const over = (f: number): number =>
    here.filter((g) => sideOfFace(pose.order, f, g) * Math.sign(whiteUp(pose, f)) === 1).length;
  return here.sort((f, g) => over(f) - over(g));
}

/**
 * What a hand takes for a sheet point on paper that lies otherwise: the layer that lies as deep in the same place.
 * @returns null where there is no such layer
 */
function takenFor(meant: Pose, lies: Pose, p: Point): Point | null {
  const at = whereIs(meant, p);
  const stack = stackAt(meant, at);
  const depth = stack.findIndex((f) => {
    const q = apply(inverse(meant.placed[f]), at);
    return Math.hypot(q.x - p.x, q.y - p.y) < 100 * toleranceOf(meant.pattern);
  });
  const face = stackAt(lies, at).at(depth);
  return depth < 0 || face === undefined ? null : apply(inverse(lies.placed[face]), at);
}

/** The layers of a meant fold as a hand finds them on paper that lies otherwise; null when it finds none there. */
function layersTaken(meant: Pose, lies: Pose, layers: FoldLayers): FoldLayers | null {
  if (layers === 'all' || 'top' in layers) return layers;
  if ('flap' in layers) {
    const flap = takenFor(meant, lies, layers.flap);
    return flap && { flap };
  }
  const [a, b] = layers.between.map((p) => takenFor(meant, lies, p));
  return a && b && { between: [a, b] };
}

/** Folds that were made straight after each other. */
function run(folds: readonly MeantFold[]): readonly MeantFold[] {
  const broken = folds.findIndex((fold, k) => k > 0 && fold.move !== folds[k - 1].move + 1);
  return broken < 0 ? folds : folds.slice(0, broken);
}

/** The folds of a step on paper that lay otherwise, along the same lines of the table. */
function onPaperMoved(folds: readonly MeantFold[], motion: Transform): Pose | null {
  let pose = moved(folds[0].before, motion);
  for (const { before, alignment, towards, layers, name, under, among } of folds) {
    const taken = layersTaken(before, pose, layers);
    // Where there is no pocket it is laid on top.
    const below = (under && takenFor(before, pose, under)) ?? undefined;
    if (!taken || among) return null;
    pose = foldSimply(pose, { line: foldLine(alignment), towards, layers: taken, name, under: below }).pose;
  }
  return pose;
}

/** What is otherwise about a fold. */
interface Otherwise {
  readonly line?: Line;
  readonly towards?: MeantFold['towards'];
  readonly layers?: FoldLayers;
  /** Laid on top instead of slipped in. */
  readonly onTop?: true;
}

/** The first fold of a step made otherwise; those after it as they were meant, as far as they can still be made. */
function firstOtherwise([first, ...others]: readonly MeantFold[], { onTop, ...change }: Otherwise): Pose {
  const { before, alignment, towards, layers, name, under, among } = first;
  const plain = change.line ?? foldLine(alignment);
  let { pose } = foldSimply(before, {
    ...{ line: plain, towards, layers, name },
    // Slipping in among other layers was meant for these layers only.
    ...(change.layers || change.towards || onTop ? {} : { under, among }),
    ...change,
  });
  for (const fold of others) pose = foldSimply(pose, { ...fold, line: foldLine(fold.alignment) }).pose;
  return pose;
}

/**
 * One layer more and one less than was meant, where a fold takes all paper or one flap: more of a flap is all that lies there,
 * less than all is the layer nearest to the viewer.
 */
function layersOff({ before, alignment, layers }: MeantFold): {
  readonly more?: FoldLayers;
  readonly less?: FoldLayers;
} {
  if (layers === 'all') {
    const line = foldLine(alignment);
    // Seen at the middle of the paper that moves.
    const parts = before.pattern.faces.map((_, f) => clipLeft(counterClockwise(placedOutline(before, f)), line));
    const largest = parts.reduce((one, other) => (area(other) > area(one) ? other : one));
    if (!largest.length) return {};
    const at = middle(largest);
    const stack = stackAt(before, at);
    return stack.length > 1 ? { less: { flap: apply(inverse(before.placed[stack[0]]), at) } } : {};
  }
  if ('top' in layers)
    return { more: { top: layers.top + 1 }, ...(layers.top > 1 && { less: { top: layers.top - 1 } }) };
  return 'flap' in layers ? { more: 'all' } : {};
}

/** All that the general slips make of a step's folds; what paper cannot do is left out. */
export function wrongFolds(folds: readonly MeantFold[]): readonly WrongFold[] {
  const made = run(folds);
  if (!made.length) return [];
  const [first] = made;
  const { before } = first;
  const found: WrongFold[] = [];
  const attempt = (kind: SlipKind, make: () => Pose | null): void => {
    try {
      const pose = make();
      if (pose) found.push({ kind, pose });
    } catch (error) {
      if (!(error instanceof FoldRefused)) throw error;
    }
  };
  const centre = middleOfTable(before);
  attempt('other side up', () => onPaperMoved(made, overUpright(centre.x)));
  attempt('turned half', () => onPaperMoved(made, turnOnTable(centre, 180)));
  attempt('turned left', () => onPaperMoved(made, turnOnTable(centre, 90)));
  attempt('turned right', () => onPaperMoved(made, turnOnTable(centre, -90)));
  for (const { kind, alignment } of mistakenFor(before, first.alignment))
    attempt(kind, () => firstOtherwise(made, { line: foldLine(alignment) }));
  const other = first.towards === 'over' ? 'behind' : 'over';
  attempt(other === 'behind' ? 'folded behind' : 'folded in front', () => firstOtherwise(made, { towards: other }));
  if (first.under || first.among) attempt('not tucked', () => firstOtherwise(made, { onTop: true }));
  const { more, less } = layersOff(first);
  if (more) attempt('a layer more', () => firstOtherwise(made, { layers: more }));
  if (less) attempt('a layer less', () => firstOtherwise(made, { layers: less }));
  return found;
}

/** Where the folds of a step lead that are made straight after each other, as they were meant. */
export const rightFold = (folds: readonly MeantFold[]): Pose | null => run(folds).at(-1)?.after ?? null;
