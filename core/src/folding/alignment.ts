import { between, crossing, distance, type Line, lineThrough, type Point, reversed, sideOf } from '../measure/point';
import { FoldRefused } from './fold-refused';

/**
 * How a hand finds a fold line on the table. The line that comes out is directed so that the paper on its left moves.
 */
export type Alignment =
  | { readonly kind: 'point-onto-point'; readonly point: Point; readonly onto: Point }
  | { readonly kind: 'line-onto-line'; readonly line: Line; readonly onto: Line; readonly moving: Point }
  | { readonly kind: 'through-points'; readonly a: Point; readonly b: Point; readonly moving: Point }
  | { readonly kind: 'perpendicular'; readonly to: Line; readonly through: Point; readonly moving: Point }
  | {
      readonly kind: 'point-onto-line';
      readonly point: Point;
      readonly onto: Line;
      readonly through: Point;
      readonly near: Point;
    }
  | { readonly kind: 'parallel'; readonly to: Line; readonly distanceMm: number; readonly moving: Point };

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
      const { line, onto, moving } = alignment;
      const meet = crossing(line, onto);
      if (!meet) {
        const flipped = line.along.x * onto.along.x + line.along.y * onto.along.y < 0 ? reversed(onto) : onto;
        const off = sideOf(line, flipped.at) / 2;
        return withMoving(
          { at: { x: line.at.x - line.along.y * off, y: line.at.y + line.along.x * off }, along: line.along },
          moving,
        );
      }
      // Of the two bisectors, the one on which the moving point goes to the other line's nearer ray.
      const ray = (l: Line, sign: number): Point => ({ x: meet.x + sign * l.along.x, y: meet.y + sign * l.along.y });
      const start = ray(line, (moving.x - meet.x) * line.along.x + (moving.y - meet.y) * line.along.y >= 0 ? 1 : -1);
      const [one, other] = [ray(onto, 1), ray(onto, -1)];
      const end = distance(start, one) <= distance(start, other) ? one : other;
      return withMoving(bisectorOfPoints(start, end), moving);
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
  }
}
