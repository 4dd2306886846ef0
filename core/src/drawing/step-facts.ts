import { isFlat, type Pose } from '../folding/pose';
import { apply } from '../folding/transform';
import type { FormStep } from '../forms/form';
import type { Point } from '../measure/point';
import { isBorder } from '../pattern/crease-pattern';
import { area } from '../pattern/convex';
import { draw } from './draw';
import { FROM_ABOVE } from './view';

/** What is to be known of a step besides its words. */
export interface StepFacts {
  /** The side of the paper that is up as the step begins; `both` where both show, null for paper that stands. */
  readonly up: 'white' | 'colour' | 'both' | null;
  /** How long the longest of the creases is that the step makes or moves, as it lies on the table, in mm; null for none. */
  readonly creaseMm: number | null;
}

/** So much of what is seen must be of one side for it to be said to be up. */
const MOSTLY = 0.9;
/** Pieces of crease belong to one line when they lie within this share of the sheet. */
const IN_LINE = 1e-4;

function sideUp(pose: Pose): StepFacts['up'] {
  if (!isFlat(pose)) return null;
  const seen = { white: 0, colour: 0 };
  for (const { points, side } of draw(pose, FROM_ABOVE).patches)
    if (side !== 'thing') seen[side] += Math.abs(area(points));
  const white = seen.white / (seen.white + seen.colour);
  return white > MOSTLY ? 'white' : white < 1 - MOSTLY ? 'colour' : 'both';
}

interface Stretch {
  readonly from: Point;
  readonly to: Point;
}

/** From end to end of all stretches that lie on one line with the given one. */
function extentOn({ from, to }: Stretch, all: readonly Stretch[], tolerance: number): number {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const [dx, dy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const along = (p: Point): number => (p.x - from.x) * dx + (p.y - from.y) * dy;
  const off = (p: Point): number => Math.abs((p.y - from.y) * dx - (p.x - from.x) * dy);
  const ends = all.flatMap((one) => (off(one.from) < tolerance && off(one.to) < tolerance ? [one.from, one.to] : []));
  const places = ends.map(along);
  return Math.max(...places) - Math.min(...places);
}

/** How long the folds of a step are before it is made, where the paper lies flat; on the sheet where it stands. */
function creaseLength({ poses, creases }: FormStep): number | null {
  const [first] = poses;
  const last = poses[poses.length - 1];
  const { pattern } = last;
  const flat = first.pattern === pattern && isFlat(first);
  const made = pattern.edges.flatMap((edge, e): Stretch[] => {
    if (isBorder(edge) || !creases.includes(edge.name)) return [];
    // What stays as it was is not this step's: a name may come back later in the sequence.
    const moves = poses.some(({ angles, sense }) => angles[e] !== first.angles[e] || sense[e] !== first.sense[e]);
    if (first.pattern === pattern && !moves) return [];
    const [from, to] = [pattern.vertices[edge.from], pattern.vertices[edge.to]];
    if (!flat) return [{ from, to }];
    return [{ from: apply(first.placed[edge.left], from), to: apply(first.placed[edge.left], to) }];
  });
  const pinched = (last.marks ?? []).filter(({ name }) => creases.includes(name));
  const lengths = [
    ...made.map((one) => extentOn(one, made, IN_LINE * pattern.size)),
    ...pinched.map(({ from, to }) => Math.hypot(to.x - from.x, to.y - from.y)),
  ];
  return lengths.length ? Math.max(...lengths) : null;
}

/** Which side is up before a step, and how long its crease is. */
export function stepFacts(step: FormStep): StepFacts {
  return { up: step.view === 'table' ? sideUp(step.poses[0]) : null, creaseMm: creaseLength(step) };
}
