import type { Alignment } from '../folding/alignment';
import { type Pose, whereIs } from '../folding/pose';
import { apply } from '../folding/transform';
import { crossing, distance, type Line, lineThrough, type Point, sideOf } from '../measure/point';

/** What a hand may have taken for the place that was meant. */
export interface Mistaken {
  readonly kind: 'too short' | 'too far' | 'other place';
  readonly alignment: Alignment;
}

/** Landmarks closer than this share of the sheet are not told apart by eye. */
const APART = 0.02;

/** A landmark is mistaken for another one no farther from it than this share of the paper's way. */
const WITHIN = 0.6;

/** All points that can be seen or felt: corners, ends and crossings of creases, ends of pinches. */
function landmarks(pose: Pose): Point[] {
  const { pattern, placed, marks = [] } = pose;
  const corners = pattern.faces.flatMap(({ vertices }, f) =>
    vertices.map((v) => apply(placed[f], pattern.vertices[v])),
  );
  return [...corners, ...marks.flatMap(({ from, to }) => [whereIs(pose, from), whereIs(pose, to)])];
}

/** The table lines of all creases and edges. */
function lines({ pattern, placed }: Pose): Line[] {
  return pattern.edges.flatMap(({ from, to, left, right }) => {
    const at = placed[left >= 0 ? left : right];
    const [a, b] = [from, to].map((v) => apply(at, pattern.vertices[v]));
    return distance(a, b) > 0 ? [lineThrough(a, b)] : [];
  });
}

const nearest = <T>(candidates: readonly T[], off: (one: T) => number): T | undefined =>
  candidates.reduce<T | undefined>((best, one) => (best === undefined || off(one) < off(best) ? one : best), undefined);

/** The points before and beyond a target as seen from where the paper comes, and one aside. */
function besides(pose: Pose, from: Point, target: Point): readonly (readonly [Mistaken['kind'], Point])[] {
  const far = distance(from, target);
  const apart = APART * pose.pattern.size;
  const share = (q: Point): number =>
    ((q.x - from.x) * (target.x - from.x) + (q.y - from.y) * (target.y - from.y)) / (far * far);
  const aside = (q: Point): number => Math.abs(sideOf(lineThrough(from, target), q));
  const all = landmarks(pose).filter(
    (q) => [target, from].every((p) => distance(p, q) > apart) && distance(q, target) < WITHIN * far,
  );
  const straight = all.filter((q) => aside(q) < apart);
  const off = (q: Point): number => distance(q, target);
  const found: (readonly [Mistaken['kind'], Point | undefined])[] = [
    [
      'too short',
      nearest(
        straight.filter((q) => share(q) < 1),
        off,
      ),
    ],
    [
      'too far',
      nearest(
        straight.filter((q) => share(q) > 1),
        off,
      ),
    ],
    [
      'other place',
      nearest(
        all.filter((q) => aside(q) >= apart),
        off,
      ),
    ],
  ];
  return found.flatMap(([kind, q]) => (q ? [[kind, q] as const] : []));
}

/** Lines beside a target: along with it, or through the point in which it meets the line that is brought to it. */
function linesBeside(
  pose: Pose,
  line: Line,
  onto: Line,
  moving: Point,
): readonly (readonly [Mistaken['kind'], Line])[] {
  const apart = APART * pose.pattern.size;
  const meet = crossing(line, onto);
  const sine = (a: Line, b: Line): number => Math.abs(a.along.x * b.along.y - a.along.y * b.along.x);
  const others = lines(pose).filter((one) => {
    if (!meet || sine(line, onto) < 1e-6)
      return sine(one, onto) < 1e-6 && [onto, line].every((known) => Math.abs(sideOf(known, one.at)) > apart);
    return (
      Math.abs(sideOf(one, meet)) < 1e-6 * pose.pattern.size && [onto, line].every((known) => sine(one, known) > 0.05)
    );
  });
  const way = (one: Line): number => Math.abs(sideOf(one, moving));
  const meant = way(onto);
  const off = (one: Line): number => Math.abs(way(one) - meant);
  const near = others.filter((one) => off(one) < WITHIN * meant);
  const found: (readonly [Mistaken['kind'], Line | undefined])[] = [
    [
      'too short',
      nearest(
        near.filter((one) => way(one) < meant),
        off,
      ),
    ],
    [
      'too far',
      nearest(
        near.filter((one) => way(one) > meant),
        off,
      ),
    ],
  ];
  return found.flatMap(([kind, one]) => (one ? [[kind, one] as const] : []));
}

/** The same alignment brought to what lies next to its target: the point or crease that a hand may take for it. */
export function mistakenFor(pose: Pose, meant: Alignment): readonly Mistaken[] {
  switch (meant.kind) {
    case 'point-onto-point':
      return besides(pose, meant.point, meant.onto).map(([kind, onto]) => ({ kind, alignment: { ...meant, onto } }));
    case 'line-onto-line':
      return linesBeside(pose, meant.line, meant.onto, meant.moving).map(([kind, onto]) => ({
        kind,
        alignment: { ...meant, onto },
      }));
    case 'through-points':
      return besides(pose, meant.a, meant.b)
        .slice(0, 1)
        .map(([, b]) => ({ kind: 'other place', alignment: { ...meant, b } }));
    case 'perpendicular':
    case 'point-onto-line':
    case 'points-onto-lines':
    case 'point-onto-line-square':
    case 'parallel':
      return [];
  }
}
