import type { Point } from '../measure/point';
import type { CreasePattern } from '../pattern/crease-pattern';
import type { Split } from '../pattern/split-faces';
import type { Pose } from './pose';
import { type RecordedMove, rootOf } from './recording';

/** The sheet line on which an edge folds, in the direction of the edge: its way round decides which way it folds. */
export type Axis = readonly [Point, Point];

/** A vertex that a move makes on an edge, seen from a face beside it. */
interface OnEdge {
  readonly vertex: number;
  readonly edge: number;
  readonly face: number;
}

/** A vertex that a move makes inside a face. */
interface InFace {
  readonly vertex: number;
  readonly corners: readonly number[];
}

/** All about one recorded move that is the same for every hand that follows it, on whatever sheet. */
export interface EchoPlan {
  readonly onEdges: readonly OnEdge[];
  readonly inFaces: readonly InFace[];
  /** For each edge afterwards: the edge that it was a part of and whether it runs the other way; -1 for a new crease. */
  readonly edges: readonly { readonly from: number; readonly turned: boolean }[];
  /** Which face of the pattern before each face is a part of. */
  readonly faceFrom: (face: number) => number;
}

const plans = new WeakMap<RecordedMove, EchoPlan>();

/** The plan of a move, made once for all moves that follow it. */
export function planOf(move: RecordedMove, before: Pose): EchoPlan {
  const root = rootOf(move);
  const known = plans.get(root);
  if (known) return known;
  const { split } = move;
  const faceFrom = (face: number): number => (split ? split.faceFrom[face] : face);
  const plan = { ...(split ? refinement(split, before.pattern) : UNREFINED), faceFrom };
  plans.set(root, plan);
  return plan;
}

const UNREFINED = { onEdges: [], inFaces: [], edges: [] };

function refinement({ pattern, edgeFrom, faceFrom }: Split, old: CreasePattern): Omit<EchoPlan, 'faceFrom'> {
  const made = old.vertices.length;
  const found = new Map<number, OnEdge>();
  pattern.edges.forEach((edge, e) => {
    const from = edgeFrom[e];
    if (from < 0) return;
    for (const vertex of [edge.from, edge.to])
      if (vertex >= made && !found.has(vertex)) found.set(vertex, { vertex, edge: from, face: faceFrom[edge.left] });
  });
  const inFaces: InFace[] = [];
  for (let vertex = made; vertex < pattern.vertices.length; vertex++) {
    if (found.has(vertex)) continue;
    const face = pattern.faces.findIndex(({ vertices }) => vertices.includes(vertex));
    inFaces.push({ vertex, corners: old.faces[faceFrom[face]].vertices });
  }
  const edges = pattern.edges.map((edge, e) => {
    const from = edgeFrom[e];
    if (from < 0) return { from, turned: false };
    const before = old.edges[from];
    const [p, q] = [old.vertices[before.from], old.vertices[before.to]];
    const [r, s] = [pattern.vertices[edge.from], pattern.vertices[edge.to]];
    return { from, turned: (q.x - p.x) * (s.x - r.x) + (q.y - p.y) * (s.y - r.y) < 0 };
  });
  return { onEdges: [...found.values()], inFaces, edges };
}
