import type { Hand } from '../folding/hand';
import type { Pose } from '../folding/pose';
import { IDENTITY, type Transform } from '../folding/transform';
import type { Point } from '../measure/point';
import type { Point3 } from '../measure/vector3';
import { type BodyRef, bodyKey, type Joint } from './joint';
import { type Put, type PutBody, Together } from './together';

/** A soft piece as it stands when in use: its walls, triangles counter-clockwise from outside. */
export interface SoftShape {
  readonly vertices: readonly Point3[];
  readonly triangles: readonly (readonly [number, number, number])[];
}

/** A body in one state of an assembly: how its paper lies, and where. */
export interface Body {
  readonly ref: BodyRef;
  readonly shape: Pose | SoftShape;
  readonly motion: Transform;
}

export const isSoft = (shape: Pose | SoftShape): shape is SoftShape => 'triangles' in shape;

/** A state of all bodies: in use, closed, open for filling, flat for carrying. */
export type StateName = 'closed' | 'open' | 'flat';

/** What came of an earlier step, moved as one. */
export interface PutStep {
  readonly step: string;
  readonly motion: Transform;
}

/** One step of putting together: what is put to what, and what is then done with all of it. */
export interface AssemblyStep {
  readonly id: string;
  readonly title: string;
  readonly words: string;
  /** Bodies as they were folded, and what came of earlier steps. */
  readonly puts: readonly (PutBody | PutStep)[];
  /** How they hold together. */
  readonly joints: readonly Joint[];
  /** Moves on all that lies together: points wrapped round a neighbour, a unit closed over a strip. */
  readonly work?: (hand: Hand, at: (body: BodyRef, p: Point) => Point) => void;
}

/** Copies put together: where they lie in each state, how they hold, and how they are put together. */
export interface Assembly {
  /** The finished one is always among them. */
  readonly states: Readonly<Partial<Record<StateName, readonly Body[]>>> & { readonly closed: readonly Body[] };
  readonly joints: readonly Joint[];
  readonly steps: readonly AssemblyStep[];
}

/** How far each body is lifted for opening it, in mm, by its key: nothing for what stays. */
export function liftsOf({ closed, open = closed }: Assembly['states']): ReadonlyMap<string, number> {
  const still = new Map(closed.map(({ ref, motion }) => [bodyKey(ref), motion[11]]));
  return new Map(open.map(({ ref, motion }) => [bodyKey(ref), motion[11] - (still.get(bodyKey(ref)) ?? motion[11])]));
}

/** One body as it was folded: what a piece by itself is put together to. */
export function byItself(
  ref: BodyRef,
  closed: Pose,
  more: Partial<Record<StateName, Pose | SoftShape>> = {},
): Assembly {
  const state = (shape: Pose | SoftShape): readonly Body[] => [{ ref, shape, motion: IDENTITY }];
  return {
    states: {
      closed: state(closed),
      ...(more.open && { open: state(more.open) }),
      ...(more.flat && { flat: state(more.flat) }),
    },
    joints: [],
    steps: [],
  };
}

/** What lies together after a step, before and after its moves. */
export interface StepEnds {
  readonly id: string;
  readonly before: Together;
  readonly after: Together;
}

/**
 * Puts an assembly together step by step. Both ends of each step are proved, with all joints made so far; the way between
 * them is not claimed.
 * @throws RangeError when a step takes up one that is not done
 * @throws FoldRefused when paper would go through paper, or a joint does not hold
 */
export function putTogether(steps: readonly AssemblyStep[]): readonly StepEnds[] {
  const done = new Map<string, { readonly ends: StepEnds; readonly joints: readonly Joint[] }>();
  for (const { id, puts, joints, work } of steps) {
    const held = [...joints];
    const taken = puts.map((put): Put => {
      if (!('step' in put)) return put;
      const earlier = done.get(put.step);
      if (!earlier) throw new RangeError(`“${id}” comes after “${put.step}”, which is not done yet.`);
      held.push(...earlier.joints);
      return { together: earlier.ends.after, motion: put.motion };
    });
    const before = Together.of(taken, joints);
    before.prove(held);
    const after = work ? before.worked(work) : before;
    if (work) after.prove(held);
    done.set(id, { ends: { id, before, after }, joints: held });
  }
  return [...done.values()].map(({ ends }) => ends);
}

/**
 * Proves a state of rigid bodies: no paper goes through paper, and all joints hold.
 * @throws FoldRefused when it does not
 */
export function proveState(bodies: readonly Body[], joints: readonly Joint[]): Together {
  const rigid = bodies.flatMap(({ ref, shape, motion }): PutBody[] =>
    isSoft(shape) ? [] : [{ ref, pose: shape, motion }],
  );
  const there = new Set(rigid.map(({ ref }) => bodyKey(ref)));
  return Together.of(
    rigid,
    joints.filter((joint) => bodiesOf(joint).every((ref) => there.has(bodyKey(ref)))),
  );
}

/** The bodies that a joint holds together. */
export function bodiesOf(joint: Joint): readonly BodyRef[] {
  switch (joint.kind) {
    case 'glued':
    case 'beside':
      return [joint.a.body, joint.b.body];
    case 'slotted':
    case 'tucked-into':
      return [joint.tab.body, ...joint.between.map(({ body }) => body)];
    case 'under':
      return [joint.layer.body, joint.of.body];
    case 'over':
      return [joint.lid, joint.base];
    case 'stands-in':
      return [joint.inner, joint.outer];
  }
}
