import { distance, type Point } from '../measure/point';
import { clipSegment, middle } from './convex';
import { createPattern } from './create-pattern';
import { assemble, type CreasePattern, extentOf, faceOutline, toleranceOf } from './crease-pattern';
import { turn } from './outline';
import type { Split } from './split-faces';

/** A straight piece of crease to be made, in sheet coordinates. */
export interface Stretch {
  readonly from: Point;
  readonly to: Point;
  readonly name: string;
}

/** Whether a point lies on a segment, within a tolerance in mm. */
export function onStretch(p: Point, { from, to }: Pick<Stretch, 'from' | 'to'>, tolerance: number): boolean {
  const length = distance(from, to);
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const along = (p.x - from.x) * ux + (p.y - from.y) * uy;
  const off = (p.x - from.x) * uy - (p.y - from.y) * ux;
  return Math.abs(off) <= tolerance && along >= -tolerance && along <= length + tolerance;
}

/**
 * Creases faces along any set of stretches at once, so that several may meet inside one face. What is creased already
 * stays as it is.
 * @throws RangeError when a stretch ends in the middle of a face where no other meets it, or leaves a face that is not convex
 */
export function creaseStretches(pattern: CreasePattern, stretches: readonly Stretch[]): Split {
  const tolerance = toleranceOf(pattern);
  const vertices: Point[] = [...pattern.vertices];
  const isAt = (p: Point, q: Point): boolean => Math.abs(q.x - p.x) <= tolerance && Math.abs(q.y - p.y) <= tolerance;
  // Along a slit two vertices lie in one place: a face keeps to its own.
  const vertexAt = (p: Point, own: readonly number[]): number => {
    const mine = own.find((v) => isAt(p, vertices[v]));
    const known = mine ?? vertices.findIndex((q) => isAt(p, q));
    return known >= 0 ? known : vertices.push(p) - 1;
  };
  const loops: number[][] = [];
  const faceFrom: number[] = [];
  const names = new Map<string, string>();
  const key = (a: number, b: number): string => (a < b ? `${a} ${b}` : `${b} ${a}`);
  pattern.faces.forEach((face, f) => {
    const outline = faceOutline(pattern, f);
    const within = stretches.flatMap((stretch) => insideFace(stretch, outline, tolerance));
    if (!within.length) {
      loops.push([...face.vertices]);
      faceFrom.push(f);
      return;
    }
    const parts = partsOf(cornersOf(outline, tolerance), within);
    const at = parts.vertices.map((p) => vertexAt(p, face.vertices));
    for (const { vertices: loop } of parts.faces) {
      refuseLoose(loop.map((v) => parts.vertices[v]));
      loops.push(loop.map((v) => at[v]));
      faceFrom.push(f);
    }
    for (const edge of parts.edges) if (edge.right >= 0) names.set(key(at[edge.from], at[edge.to]), edge.name);
  });
  const made = vertices.flatMap((_, v) => (v < pattern.vertices.length ? [] : [v]));
  // A face's own vertices on its straight sides were left out when it was parted.
  const whole = loops.map((loop, k) =>
    withVerticesBetween(loop, vertices, [...made, ...pattern.faces[faceFrom[k]].vertices], tolerance),
  );
  const origin = new Map<string, number>();
  pattern.edges.forEach((edge, e) => {
    const chain = withVerticesBetween([edge.from, edge.to], vertices, made, tolerance, false);
    for (let k = 1; k < chain.length; k++) origin.set(key(chain[k - 1], chain[k]), e);
  });
  const nameOf = (a: number, b: number): string => {
    const old = origin.get(key(a, b));
    if (old !== undefined) return pattern.edges[old].name;
    const stretch = stretches.find((s) => [a, b].every((v) => onStretch(vertices[v], s, 10 * tolerance)));
    return names.get(key(a, b)) ?? stretch?.name ?? 'crease';
  };
  const finer = assemble(vertices, whole, nameOf, pattern.size);
  return { pattern: finer, faceFrom, edgeFrom: finer.edges.map(({ from, to }) => origin.get(key(from, to)) ?? -1) };
}

/** The part of a stretch in the inside of a face: none when it only touches it or runs along its border. */
function insideFace(stretch: Stretch, outline: readonly Point[], tolerance: number): Stretch[] {
  const { from, to, name } = stretch;
  const within = clipSegment(from, to, outline, 0);
  if (!within) return [];
  const at = (t: number): Point => ({ x: from.x + t * (to.x - from.x), y: from.y + t * (to.y - from.y) });
  const part = { from: at(within[0]), to: at(within[1]), name };
  if (distance(part.from, part.to) <= 4 * tolerance) return [];
  const half = { x: (part.from.x + part.to.x) / 2, y: (part.from.y + part.to.y) / 2 };
  const border = outline.some((p, k) =>
    onStretch(half, { from: p, to: outline[(k + 1) % outline.length] }, 2 * tolerance),
  );
  return border ? [] : [part];
}

/** An outline without the vertices on its straight sides: rounding puts these a hair inside or outside. */
const cornersOf = (outline: readonly Point[], tolerance: number): readonly Point[] =>
  outline.filter((p, k) => {
    const [from, to] = [outline[(k + outline.length - 1) % outline.length], outline[(k + 1) % outline.length]];
    return !onStretch(p, { from, to }, tolerance);
  });

function partsOf(outline: readonly Point[], within: readonly Stretch[]): CreasePattern {
  try {
    return createPattern(outline, within);
  } catch (error) {
    if (error instanceof RangeError) throw endsInside(outline);
    throw error;
  }
}

/** A loop that comes to a point twice has walked along a crease that ends nowhere; one that turns right is not convex. */
function refuseLoose(loop: readonly Point[]): void {
  const slack = -1e-9 * extentOf(loop) ** 2;
  loop.forEach((p, k) => {
    const [before, after] = [loop[(k + loop.length - 1) % loop.length], loop[(k + 1) % loop.length]];
    const twiceArea = (p.x - before.x) * (after.y - p.y) - (p.y - before.y) * (after.x - p.x);
    if (loop.indexOf(p) !== k || (turn(before, p, after) < 0 && twiceArea < slack)) throw endsInside(loop);
    if (before === after) throw endsInside(loop);
  });
}

function endsInside(outline: readonly Point[]): RangeError {
  const m = middle(outline);
  return new RangeError(
    `A crease ends inside the face round (${m.x.toFixed(3)}, ${m.y.toFixed(3)}), or leaves a face that is not convex.`,
  );
}

/** A chain of vertices with all of some others that lie between its members. */
function withVerticesBetween(
  chain: readonly number[],
  vertices: readonly Point[],
  others: readonly number[],
  tolerance: number,
  closed = true,
): number[] {
  return chain.flatMap((v, k) => {
    if (!closed && k === chain.length - 1) return [v];
    const w = chain[(k + 1) % chain.length];
    const side = { from: vertices[v], to: vertices[w] };
    const between: number[] = [];
    for (const u of others)
      if (!chain.includes(u) && !between.includes(u) && onStretch(vertices[u], side, tolerance)) between.push(u);
    between.sort((a, b) => distance(vertices[a], side.from) - distance(vertices[b], side.from));
    return [v, ...between];
  });
}
