import { boxOf, heapShare, volumeOf } from '../bodies/contents';
import { alone, type Demand, demandsOn } from '../purpose/demand';
import { type EaseId, easeMm, roomy, roomyFloor } from '../purpose/ease';
import type { Prepared } from '../purpose/prepare';
import { roomKind } from './room-kind';

const KEYS = ['armMm', 'longMm', 'cornerMm', 'heightMm', 'outerArmMm'] as const;
type Key = (typeof KEYS)[number];
type Sizes = Readonly<Record<Key, number>>;

/** The largest disc touches both sides of the point and the notch: so much wider than an arm. */
const DISC = 2 * (2 - Math.SQRT2);
/** Loose things fill so much of it. */
const FILLED_SHARE = 0.65;

const { demand, summed } = demandsOn<Key>();

/** Its floor: two arms that cross, less the cut corners of both lobes. */
function areaMm2({ armMm: m, longMm, cornerMm: k }: Sizes): number {
  const c = longMm + k;
  return 2 * c * m - m * m - 2 * k * k;
}

const total = (terms: readonly { readonly value: number }[]): number =>
  terms.reduce((sum, { value }) => sum + value, 0);

/** A rectangle lies along one arm, or across the heart below its notch. */
function laid(long: number, wide: number): readonly (readonly Demand<Key>[])[] {
  return [
    [
      demand('arm, wide', ({ armMm }) => armMm, wide),
      // Wider than what the cut corners leave, it cannot reach the end of the lobe.
      demand(
        'arm, long',
        ({ longMm, armMm, cornerMm }) => longMm + cornerMm - Math.max(0, (wide - armMm) / 2 + cornerMm),
        long,
      ),
    ],
    ...[
      [long, wide],
      [wide, long],
    ].map(([across, up]) => [
      demand('across the heart, below its notch', ({ armMm }: Sizes) => 2 * Math.SQRT2 * armMm, across + 2 * up),
      demand('width of the heart', ({ longMm }: Sizes) => Math.SQRT2 * longMm, across),
    ]),
  ];
}

const highEnough = (mm: number, ease: EaseId): Demand<Key> =>
  summed('height', ({ heightMm }) => heightMm, roomy(mm, ease));

function standsRound({ purpose, options: { ease } }: Prepared) {
  if (purpose.kind !== 'hold' || purpose.pieces.length !== 1 || purpose.pieces[0].count !== 1) return [];
  const { thing, posture } = purpose.pieces[0];
  if (thing.shape !== 'ball' && (thing.shape !== 'cylinder' || posture === 'lying')) return [];
  return alone(
    summed('disc between point and notch', ({ armMm }) => DISC * armMm, roomy(thing.diameterMm, ease)),
    highEnough(thing.shape === 'ball' ? thing.diameterMm : thing.lengthMm, ease),
  );
}

/**
 * A room with the outline of a heart of ten sides: how wide its two arms are and how long from the point to the lobes' cut corners,
 * how far these are cut, its height; and how wide an arm is outside.
 */
export const HEART = roomKind('heart', KEYS, {
  names: { armMm: 'Arms, wide inside', longMm: 'Arms, long inside', heightMm: 'Inside, deep' },
  holds: ['boxes and blocks', 'loose pieces', 'flat things'],
  demands(prepared) {
    const { purpose, options, standing } = prepared;
    const { ease } = options;
    if (purpose.kind === 'loose') {
      const { thing, count } = purpose.piece;
      const heapMm3 = (count * volumeOf(thing)) / heapShare(thing);
      const [longest, middle] = [...boxOf(thing)].sort((p, q) => q - p).map((side) => side + easeMm(side, ease));
      return alone(
        demand('arm, long', ({ longMm }) => longMm, longest),
        demand('arm, wide', ({ armMm }) => armMm, middle),
        demand('filled loosely', (sizes) => (FILLED_SHARE * areaMm2(sizes) * sizes.heightMm) / 1000, heapMm3 / 1000, {
          unit: 'ml',
        }),
      );
    }
    if (purpose.kind !== 'hold') return null;
    const packed = standing.flatMap((arrangement) => {
      const floor = roomyFloor(arrangement, ease);
      return laid(total(floor.long), total(floor.wide)).map((demands) => ({
        demands: [...demands, highEnough(arrangement.box[2], ease)],
        arrangement,
      }));
    });
    return [...standsRound(prepared), ...packed];
  },
  standing: ({ sizes }) => ({ heightMm: sizes.heightMm, lengthMm: sizes.longMm }),
});
