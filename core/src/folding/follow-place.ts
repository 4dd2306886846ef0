import type { Line, Point } from '../measure/point';
import { type CreasePattern, isBorder } from '../pattern/crease-pattern';
import { planOf } from './echo-plan';
import { CLOSURE } from './place';
import type { Pose } from './pose';
import { type RecordedMove, StructureDiffers } from './recording';
import { aboutSheetLine, compose, inverse, type Transform } from './transform';

/** Faces that keep together during a move, and the creases that work between them. */
interface Pieces {
  /** The piece of each face; that of the face that stays is 0, others follow in the order in which they are reached. */
  readonly piece: Int16Array;
  /** For each piece but the first: the edge over which it is reached, and from which face. */
  readonly reached: readonly { readonly edge: number; readonly from: number }[];
  /** Edges that end between pieces. */
  readonly working: readonly number[];
}

const known = new WeakMap<RecordedMove, Pieces>();

/** The pieces of a move that was folded, not followed; worked out once. */
function piecesOf(root: RecordedMove, before: Pose): Pieces {
  const found = known.get(root);
  if (found) return found;
  const { pattern, angles, pinned } = root.pose;
  const edgeFrom = root.split?.edgeFrom;
  const keeps = (e: number): boolean => {
    const from = edgeFrom ? edgeFrom[e] : e;
    return angles[e] === (from < 0 ? 0 : before.angles[from]);
  };
  const piece = new Int16Array(pattern.faces.length).fill(-1);
  const reached: { edge: number; from: number }[] = [];
  const flood = (start: number, k: number): void => {
    const queue = [start];
    piece[start] = k;
    for (const f of queue)
      for (const e of pattern.faces[f].edges) {
        const { left, right } = pattern.edges[e];
        const other = left === f ? right : left;
        if (other < 0 || piece[other] >= 0 || !keeps(e)) continue;
        piece[other] = k;
        queue.push(other);
      }
  };
  flood(pinned, 0);
  const order = [pinned];
  const seen = new Set(order);
  for (const f of order)
    for (const e of pattern.faces[f].edges) {
      const { left, right } = pattern.edges[e];
      const other = left === f ? right : left;
      if (other < 0) continue;
      if (piece[other] < 0) {
        reached.push({ edge: e, from: f });
        flood(other, reached.length);
      }
      if (!seen.has(other)) {
        seen.add(other);
        order.push(other);
      }
    }
  const working = pattern.edges.flatMap((edge, e) => (isBorder(edge) || keeps(e) ? [] : [e]));
  const pieces = { piece, reached, working };
  known.set(root, pieces);
  return pieces;
}

/** The motion over an edge from the face on one side of it to the other. */
function across(pattern: CreasePattern, e: number, from: number, angleDeg: number): Transform {
  const edge = pattern.edges[e];
  const [a, b] = edge.left === from ? [edge.from, edge.to] : [edge.to, edge.from];
  return aboutSheetLine(pattern.vertices[a], pattern.vertices[b], -angleDeg);
}

/**
 * Where all faces lie after a move of many creases: those that keep together move as one.
 * @throws StructureDiffers when the paper does not close
 */
export function placePieces(
  root: RecordedMove,
  structureBefore: Pose,
  before: Pose,
  pattern: CreasePattern,
  angles: readonly number[],
): readonly Transform[] {
  const { piece, reached, working } = piecesOf(root, structureBefore);
  const { faceFrom } = planOf(root, structureBefore);
  const lay = (f: number): Transform => before.placed[faceFrom(f)];
  const motions: (Transform | null)[] = [null];
  const placeOf = (f: number): Transform => {
    const motion = motions[piece[f]];
    return motion ? compose(motion, lay(f)) : lay(f);
  };
  for (const { edge, from } of reached) {
    const { left, right } = pattern.edges[edge];
    const to = left === from ? right : left;
    motions.push(compose(compose(placeOf(from), across(pattern, edge, from, angles[edge])), inverse(lay(to))));
  }
  const placed = pattern.faces.map((_, f) => placeOf(f));
  for (const e of working) {
    const { left, right, from, to } = pattern.edges[e];
    const expected = compose(placed[left], across(pattern, e, left, angles[e]));
    if (!agree(expected, placed[right], pattern.vertices[from], pattern.vertices[to], pattern.size))
      throw new StructureDiffers('The paper does not meet here.');
  }
  return placed;
}

/** Whether two motions turn alike and take both ends of an edge to the same places. */
function agree(m: Transform, n: Transform, p: Point, q: Point, size: number): boolean {
  for (let k = 0; k < 9; k++) if (Math.abs(m[k] - n[k]) > CLOSURE) return false;
  for (const { x, y } of [p, q])
    for (let r = 0; r < 3; r++) {
      const off = (m[3 * r] - n[3 * r]) * x + (m[3 * r + 1] - n[3 * r + 1]) * y + m[9 + r] - n[9 + r];
      if (Math.abs(off) > CLOSURE * size) return false;
    }
  return true;
}

const moving = new WeakMap<RecordedMove, readonly boolean[]>();

/** Which faces a fold along one line took over: those that lay elsewhere before. */
function movingIn(root: RecordedMove, before: Pose): readonly boolean[] {
  const found = moving.get(root);
  if (found) return found;
  const { faceFrom } = planOf(root, before);
  const { placed, pattern } = root.pose;
  const moves = placed.map((m, f) => {
    const lay = before.placed[faceFrom(f)];
    return m.some((v, k) => Math.abs(v - lay[k]) > (k < 9 ? 1e-6 : 1e-6 * pattern.size));
  });
  moving.set(root, moves);
  return moves;
}

/** Where all faces lie after a fold along a table line: what moves turns half round about it. */
export function placeFolded(
  root: RecordedMove,
  structureBefore: Pose,
  before: Pose,
  { at, along }: Line,
): readonly Transform[] {
  const moves = movingIn(root, structureBefore);
  const { faceFrom } = planOf(root, structureBefore);
  const { x: u, y: v } = along;
  const [xx, xy, yy] = [2 * u * u - 1, 2 * u * v, 2 * v * v - 1];
  const z = before.frame[11];
  const over: Transform = [
    xx,
    xy,
    0,
    xy,
    yy,
    0,
    0,
    0,
    -1,
    at.x - xx * at.x - xy * at.y,
    at.y - xy * at.x - yy * at.y,
    2 * z,
  ];
  return moves.map((turns, f) => {
    const lay = before.placed[faceFrom(f)];
    return turns ? compose(over, lay) : lay;
  });
}
