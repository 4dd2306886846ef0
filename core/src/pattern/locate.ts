import { distance, type Point } from '../measure/point';
import { type CreasePattern, faceOutline, toleranceOf } from './crease-pattern';
import { turn } from './outline';

/** What lies at a point of the sheet. */
export type Location =
  { readonly kind: 'vertex' | 'edge' | 'face'; readonly index: number } | { readonly kind: 'outside' };

/** The vertex, edge or face at a point; vertices before edges, edges before faces, within the pattern's tolerance. */
export function locate(pattern: CreasePattern, p: Point): Location {
  const tolerance = toleranceOf(pattern);
  const vertex = pattern.vertices.findIndex((q) => distance(p, q) <= tolerance);
  if (vertex >= 0) return { kind: 'vertex', index: vertex };
  const edge = pattern.edges.findIndex(
    ({ from, to }) => offSegment(p, pattern.vertices[from], pattern.vertices[to]) <= tolerance,
  );
  if (edge >= 0) return { kind: 'edge', index: edge };
  const face = pattern.faces.findIndex((_, f) => winds(faceOutline(pattern, f), p));
  return face >= 0 ? { kind: 'face', index: face } : { kind: 'outside' };
}

function offSegment(p: Point, a: Point, b: Point): number {
  const length2 = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
  const t = Math.max(0, Math.min(1, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length2));
  return Math.hypot(a.x + t * (b.x - a.x) - p.x, a.y + t * (b.y - a.y) - p.y);
}

/** Whether a loop winds round a point that does not lie on it; signs are exact. */
function winds(loop: readonly Point[], p: Point): boolean {
  let turns = 0;
  loop.forEach((a, k) => {
    const b = loop[(k + 1) % loop.length];
    if (a.y <= p.y && b.y > p.y && turn(a, b, p) > 0) turns++;
    else if (a.y > p.y && b.y <= p.y && turn(a, b, p) < 0) turns--;
  });
  return turns !== 0;
}
