import { between, distance, type Line, lineThrough, type Point } from '../measure/point';
import { type CreasePattern, toleranceOf } from '../pattern/crease-pattern';
import { FoldRefused } from './fold-refused';
import { type LayerOrder } from './layer-order';
import type { Root } from './roots';
import type { Point3 } from '../measure/vector3';
import { apply, type Transform } from './transform';

/** How the paper lies at one moment. */
export interface Pose {
  readonly pattern: CreasePattern;
  /** Fold angle of each edge in degrees: + valley seen from the white side, 0 open, ±180 flat. */
  readonly angles: readonly number[];
  /** Which way each edge was last folded: + valley, - mountain, 0 never. A crease opened again keeps its sense. */
  readonly sense: readonly number[];
  /** The face that stays where `frame` puts it. */
  readonly pinned: number;
  readonly frame: Transform;
  /** Of several sheets that lie together: a face of each other one, and where it lies. */
  readonly others?: readonly Root[];
  /** Motion of each face from sheet to table. */
  readonly placed: readonly Transform[];
  /** Closure residual of the placement, see `place`. */
  readonly residual: number;
  readonly order: LayerOrder;
  /** Pinches and other marks made on the paper so far, in sheet coordinates. */
  readonly marks?: readonly Mark[];
}

/** A short crease that bounds no face: a pinch, or a crease along part of a line, opened again. */
export interface Mark {
  readonly name: string;
  readonly from: Point;
  readonly to: Point;
  /** +1 valley, -1 mountain, seen from the white side. */
  readonly sense: 1 | -1;
}

/** Whether a face shows its white side to the sky: 1 white up, -1 colour up, between for standing faces. */
export function whiteUp(pose: Pose, face: number): number {
  return pose.placed[face][8];
}

/** A face's corners in space, in sheet order. */
export function placedOutline(pose: Pose, face: number): Point3[] {
  return pose.pattern.faces[face].vertices.map((v) => apply(pose.placed[face], pose.pattern.vertices[v]));
}

/** Whether all paper lies flat on the table. */
export function isFlat(pose: Pose): boolean {
  return pose.placed.every((m) => Math.abs(Math.abs(m[8]) - 1) < 1e-9);
}

interface Spot {
  readonly face: number;
  /** The vertex that the point is, or -1. */
  readonly vertex: number;
}

/** Many replays ask for the same sheet points of the same meant pattern: they are looked up once. */
const spots = new WeakMap<readonly Point[], Map<string, Spot>>();

/** The face that holds a sheet point, and the vertex that the point is, or -1. */
export function spotAt(pattern: CreasePattern, p: Point): { readonly face: number; readonly vertex: number } {
  const near = 100 * toleranceOf(pattern);
  return { face: heldBy(pattern, p), vertex: vertexNear(pattern.vertices, p, near) };
}

function vertexNear(vertices: readonly Point[], { x, y }: Point, near: number): number {
  return vertices.findIndex((q) => Math.abs(q.x - x) <= near && Math.abs(q.y - y) <= near);
}

function heldBy(pattern: CreasePattern, p: Point): number {
  const tolerance = toleranceOf(pattern);
  const face = pattern.faces.findIndex((_, f) => faceHolds(pattern, f, p, tolerance));
  if (face < 0) throw new FoldRefused('unknown-mark', `(${p.x}, ${p.y}) is not on the sheet.`);
  return face;
}

/** Whether a face holds a sheet point; `contains` without an outline of its own, for it is asked for every point of a form. */
export function faceHolds(
  { faces, vertices }: CreasePattern,
  face: number,
  { x, y }: Point,
  tolerance: number,
): boolean {
  const loop = faces[face].vertices;
  for (let k = 0, j = loop.length - 1; k < loop.length; j = k++) {
    const [a, b] = [vertices[loop[j]], vertices[loop[k]]];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const length = Math.sqrt(dx * dx + dy * dy);
    if (length > 0 && dx * (y - a.y) - dy * (x - a.x) < -tolerance * length) return false;
  }
  return true;
}

/** Where a sheet point lies in a pattern that was meant to be a little different. */
function meantSpot(pattern: CreasePattern, meant: readonly Point[], p: Point): Spot {
  let known = spots.get(meant);
  if (!known) spots.set(meant, (known = new Map<string, Spot>()));
  const key = `${p.x},${p.y}`;
  let spot = known.get(key);
  if (!spot) {
    const near = 100 * toleranceOf(pattern);
    const vertex = vertexNear(meant, p, near);
    known.set(key, (spot = { face: heldBy({ ...pattern, vertices: meant, meant: undefined }, p), vertex }));
  }
  return spot;
}

/** A face that holds a sheet point; of a pattern folded a little off, the face that was meant to hold it. */
export function faceAt(pattern: CreasePattern, p: Point): number {
  return pattern.meant ? meantSpot(pattern, pattern.meant, p).face : heldBy(pattern, p);
}

/** Where a point of the sheet lies now. Where creases a little off should have crossed, it is where they do cross. */
export function whereIs(pose: Pose, p: Point): Point3 {
  const { pattern, placed } = pose;
  if (!pattern.meant) return apply(placed[heldBy(pattern, p)], p);
  const { face, vertex } = meantSpot(pattern, pattern.meant, p);
  return apply(placed[face], vertex < 0 ? p : pattern.vertices[vertex]);
}

/**
 * The table line on which all pieces of a named crease or mark lie.
 * @throws FoldRefused when there is no such crease or its pieces are scattered
 */
export function creaseOnTable(pose: Pose, name: string): Line {
  const marks = (pose.marks ?? [])
    .filter((mark) => mark.name === name)
    .flatMap(({ from, to }) => [from, to].map((p) => whereIs(pose, p)));
  const ends = pose.pattern.edges.flatMap((e) =>
    e.name === name
      ? [
          apply(pose.placed[e.left], pose.pattern.vertices[e.from]),
          apply(pose.placed[e.left], pose.pattern.vertices[e.to]),
        ]
      : [],
  );
  ends.push(...marks);
  if (ends.length < 2) throw new FoldRefused('unknown-mark', `No crease is called “${name}”.`);
  let [a, b]: [Point, Point] = [ends[0], ends[1]];
  for (const p of ends) for (const q of ends) if (distance(p, q) > distance(a, b)) [a, b] = [p, q];
  const line = lineThrough(a, b);
  const off = Math.max(...ends.map((p) => Math.abs(line.along.x * (p.y - a.y) - line.along.y * (p.x - a.x))));
  if (off > 1e-6 * pose.pattern.size)
    throw new FoldRefused('ambiguous', `The crease “${name}” lies in more than one place now.`);
  return line;
}

/** Middle of the paper's outline on the table. */
export function middleOfTable({ pattern, placed }: Pose): Point {
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  pattern.faces.forEach(({ vertices }, f) => {
    for (const v of vertices) {
      const { x, y } = apply(placed[f], pattern.vertices[v]);
      if (x < x0) x0 = x;
      if (x > x1) x1 = x;
      if (y < y0) y0 = y;
      if (y > y1) y1 = y;
    }
  });
  return between({ x: x0, y: y0 }, { x: x1, y: y1 });
}
