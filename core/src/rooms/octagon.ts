import type { Arrangement } from '../bodies/arrange';
import { boxOf, heapShare, volumeOf } from '../bodies/contents';
import { alone, type Demand, demandsOn } from '../purpose/demand';
import { type EaseId, easeMm, roomy, roomyFloor } from '../purpose/ease';
import type { Prepared } from '../purpose/prepare';
import { roomKind } from './room-kind';

const KEYS = ['acrossMm', 'heightMm', 'nominalMm'] as const;
type Key = (typeof KEYS)[number];

/** Area of a regular octagon for the square of its width over its flats. */
export const OCTAGON_AREA = 2 * (Math.SQRT2 - 1);
/** How far apart its corners leave two sides of a rectangle, taken together, that lie along its walls. */
const BOTH_SIDES = Math.SQRT2;
/** Cosine and sine of an eighth of a half turn: a rectangle laid towards the corners. */
const [COS, SIN] = [Math.cos(Math.PI / 8), Math.sin(Math.PI / 8)];

const { demand, summed } = demandsOn<Key>();

const total = (terms: readonly { readonly value: number }[]): number =>
  terms.reduce((sum, { value }) => sum + value, 0);

/** Two ways to lay a packing on the floor: along the walls, or towards the corners. */
function waysOf(arrangement: Arrangement, ease: EaseId): readonly (readonly Demand<Key>[])[] {
  const floor = roomyFloor(arrangement, ease);
  const [long, wide] = [total(floor.long), total(floor.wide)];
  const high = summed('height', ({ heightMm }) => heightMm, roomy(arrangement.box[2], ease));
  const across = (need: number): Demand<Key> => demand('across', ({ acrossMm }) => acrossMm, need);
  return [
    [across(Math.max(long, (long + wide) / BOTH_SIDES)), high],
    [across(Math.max(COS * long + SIN * wide, SIN * long + COS * wide)), high],
  ];
}

/** One round thing that stands: it touches all eight walls. */
function standsRound({ purpose, options: { ease } }: Prepared) {
  if (purpose.kind !== 'hold' || purpose.pieces.length !== 1 || purpose.pieces[0].count !== 1) return [];
  const { thing, posture } = purpose.pieces[0];
  if (thing.shape !== 'ball' && (thing.shape !== 'cylinder' || posture === 'lying')) return [];
  const heightMm = thing.shape === 'ball' ? thing.diameterMm : thing.lengthMm;
  return alone(
    summed('across', ({ acrossMm }) => acrossMm, roomy(thing.diameterMm, ease)),
    summed('height', ({ heightMm: high }) => high, roomy(heightMm, ease)),
  );
}

/** A room with a floor of eight equal sides and upright walls: clear across its flats, clear height, and across between creases. */
export const OCTAGON = roomKind('octagon', KEYS, {
  names: { acrossMm: 'Inside, across', heightMm: 'Inside, deep' },
  holds: ['boxes and blocks', 'loose pieces', 'flat things'],
  demands(prepared) {
    const { purpose, options, standing } = prepared;
    const { ease } = options;
    if (purpose.kind === 'bulk')
      return alone(
        demand(
          'depth, filled level',
          ({ heightMm }) => heightMm,
          ({ acrossMm }) => (1000 * purpose.ml) / (OCTAGON_AREA * acrossMm * acrossMm),
        ),
      );
    if (purpose.kind === 'loose') {
      const { thing, count } = purpose.piece;
      const heapMm3 = (count * volumeOf(thing)) / heapShare(thing);
      const [longest, , least] = [...boxOf(thing)].sort((p, q) => q - p).map((side) => side + easeMm(side, ease));
      return alone(
        demand('across', ({ acrossMm }) => acrossMm, longest),
        demand(
          'depth, filled level',
          ({ heightMm }) => heightMm,
          ({ acrossMm }) => Math.max(least, heapMm3 / (OCTAGON_AREA * acrossMm * acrossMm)),
        ),
      );
    }
    if (purpose.kind !== 'hold') return null;
    const laid = standing.flatMap((arrangement) =>
      waysOf(arrangement, ease).map((demands) => ({ demands, arrangement })),
    );
    return [...standsRound(prepared), ...laid];
  },
  standing: ({ sizes }) => ({ heightMm: sizes.heightMm, lengthMm: sizes.acrossMm }),
});
