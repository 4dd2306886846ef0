import type { Point } from '../measure/point';
import type { AssignedPattern, Fold } from './assigned-pattern';
import { clipSegment } from './convex';
import { assemble, extentOf, RAW_EDGE, RELATIVE_TOLERANCE } from './crease-pattern';
import { convexOutline } from './outline';

/** A crease to be laid on a sheet, in sheet coordinates (mm). */
export interface CreaseLine {
  readonly from: Point;
  readonly to: Point;
  /** Default `either`. */
  readonly fold?: Fold;
  /** `ray` goes on beyond `to`, `line` both ways, to the raw edges; default `segment`. */
  readonly reach?: 'segment' | 'ray' | 'line';
  readonly name?: string;
}

interface Strip {
  readonly from: number;
  readonly to: number;
  readonly fold: Fold;
  readonly name: string;
  readonly on: { readonly t: number; readonly vertex: number }[];
}

/**
 * The planar pattern that creases make on a convex sheet: creases are cut at the raw edge and at each other, creases that
 * lie on one another become one, and points closer than the tolerance (1e-8 of the sheet's size) become one vertex.
 *
 * @throws RangeError for a sheet that is not convex; a crease without length, outside the sheet, or along a raw edge; two
 *   creases on one another of which one is a valley and the other a mountain; creases that touch no raw edge
 */
export function createPattern(outline: readonly Point[], creases: readonly CreaseLine[]): AssignedPattern {
  const ring = convexOutline(outline);
  const size = extentOf(ring);
  const tolerance = size * RELATIVE_TOLERANCE;
  const vertices: Point[] = [];
  const vertexAt = (p: Point): number => {
    const known = vertices.findIndex(
      (q) =>
        Math.abs(q.x - p.x) <= tolerance &&
        Math.abs(q.y - p.y) <= tolerance &&
        Math.hypot(q.x - p.x, q.y - p.y) <= tolerance,
    );
    return known >= 0 ? known : vertices.push(p) - 1;
  };
  const strip = (from: Point, to: Point, fold: Fold, name: string): Strip => ({
    from: vertexAt(from),
    to: vertexAt(to),
    fold,
    name,
    on: [],
  });

  const border = ring.map((p, k) => strip(p, ring[(k + 1) % ring.length], 'flat', RAW_EDGE));
  const strips = [...border];
  for (const crease of creases) {
    const [from, to] = onSheet(crease, ring, size, tolerance);
    const added = strip(from, to, crease.fold ?? 'either', crease.name ?? 'crease');
    if (added.from === added.to)
      throw new RangeError(`The crease at ${show(from)} is shorter than points can be told apart (${tolerance} mm).`);
    strips.push(added);
  }

  for (let i = border.length; i < strips.length; i++)
    for (let j = 0; j < i; j++) meet(strips[i], strips[j], vertices, vertexAt);
  for (const one of strips) gather(one, vertices, tolerance);

  const folds = new Map<number, Fold>();
  const names = new Map<number, string>();
  const key = (a: number, b: number): number => Math.min(a, b) * vertices.length + Math.max(a, b);
  strips.forEach((one, s) => {
    for (let k = 1; k < one.on.length; k++) {
      const [a, b] = [one.on[k - 1].vertex, one.on[k].vertex];
      const edge = key(a, b);
      const before = folds.get(edge);
      if (names.get(edge) === RAW_EDGE) {
        if (s >= border.length && one.fold !== 'flat')
          throw new RangeError(`The crease from ${show(vertices[a])} to ${show(vertices[b])} lies along a raw edge.`);
        continue;
      }
      folds.set(edge, before === undefined ? one.fold : agreed(before, one.fold, vertices[a], vertices[b]));
      if (before === undefined) names.set(edge, one.name);
    }
  });

  const loops = walkFaces(
    vertices,
    [...folds.keys()].map((edge) => [Math.floor(edge / vertices.length), edge % vertices.length] as const),
  );
  const euler = vertices.length - folds.size + loops.length;
  if (euler !== 1)
    throw new RangeError(
      `Some creases touch no raw edge, not even through other creases (${euler - 1} such groups); paper round them is no face.`,
    );
  const pattern = assemble(vertices, loops, (a, b) => names.get(key(a, b)) ?? RAW_EDGE, size);
  return { ...pattern, folds: pattern.edges.map(({ from, to }) => folds.get(key(from, to)) ?? 'flat') };
}

const show = (p: Point): string => `(${p.x}, ${p.y})`;

/** The part of a crease that lies on the sheet, reaching as far as asked. */
function onSheet(
  { from, to, reach = 'segment' }: CreaseLine,
  ring: readonly Point[],
  size: number,
  tolerance: number,
): readonly [Point, Point] {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (!(length > tolerance) || !Number.isFinite(length))
    throw new RangeError(`A crease needs two different points, not ${show(from)} and ${show(to)}.`);
  const far = (4 * size + Math.max(...ring.map((p) => Math.hypot(p.x - from.x, p.y - from.y)))) / length;
  const at = (t: number): Point => ({ x: from.x + t * (to.x - from.x), y: from.y + t * (to.y - from.y) });
  const [a, b] = [reach === 'line' ? at(-far) : from, reach === 'segment' ? to : at(1 + far)];
  // Exactly at the raw edge; within the tolerance only for a crease that runs along it.
  const within = clipSegment(a, b, ring, 0) ?? clipSegment(a, b, ring, tolerance);
  if (!within) throw new RangeError(`The crease from ${show(from)} to ${show(to)} lies outside the sheet.`);
  const part = (t: number, end: Point): Point =>
    t <= 0 || t >= 1 ? end : { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) };
  return [part(within[0], a), part(within[1], b)];
}

/** Makes the vertex where two strips cross; ends that touch and strips that overlap are found by {@link gather}. */
function meet(s: Strip, t: Strip, vertices: readonly Point[], vertexAt: (p: Point) => number): void {
  const [a, b, c, d] = [vertices[s.from], vertices[s.to], vertices[t.from], vertices[t.to]];
  const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, d.x - c.x, d.y - c.y];
  const sine = ux * vy - uy * vx;
  const scale = Math.hypot(ux, uy) * Math.hypot(vx, vy);
  // Lines closer to parallel than this meet, if at all, at ends.
  if (Math.abs(sine) <= 1e-12 * scale) return;
  const p = ((c.x - a.x) * vy - (c.y - a.y) * vx) / sine;
  const q = ((c.x - a.x) * uy - (c.y - a.y) * ux) / sine;
  if (p < 0 || p > 1 || q < 0 || q > 1) return;
  vertexAt({ x: a.x + p * ux, y: a.y + p * uy });
}

/** Finds all vertices that lie on a strip within the tolerance, in their order along it. */
function gather(strip: Strip, vertices: readonly Point[], tolerance: number): void {
  const [a, b] = [vertices[strip.from], vertices[strip.to]];
  const [ux, uy] = [b.x - a.x, b.y - a.y];
  const length = Math.hypot(ux, uy);
  vertices.forEach((p, vertex) => {
    const t = ((p.x - a.x) * ux + (p.y - a.y) * uy) / length;
    const off = Math.abs((p.x - a.x) * uy - (p.y - a.y) * ux) / length;
    if (off <= tolerance && t >= -tolerance && t <= length + tolerance) strip.on.push({ t, vertex });
  });
  strip.on.sort((one, other) => one.t - other.t);
}

/** What two creases on one another make together. */
function agreed(one: Fold, other: Fold, a: Point, b: Point): Fold {
  if (one === other || other === 'flat') return one;
  if (one === 'flat') return other;
  if (one === 'either') return other;
  if (other === 'either') return one;
  throw new RangeError(`The crease from ${show(a)} to ${show(b)} is given as valley and as mountain.`);
}

/** Loops round the faces, counter-clockwise, the outside left out. Each edge is walked once on either side. */
function walkFaces(vertices: readonly Point[], edges: readonly (readonly [number, number])[]): number[][] {
  const round: number[][] = vertices.map(() => []);
  for (const [a, b] of edges) {
    round[a].push(b);
    round[b].push(a);
  }
  round.forEach((others, v) => {
    const angle = (w: number): number => Math.atan2(vertices[w].y - vertices[v].y, vertices[w].x - vertices[v].x);
    others.sort((one, other) => angle(one) - angle(other));
  });
  const seen = new Set<number>();
  const key = (a: number, b: number): number => a * vertices.length + b;
  const loops: number[][] = [];
  for (const [a, b] of edges)
    for (const [from, to] of [
      [a, b],
      [b, a],
    ]) {
      if (seen.has(key(from, to))) continue;
      const loop: number[] = [];
      let [v, w] = [from, to];
      do {
        seen.add(key(v, w));
        loop.push(v);
        // The face on the left goes on along the edge next clockwise from where we came.
        const others = round[w];
        const next = others[(others.indexOf(v) + others.length - 1) % others.length];
        [v, w] = [w, next];
      } while (v !== from || w !== to);
      if (twiceArea(vertices, loop) > 0) loops.push(loop);
    }
  return loops;
}

function twiceArea(vertices: readonly Point[], loop: readonly number[]): number {
  return loop.reduce((sum, v, k) => {
    const [p, q] = [vertices[v], vertices[loop[(k + 1) % loop.length]]];
    return sum + p.x * q.y - q.x * p.y;
  }, 0);
}
