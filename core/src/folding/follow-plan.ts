import { crossing, distance, lineThrough, type Point, sideOf } from '../measure/point';
import { contains } from '../pattern/convex';
import { type CreasePattern, faceOutline, isBorder } from '../pattern/crease-pattern';
import { onStretch } from '../pattern/crease-stretches';
import { planOf } from './echo-plan';
import { faceAt, type Pose } from './pose';
import type { RecordedMove, ToldStretch } from './recording';
import { apply } from './transform';

/** Points closer than this share of the sheet are one point when a recording is read. */
const ONE = 1e-6;
/** What arithmetic leaves between a point and itself, as a share of the sheet. */
const EXACTLY = 1e-11;

type Placing = (stretches: readonly ToldStretch[], vertices: readonly Point[]) => Point;

/** How the vertices and angles of a recorded move follow from the stretches that it is told; made once for each move. */
export interface FollowPlan {
  /** Vertices that it makes, each from stretches and from vertices before it. */
  readonly made: readonly { readonly vertex: number; readonly at: Placing }[];
  /** For each edge afterwards the last stretch that it lies on, or -1. */
  readonly stretchOf: Int16Array;
  /** For each stretch the vertices at its two ends; -1 for an end beyond the sheet. */
  readonly ends: readonly (readonly [number, number])[];
  /** For each stretch the vertices of the edges on it. */
  readonly chains: readonly (readonly number[])[];
  /** Corners of faces, as three vertices each and whether they turn left (1) or go straight on (0). */
  readonly turns: Int32Array;
  /** Faces of the points that the move names: of layers known, and of landings. */
  readonly known: readonly (readonly [number, number])[];
  readonly lands: readonly number[];
}

const EMPTY: FollowPlan = {
  made: [],
  stretchOf: new Int16Array(0),
  ends: [],
  chains: [],
  turns: new Int32Array(0),
  known: [],
  lands: [],
};

const plans = new WeakMap<RecordedMove, FollowPlan>();

/** The plan of a move of a recording that was folded, not followed. */
export function followPlanOf(root: RecordedMove, before: Pose): FollowPlan {
  const known = plans.get(root);
  if (known) return known;
  const { act } = root;
  const plan =
    act.kind === 'stretches'
      ? planOfStretches(root, act, before)
      : act.kind === 'slit'
        ? { ...EMPTY, made: parted(root, before) }
        : EMPTY;
  plans.set(root, plan);
  return plan;
}

function planOfStretches(
  root: RecordedMove,
  { stretches, known = [], lands = [] }: Extract<RecordedMove['act'], { kind: 'stretches' }>,
  before: Pose,
): FollowPlan {
  const { pattern } = root.pose;
  const near = ONE * pattern.size;
  const vertexAt = (p: Point): number => pattern.vertices.findIndex((q) => distance(p, q) <= near);
  const chains = stretches.map((stretch) =>
    pattern.edges.flatMap((edge) =>
      !isBorder(edge) && [edge.from, edge.to].every((v) => onStretch(pattern.vertices[v], stretch, near))
        ? [edge.from, edge.to]
        : [],
    ),
  );
  const stretchOf = new Int16Array(pattern.edges.length).fill(-1);
  stretches.forEach((stretch, k) =>
    pattern.edges.forEach((edge, e) => {
      if (!isBorder(edge) && [edge.from, edge.to].every((v) => onStretch(pattern.vertices[v], stretch, near)))
        stretchOf[e] = k;
    }),
  );
  return {
    made: root.split ? madeVertices(root, stretches, before, near) : [],
    stretchOf,
    ends: stretches.map(({ from, to }) => [vertexAt(from), vertexAt(to)] as const),
    chains,
    turns: root.split ? turnsOf(pattern) : new Int32Array(0),
    known: known.map(({ point, other }) => [faceAt(pattern, point), faceAt(pattern, other)] as const),
    lands: lands.map(({ point }) => faceAt(pattern, point)),
  };
}

/** Along a slit each vertex that is parted lies where it lay before. */
function parted(root: RecordedMove, { pattern: old }: Pose): FollowPlan['made'] {
  const { vertices } = root.pose.pattern;
  return vertices.slice(old.vertices.length).map((p, k) => {
    const same = old.vertices.findIndex((q) => q.x === p.x && q.y === p.y);
    return { vertex: old.vertices.length + k, at: (_told, own) => own[same] };
  });
}

/** Where each new vertex comes from: the end of a stretch, or where one crosses an edge that was there, or another stretch. */
function madeVertices(
  root: RecordedMove,
  stretches: readonly ToldStretch[],
  before: Pose,
  near: number,
): FollowPlan['made'] {
  const { pattern } = root.pose;
  const exactly = EXACTLY * pattern.size;
  const old = before.pattern;
  const onEdge = new Map(planOf(root, before).onEdges.map(({ vertex, edge }) => [vertex, old.edges[edge]] as const));
  const made: { vertex: number; at: Placing }[] = [];
  for (let vertex = old.vertices.length; vertex < pattern.vertices.length; vertex++) {
    const p = pattern.vertices[vertex];
    // Ends that were clipped to a layer fall a little short of its edge: those are found by crossing it.
    const ending = stretches.findIndex(({ from, to }) => distance(from, p) <= exactly || distance(to, p) <= exactly);
    if (ending >= 0) {
      const end = distance(stretches[ending].from, p) <= exactly ? 'from' : 'to';
      made.push({ vertex, at: (told) => told[ending][end] });
      continue;
    }
    const through = stretches.flatMap((stretch, k) => (onStretch(p, stretch, near) ? [k] : []));
    const lineOf = (told: readonly ToldStretch[], k: number) => lineThrough(told[k].from, told[k].to);
    const parallel = (k: number, along: Point): boolean => {
      const { along: own } = lineOf(stretches, k);
      return Math.abs(own.x * along.y - own.y * along.x) < ONE;
    };
    const edge = onEdge.get(vertex);
    const across =
      edge && through.find((k) => !parallel(k, lineThrough(old.vertices[edge.from], old.vertices[edge.to]).along));
    if (edge && across !== undefined) {
      made.push({
        vertex,
        at: (told, vertices) =>
          crossing(lineOf(told, across), lineThrough(vertices[edge.from], vertices[edge.to])) ?? told[across].from,
      });
      continue;
    }
    const [first] = through;
    const second = through.find((k) => !parallel(k, lineOf(stretches, first).along));
    if (second !== undefined)
      made.push({ vertex, at: (told) => crossing(lineOf(told, first), lineOf(told, second)) ?? told[first].from });
  }
  return made;
}

/** How far the third of three points lies to the left of the line from the first to the second. */
function leftBy(a: Point, b: Point, c: Point): number {
  return ((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)) / distance(a, b);
}

function turnsOf({ faces, vertices, size }: CreasePattern): Int32Array {
  return Int32Array.from(
    faces.flatMap(({ vertices: loop }) =>
      loop.flatMap((b, k) => {
        const [a, c] = [loop[(k + loop.length - 1) % loop.length], loop[(k + 1) % loop.length]];
        return [a, b, c, leftBy(vertices[a], vertices[b], vertices[c]) > ONE * size ? 1 : 0];
      }),
    ),
  );
}

/** Whether all corners turn as they did. */
export function meetTurns({ turns }: FollowPlan, vertices: readonly Point[], size: number): boolean {
  for (let k = 0; k < turns.length; k += 4) {
    const left = leftBy(vertices[turns[k]], vertices[turns[k + 1]], vertices[turns[k + 2]]);
    if (turns[k + 3] ? !(left > ONE * size) : !(Math.abs(left) <= ONE * size)) return false;
  }
  return true;
}

/** Whether stretches end at the vertices, and run along the creases, at which they ended and along which they ran. */
export function meetStretches(
  { ends, chains }: FollowPlan,
  stretches: readonly ToldStretch[],
  pattern: CreasePattern,
): boolean {
  const near = ONE * pattern.size;
  return stretches.every((stretch, k) => {
    const met = ([stretch.from, stretch.to] as const).every((end, i) =>
      ends[k][i] >= 0
        ? distance(end, pattern.vertices[ends[k][i]]) <= near
        : !pattern.faces.some((_, f) => contains(faceOutline(pattern, f), end, 0)),
    );
    return met && chains[k].every((v) => onStretch(pattern.vertices[v], stretch, near));
  });
}

const sides = new WeakMap<RecordedMove, Int8Array>();

/** For every corner of every face before a move along a line: left of it (1), right (-1), or on it. */
export function sidesOf(root: RecordedMove, { pattern, placed }: Pose): Int8Array {
  const known = sides.get(root);
  if (known) return known;
  if (root.act.kind !== 'along') throw new RangeError('Only a move along a line has sides.');
  const { line } = root.act;
  const tolerance = ONE * pattern.size;
  const found = Int8Array.from(
    pattern.faces.flatMap(({ vertices }, f) =>
      vertices.map((v) => {
        const off = sideOf(line, apply(placed[f], pattern.vertices[v]));
        return off > tolerance ? 1 : off < -tolerance ? -1 : 0;
      }),
    ),
  );
  sides.set(root, found);
  return found;
}
