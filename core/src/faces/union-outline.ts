import { distance, type Line, lineThrough, type Point, sideOf } from '../measure/point';
import type { Convex } from '../pattern/convex';

/**
 * The outlines of what convex pieces cover that only touch each other: each a loop, counter-clockwise round paper, clockwise
 * round a hole. Edges that two pieces share are gone, and so are corners on a straight edge.
 * @param near points that lie nearer to each other are one, in mm
 */
export function unionOutline(pieces: readonly Convex[], near: number): readonly (readonly Point[])[] {
  const points: Point[] = [];
  const numberOf = (p: Point): number => {
    const k = points.findIndex((q) => distance(p, q) <= near);
    return k >= 0 ? k : points.push(p) - 1;
  };
  const loops = pieces.map((piece) => piece.map(numberOf));
  // Edges run from point to point: one that passes another point is parted there.
  const edges = new Map<string, readonly [number, number]>();
  const add = (a: number, b: number): void => {
    if (a === b) return;
    const back = `${b} ${a}`;
    if (!edges.delete(back)) edges.set(`${a} ${b}`, [a, b]);
  };
  for (const loop of loops)
    loop.forEach((a, k) => {
      const b = loop[(k + 1) % loop.length];
      const stops = between(points, a, b, near);
      stops.slice(1).forEach((to, i) => add(stops[i], to));
    });
  return chained([...edges.values()])
    .map((loop) =>
      straightened(
        loop.map((k) => points[k]),
        near,
      ),
    )
    .filter((loop) => loop.length > 2);
}

/** The points on the way from one to another, both ends too, in order. */
function between(points: readonly Point[], a: number, b: number, near: number): readonly number[] {
  const [p, q] = [points[a], points[b]];
  const length = distance(p, q);
  if (length <= near) return [a, b];
  const line: Line = lineThrough(p, q);
  const along = (r: Point): number => (r.x - p.x) * line.along.x + (r.y - p.y) * line.along.y;
  const inside = points.flatMap((r, k) =>
    k !== a && k !== b && Math.abs(sideOf(line, r)) <= near && along(r) > near && along(r) < length - near ? [k] : [],
  );
  return [a, ...inside.sort((k, l) => along(points[k]) - along(points[l])), b];
}

function chained(edges: readonly (readonly [number, number])[]): readonly (readonly number[])[] {
  const open = new Map<number, number[]>();
  for (const [a, b] of edges) open.set(a, [...(open.get(a) ?? []), b]);
  const loops: number[][] = [];
  for (const [start] of edges) {
    const loop: number[] = [];
    for (let at = start; open.get(at)?.length;) {
      loop.push(at);
      at = open.get(at)!.pop()!;
      if (at === start) break;
    }
    if (loop.length > 2) loops.push(loop);
  }
  return loops;
}

/** Without corners that lie on a straight edge. */
function straightened(loop: readonly Point[], near: number): readonly Point[] {
  return loop.filter((p, k) => {
    const [before, after] = [loop[(k + loop.length - 1) % loop.length], loop[(k + 1) % loop.length]];
    return distance(before, after) <= near || Math.abs(sideOf(lineThrough(before, after), p)) > near;
  });
}
