import { distance, type Line, lineThrough, type Point } from '../measure/point';
import { type CreasePattern, toleranceOf } from '../pattern/crease-pattern';
import type { Split } from '../pattern/split-faces';
import { faceAt, type Pose } from './pose';
import { aboutSheetLine, apply, compose, inverse, type Transform } from './transform';

/** One move of an exact hand: how it refined the pattern, and the pose that it reached. */
export interface RecordedMove {
  readonly split: Split | null;
  readonly pose: Pose;
}

/** What an exact hand did, to be done again by one that misses. */
export interface Recording {
  readonly start: Pose;
  readonly moves: readonly RecordedMove[];
}

/** The sheet line on which an edge folds. */
type Axis = readonly [Point, Point];

/**
 * The same folding with creases a little off. The pattern keeps its parts and its layers; each crease folds about its own
 * line, which lies a little beside the exact one, and each crossing of creases lies where these lines cross. Where creases
 * should meet in one point and do not, the paper under the fingers gives: faces hang together along the shortest way from
 * the face that stays, and what does not close is left to the last creases. Good as long as misses are small against faces.
 */
export class Echo {
  private step = 0;
  private exact: Pose;
  private vertices: Point[];
  private axes: (Axis | null)[];
  private placed: readonly Transform[];

  constructor(private readonly recording: Recording) {
    this.exact = recording.start;
    this.vertices = [...this.exact.pattern.vertices];
    this.axes = this.exact.pattern.edges.map(() => null);
    this.placed = this.exact.placed;
  }

  /** The pose now: the exact one's parts in the places where this hand has brought them. */
  get pose(): Pose {
    const { pattern: exact } = this.exact;
    const pattern: CreasePattern = { ...exact, vertices: this.vertices, meant: exact.vertices };
    return { ...this.exact, pattern, placed: this.placed, frame: this.placed[this.exact.pinned] };
  }

  /** The pose that the exact hand had here. */
  get followed(): Pose {
    return this.exact;
  }

  /** Where a sheet point lies on the table; a vertex of the exact pattern stands for the vertex that it has become. */
  at(p: Point): Point {
    const { face, vertex } = lookedUp(this.exact, p);
    return apply(this.placed[face], vertex < 0 ? p : this.vertices[vertex]);
  }

  /** The table line on which the longest piece of a named crease folds, or null when no crease is called so. */
  crease(name: string): Line | null {
    const { pattern } = this.exact;
    let longest = -1;
    let found: Line | null = null;
    pattern.edges.forEach((edge, e) => {
      if (edge.name !== name) return;
      const length = distance(pattern.vertices[edge.from], pattern.vertices[edge.to]);
      if (length <= longest) return;
      longest = length;
      const [p, q] = (this.axes[e] ?? [this.vertices[edge.from], this.vertices[edge.to]]).map((at) =>
        apply(this.placed[edge.left], at),
      );
      found = lineThrough(p, q);
    });
    return found;
  }

  /**
   * Makes the next recorded move.
   * @param line the table line along which this hand creases, for moves that have one
   */
  next(line: Line | null): void {
    const move = this.recording.moves[this.step++];
    if (!move) throw new RangeError('The sequence has more moves than the one that was recorded.');
    const { split, pose } = move;
    if (split) this.follow(split, line);
    const oldOf = (face: number): number => (split ? split.faceFrom[face] : face);
    const { pinned } = pose;
    const moved = compose(pose.placed[pinned], inverse(this.exact.placed[oldOf(pinned)]));
    const frame = compose(moved, this.placed[oldOf(pinned)]);
    this.exact = pose;
    this.placed = this.place(frame);
  }

  private place(frame: Transform): Transform[] {
    const { pattern, angles, pinned } = this.exact;
    const placed: Transform[] = [];
    placed[pinned] = frame;
    const queue = [pinned];
    for (const face of queue)
      for (const e of pattern.faces[face].edges) {
        const { left, right } = pattern.edges[e];
        const other = left === face ? right : left;
        if (other < 0 || placed[other]) continue;
        queue.push(other);
        const axis = this.axes[e];
        if (!axis || angles[e] === 0) placed[other] = placed[face];
        else
          placed[other] = compose(
            placed[face],
            aboutSheetLine(axis[0], axis[1], left === face ? -angles[e] : angles[e]),
          );
      }
    return placed;
  }

  /** Gives the creases and vertices that a refinement adds their places. */
  private follow({ pattern, edgeFrom, faceFrom }: Split, line: Line | null): void {
    const old = this.exact.pattern;
    const places = [...this.vertices];
    const made = places.length;
    const found = new Set<number>();
    pattern.edges.forEach((edge, e) => {
      const from = edgeFrom[e];
      if (from < 0) return;
      for (const v of [edge.from, edge.to]) {
        if (v < made || found.has(v)) continue;
        found.add(v);
        const { from: a, to: b } = old.edges[from];
        const [p, q] = this.axes[from] ?? [this.vertices[a], this.vertices[b]];
        let t = distance(old.vertices[a], pattern.vertices[v]) / distance(old.vertices[a], old.vertices[b]);
        if (line) {
          const placed = this.placed[faceFrom[edge.left]];
          const [s, u] = [offLine(line, apply(placed, p)), offLine(line, apply(placed, q))];
          if (s !== u) t = s / (s - u);
        }
        places[v] = { x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) };
      }
    });
    // Points inside a face go along with its corners.
    for (let v = made; v < pattern.vertices.length; v++) {
      if (found.has(v)) continue;
      const face = pattern.faces.findIndex(({ vertices }) => vertices.includes(v));
      const corners = old.faces[faceFrom[face]].vertices;
      const drift = (axis: 'x' | 'y'): number =>
        corners.reduce((sum, u) => sum + this.vertices[u][axis] - old.vertices[u][axis], 0) / corners.length;
      const p = pattern.vertices[v];
      places[v] = { x: p.x + drift('x'), y: p.y + drift('y') };
    }
    this.axes = pattern.edges.map((edge, e) => {
      if (edge.right < 0) return null;
      const { from, to, left } = edge;
      if (edgeFrom[e] >= 0) {
        const axis = this.axes[edgeFrom[e]];
        // Kept in the direction of the edge: its way round decides which way it folds.
        return axis && along(axis, pattern.vertices[from], pattern.vertices[to]) ? axis : axis && [axis[1], axis[0]];
      }
      if (!line) return [places[from], places[to]];
      const back = inverse(this.placed[faceFrom[left]]);
      const onSheet = (t: number): Point =>
        apply(back, {
          x: line.at.x + t * line.along.x,
          y: line.at.y + t * line.along.y,
          z: this.placed[faceFrom[left]][11],
        });
      const [p, q] = [onSheet(0), onSheet(pattern.size)];
      return along([p, q], pattern.vertices[from], pattern.vertices[to]) ? [p, q] : [q, p];
    });
    this.vertices = places;
  }
}

interface Spot {
  readonly face: number;
  readonly vertex: number;
}

/** Each replay asks for the same sheet points at the same moves: they are looked up once. */
const spots = new WeakMap<Pose, Map<string, Spot>>();

/** The face that holds a sheet point, and the vertex that it is, or -1. */
function lookedUp(pose: Pose, p: Point): Spot {
  let known = spots.get(pose);
  if (!known) spots.set(pose, (known = new Map<string, Spot>()));
  const key = `${p.x},${p.y}`;
  let spot = known.get(key);
  if (!spot) {
    const { pattern } = pose;
    const near = 100 * toleranceOf(pattern);
    const vertex = pattern.vertices.findIndex((q) => Math.abs(q.x - p.x) <= near && Math.abs(q.y - p.y) <= near);
    known.set(key, (spot = { face: faceAt(pattern, p), vertex }));
  }
  return spot;
}

function offLine({ at, along: d }: Line, { x, y }: Point): number {
  return d.x * (y - at.y) - d.y * (x - at.x);
}

function along([p, q]: Axis, from: Point, to: Point): boolean {
  return (q.x - p.x) * (to.x - from.x) + (q.y - p.y) * (to.y - from.y) > 0;
}
