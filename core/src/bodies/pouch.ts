import { signedVolume } from '../folding/solid-measures';
import { type Pin, relaxing, type RelaxProgress, type SoftTargets } from '../folding/soft/relax';
import type { SoftMesh } from '../folding/soft/soft-mesh';
import type { Point3 } from '../measure/vector3';

/** A pouch of two sheets of one outline, joined at the sides and the bottom, in mm. */
export interface PouchOutline {
  readonly mouthMm: number;
  readonly bottomMm: number;
  readonly depthMm: number;
}

/** A pouch pressed open: its wall as triangles, counter-clockwise from outside, the rim level at z = 0. */
export interface OpenedPouch {
  readonly vertices: readonly Point3[];
  readonly triangles: readonly (readonly [number, number, number])[];
  /** Room below the rim, in mm³. */
  readonly volumeMm3: number;
  /** Largest stretch of an edge, as a share of it. */
  readonly strain: number;
  /** False when it was stopped on the way. */
  readonly rested: boolean;
}

/** Cells across half the mouth and down the depth. */
const ACROSS = 8;
const DOWN = 10;

/**
 * Presses a pouch open by an even pressure inside, its rim kept level: the most that such a pouch can hold if its paper
 * wrinkles freely and does not stretch. A quarter is worked out, the other three are its mirror images. The mesh stretches a
 * little: made smaller by its largest stretch no edge is longer than its paper. Against finer meshes it then holds about 1.5 %
 * too much. Stiff paper opens less: to the brim about three quarters of it.
 */
export function* openingPouch({
  mouthMm,
  bottomMm,
  depthMm,
}: PouchOutline): Generator<RelaxProgress, OpenedPouch, boolean> {
  const rest: Point3[] = [];
  const start: Point3[] = [];
  const pins: Pin[] = [];
  const vertex = (i: number, j: number): number => i * (DOWN + 1) + j;
  for (let i = 0; i <= ACROSS; i++)
    for (let j = 0; j <= DOWN; j++) {
      const [across, down] = [i / ACROSS, j / DOWN];
      const x = (across * (mouthMm + (bottomMm - mouthMm) * down)) / 2;
      const z = -depthMm * down;
      rest.push({ x, y: 0, z });
      start.push({ x: 0.86 * x, y: 0.22 * mouthMm * Math.cos((Math.PI / 2) * across) * (1 - down ** 2), z: 0.97 * z });
      const at = { x: 0, y: 0, z: 0 };
      const axes = (['x', 'y', 'z'] as const).filter(
        (axis) =>
          (axis === 'x' && i === 0) || (axis === 'y' && (i === ACROSS || j === DOWN)) || (axis === 'z' && j === 0),
      );
      if (axes.length) pins.push({ vertex: vertex(i, j), at, axes });
    }
  const triangles: [number, number, number][] = [];
  for (let i = 0; i < ACROSS; i++)
    for (let j = 0; j < DOWN; j++) {
      const [a, b, c, d] = [vertex(i, j), vertex(i, j + 1), vertex(i + 1, j + 1), vertex(i + 1, j)];
      triangles.push([a, c, b], [a, d, c]);
    }
  const mesh: SoftMesh = { rest, start, triangles };
  const pressure = 1e-3;
  const targets: SoftTargets = { pressure, pins };
  const result = yield* relaxing(mesh, targets, {
    // Stiff enough that nothing stretches by half a percent, soft enough in bending that only the outline counts.
    stretch: 200 * mouthMm * pressure,
    bend: 1e-5 * pressure * mouthMm ** 3,
    wrinkles: true,
    tolerance: 1e-3 * pressure * mouthMm ** 2,
    mostSteps: 3000,
  });
  return {
    ...mirrored(result.vertices, triangles),
    volumeMm3:
      (4 * signedVolume(triangles.map((corners) => corners.map((v) => result.vertices[v])))) /
      (1 + result.edgeStrain) ** 3,
    strain: result.edgeStrain,
    rested: !result.cancelled,
  };
}

/** A quarter and its three mirror images. */
function mirrored(
  quarter: readonly Point3[],
  triangles: readonly (readonly [number, number, number])[],
): Pick<OpenedPouch, 'vertices' | 'triangles'> {
  const signs = [
    [1, 1],
    [-1, 1],
    [1, -1],
    [-1, -1],
  ] as const;
  return {
    vertices: signs.flatMap(([sx, sy]) => quarter.map(({ x, y, z }) => ({ x: sx * x, y: sy * y, z }))),
    triangles: signs.flatMap(([sx, sy], k) =>
      triangles.map(([a, b, c]): [number, number, number] => {
        const [p, q, r] = [a, b, c].map((v) => v + k * quarter.length);
        return sx * sy > 0 ? [p, q, r] : [p, r, q];
      }),
    ),
  };
}

const known = new Map<string, OpenedPouch>();

/** The opened pouch at its size, worked out once for each shape of outline: all sizes of it are alike. */
export function* openPouch(outline: PouchOutline): Generator<RelaxProgress, OpenedPouch, boolean> {
  const { mouthMm, bottomMm, depthMm } = outline;
  const unit = 100;
  const key = [bottomMm / mouthMm, depthMm / mouthMm].map((share) => share.toFixed(6)).join(' ');
  let shape = known.get(key);
  if (!shape) {
    shape = yield* openingPouch({
      mouthMm: unit,
      bottomMm: (unit * bottomMm) / mouthMm,
      depthMm: (unit * depthMm) / mouthMm,
    });
    if (shape.rested) known.set(key, shape);
  }
  const scale = mouthMm / unit;
  return {
    ...shape,
    vertices: shape.vertices.map(({ x, y, z }) => ({ x: scale * x, y: scale * y, z: scale * z })),
    volumeMm3: shape.volumeMm3 * scale ** 3,
  };
}
