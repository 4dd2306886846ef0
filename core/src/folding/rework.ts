import { platesOf } from '../pattern/plates';
import type { Point } from '../measure/point';
import { creaseStretches, type Stretch } from '../pattern/crease-stretches';
import type { Split } from '../pattern/split-faces';
import { edgesOn } from './collapse';
import { FoldRefused } from './fold-refused';
import { type KnownLayers, knownFaces } from './known-layers';
import { faceAt, isFlat, type Pose } from './pose';
import { refine } from './refine';
import { heldBy } from './roots';
import { settle, type SettleOptions } from './settle';
import type { Point3 } from '../measure/vector3';
import { apply, compose, IDENTITY, type Transform } from './transform';

/**
 * A flat piece folded into another flat piece, told by what works and where it goes: these creases may open or close, these
 * points of the sheet land there on the table. Which of them do, and how the layers then lie, follows.
 */
export interface Rework {
  /** Creases that may open or close, in sheet coordinates; those not made yet are made. */
  readonly creases: readonly Stretch[];
  readonly lands: readonly { readonly point: Point; readonly at: Point }[];
  /** Of these creases, the ones that must lie open afterwards. */
  readonly opens?: readonly Pick<Stretch, 'from' | 'to'>[];
  /** Sheet point on the part that stays. */
  readonly stays: Point;
  readonly known?: readonly KnownLayers[];
}

export interface Reworked {
  readonly split: Split;
  readonly before: Pose;
  readonly pose: Pose;
}

/** Landings are met to this share of the sheet. */
const LANDED = 1e-6;
/** Arrangements looked at before giving up: far more than creases of one move can make. */
const MOST = 20_000;

/**
 * Finds the flat state in which only the given creases have opened or closed and the points have landed.
 * @throws FoldRefused when no such state exists, or its layers cannot be ordered
 */
export function rework(start: Pose, { creases, lands, opens = [], stays, known = [] }: Rework): Reworked {
  if (!isFlat(start)) throw new FoldRefused('ambiguous', 'This fold is made on the table, with the paper flat.');
  const split = creaseStretches(start.pattern, creases);
  const before = refine(start, split);
  const { pattern } = before;
  const working = new Set(creases.flatMap((stretch) => edgesOn(pattern, stretch)));
  const pinned = faceAt(pattern, stays);
  const opening = opens.flatMap((stretch) => edgesOn(pattern, stretch));
  const plates = platesOf(pattern, (e) => !working.has(e));
  let refused: FoldRefused | null = null;
  for (const motions of arrangements(before, working, plates, pinned)) {
    const motionOf = (face: number): Transform => motions[plates[face]];
    const landed = lands.every(({ point, at }) => {
      const face = faceAt(pattern, point);
      const p = apply(compose(motionOf(face), before.placed[face]), point);
      return Math.hypot(p.x - at.x, p.y - at.y) <= LANDED * pattern.size;
    });
    if (!landed) continue;
    const eitherWay = new Set<number>();
    const angles = before.angles.map((angle, e) => {
      if (!working.has(e)) return angle;
      const { left, right } = pattern.edges[e];
      const facing = (f: number): number => Math.sign(compose(motionOf(f), before.placed[f])[8]);
      if (facing(left) === facing(right)) return 0;
      if (Math.abs(angle) === 180 && alike(motionOf(left), motionOf(right), pattern.size)) return angle;
      eitherWay.add(e);
      return 180;
    });
    if (opening.some((e) => angles[e] !== 0)) continue;
    const options: SettleOptions = {
      from: before,
      eitherWay,
      known: knownFaces(pattern, known),
    };
    try {
      const pose = settle({ ...before, angles, ...heldBy(before, pinned) }, options);
      return { split, before, pose };
    } catch (error) {
      if (!(error instanceof FoldRefused)) throw error;
      refused ??= error;
    }
  }
  if (refused) throw refused;
  throw new FoldRefused('does-not-close', 'With those creases alone the paper cannot come to lie there.');
}

/** All ways to turn plates over along working creases so that the paper still hangs together; least change first. */
function* arrangements(
  pose: Pose,
  working: ReadonlySet<number>,
  plates: readonly number[],
  pinned: number,
): Generator<readonly Transform[]> {
  const { pattern } = pose;
  const hinges = [...working].flatMap((e) => {
    const { left, right, from, to } = pattern.edges[e];
    if (plates[left] === plates[right]) return [];
    const [a, b] = [from, to].map((v) => apply(pose.placed[left], pattern.vertices[v]));
    return [{ plates: [plates[left], plates[right]] as const, a, b, over: halfTurn(a, b) }];
  });
  // Plates in the order in which they hang on each other, from the one that stays.
  const order = [plates[pinned]];
  for (const plate of order)
    for (const { plates: pair } of hinges)
      if (pair.includes(plate)) for (const other of pair) if (!order.includes(other)) order.push(other);
  const motions: (Transform | undefined)[] = [];
  motions[plates[pinned]] = IDENTITY;
  let looked = 0;
  function* next(k: number): Generator<readonly Transform[]> {
    if (k === order.length) {
      yield motions as Transform[];
      return;
    }
    const plate = order[k];
    const own = hinges.filter(
      ({ plates: [p, q] }) => (p === plate && motions[q] !== undefined) || (q === plate && motions[p] !== undefined),
    );
    const [first] = own;
    const beside = motions[first.plates[0] === plate ? first.plates[1] : first.plates[0]]!;
    for (const motion of [beside, compose(beside, first.over)]) {
      if (++looked > MOST) return;
      const holds = own.every(({ plates: [p, q], a, b }) => {
        const other = motions[p === plate ? q : p]!;
        return [a, b].every((at) => close(apply(motion, at), apply(other, at), pattern.size));
      });
      if (!holds) continue;
      motions[plate] = motion;
      yield* next(k + 1);
    }
    motions[plate] = undefined;
  }
  yield* next(1);
}

/** Half a turn about a line on the table. */
function halfTurn(a: Point3, b: Point3): Transform {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  const [ux, uy] = [(b.x - a.x) / length, (b.y - a.y) / length];
  const r = [2 * ux * ux - 1, 2 * ux * uy, 0, 2 * ux * uy, 2 * uy * uy - 1, 0, 0, 0, -1];
  return [...r, a.x - r[0] * a.x - r[1] * a.y, a.y - r[3] * a.x - r[4] * a.y, 2 * a.z];
}

const close = (p: Point3, q: Point3, size: number): boolean => Math.hypot(p.x - q.x, p.y - q.y) <= 1e-7 * size;

function alike(a: Transform, b: Transform, size: number): boolean {
  return a.every((v, k) => Math.abs(v - b[k]) <= 1e-7 * (k < 9 ? 1 : size));
}
