import type { Point } from '../measure/point';
import { area, clipSegment, intersect } from '../pattern/convex';
import { type CreasePattern, faceOutline, isBorder, toleranceOf } from '../pattern/crease-pattern';
import { crossingTable } from './crossing-table';
import { type LayerOrder, sideOfFace } from './layer-order';
import { findOverlaps, OVERLAP_SHARE, type Overlap, type PlaneSorting, sortIntoPlanes } from './overlaps';
import { apart, boxOf } from './space-box';
import { cross, dot, minus, type Point3, scaledBy, unitOf } from '../measure/vector3';
import { apply, inverse, type Transform } from './transform';

/** What a rule between layers protects: used to say what is in the way. */
export type RuleKind = 'stack' | 'crossing';

/** Some signs of some pairs go together, others do not. */
export interface LayerRule {
  readonly kind: RuleKind;
  /** Pair indices; a rule reads the sign of pair `pairs[k]` times `flips[k]`. */
  readonly pairs: readonly number[];
  readonly flips: readonly number[];
  /** Allowed sign patterns, bit k set = positive. */
  readonly allowed: readonly number[];
  readonly faces: readonly number[];
}

/**
 * All that decides which layer orders a placed pattern can have. Sign of pair (i, j), i < j: +1 when j lies on the
 * white side of i.
 */
export interface LayerProblem {
  readonly pattern: CreasePattern;
  readonly pairs: readonly Overlap[];
  readonly pairOf: ReadonlyMap<number, number>;
  readonly rules: readonly LayerRule[];
  /** Faces that pass through each other whatever the order, if any. */
  readonly piercing: readonly (readonly number[])[];
}

const STACK_ALLOWED = [0, 1, 2, 3, 4, 5, 6, 7].filter((bits) => bits !== 0b011 && bits !== 0b100);

interface Strand {
  readonly a: Point3;
  readonly b: Point3;
  readonly faces: readonly [number, number];
  /** Directions into the two faces, perpendicular to the line. */
  readonly into: readonly [Point3, Point3];
}

const rotate = (m: Transform, x: number, y: number): Point3 => ({
  x: m[0] * x + m[1] * y,
  y: m[3] * x + m[4] * y,
  z: m[6] * x + m[7] * y,
});
const normalOf = (m: Transform): Point3 => ({ x: m[2], y: m[5], z: m[8] });

/** The rigid pieces of the move that led here, and their layer order before it. */
export interface Unbent {
  /** The piece that each face belongs to. */
  readonly pieces: readonly number[];
  readonly order: LayerOrder;
}

/** What is known of a placed pattern, and need not be found out. */
export interface KnownLies {
  /** `crossing` leaves out the rules for stacks of three, for orders that are known to obey them. */
  readonly kinds?: 'all' | 'crossing';
  /** Within one piece faces lie on each other as before, and obey the rules: those are left out. */
  readonly unbent?: Unbent;
}

/** Builds the rules for a placed pattern: layers that coincide, and lines where sheets could cross. */
export function layerProblem(
  pattern: CreasePattern,
  placed: readonly Transform[],
  { kinds = 'all', unbent }: KnownLies = {},
): LayerProblem {
  const n = pattern.faces.length;
  const sorted = sortIntoPlanes(pattern, placed);
  const pieces = unbent?.pieces;
  const lieOnEachOther = (i: number, j: number): boolean | undefined =>
    unbent && unbent.pieces[i] === unbent.pieces[j] ? sideOfFace(unbent.order, i, j) !== 0 : undefined;
  const pairs = findOverlaps(pattern, placed, lieOnEachOther, sorted);
  const pairOf = new Map(pairs.map((pair, k) => [pair.i * n + pair.j, k]));
  const rules: LayerRule[] = [];
  const piercing: number[][] = [];
  if (kinds === 'all') stackRules(pattern, sorted, pairs, pairOf, rules, pieces);

  const strands = creaseStrands(pattern, placed);
  const tolerance = 100 * toleranceOf(pattern);
  const boxes = strands.map((strand) => boxOf([strand.a, strand.b]));
  const hang = ({ faces: [a, b] }: Strand, c: number, d: number): boolean =>
    pieces !== undefined && pieces[a] === pieces[b] && pieces[a] === pieces[c] && pieces[a] === pieces[d];
  for (let e = 0; e < strands.length; e++)
    for (let f = e + 1; f < strands.length; f++)
      if (
        !hang(strands[e], ...strands[f].faces) &&
        !apart(boxes[e], boxes[f], tolerance) &&
        shareLine(strands[e], strands[f], tolerance)
      )
        crossingRule(strands[e], strands[f], placed, n, pairOf, rules, piercing);
  for (let face = 0; face < n; face++) {
    const back = inverse(placed[face]);
    const outline = faceOutline(pattern, face);
    const box = boxOf(outline.map((p) => apply(placed[face], p)));
    strands.forEach((strand, e) => {
      if (hang(strand, face, face) || apart(boxes[e], box, tolerance)) return;
      const through = strandInside(strand, face, back, outline, placed, tolerance);
      if (through) crossingRule(strand, through, placed, n, pairOf, rules, piercing);
    });
  }
  return { pattern, pairs, pairOf, rules, piercing };
}

type FlatBox = readonly [x0: number, x1: number, y0: number, y1: number];

function flatBox(polygon: readonly Point[]): FlatBox {
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { x, y } of polygon) {
    if (x < x0) x0 = x;
    if (x > x1) x1 = x;
    if (y < y0) y0 = y;
    if (y > y1) y1 = y;
  }
  return [x0, x1, y0, y1];
}

const boxesMeet = (a: FlatBox, b: FlatBox): boolean => a[0] < b[1] && b[0] < a[1] && a[2] < b[3] && b[2] < a[3];

/** Three layers over one spot cannot each lie above the next. */
function stackRules(
  pattern: CreasePattern,
  { outlines }: PlaneSorting,
  pairs: readonly Overlap[],
  pairOf: ReadonlyMap<number, number>,
  rules: LayerRule[],
  pieces?: readonly number[],
): void {
  const n = pattern.faces.length;
  const smallest = OVERLAP_SHARE * pattern.size * pattern.size;
  const over: number[][] = pattern.faces.map(() => []);
  for (const { i, j } of pairs) over[i].push(j);
  for (let i = 0; i < n; i++) {
    const shared: (readonly Point[] | undefined)[] = [];
    const boxes: (FlatBox | undefined)[] = [];
    const sharedWith = (p: number): readonly Point[] => (shared[p] ??= intersect(outlines[i], outlines[over[i][p]]));
    const boxWith = (p: number): FlatBox => (boxes[p] ??= flatBox(sharedWith(p)));
    for (let p = 0; p < over[i].length; p++)
      for (let q = p + 1; q < over[i].length; q++) {
        const j = over[i][p];
        const k = over[i][q];
        if (pieces && pieces[i] === pieces[j] && pieces[i] === pieces[k]) continue;
        if (!boxesMeet(boxWith(p), boxWith(q))) continue;
        const jk = pairOf.get(j * n + k);
        if (jk === undefined) continue;
        if (area(intersect(sharedWith(p), sharedWith(q))) <= smallest) continue;
        const ij = pairOf.get(i * n + j)!;
        // Signs as seen from i's white side: j over i, k over j, k over i; the cycles are (+,+,-) and (-,-,+).
        rules.push({
          kind: 'stack',
          pairs: [ij, jk, pairOf.get(i * n + k)!],
          flips: [1, pairs[ij].parallel, 1],
          allowed: STACK_ALLOWED,
          faces: [i, j, k],
        });
      }
  }
}

function creaseStrands(pattern: CreasePattern, placed: readonly Transform[]): Strand[] {
  return pattern.edges.flatMap((edge) => {
    if (isBorder(edge)) return [];
    const p = pattern.vertices[edge.from];
    const q = pattern.vertices[edge.to];
    const length = Math.hypot(q.x - p.x, q.y - p.y);
    const nx = -(q.y - p.y) / length;
    const ny = (q.x - p.x) / length;
    const left = placed[edge.left];
    return [
      {
        a: apply(left, p),
        b: apply(left, q),
        faces: [edge.left, edge.right] as const,
        into: [rotate(left, nx, ny), rotate(placed[edge.right], -nx, -ny)] as const,
      },
    ];
  });
}

/** Whether two strands run along a common stretch of line. */
function shareLine(s: Strand, t: Strand, tolerance: number): boolean {
  const along = minus(s.b, s.a);
  const length = Math.sqrt(dot(along, along));
  const d = scaledBy(along, 1 / length);
  const positions: number[] = [];
  for (const end of [t.a, t.b]) {
    const rel = minus(end, s.a);
    const at = dot(rel, d);
    const off = minus(rel, scaledBy(d, at));
    if (dot(off, off) > tolerance * tolerance) return false;
    positions.push(at);
  }
  return (
    Math.min(length, Math.max(positions[0], positions[1])) - Math.max(0, Math.min(positions[0], positions[1])) >
    tolerance
  );
}

/** The path of a face that holds part of a strand's line in its inside. */
function strandInside(
  strand: Strand,
  face: number,
  back: Transform,
  outline: readonly Point[],
  placed: readonly Transform[],
  tolerance: number,
): Strand | null {
  if (strand.faces[0] === face || strand.faces[1] === face) return null;
  const height = (p: Point3): number => back[6] * p.x + back[7] * p.y + back[8] * p.z + back[11];
  if (Math.abs(height(strand.a)) > tolerance || Math.abs(height(strand.b)) > tolerance) return null;
  const a = apply(back, strand.a);
  const b = apply(back, strand.b);
  const within = clipSegment(a, b, outline, -tolerance);
  if (!within || (within[1] - within[0]) * Math.hypot(b.x - a.x, b.y - a.y) <= tolerance) return null;
  const along = minus(strand.b, strand.a);
  const into = cross(normalOf(placed[face]), unitOf(along));
  return { a: strand.a, b: strand.b, faces: [face, face], into: [into, scaledBy(into, -1)] };
}

const SAME_DIRECTION = 1e-6;

/** How many distinct directions come before that of one end. */
function rank(angle: readonly number[], end: number): number {
  let before = 0;
  for (let k = 0; k < angle.length; k++) {
    if (angle[k] >= angle[end] - SAME_DIRECTION) continue;
    let first = true;
    for (let j = 0; j < k; j++) if (Math.abs(angle[j] - angle[k]) <= SAME_DIRECTION) first = false;
    if (first) before++;
  }
  return before;
}

function crossingRule(
  s: Strand,
  t: Strand,
  placed: readonly Transform[],
  n: number,
  pairOf: ReadonlyMap<number, number>,
  rules: LayerRule[],
  piercing: number[][],
): void {
  const faces = [...s.faces, ...t.faces];
  const into = [...s.into, ...t.into];
  const along = minus(s.b, s.a);
  const d = unitOf(along);
  const start = into[0];
  const turn = cross(d, start);
  const angle = into.map((u) => {
    const a = Math.atan2(dot(u, turn), dot(u, start));
    return a < -SAME_DIRECTION ? a + 2 * Math.PI : Math.abs(a) <= SAME_DIRECTION ? 0 : a;
  });
  const table = crossingTable([rank(angle, 0), rank(angle, 1), rank(angle, 2), rank(angle, 3)]);
  if (!table.ties.length) {
    if (!table.allowed.length) piercing.push(faces);
    return;
  }
  const indices: number[] = [];
  const flips: number[] = [];
  for (const [p, q] of table.ties) {
    const i = faces[p];
    const j = faces[q];
    const pair = pairOf.get(Math.min(i, j) * n + Math.max(i, j));
    if (pair === undefined) return;
    // “q further round than p” means q on the side of p that the turn direction points to.
    const low = Math.min(i, j);
    const lowTurn = dot(normalOf(placed[low]), cross(d, into[p])) > 0 ? 1 : -1;
    indices.push(pair);
    flips.push(low === i ? lowTurn : -lowTurn);
  }
  rules.push({ kind: 'crossing', pairs: indices, flips, allowed: table.allowed, faces });
}
