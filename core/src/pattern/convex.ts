import { type Line, lineThrough, type Point, sideOf } from '../measure/point';

/** A convex polygon, counter-clockwise. */
export type Convex = readonly Point[];

export function area(polygon: Convex): number {
  let twice = 0;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++)
    twice += polygon[j].x * polygon[i].y - polygon[i].x * polygon[j].y;
  return twice / 2;
}

/** Mean of the corners: inside, for a convex polygon. */
export function middle(polygon: Convex): Point {
  let x = 0;
  let y = 0;
  for (const p of polygon) {
    x += p.x;
    y += p.y;
  }
  return { x: x / polygon.length, y: y / polygon.length };
}

/** The part of a convex polygon where a function that is linear over the plane is at least zero. */
export function clipWhere(polygon: Convex, value: (p: Point) => number): Point[] {
  const kept: Point[] = [];
  for (let i = 0; i < polygon.length; i++) {
    const p = polygon[i];
    const q = polygon[(i + 1) % polygon.length];
    const vp = value(p);
    const vq = value(q);
    if (vp >= 0) kept.push(p);
    if ((vp > 0 && vq < 0) || (vp < 0 && vq > 0)) {
      const t = vp / (vp - vq);
      kept.push({ x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) });
    }
  }
  return kept.length >= 3 ? kept : [];
}

/** The part of a convex polygon to the left of a line. */
export function clipLeft(polygon: Convex, line: Line): Point[] {
  return clipWhere(polygon, (p) => sideOf(line, p));
}

/** Corners closer than this share of a polygon's coordinates are one corner that arithmetic has doubled. */
const DOUBLED = 1e-10;

/** Squared length below which a side has no direction of its own. */
function leastSide2(polygon: Convex): number {
  let largest = 0;
  for (const p of polygon) largest = Math.max(largest, Math.abs(p.x), Math.abs(p.y));
  return (DOUBLED * largest) ** 2;
}

function sides(polygon: Convex): Line[] {
  const lines: Line[] = [];
  const least2 = leastSide2(polygon);
  for (let i = 0; i < polygon.length; i++) {
    const p = polygon[i];
    const q = polygon[(i + 1) % polygon.length];
    if ((q.x - p.x) ** 2 + (q.y - p.y) ** 2 > least2) lines.push(lineThrough(p, q));
  }
  return lines;
}

/** Common part of two convex polygons; empty when they only touch along nothing. */
export function intersect(a: Convex, b: Convex): readonly Point[] {
  let rest: readonly Point[] = a;
  const least2 = leastSide2(b);
  for (let k = 0; k < b.length; k++) {
    const p = b[k];
    const q = b[k + 1 === b.length ? 0 : k + 1];
    const dx = q.x - p.x;
    const dy = q.y - p.y;
    if (dx * dx + dy * dy <= least2) continue;
    const n = rest.length;
    const value = new Array<number>(n);
    let negative = false;
    let positive = false;
    for (let i = 0; i < n; i++) {
      const v = dx * (rest[i].y - p.y) - dy * (rest[i].x - p.x);
      value[i] = v;
      if (v < 0) negative = true;
      else if (v > 0) positive = true;
    }
    if (!negative) continue;
    if (!positive) return [];
    const kept: Point[] = [];
    for (let i = 0; i < n; i++) {
      const j = i + 1 === n ? 0 : i + 1;
      if (value[i] >= 0) kept.push(rest[i]);
      if ((value[i] > 0 && value[j] < 0) || (value[i] < 0 && value[j] > 0)) {
        const t = value[i] / (value[i] - value[j]);
        kept.push({ x: rest[i].x + t * (rest[j].x - rest[i].x), y: rest[i].y + t * (rest[j].y - rest[i].y) });
      }
    }
    if (kept.length < 3) return [];
    rest = kept;
  }
  return rest;
}

/** What is left of `a` when `b` is cut away, as convex pieces; pieces below `smallest` area are dropped. */
export function subtract(a: Convex, b: Convex, smallest: number): Point[][] {
  if (area(intersect(a, b)) <= smallest) return [[...a]];
  const pieces: Point[][] = [];
  let rest: Point[] = [...a];
  for (const side of sides(b)) {
    const outside = clipWhere(rest, (p) => -sideOf(side, p));
    if (area(outside) > smallest) pieces.push(outside);
    rest = clipLeft(rest, side);
    if (rest.length < 3) break;
  }
  return pieces;
}

/** The polygon with its corners counter-clockwise. */
export function counterClockwise(polygon: Convex): Point[] {
  return area(polygon) < 0 ? [...polygon].reverse() : [...polygon];
}

/** Whether a point lies inside or within `tolerance` of a convex counter-clockwise polygon. */
export function contains(polygon: Convex, p: Point, tolerance: number): boolean {
  return sides(polygon).every((side) => sideOf(side, p) >= -tolerance);
}

/** The parameters in [0,1] between which the segment a-b lies inside a convex polygon, or null when it misses it. */
export function clipSegment(a: Point, b: Point, polygon: Convex, tolerance: number): readonly [number, number] | null {
  let start = 0;
  let end = 1;
  for (let k = 0; k < polygon.length; k++) {
    const p = polygon[k];
    const q = polygon[k + 1 === polygon.length ? 0 : k + 1];
    const dx = q.x - p.x;
    const dy = q.y - p.y;
    const slack = tolerance * Math.sqrt(dx * dx + dy * dy);
    const va = dx * (a.y - p.y) - dy * (a.x - p.x) + slack;
    const vb = dx * (b.y - p.y) - dy * (b.x - p.x) + slack;
    if (va < 0 && vb < 0) return null;
    if (va < 0) start = Math.max(start, va / (va - vb));
    else if (vb < 0) end = Math.min(end, va / (va - vb));
    if (start >= end) return null;
  }
  return [start, end];
}

/** The least convex polygon around points, counter-clockwise, by Andrew's monotone chain; fewer than three corners where they lie on a line. */
export function convexHull(points: readonly Point[]): Convex {
  const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
  const sorted = [...points].sort((p, q) => p.x - q.x || p.y - q.y);
  const chain = (along: readonly Point[]): Point[] => {
    const kept: Point[] = [];
    for (const p of along) {
      while (kept.length > 1 && turn(kept[kept.length - 2], kept[kept.length - 1], p) <= 0) kept.pop();
      kept.push(p);
    }
    return kept.slice(0, -1);
  };
  return [...chain(sorted), ...chain(sorted.reverse())];
}
