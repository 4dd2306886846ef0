/** A point or vector in the plane, in mm. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A directed line: through `at`, along the unit vector `along`. Its left side is where {@link sideOf} is positive. */
export interface Line {
  readonly at: Point;
  readonly along: Point;
}

export function point(x: number, y: number): Point {
  return { x, y };
}

export function between(a: Point, b: Point, share = 0.5): Point {
  return { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share };
}

/** Written out: it is asked for millions of times, and `Math.hypot` takes ten times as long. */
export function distance(a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  return Math.sqrt(dx * dx + dy * dy);
}

/**
 * The line from one point through another.
 * @throws RangeError when the points coincide
 */
export function lineThrough(from: Point, to: Point): Line {
  const length = distance(from, to);
  if (!(length > 0)) throw new RangeError(`Two different points make a line; both are (${from.x}, ${from.y}).`);
  return { at: from, along: { x: (to.x - from.x) / length, y: (to.y - from.y) / length } };
}

/** Signed distance of a point from a line, positive on its left. */
export function sideOf(line: Line, p: Point): number {
  return line.along.x * (p.y - line.at.y) - line.along.y * (p.x - line.at.x);
}

export function reversed(line: Line): Line {
  return { at: line.at, along: { x: -line.along.x, y: -line.along.y } };
}

/** Mirror image of a point in a line. */
export function reflect(line: Line, p: Point): Point {
  const d = 2 * sideOf(line, p);
  return { x: p.x + d * line.along.y, y: p.y - d * line.along.x };
}

/** Where two lines cross, or null when they are parallel within 1e-12 rad. */
export function crossing(a: Line, b: Line): Point | null {
  const sine = a.along.x * b.along.y - a.along.y * b.along.x;
  if (Math.abs(sine) < 1e-12) return null;
  const t = ((b.at.x - a.at.x) * b.along.y - (b.at.y - a.at.y) * b.along.x) / sine;
  return { x: a.at.x + t * a.along.x, y: a.at.y + t * a.along.y };
}
