import { afloat, carriedG } from '../bodies/afloat';
import { isThin } from '../bodies/contents';
import type { Hull } from '../bodies/hull';
import type { Point3 } from '../measure/vector3';
import { alone, type Demand, demandsOn, type Room, type RoomAsked } from '../purpose/demand';
import { GRIP_MM, roomyFloor } from '../purpose/ease';
import { roomKind } from './room-kind';

const KEYS = [
  ...(['floorLengthMm', 'floorWidthMm', 'sideMm', 'tipMm', 'rimLengthMm', 'rimWidthMm', 'overallMm'] as const),
  /** How thick the paper of a side is where it meets the floor. */
  'sideThickMm',
  /** How much of the floor's length lies under a deck. */
  'deckMm',
] as const;
type Key = (typeof KEYS)[number];

/** What stands in a boat may rise so many times as high as its sides: a judgement, for a weight that is not known. */
const TALL_SHARE = 2;
/** A boat is loaded until the water stands this far up its side: the rest is freeboard. */
export const LOADED_SHARE = 0.7;
/** Less than this over its weights, a metacentre does not hold a boat upright against a child's finger, in mm. */
const LEAST_STABILITY_MM = 2;

const { demand, summed } = demandsOn<Key>();
type Sizes = Readonly<Record<Key, number>>;
const floorLong = ({ floorLengthMm, deckMm }: Sizes): number => floorLengthMm - deckMm;
// The paper of the sides lies inside their bends; at the ends the floor runs on in a single layer.
const floorWide = ({ floorWidthMm, sideThickMm }: Sizes): number => floorWidthMm - 2 * sideThickMm;
const tallest = ({ sideMm }: Sizes): number => TALL_SHARE * sideMm;

const overRim = (heightMm: number): Demand<Key> =>
  demand('over the rim, for fingers', ({ sideMm }) => heightMm - sideMm, GRIP_MM);

/** The hull of a room's sizes. */
export function hullOf({ sizes }: Room<Key>): Hull {
  const at = (x: number, y: number, z: number): Point3 => ({ x: x / 2, y: y / 2, z });
  return {
    chine: at(sizes.floorLengthMm, sizes.floorWidthMm, 0),
    rim: at(sizes.rimLengthMm, sizes.rimWidthMm, sizes.sideMm),
    tip: at(sizes.overallMm, 0, sizes.tipMm),
  };
}

/**
 * A hull: its flat floor between the bends, how high sides and tips stand over it, where the sides end at the rim, beam there,
 * and length over all.
 */
export const HULL = roomKind('hull', KEYS, {
  names: {
    floorLengthMm: 'Floor, long',
    floorWidthMm: 'Floor, wide',
    sideMm: 'Sides, high',
  },
  holds: ['a floating load', 'boxes and blocks'],
  demands({ purpose, options: { ease, gsm }, standing }) {
    // A sheet lies down on a boat's bends and tips.
    if (purpose.kind === 'hold' && purpose.pieces.some(({ thing }) => isThin(thing))) return null;
    if (purpose.kind === 'hold')
      return standing.map((arrangement) => {
        const { long, wide } = roomyFloor(arrangement, ease);
        return {
          demands: [
            summed('floor, long', floorLong, long),
            summed('floor, wide', floorWide, wide),
            demand('height that does not topple it', tallest, arrangement.box[2]),
            ...(purpose.gripped ? [overRim(arrangement.box[2])] : []),
          ],
          arrangement,
        };
      });
    if (purpose.kind !== 'load') return null;
    const paperG = ({ sheetAreaMm2 }: RoomAsked<Key>): number => gsm * sheetAreaMm2 * 1e-6;
    return alone(
      // The lower of the two decides; each by itself runs smoothly.
      ...(['side', 'tip'] as const).map((part) =>
        demand(
          `carried with three tenths of the ${part} dry`,
          (sizes, asked) =>
            carriedG(hullOf(asked.room), LOADED_SHARE * sizes[part === 'side' ? 'sideMm' : 'tipMm']) - paperG(asked),
          purpose.grams,
          { unit: 'g', smooth: true },
        ),
      ),
      demand(
        'metacentre over the weights',
        (_, asked) => afloat(hullOf(asked.room), purpose, paperG(asked))?.stabilityMm ?? 0,
        LEAST_STABILITY_MM,
        { smooth: true },
      ),
    );
  },
  standing: ({ sizes }) => ({ heightMm: sizes.sideMm, lengthMm: Infinity }),
});
