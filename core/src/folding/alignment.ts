import { between, crossing, distance, type Line, lineThrough, type Point, reversed, sideOf } from '../measure/point';
import { FoldRefused } from './fold-refused';

/**
 * How a hand finds a fold line on the table. The line that comes out is directed so that the paper on its left moves.
 */
export type Alignment =
  | { readonly kind: 'point-onto-point'; readonly point: Point; readonly onto: Point }
  | {
      readonly kind: 'line-onto-line';
      readonly line: Line;
      readonly onto: Line;
      readonly moving: Point;
      /** The line is laid onto the other one's further ray. */
      readonly wide?: boolean;
    }
  | { readonly kind: 'through-points'; readonly a: Point; readonly b: Point; readonly moving: Point }
  | { readonly kind: 'perpendicular'; readonly to: Line; readonly through: Point; readonly moving: Point }
  | {
      readonly kind: 'point-onto-line';
      readonly point: Point;
      readonly onto: Line;
      readonly through: Point;
      readonly near: Point;
    }
  | {
      readonly kind: 'points-onto-lines';
      readonly point: Point;
      readonly onto: Line;
      readonly other: Point;
      readonly otherOnto: Line;
      /** Of up to three such folds, the one that takes `point` nearest to here. */
      readonly near: Point;
    }
  | { readonly kind: 'point-onto-line-square'; readonly point: Point; readonly onto: Line; readonly squareTo: Line }
  | { readonly kind: 'parallel'; readonly to: Line; readonly distanceMm: number; readonly moving: Point };

/** Points closer than this say nothing about the direction of a line between them. */
const LEAST_APART_MM = 1e-6;

function withMoving(line: Line, moving: Point): Line {
  const side = sideOf(line, moving);
  if (side === 0) throw new FoldRefused('ambiguous', 'The point that moves lies on the fold line.');
  return side > 0 ? line : reversed(line);
}

function bisectorOfPoints(p: Point, q: Point): Line {
  const middle = between(p, q);
  const length = distance(p, q);
  if (!(length > 0)) throw new FoldRefused('ambiguous', 'A point cannot be folded onto itself.');
  return { at: middle, along: { x: -(q.y - p.y) / length, y: (q.x - p.x) / length } };
}

/**
 * The fold line of an alignment, moving side on its left.
 * @throws FoldRefused when there is no such line
 */
export function foldLine(alignment: Alignment): Line {
  switch (alignment.kind) {
    case 'point-onto-point':
      return withMoving(bisectorOfPoints(alignment.point, alignment.onto), alignment.point);
    case 'through-points':
      if (distance(alignment.a, alignment.b) < LEAST_APART_MM)
        throw new FoldRefused('ambiguous', 'Two points that lie on each other do not make a fold line.');
      return withMoving(lineThrough(alignment.a, alignment.b), alignment.moving);
    case 'perpendicular':
      return withMoving(
        { at: alignment.through, along: { x: -alignment.to.along.y, y: alignment.to.along.x } },
        alignment.moving,
      );
    case 'parallel': {
      const { to, distanceMm, moving } = alignment;
      // The crease lies inside the paper: from the edge towards the side away from the moving strip's outer edge.
      const line = {
        at: { x: to.at.x - to.along.y * distanceMm, y: to.at.y + to.along.x * distanceMm },
        along: to.along,
      };
      return withMoving(line, moving);
    }
    case 'line-onto-line': {
      const { line, onto, moving, wide = false } = alignment;
      const meet = crossing(line, onto);
      // Of the two bisectors, the one on which the moving point goes to the other line's nearer ray, or to its further one.
      const ahead =
        !meet || (moving.x - meet.x) * line.along.x + (moving.y - meet.y) * line.along.y >= 0 ? line : reversed(line);
      const against = ahead.along.x * onto.along.x + ahead.along.y * onto.along.y < -SQUARE;
      const target = against !== wide ? reversed(onto) : onto;
      return withMoving(bisectorOfLines(ahead, target, moving), moving);
    }
    case 'point-onto-line': {
      const { point, onto, through, near } = alignment;
      const radius = distance(point, through);
      const off = sideOf(onto, through);
      if (Math.abs(off) > radius)
        throw new FoldRefused('ambiguous', 'The point cannot reach that line by a fold through there.');
      const foot = { x: through.x + off * onto.along.y, y: through.y - off * onto.along.x };
      const reach = Math.sqrt(radius * radius - off * off);
      const hits = [1, -1].map((s) => ({ x: foot.x + s * reach * onto.along.x, y: foot.y + s * reach * onto.along.y }));
      const target = distance(hits[0], near) <= distance(hits[1], near) ? hits[0] : hits[1];
      const line = bisectorOfPoints(point, target);
      return withMoving({ at: through, along: line.along }, point);
    }
    case 'point-onto-line-square': {
      const { point, onto, squareTo } = alignment;
      // The point moves along the line that the fold is square to.
      const target = crossing({ at: point, along: squareTo.along }, onto);
      if (!target) throw new FoldRefused('ambiguous', 'Moving that way, the point never meets the line.');
      return withMoving(bisectorOfPoints(point, target), point);
    }
    case 'points-onto-lines': {
      const { point, onto, other, otherOnto, near } = alignment;
      const targets = pointsOntoLines(point, onto, other, otherOnto);
      if (!targets.length) throw new FoldRefused('ambiguous', 'No fold brings both points onto their lines.');
      const target = targets.reduce((best, p) => (distance(p, near) < distance(best, near) ? p : best));
      return withMoving(bisectorOfPoints(point, target), point);
    }
  }
}

/** Lines closer to square than this sine are square: both bisectors are alike then. */
const SQUARE = 1e-9;

/**
 * The bisector of two lines that runs along with both: where a point lies as far to the left of one as to the right of the
 * other. Lines that are nearly parallel meet far away, so it is found without their crossing.
 * @param near it passes nearest to this point where it is anchored
 */
function bisectorOfLines(a: Line, b: Line, near: Point): Line {
  const n = { x: -a.along.y - b.along.y, y: a.along.x + b.along.x };
  const off = (sideOf(a, near) + sideOf(b, near)) / (n.x * n.x + n.y * n.y);
  const length = Math.hypot(n.x, n.y);
  return {
    at: { x: near.x - off * n.x, y: near.y - off * n.y },
    along: { x: n.y / length, y: -n.x / length },
  };
}

/**
 * Where on `onto` the point can land so that the same fold brings `other` onto its line. With the landing place at t along
 * the line, the distance of the folded `other` from its line, times the squared move, is a cubic in t.
 */
export function pointsOntoLines(point: Point, onto: Line, other: Point, otherOnto: Line): Point[] {
  const landing = (t: number): Point => ({ x: onto.at.x + t * onto.along.x, y: onto.at.y + t * onto.along.y });
  const off = (t: number): number => {
    const p = landing(t);
    const [nx, ny] = [p.x - point.x, p.y - point.y];
    const length2 = nx * nx + ny * ny;
    const reach = (other.x - (p.x + point.x) / 2) * nx + (other.y - (p.y + point.y) / 2) * ny;
    const across = otherOnto.along.x * ny - otherOnto.along.y * nx;
    return sideOf(otherOnto, other) * length2 - 2 * reach * across;
  };
  const scale = Math.max(
    1,
    distance(point, onto.at),
    distance(point, other),
    Math.abs(sideOf(otherOnto, point)),
    Math.abs(sideOf(onto, point)),
  );
  // The cubic through four values, in u = t / scale.
  const [a, b, c, d] = [-1, 0, 1, 2].map((u) => off(u * scale));
  const k3 = (d - a) / 6 + (b - c) / 2;
  const k2 = (a + c) / 2 - b;
  const k1 = c - b - k2 - k3;
  return cubicRoots(k3, k2, k1, b)
    .map((u) => polish(off, u * scale, scale))
    .map(landing)
    .filter((p) => distance(p, point) > 1e-9 * scale);
}

/** Real roots of k3 u³ + k2 u² + k1 u + k0. */
function cubicRoots(k3: number, k2: number, k1: number, k0: number): number[] {
  const largest = Math.max(Math.abs(k3), Math.abs(k2), Math.abs(k1), Math.abs(k0));
  if (Math.abs(k3) < 1e-12 * largest) {
    if (Math.abs(k2) < 1e-12 * largest) return Math.abs(k1) < 1e-12 * largest ? [] : [-k0 / k1];
    const root = k1 * k1 - 4 * k2 * k0;
    if (root < 0) return [];
    const q = -(k1 + Math.sign(k1 || 1) * Math.sqrt(root)) / 2;
    return q === 0 ? [0] : [q / k2, k0 / q];
  }
  const [a, b, c] = [k2 / k3, k1 / k3, k0 / k3];
  const q = (a * a - 3 * b) / 9;
  const r = (2 * a * a * a - 9 * a * b + 27 * c) / 54;
  if (r * r < q * q * q) {
    const angle = Math.acos(r / Math.sqrt(q * q * q));
    return [0, 1, -1].map((k) => -2 * Math.sqrt(q) * Math.cos((angle + 2 * k * Math.PI) / 3) - a / 3);
  }
  const s = -Math.sign(r || 1) * Math.cbrt(Math.abs(r) + Math.sqrt(r * r - q * q * q));
  return [s + (s === 0 ? 0 : q / s) - a / 3];
}

/** A few Newton steps with a central slope: the closed form loses digits where roots are close. */
function polish(f: (t: number) => number, start: number, scale: number): number {
  let t = start;
  for (let k = 0; k < 4; k++) {
    const h = 1e-6 * scale;
    const slope = (f(t + h) - f(t - h)) / (2 * h);
    if (slope === 0) break;
    t -= f(t) / slope;
  }
  return t;
}
