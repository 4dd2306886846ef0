import { seededRandom } from '../../measure/seeded-random';
import type { Point3 } from '../../measure/vector3';
import { foldAngle } from './fold-angle';
import { closeOrder, EnvelopeMatrix } from './envelope-matrix';
import { type Minimum, minimising, type MinimiseProgress } from './minimise';
import { meshEdges, type SoftMesh } from './soft-mesh';

/** A fold wanted at the edge between two corners. */
export interface FoldTarget {
  readonly a: number;
  readonly b: number;
  /** Rest angle: + valley, 0 flat, up to ±180. */
  readonly angleDeg: number;
  /** Moment per radian, in N·mm. */
  readonly stiffness: number;
}

/** A corner that is held: where it starts, or at a place. Axes not named are free. */
export interface Pin {
  readonly vertex: number;
  readonly at?: Point3;
  readonly axes?: readonly ('x' | 'y' | 'z')[];
}

/** What acts on the paper. Forces in N, lengths in mm. */
export interface SoftTargets {
  readonly folds?: readonly FoldTarget[];
  readonly pins?: readonly Pin[];
  /** Pressure inside a closed mesh whose triangles run counter-clockwise seen from outside, in N/mm². */
  readonly pressure?: number;
  /** Weight of the paper: force per mm² of rest area. */
  readonly weight?: Point3;
  readonly loads?: readonly { readonly vertex: number; readonly force: Point3 }[];
}

export interface RelaxOptions {
  /** Resistance to stretching: force per mm of width at a strain of 1, in N/mm. */
  readonly stretch?: number;
  /** Whether paper gives way to pushing in wrinkles finer than the mesh: bars then only resist being pulled. */
  readonly wrinkles?: boolean;
  /** Bending stiffness of the paper between creases (plate stiffness), in N·mm. */
  readonly bend?: number;
  /** Largest force left unbalanced at a corner, in N. */
  readonly tolerance?: number;
  readonly mostSteps?: number;
}

/** How far it has come: steps made, and the largest force still unbalanced, in N. */
export interface RelaxProgress {
  readonly steps: number;
  readonly forceLeft: number;
}

/** Where the paper came to rest, and how well. */
export interface Relaxed {
  readonly vertices: readonly Point3[];
  readonly converged: boolean;
  readonly cancelled: boolean;
  readonly steps: number;
  /** Largest component of force left unbalanced, in N. */
  readonly residualForce: number;
  /** Largest change of an edge's length, as a share of it; with wrinkles, the largest growth. */
  readonly edgeStrain: number;
  /** Largest angle between triangles that no fold was asked for, in degrees. */
  readonly facetBendDeg: number;
}

/** Share of the longest edge that a corner moves in one step: further, and paper would jump into other creases. */
const LONGEST_STEP = 0.25;

const NUDGES = 4;
const NUDGE = 0.02;

const AXES = ['x', 'y', 'z'] as const;

/**
 * Brings soft paper to rest: edges are bars that resist stretching, edges between triangles hinges that turn towards their
 * angle (the target of a fold, else the angle at rest). The sum of their energies, of pressure × volume and of weights is
 * minimised; pinned coordinates stay. Of several ways to rest it finds one near the start: a seam that has to crimp must
 * start with a hint of it. Deterministic. Angles are taken the short way round: a fold beyond ±180° opens the
 * other way.
 *
 * A bar's stiffness is `stretch` times the area that it stands for over its length squared; a hinge between creases has
 * the discrete-shell stiffness 3 `bend` e² / A, with e the edge's length and A the area of both triangles.
 *
 * @throws RangeError for a mesh or a target that names what is not there
 */
export function relax(mesh: SoftMesh, targets: SoftTargets = {}, options: RelaxOptions = {}): Relaxed {
  const work = relaxing(mesh, targets, options);
  let state = work.next(false);
  while (!state.done) state = work.next(false);
  return state.value;
}

/** As {@link relax}, yielding after every step so that the caller can cancel by sending `true`: it then says where the paper is. */
export function* relaxing(
  mesh: SoftMesh,
  targets: SoftTargets = {},
  options: RelaxOptions = {},
): Generator<RelaxProgress, Relaxed, boolean> {
  const { stretch = 100, wrinkles = false, bend = 0, tolerance = 1e-6, mostSteps = 20_000 } = options;
  const n = mesh.rest.length;
  if (mesh.start.length !== n)
    throw new RangeError(`The mesh rests with ${n} corners and starts with ${mesh.start.length}.`);
  const { bars, hinges } = meshEdges(mesh);
  const rest = flatten(mesh.rest);
  const start = flatten(mesh.start);

  const areas = mesh.triangles.map(([a, b, c]) => triangleArea(rest, a, b, c));
  const areaOfEdge = new Map<number, number>();
  const key = (a: number, b: number): number => Math.min(a, b) * n + Math.max(a, b);
  mesh.triangles.forEach(([a, b, c], t) => {
    for (const [p, q] of [
      [a, b],
      [b, c],
      [c, a],
    ])
      areaOfEdge.set(key(p, q), (areaOfEdge.get(key(p, q)) ?? 0) + areas[t]);
  });
  const barLength = Float64Array.from(bars, ([a, b]) => gap(rest, a, b));
  const barStiffness = Float64Array.from(
    bars,
    ([a, b], k) => (stretch * areaOfEdge.get(key(a, b))!) / barLength[k] ** 2,
  );

  const wanted = new Map((targets.folds ?? []).map((fold) => [key(fold.a, fold.b), fold]));
  const scratch = new Float64Array(12);
  const hingeAngle = new Float64Array(hinges.length);
  const hingeStiffness = new Float64Array(hinges.length);
  const asked = hinges.map(({ a, b, left, right }, k) => {
    const fold = wanted.get(key(a, b));
    wanted.delete(key(a, b));
    hingeAngle[k] = fold ? (fold.angleDeg * Math.PI) / 180 : foldAngle(rest, a, b, left, right, scratch);
    hingeStiffness[k] = fold ? fold.stiffness : (3 * bend * gap(rest, a, b) ** 2) / areaOfEdge.get(key(a, b))!;
    return fold !== undefined;
  });
  for (const { a, b } of wanted.values()) throw new RangeError(`There is no fold between the corners ${a} and ${b}.`);

  const held = new Uint8Array(3 * n);
  for (const { vertex, at, axes = AXES } of targets.pins ?? []) {
    if (!(vertex >= 0 && vertex < n)) throw new RangeError(`There is no corner ${vertex} to pin.`);
    for (const axis of axes) {
      held[3 * vertex + AXES.indexOf(axis)] = 1;
      if (at) start[3 * vertex + AXES.indexOf(axis)] = at[axis];
    }
  }
  const force = new Float64Array(3 * n);
  const { weight, pressure = 0 } = targets;
  if (weight)
    mesh.triangles.forEach((corners, t) => {
      for (const v of corners) AXES.forEach((axis, i) => (force[3 * v + i] += (weight[axis] * areas[t]) / 3));
    });
  for (const load of targets.loads ?? []) AXES.forEach((axis, i) => (force[3 * load.vertex + i] += load.force[axis]));

  const energy = (x: Float64Array, g: Float64Array): number => {
    g.fill(0);
    let sum = 0;
    for (let i = 0; i < x.length; i++) {
      sum -= force[i] * x[i];
      g[i] -= force[i];
    }
    for (let k = 0; k < bars.length; k++) {
      const [a, b] = [3 * bars[k][0], 3 * bars[k][1]];
      const dx = x[b] - x[a];
      const dy = x[b + 1] - x[a + 1];
      const dz = x[b + 2] - x[a + 2];
      const length = Math.sqrt(dx * dx + dy * dy + dz * dz);
      const over = length - barLength[k];
      if (over < 0 && wrinkles) continue;
      sum += 0.5 * barStiffness[k] * over * over;
      const pull = (barStiffness[k] * over) / length;
      g[a] -= pull * dx;
      g[a + 1] -= pull * dy;
      g[a + 2] -= pull * dz;
      g[b] += pull * dx;
      g[b + 1] += pull * dy;
      g[b + 2] += pull * dz;
    }
    for (let k = 0; k < hinges.length; k++) {
      if (hingeStiffness[k] === 0) continue;
      const { a, b, left, right } = hinges[k];
      let off = foldAngle(x, a, b, left, right, scratch) - hingeAngle[k];
      if (off > Math.PI) off -= 2 * Math.PI;
      else if (off < -Math.PI) off += 2 * Math.PI;
      sum += 0.5 * hingeStiffness[k] * off * off;
      const moment = hingeStiffness[k] * off;
      add(g, a, scratch, 0, moment);
      add(g, b, scratch, 3, moment);
      add(g, left, scratch, 6, moment);
      add(g, right, scratch, 9, moment);
    }
    if (pressure) for (const [a, b, c] of mesh.triangles) sum -= inflate(x, g, 3 * a, 3 * b, 3 * c, pressure / 6);
    for (let i = 0; i < held.length; i++) if (held[i]) g[i] = 0;
    return sum;
  };

  // Curvature with the parts left out that could be negative: bars along themselves and, under tension, across; hinges
  // along their gradients. Its factor turns the long soft waves of thin paper into short steps.
  const position = closeOrder(n, [...bars, ...hinges.map(({ left, right }) => [left, right] as const)]);
  const first = Int32Array.from({ length: 3 * n }, (_, i) => i);
  const reach = (corners: readonly number[]): void => {
    const lowest = 3 * Math.min(...corners.map((v) => position[v]));
    for (const v of corners)
      for (let i = 0; i < 3; i++) first[3 * position[v] + i] = Math.min(first[3 * position[v] + i], lowest);
  };
  bars.forEach(([a, b]) => reach([a, b]));
  hinges.forEach(({ a, b, left, right }, k) => hingeStiffness[k] && reach([a, b, left, right]));
  for (let v = 0; v < n; v++) reach([v]);
  const curvature = new EnvelopeMatrix(first);
  const put = new Float64Array(3 * n);
  const softest = 1e-9 * barStiffness.reduce((most, k) => Math.max(most, k), 0);
  const estimate = {
    at(x: Float64Array): void {
      curvature.clear();
      for (let k = 0; k < bars.length; k++) {
        const [a, b] = bars[k];
        const u = AXES.map((_, i) => x[3 * b + i] - x[3 * a + i]);
        const length = Math.hypot(...u);
        if (wrinkles && length < barLength[k]) continue;
        const across = Math.max(0, barStiffness[k] * (1 - barLength[k] / length));
        for (let i = 0; i < 3; i++)
          for (let j = 0; j <= i; j++) {
            const value = ((barStiffness[k] - across) * u[i] * u[j]) / (length * length) + (i === j ? across : 0);
            curvature.add(3 * position[a] + i, 3 * position[a] + j, value);
            curvature.add(3 * position[b] + i, 3 * position[b] + j, value);
            curvature.add(3 * position[a] + i, 3 * position[b] + j, -value);
            if (i !== j) curvature.add(3 * position[a] + j, 3 * position[b] + i, -value);
          }
      }
      for (let k = 0; k < hinges.length; k++) {
        if (hingeStiffness[k] === 0) continue;
        const { a, b, left, right } = hinges[k];
        foldAngle(x, a, b, left, right, scratch);
        const at = [a, b, left, right].flatMap((v) => [0, 1, 2].map((i) => 3 * position[v] + i));
        for (let i = 0; i < 12; i++)
          for (let j = 0; j <= i; j++) curvature.add(at[i], at[j], hingeStiffness[k] * scratch[i] * scratch[j]);
      }
      for (let v = 0; v < n; v++)
        for (let i = 0; i < 3; i++)
          curvature.add(3 * position[v] + i, 3 * position[v] + i, held[3 * v + i] ? 1e12 * (softest || 1) : softest);
      curvature.factor(softest || 1e-12);
    },
    apply(direction: Float64Array): void {
      for (let v = 0; v < n; v++) for (let i = 0; i < 3; i++) put[3 * position[v] + i] = direction[3 * v + i];
      curvature.solve(put);
      for (let v = 0; v < n; v++)
        for (let i = 0; i < 3; i++) direction[3 * v + i] = held[3 * v + i] ? 0 : put[3 * position[v] + i];
    },
  };

  const shortest = barLength.reduce((least, length) => Math.min(least, length), Infinity);
  const longest = barLength.reduce((most, length) => Math.max(most, length), 0);
  const random = seededRandom(1);
  let steps = 0;
  function* settle(from: Float64Array): Generator<RelaxProgress, Minimum, boolean> {
    const done = steps;
    const work: Generator<MinimiseProgress, Minimum, boolean> = minimising(energy, from, {
      tolerance,
      mostSteps: mostSteps - done,
      estimate,
      longest: LONGEST_STEP * longest,
    });
    let state = work.next(false);
    while (!state.done) state = work.next(yield { steps: done + state.value.steps, forceLeft: state.value.largest });
    steps += state.value.steps;
    return state.value;
  }
  // Paper pressed evenly can balance on a ridge. A nudge shows whether it stays, or slides into folds that lie lower.
  let rested = yield* settle(start);
  for (let round = 0; round < NUDGES && !rested.stopped && steps < mostSteps; round++) {
    const nudged = yield* settle(rested.x.map((v, i) => (held[i] ? v : v + NUDGE * shortest * (random() - 0.5))));
    const lower = rested.value - nudged.value > 1e-9 * Math.abs(rested.value);
    if (lower || nudged.stopped) rested = nudged;
    if (!lower) break;
  }
  const { x, largest, stopped } = rested;
  let edgeStrain = 0;
  bars.forEach(([a, b], k) => {
    const strain = gap(x, a, b) / barLength[k] - 1;
    edgeStrain = Math.max(edgeStrain, wrinkles ? strain : Math.abs(strain));
  });
  let facetBend = 0;
  hinges.forEach(({ a, b, left, right }, k) => {
    if (!asked[k]) facetBend = Math.max(facetBend, Math.abs(foldAngle(x, a, b, left, right, scratch) - hingeAngle[k]));
  });
  return {
    vertices: mesh.rest.map((_, v) => ({ x: x[3 * v], y: x[3 * v + 1], z: x[3 * v + 2] })),
    converged: largest <= tolerance,
    cancelled: stopped,
    steps,
    residualForce: largest,
    edgeStrain,
    facetBendDeg: (facetBend * 180) / Math.PI,
  };
}

function flatten(points: readonly Point3[]): Float64Array {
  return Float64Array.from(points.flatMap(({ x, y, z }) => [x, y, z]));
}

function gap(x: Float64Array, a: number, b: number): number {
  return Math.hypot(x[3 * b] - x[3 * a], x[3 * b + 1] - x[3 * a + 1], x[3 * b + 2] - x[3 * a + 2]);
}

function triangleArea(x: Float64Array, a: number, b: number, c: number): number {
  const [ux, uy, uz] = [0, 1, 2].map((i) => x[3 * b + i] - x[3 * a + i]);
  const [vx, vy, vz] = [0, 1, 2].map((i) => x[3 * c + i] - x[3 * a + i]);
  return Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2;
}

/** Adds the fold angle's gradient times a moment; the angle is minus the arc tangent that the gradient belongs to. */
function add(g: Float64Array, vertex: number, gradient: Float64Array, from: number, moment: number): void {
  for (let i = 0; i < 3; i++) g[3 * vertex + i] += moment * gradient[from + i];
}

/** Pressure's share of one triangle: its work, and the force on its corners. */
function inflate(x: Float64Array, g: Float64Array, a: number, b: number, c: number, p: number): number {
  const bxc = [
    x[b + 1] * x[c + 2] - x[b + 2] * x[c + 1],
    x[b + 2] * x[c] - x[b] * x[c + 2],
    x[b] * x[c + 1] - x[b + 1] * x[c],
  ];
  const cxa = [
    x[c + 1] * x[a + 2] - x[c + 2] * x[a + 1],
    x[c + 2] * x[a] - x[c] * x[a + 2],
    x[c] * x[a + 1] - x[c + 1] * x[a],
  ];
  const axb = [
    x[a + 1] * x[b + 2] - x[a + 2] * x[b + 1],
    x[a + 2] * x[b] - x[a] * x[b + 2],
    x[a] * x[b + 1] - x[a + 1] * x[b],
  ];
  for (let i = 0; i < 3; i++) {
    g[a + i] -= p * bxc[i];
    g[b + i] -= p * cxa[i];
    g[c + i] -= p * axb[i];
  }
  return p * (x[a] * bxc[0] + x[a + 1] * bxc[1] + x[a + 2] * bxc[2]);
}
