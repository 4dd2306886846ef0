import { FoldRefused } from '../folding/fold-refused';
import { type Hand, takeUp } from '../folding/hand';
import type { Lying } from '../folding/known-layers';
import { sideOfFace } from '../folding/layer-order';
import { outlineInFrameOf } from '../folding/overlaps';
import { faceAt, type Pose, whereIs } from '../folding/pose';
import { settle } from '../folding/settle';
import type { Transform } from '../folding/transform';
import type { Point } from '../measure/point';
import { distance3 } from '../measure/vector3';
import { contains } from '../pattern/convex';
import { toleranceOf } from '../pattern/crease-pattern';
import { type BodyRef, bodyKey, type FaceRef, type Joint, type LayerRef } from './joint';
import { mergePoses } from './merge-poses';

/** A folded body at the moment when it is put to others. */
export interface PutBody {
  readonly ref: BodyRef;
  readonly pose: Pose;
  /** From where it was folded to where it lies. */
  readonly motion: Transform;
}

/** By what each body's sheet points are displaced in the whole, by the body's key. */
type Shifts = ReadonlyMap<string, Point>;

/** Spots that joints bring together meet to this share of the largest sheet. */
const MEET = 1e-9;

/** Bodies that were put together before, moved as one. */
export interface PutTogether {
  readonly together: Together;
  readonly motion: Transform;
}

export type Put = PutBody | PutTogether;

/**
 * Bodies that lie together, as one pose: a valid folded state of all their paper, proved by the same rules as a folded sheet.
 * A value: putting it to others, or working on it, gives a new one.
 */
export class Together {
  private constructor(
    readonly pose: Pose,
    private readonly shifts: Shifts,
  ) {}

  /**
   * Lays bodies together; what lay together before keeps its order.
   * @param joints how they hold; those about layers decide which layer lies over which, all are proved
   * @throws FoldRefused when paper would go through paper, no layers lie as the joints say, or spots do not meet
   * @example Together.of([{ ref: base, pose, motion: IDENTITY }, { ref: lid, pose, motion: turnedOver }], [over])
   */
  static of(puts: readonly Put[], joints: readonly Joint[] = []): Together {
    const merged = mergePoses(
      puts.map((put) => ({ pose: 'together' in put ? put.together.pose : put.pose, motion: put.motion })),
    );
    const shifts = new Map(
      puts.flatMap((put, k) => {
        const { x, y } = merged.shifts[k];
        if (!('together' in put)) return [[bodyKey(put.ref), { x, y }] as const];
        return [...put.together.shifts].map(([key, own]) => [key, { x: own.x + x, y: own.y + y }] as const);
      }),
    );
    const { pattern } = merged.pose;
    for (const joint of joints) refuseApart(merged.pose, shifts, joint);
    const known = joints.flatMap(layersOf).map(({ layer, of }) => ({
      face: faceAt(pattern, sheetPoint(shifts, of)),
      other: faceAt(pattern, sheetPoint(shifts, layer)),
      lies: lyingOn(of),
    }));
    const pose = settle(merged.pose, { unbent: { pieces: merged.of, order: merged.pose.order }, known });
    const together = new Together({ ...pose, marks: [] }, shifts);
    together.prove(joints);
    return together;
  }

  /** The same after a hand has worked on all of it at once. */
  worked(work: (hand: Hand, at: (body: BodyRef, p: Point) => Point) => void): Together {
    const hand = takeUp(this.pose);
    work(hand, (body, p) => this.sheetPoint({ body, at: p }));
    return new Together(hand.pose, this.shifts);
  }

  /** A sheet point of a body in the sheet coordinates of the whole. */
  sheetPoint({ body, at }: LayerRef): Point {
    return sheetPoint(this.shifts, { body, at });
  }

  /** The face of the whole on which a layer's point lies. */
  faceOf(layer: LayerRef): number {
    return faceAt(this.pose.pattern, this.sheetPoint(layer));
  }

  /** @throws FoldRefused when a joint no longer holds */
  prove(joints: readonly Joint[]): void {
    for (const joint of joints) prove(this.pose, this.shifts, joint);
  }
}

function sheetPoint(shifts: Shifts, { body, at }: LayerRef): Point {
  const shift = shifts.get(bodyKey(body));
  if (!shift) throw new RangeError(`There is no ${body.entry}, number ${body.copy + 1}, among what lies together.`);
  return { x: at.x + shift.x, y: at.y + shift.y };
}

const lyingOn = ({ side }: FaceRef): Lying => (side === 'white' ? 'on its white side' : 'on its coloured side');

/** What a joint says about layers: one lies on a side of another. */
function layersOf(joint: Joint): readonly { readonly layer: LayerRef; readonly of: FaceRef }[] {
  switch (joint.kind) {
    case 'glued':
      return [
        { layer: joint.b, of: joint.a },
        { layer: joint.a, of: joint.b },
      ];
    case 'slotted':
    case 'tucked-into':
      return joint.between.map((of) => ({ layer: joint.tab, of }));
    case 'under':
      return [{ layer: joint.layer, of: joint.of }];
    default:
      return [];
  }
}

/** @throws FoldRefused when spots that a joint brings together lie apart */
function refuseApart(pose: Pose, shifts: Shifts, joint: Joint): void {
  if (joint.kind !== 'glued' && joint.kind !== 'beside') return;
  const [a, b] = [joint.a, joint.b].map((layer) => whereIs(pose, sheetPoint(shifts, layer)));
  const apartMm = distance3(a, b);
  if (apartMm > MEET * pose.pattern.size)
    throw new FoldRefused('does-not-close', `Spots that should meet are ${apartMm.toPrecision(3)} mm apart.`);
}

/** @throws FoldRefused when a joint does not hold */
function prove(pose: Pose, shifts: Shifts, joint: Joint): void {
  refuseApart(pose, shifts, joint);
  for (const { layer, of } of layersOf(joint)) {
    const [face, other] = [of, layer].map((ref) => faceAt(pose.pattern, sheetPoint(shifts, ref)));
    if (sideOfFace(pose.order, face, other) !== (of.side === 'white' ? 1 : -1))
      throw new FoldRefused('no-layer-order', 'A layer does not lie where its joint has it.', [face, other]);
  }
  if (joint.kind === 'glued') refuseBetween(pose, sheetPoint(shifts, joint.a), sheetPoint(shifts, joint.b));
  if ((joint.kind === 'over' || joint.kind === 'stands-in') && Math.min(joint.play.lengthMm, joint.play.widthMm) < 0)
    throw new FoldRefused('crosses', 'One piece is too small to take in the other with its paper.');
}

/** @throws FoldRefused when some layer lies between two that are glued, where the glue is */
function refuseBetween(pose: Pose, p: Point, q: Point): void {
  const { pattern, placed, order } = pose;
  const [a, b] = [faceAt(pattern, p), faceAt(pattern, q)];
  const side = sideOfFace(order, a, b);
  const back = sideOfFace(order, b, a);
  const between = pattern.faces.findIndex(
    (_, f) =>
      f !== a &&
      f !== b &&
      sideOfFace(order, a, f) === side &&
      sideOfFace(order, b, f) === back &&
      contains(outlineInFrameOf(pattern, placed, a, f), p, -10 * toleranceOf(pattern)),
  );
  if (between >= 0)
    throw new FoldRefused('trapped', 'Another layer lies between the two that are glued.', [a, between, b]);
}
