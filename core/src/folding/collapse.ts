import { lineThrough, type Point, sideOf } from '../measure/point';
import { type CreasePattern, isBorder, toleranceOf } from '../pattern/crease-pattern';
import { segmentCuts } from '../pattern/segment-cuts';
import { splitFaces } from '../pattern/split-faces';
import { FoldRefused } from './fold-refused';
import { faceAt, type Pose } from './pose';
import { refine } from './refine';
import { settle } from './settle';

/** One stretch of crease, in sheet coordinates, and the angle that it takes. */
export interface CreaseAngle {
  readonly from: Point;
  readonly to: Point;
  /** + valley seen from the white side, 0 open, ±180 flat. */
  readonly angleDeg: number;
  /** What it is called if it has to be made anew. */
  readonly name: string;
}

/** Each refinement of the pattern on the way, then the pose reached. */
export interface Collapsed {
  readonly splits: readonly ReturnType<typeof splitFaces>[];
  readonly pose: Pose;
}

/** Edges that lie on a stretch. */
function edgesOn(pattern: CreasePattern, from: Point, to: Point): number[] {
  const line = lineThrough(from, to);
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const tolerance = 100 * toleranceOf(pattern);
  const along = (p: Point): number => (p.x - from.x) * line.along.x + (p.y - from.y) * line.along.y;
  return pattern.edges.flatMap((edge, e) => {
    if (isBorder(edge)) return [];
    const ends = [pattern.vertices[edge.from], pattern.vertices[edge.to]];
    const on = ends.every(
      (p) => Math.abs(sideOf(line, p)) <= tolerance && along(p) >= -tolerance && along(p) <= length + tolerance,
    );
    return on ? [e] : [];
  });
}

/**
 * Many creases move at once: the stretches named take their angles, all other creases keep theirs. Stretches that are
 * not creased yet are creased.
 * @param stays sheet point on the part that stays where it is
 * @throws FoldRefused when the paper does not close, layers cannot lie so, or a part goes through another
 */
export function collapse(start: Pose, creases: readonly CreaseAngle[], stays: Point): Collapsed {
  const splits: ReturnType<typeof splitFaces>[] = [];
  let pose = start;
  for (const { from, to, name } of creases) {
    const cuts = segmentCuts(pose.pattern, from, to);
    if (!cuts.size) continue;
    const split = splitFaces(pose.pattern, cuts, name);
    splits.push(split);
    pose = refine(pose, split);
  }
  const angles = [...pose.angles];
  for (const { from, to, angleDeg, name } of creases) {
    const on = edgesOn(pose.pattern, from, to);
    if (!on.length) throw new FoldRefused('unknown-mark', `There is no crease where “${name}” should move.`);
    for (const e of on) angles[e] = angleDeg;
  }
  const pinned = faceAt(pose.pattern, stays);
  return { splits, pose: settle(pose.pattern, angles, pose.sense, pinned, pose.placed[pinned], pose.order) };
}
