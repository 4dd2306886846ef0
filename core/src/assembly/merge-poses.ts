import { noOrder } from '../folding/layer-order';
import type { Pose } from '../folding/pose';
import { type Root, rootsOf } from '../folding/roots';
import { compose, IDENTITY, type Transform } from '../folding/transform';
import type { Point } from '../measure/point';
import type { CreasePattern } from '../pattern/crease-pattern';

/** A pose and how it is moved to where it lies among others. */
export interface Laid {
  readonly pose: Pose;
  readonly motion: Transform;
}

/** Several poses as one: their sheets lie side by side, apart, in the sheet coordinates of the whole. */
export interface MergedPoses {
  /** Layers between the poses are not ordered yet. */
  readonly pose: Pose;
  /** Which of the poses each face comes from. */
  readonly of: readonly number[];
  /** By what each pose's sheet points are displaced in the whole, in mm. */
  readonly shifts: readonly Point[];
}

/** Between two sheets side by side, as a share of the larger one. */
const GAP = 0.1;

const displaced = (m: Transform, { x, y }: Point): Transform => compose(m, [...IDENTITY.slice(0, 9), -x, -y, 0]);

/**
 * Joins the patterns of several poses, each moved to where it lies. Tolerances of the whole are those of its largest sheet;
 * how well each sheet closes stays measured by its own.
 * @throws RangeError for no poses
 */
export function mergePoses(laid: readonly Laid[]): MergedPoses {
  if (!laid.length) throw new RangeError('There is nothing to put together.');
  const size = Math.max(...laid.map(({ pose }) => pose.pattern.size));
  const vertices: Point[] = [];
  const edges: CreasePattern['edges'][number][] = [];
  const faces: CreasePattern['faces'][number][] = [];
  const of: number[] = [];
  const placed: Transform[] = [];
  const angles: number[] = [];
  const sense: number[] = [];
  const roots: Root[] = [];
  const shifts: Point[] = [];
  const begins: number[] = [];
  let x = 0;
  laid.forEach(({ pose, motion }, k) => {
    const { pattern } = pose;
    const [firstVertex, firstEdge, firstFace] = [vertices.length, edges.length, faces.length];
    const xs = pattern.vertices.map((p) => p.x);
    const [left, right] = [Math.min(...xs), Math.max(...xs)];
    // The first keeps its coordinates: what is told of it need not be translated.
    const shift = { x: k ? x - left : 0, y: 0 };
    x = right + shift.x + GAP * size;
    shifts.push(shift);
    begins.push(firstFace);
    const beside = (face: number): number => (face < 0 ? face : face + firstFace);
    for (const p of pattern.vertices) vertices.push({ x: p.x + shift.x, y: p.y + shift.y });
    for (const { from, to, left: l, right: r, name } of pattern.edges)
      edges.push({ from: from + firstVertex, to: to + firstVertex, left: beside(l), right: beside(r), name });
    for (const face of pattern.faces) {
      faces.push({
        vertices: face.vertices.map((v) => v + firstVertex),
        edges: face.edges.map((e) => e + firstEdge),
      });
      of.push(k);
    }
    for (const m of pose.placed) placed.push(displaced(compose(motion, m), shift));
    angles.push(...pose.angles);
    sense.push(...pose.sense);
    for (const { face } of rootsOf(pose)) roots.push({ face: face + firstFace, frame: placed[face + firstFace] });
  });
  const order = noOrder(faces.length);
  laid.forEach(({ pose }, k) => {
    const n = pose.order.faces;
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++)
        order.side[(begins[k] + i) * order.faces + begins[k] + j] = pose.order.side[i * n + j];
  });
  const [{ face, frame }, ...others] = roots;
  return {
    pose: {
      ...{ pattern: { vertices, edges, faces, size }, angles, sense },
      ...{ pinned: face, frame, others, placed, order, marks: [] },
      residual: Math.max(...laid.map(({ pose }) => pose.residual)),
    },
    of,
    shifts,
  };
}
