import { distance, type Line, lineThrough, type Point } from '../measure/point';
import type { CreasePattern } from '../pattern/crease-pattern';
import { type Axis, type EchoPlan, planOf } from './echo-plan';
import type { Pose } from './pose';
import { type AskedSpot, type Recording, rootOf } from './recording';
import { aboutSheetLine, apply, compose, inverse, type Transform } from './transform';

/**
 * The same folding with creases a little off. The pattern keeps its parts and its layers; each crease folds about its own
 * line, which lies a little beside the exact one, and each crossing of creases lies where these lines cross. Where creases
 * should meet in one point and do not, the paper under the fingers gives: faces hang together along the shortest way from
 * the face that stays, and what does not close is left to the last creases. Good as long as misses are small against faces.
 */
export class Echo {
  private step = 0;
  private exact: Pose;
  /** The pose whose structure the exact one has: the same for all sheets on which a recording is followed. */
  private structure: Pose;
  private vertices: Point[];
  private axes: (Axis | null)[];
  /** Faces placed so far at this moment: most moves ask for a few only. */
  private placed: (Transform | undefined)[];

  constructor(private readonly recording: Recording) {
    this.exact = this.structure = recording.start;
    this.vertices = [...this.exact.pattern.vertices];
    this.axes = this.exact.pattern.edges.map(() => null);
    this.placed = [...this.exact.placed];
  }

  /** The pose now: the exact one's parts in the places where this hand has brought them. */
  get pose(): Pose {
    const { pattern: exact } = this.exact;
    const pattern: CreasePattern = { ...exact, vertices: this.vertices, meant: exact.vertices };
    const placed = exact.faces.map((_, f) => this.place(f));
    return { ...this.exact, pattern, placed, frame: placed[this.exact.pinned] };
  }

  /** The pose that the exact hand had here. */
  get followed(): Pose {
    return this.exact;
  }

  /** The pose of the recording that was made first, where the followed one was taken over from another sheet. */
  get followedStructure(): Pose {
    return this.structure;
  }

  /** Where a sheet point lies on the table; a vertex of the exact pattern stands for the vertex that it has become. */
  at(p: Point, { face, vertex }: AskedSpot): Point {
    return apply(this.place(face), vertex < 0 ? p : this.vertices[vertex]);
  }

  /** Where a face lies, and its corners on the sheet. */
  face(face: number): { readonly placed: Transform; readonly outline: readonly Point[] } {
    const { vertices } = this.exact.pattern.faces[face];
    return { placed: this.place(face), outline: vertices.map((v) => this.vertices[v]) };
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
        apply(this.place(edge.left), at),
      );
      found = lineThrough(p, q);
    });
    return found;
  }

  /**
   * Makes the next recorded move.
   * @param line the table line along which this hand creases, for moves that have one
   * @throws RangeError when nothing more was recorded
   */
  next(line: Line | null): void {
    const move = this.recording.moves[this.step++];
    if (!move) throw new RangeError('The sequence has more moves than the one that was recorded.');
    const { split, pose } = move;
    const plan = planOf(move, this.exact);
    const { pinned } = pose;
    // Where it lies is found on the pattern as it is, before the creases of the finer one take their places.
    const moved = compose(pose.placed[pinned], inverse(this.exact.placed[plan.faceFrom(pinned)]));
    const frame = compose(moved, this.place(plan.faceFrom(pinned)));
    if (split) this.follow(plan, split.pattern, line);
    this.exact = pose;
    this.structure = rootOf(move).pose;
    this.placed = [];
    this.placed[pinned] = frame;
  }

  /** Where a face lies: along the shortest way from the face that stays. */
  private place(face: number): Transform {
    const known = this.placed[face];
    if (known) return known;
    const { pattern, angles } = this.exact;
    const { parent, through } = wayFromPinned(this.structure);
    const e = through[face];
    const before = this.place(parent[face]);
    const axis = this.axes[e];
    const placed =
      !axis || angles[e] === 0
        ? before
        : compose(
            before,
            aboutSheetLine(axis[0], axis[1], pattern.edges[e].left === parent[face] ? -angles[e] : angles[e]),
          );
    this.placed[face] = placed;
    return placed;
  }

  /** Gives the creases and vertices that a refinement adds their places. */
  private follow({ onEdges, inFaces, edges, faceFrom }: EchoPlan, pattern: CreasePattern, line: Line | null): void {
    const old = this.exact.pattern;
    const places = [...this.vertices];
    for (const { vertex, edge, face } of onEdges) {
      const { from, to } = old.edges[edge];
      const ends = [this.vertices[from], this.vertices[to]] as const;
      const [p, q] = (line && this.axes[edge]) ?? ends;
      let t = distance(old.vertices[from], pattern.vertices[vertex]) / distance(old.vertices[from], old.vertices[to]);
      if (line) {
        const placed = this.place(face);
        const [s, u] = [offLine(line, apply(placed, p)), offLine(line, apply(placed, q))];
        if (s !== u) t = s / (s - u);
      }
      places[vertex] = { x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) };
    }
    // Points inside a face go along with its corners.
    for (const { vertex, corners } of inFaces) {
      const at = pattern.vertices[vertex];
      const drift = (axis: 'x' | 'y'): number =>
        corners.reduce((sum, u) => sum + this.vertices[u][axis] - old.vertices[u][axis], 0) / corners.length;
      places[vertex] = { x: at.x + drift('x'), y: at.y + drift('y') };
    }
    const before = this.axes;
    this.axes = edges.map(({ from, turned }, e) => {
      if (from >= 0) {
        const axis = before[from];
        return axis && turned ? [axis[1], axis[0]] : axis;
      }
      const { from: a, to: b, left } = pattern.edges[e];
      if (!line) return [places[a], places[b]];
      const placed = this.place(faceFrom(left));
      const back = inverse(placed);
      const onSheet = (t: number): Point =>
        apply(back, { x: line.at.x + t * line.along.x, y: line.at.y + t * line.along.y, z: placed[11] });
      const [p, q] = [onSheet(0), onSheet(pattern.size)];
      const [r, s] = [pattern.vertices[a], pattern.vertices[b]];
      return (q.x - p.x) * (s.x - r.x) + (q.y - p.y) * (s.y - r.y) > 0 ? [p, q] : [q, p];
    });
    this.vertices = places;
  }
}

interface Way {
  /** For each face the face before it on the way from the pinned one, and the edge between them. */
  readonly parent: readonly number[];
  readonly through: readonly number[];
}

/** The ways are the same for all replays of a pose. */
const ways = new WeakMap<Pose, Way>();

function wayFromPinned(pose: Pose): Way {
  const known = ways.get(pose);
  if (known) return known;
  const { pattern, pinned } = pose;
  const parent = pattern.faces.map(() => -1);
  const through = pattern.faces.map(() => -1);
  const queue = [pinned];
  for (const face of queue)
    for (const e of pattern.faces[face].edges) {
      const { left, right } = pattern.edges[e];
      const other = left === face ? right : left;
      if (other < 0 || other === pinned || parent[other] >= 0) continue;
      parent[other] = face;
      through[other] = e;
      queue.push(other);
    }
  const way = { parent, through };
  ways.set(pose, way);
  return way;
}

function offLine({ at, along: d }: Line, { x, y }: Point): number {
  return d.x * (y - at.y) - d.y * (x - at.x);
}
