import type { Body } from '../../assembly/assembly';
import type { BodyRef, FaceRef, Joint } from '../../assembly/joint';
import { onParts, type Place } from '../../folding/crease-rows';
import { takeUp } from '../../folding/hand';
import { type Pose, whereIs } from '../../folding/pose';
import { compose, IDENTITY, type Transform } from '../../folding/transform';
import type { Point3 } from '../../measure/vector3';
import type { MadeEntry } from '../form';
import { frameOf, LOCKED, UNITS, type UnitKind } from './frame';

/** Spots of a unit: on both parts of its floor, on the pleat between them, and on both halves of its wall. */
const SPOTS = {
  right: [0.1, 0.5],
  left: [-0.2, 0.3],
  pleat: [-0.05, 0.4],
  tab: [-0.25, -0.15],
  tip: [0.01, 0.95],
  /** The two layers between which the tab of the next unit goes. */
  kite: [0.48, -0.05],
  bottom: [0.25, -0.5],
} as const satisfies Record<string, Place>;

/** Where the middle of the ring lies, from the crossing, in half diagonals. */
const CENTRE: Place = [1 / 4, (1 + Math.SQRT2) / 4];

const turned = (k: number): Transform => {
  const turn = (2 * Math.PI * k) / UNITS;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return [c, -s, 0, s, c, 0, 0, 0, 1, 0, 0, 0];
};

/** From where a unit was folded to its place, the middle of the ring at the origin. */
function placed({ folding, sheet }: MadeEntry, place: number): Transform {
  const { at, half } = frameOf(sheet);
  const on = (p: Place): Point3 => whereIs(folding.finished, at(p));
  const [origin, right] = [on([0, 0]), on([0.3, 0])];
  // The floor's own axes: along the right wall, and square to it.
  const along = { x: (right.x - origin.x) / 0.3 / half, y: (right.y - origin.y) / 0.3 / half };
  const level: Transform = [along.x, along.y, 0, -along.y, along.x, 0, 0, 0, 1, 0, 0, 0];
  const moved = compose(level, [...IDENTITY.slice(0, 9), -origin.x, -origin.y, -origin.z]);
  const centred = compose([...IDENTITY.slice(0, 9), -CENTRE[0] * half, -CENTRE[1] * half, 0], moved);
  return compose(turned(place), centred);
}

/** The pose of a base unit once its tip is wrapped. */
export function locked({ folding, sheet }: MadeEntry): Pose {
  const { at } = frameOf(sheet);
  const hand = takeUp(folding.finished);
  hand.collapse(onParts([at], LOCKED), at(SPOTS.right));
  return hand.pose;
}

/** Eight units in a ring, their tabs in each other's pockets and their points over each other. */
export function ringOf(
  made: ReadonlyMap<string, MadeEntry>,
  places: readonly BodyRef[],
  kind: UnitKind | 'locked base',
): { readonly bodies: readonly Body[]; readonly joints: readonly Joint[] } {
  const entryAt = (k: number): MadeEntry => made.get(places[k % UNITS].entry)!;
  const spot = (k: number, name: keyof typeof SPOTS, side: FaceRef['side']): FaceRef => ({
    body: places[k % UNITS],
    at: frameOf(entryAt(k).sheet).at(SPOTS[name]),
    side,
  });
  const bodies = places.map((ref, k): Body => ({
    ref,
    shape: kind === 'locked base' ? locked(entryAt(k)) : entryAt(k).folding.finished,
    motion: placed(entryAt(k), k),
  }));
  const joints = places.flatMap((_, k): Joint[] => [
    {
      kind: 'slotted',
      tab: spot(k + 1, 'tab', 'white'),
      between: [spot(k, 'kite', 'coloured'), spot(k, 'bottom', 'white')],
    },
    ...(kind === 'locked base'
      ? [
          {
            // Its tip lies behind both layers of the fold of the one before.
            kind: 'slotted' as const,
            tab: spot(k + 1, 'tip', 'white'),
            between: [spot(k, 'left', 'coloured'), spot(k, 'pleat', 'coloured')] as const,
          },
        ]
      : []),
    kind !== 'lid'
      ? // The right part of its floor lies in the pleat of the next.
        {
          kind: 'slotted',
          tab: spot(k, 'right', 'white'),
          between: [spot(k + 1, 'left', 'coloured'), spot(k + 1, 'pleat', 'coloured')],
        }
      : // The next lies on it as a whole.
        { kind: 'under', layer: spot(k + 1, 'left', 'white'), of: spot(k, 'right', 'white') },
  ]);
  return { bodies, joints };
}
