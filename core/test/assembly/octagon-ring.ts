import {
  type BodyRef,
  type CreaseAngle,
  type FaceRef,
  type Joint,
  type LayerRef,
  point,
  type Point,
  type Pose,
  type PutBody,
  squareSheet,
  startSheet,
  type Transform,
  turnOnTable,
} from '../../src/index';

/** Lengths on the sheet turned by an eighth, its half diagonal being 1: q, g, H, m and k are those that the unit is made of. */
const Q = 1 - Math.SQRT1_2;
const G = (Math.SQRT2 - 1) / 2;
export const H = Math.SQRT2 / 4;
const M = (3 - 2 * Math.SQRT2) / 2;
const K = Math.SQRT2 - 1;

/** A place on a turned sheet: u to the right, v away, from the middle. */
export const onSheet = (side: number, u: number, v: number): Point =>
  point(side * (0.5 + (u + v) / 2), side * (0.5 + (v - u) / 2));

type Row = readonly [u0: number, v0: number, u1: number, v1: number, angleDeg: number];

/** All creases of a unit of the base: a corner with half a wall to its left, the tab, and half a wall to its right, the slot. */
const CREASES: readonly Row[] = [
  [-0.5, 0.5, -0.5, -0.5, 180],
  [0.5, 0.5, 0.5, -0.5, 180],
  [0, 1, 0.5, -G, 180],
  [0.5, -G, Math.SQRT1_2, Q, -180],
  [-0.5, -H, 0.5, -H, 180],
  [0.5, -H, 1 - H, -H, -180],
  [-1 + H, -H, -0.5, -H, -180],
  [0, 0, 0, 1, 180],
  [0, 0, -Q, Math.SQRT1_2, -180],
  [0, -Math.SQRT1_2, 0, -1, -180],
  [0, -Math.SQRT1_2, -M, -(Math.SQRT2 - 0.5), 180],
  [-0.5, 0, K, 0, 90],
  [-1, 0, -0.5, 0, -90],
  [2 - Math.SQRT2, 0, 1, 0, -90],
  [K, 0, 0.5, M, -90],
  [0.5, M, 2 - Math.SQRT2, 0, 90],
  [-Q, -Math.SQRT1_2, Q, -Math.SQRT1_2, -90],
  [0, 0, 0, -H, 45],
  [0, -H, 0, -Math.SQRT1_2, -45],
];

/** A unit folded and standing, its right floor part lying where it lay on the sheet. */
export function octagonUnit(side: number): Pose {
  const hand = startSheet(squareSheet(side));
  const creases = CREASES.map(([u0, v0, u1, v1, angleDeg]): CreaseAngle => ({
    name: 'unit',
    from: onSheet(side, u0, v0),
    to: onSheet(side, u1, v1),
    angleDeg,
  }));
  // The pleat is folded through the bottom flap too: its tip lies inside.
  hand.collapse(creases, onSheet(side, 0.1, 0.3), [
    { point: onSheet(side, -0.04, 0.1), other: onSheet(side, -0.03, -0.9), lies: 'on its white side' },
  ]);
  return hand.pose;
}

/** From the sheet to the box, turned about its middle: one unit after another, to the right seen from inside. */
export function unitMotion(side: number, j: number): Transform {
  const c = Math.SQRT1_2;
  const half = side * c;
  const turned: Transform = [c, -c, 0, c, c, 0, 0, 0, 1, 0, -half, 0];
  const middle = { x: half / 4, y: (half * (1 + Math.SQRT2)) / 4 };
  return composed(turnOnTable(middle, 45 * j), turned);
}

const composed = (a: Transform, b: Transform): Transform => {
  const rows = [0, 1, 2].flatMap((r) =>
    [0, 1, 2].map((col) => a[3 * r] * b[col] + a[3 * r + 1] * b[3 + col] + a[3 * r + 2] * b[6 + col]),
  );
  const moved = [0, 1, 2].map((r) => a[3 * r] * b[9] + a[3 * r + 1] * b[10] + a[3 * r + 2] * b[11] + a[9 + r]);
  return [...rows, ...moved];
};

/** Parts of a unit, by a place on its sheet. */
export const PARTS = {
  right: [0.1, 0.3],
  pleat: [-0.1, 0.6],
  left: [-0.3, 0.3],
  tab: [-0.25, -0.1],
  slot: [0.1, -0.1],
  kite: [0.47, -0.05],
  bottomFlap: [0.1, -0.5],
} as const;

export type PartName = keyof typeof PARTS;

export const unitRef = (j: number): BodyRef => ({ entry: 'base', copy: j });

export function part(side: number, j: number, name: PartName): LayerRef {
  const [u, v] = PARTS[name];
  return { body: unitRef(j), at: onSheet(side, u, v) };
}

const white = (layer: LayerRef): FaceRef => ({ ...layer, side: 'white' });
const coloured = (layer: LayerRef): FaceRef => ({ ...layer, side: 'coloured' });

/**
 * How a unit holds the next one: its tab lies in the slot of the wall, its left floor part in the pleat, and the right floor
 * part of the one before in its own pleat.
 */
export function ringJoints(side: number, j: number, next: number): readonly Joint[] {
  const of = (name: PartName): LayerRef => part(side, j, name);
  const other = (name: PartName): LayerRef => part(side, next, name);
  return [
    { kind: 'slotted', tab: other('tab'), between: [coloured(of('kite')), white(of('bottomFlap'))] },
    { kind: 'slotted', tab: other('left'), between: [white(of('right')), white(of('pleat'))] },
    { kind: 'tucked-into', tab: of('right'), between: [coloured(other('left')), coloured(other('pleat'))] },
  ];
}

/** The long point of a unit lies outside the two units that come two and three before it. */
export function pointJoints(side: number, j: number, before: number): readonly Joint[] {
  return [{ kind: 'under', layer: part(side, j, 'pleat'), of: coloured(part(side, before, 'right')) }];
}

export function putUnit(side: number, unit: Pose, j: number): PutBody {
  return { ref: unitRef(j), pose: unit, motion: unitMotion(side, j) };
}

/** A floor part of a unit by a place on its sheet, and how far outside it lies in the ring: larger is further. */
export interface FloorPart {
  readonly at: readonly [number, number];
  readonly depth: number;
}

/** The order that was worked out by hand for the closed ring, for unit 0; each next unit lies 3 further outside. */
export const FLOOR = {
  right: { at: [0.1, 0.3], depth: 2 },
  cornerOnRight: { at: [0.8, 0.05], depth: 1.9 },
  kite: { at: [0.45, 0.3], depth: 1.7 },
  kiteCorner: { at: [0.6, 0.2], depth: 1.8 },
  tipOnRight: { at: [0.05, -0.8], depth: 0.5 },
  tipOnPleat: { at: [-0.03, -0.9], depth: 0.4 },
  pleat: { at: [-0.04, 0.5], depth: 0 },
  left: { at: [-0.3, 0.3], depth: -2 },
  cornerOnLeft: { at: [-0.6, 0.1], depth: -2.1 },
  tipOnLeft: { at: [-0.2, -0.75], depth: -2.2 },
} as const satisfies Readonly<Record<string, FloorPart>>;

/** The points of the star once they are wrapped round the fold of the unit before: behind both of its layers. */
export const WRAPPED = {
  pleatPoint: { at: [-0.03, 0.85], depth: -3.2 },
  kitePoint: { at: [0.09, 0.88], depth: -3.3 },
  rightPoint: { at: [0.02, 0.85], depth: -3.4 },
} as const satisfies Readonly<Record<string, FloorPart>>;

/** The creases that wrap the point of one unit inwards, all its three layers at once. */
export function pointCreases(side: number, j: number, at: (body: BodyRef, p: Point) => Point): readonly CreaseAngle[] {
  const crease = (u0: number, v0: number, u1: number, v1: number, angleDeg: number): CreaseAngle => ({
    name: 'point',
    from: at(unitRef(j), onSheet(side, u0, v0)),
    to: at(unitRef(j), onSheet(side, u1, v1)),
    angleDeg,
  });
  // In the kite the crease goes on as its mirror image in the kite's own fold, to the raw edge.
  const [du, dv] = [0.5, -1 - G];
  const along = (du + dv) / (du * du + dv * dv);
  const [eu, ev] = [2 * along * du - 1, 2 * along * dv - 1];
  const t = (1 - M - (1 - G)) / (eu + ev);
  return [
    crease(0, Math.SQRT1_2, -(2 - Math.SQRT2) / 4, (2 + Math.SQRT2) / 4, -180),
    crease(0, Math.SQRT1_2, M, 1 - G, 180),
    crease(M, 1 - G, M + t * eu, 1 - G + t * ev, -180),
  ];
}
