import { boxOf, heapShare, volumeOf } from '../bodies/contents';
import type { Arrangement } from '../bodies/arrange';
import { alone, type Demand, demandsOn, type WayToFit } from '../purpose/demand';
import { easeMm } from '../purpose/ease';
import type { Prepared } from '../purpose/prepare';
import { roomKind } from './room-kind';

const KEYS = ['lengthMm', 'baseMm', 'heightMm', 'slantMm'] as const;
type Key = (typeof KEYS)[number];
type Sizes = Readonly<Record<Key, number>>;

/** Something stiff that is longer than this share of the room keeps its ends from being pushed together. */
const SQUEEZED_SHARE = 0.9;
/** How wide the mouth gapes when its ends are pushed together by a tenth, of its length: a bow of two circular arcs. */
const GAPES_SHARE = 0.37;
/** Loose things are poured in to this share of the volume: above it the ridge does not close. A judgement. */
const FILLED_SHARE = 0.75;
/** A flat thing that leans on a wall is no thicker than this share of the base. */
const LEANING_SHARE = 1 / 8;

const { demand } = demandsOn<Key>();

/** The largest round thing that lies lengthwise: the circle that touches base and both walls. */
const inscribedMm = ({ baseMm, heightMm, slantMm }: Sizes): number => (2 * baseMm * heightMm) / (baseMm + 2 * slantMm);

const volumeMl = ({ lengthMm, baseMm, heightMm }: Sizes): number => (lengthMm * baseMm * heightMm) / 2 / 1000;

/** How long the room must be for something stiff. */
const longEnough = (mm: number, ease: Prepared['options']['ease']): Demand<Key> =>
  demand(
    'length, with room to squeeze it open',
    ({ lengthMm }) => lengthMm,
    Math.max(mm + easeMm(mm, ease), mm / SQUEEZED_SHARE),
  );

/** The mouth lets the thinner side of a thing through. */
const throughMouth = (mm: number): Demand<Key> =>
  demand('mouth, squeezed open', ({ lengthMm }) => GAPES_SHARE * lengthMm, mm);

function standing({ box }: Arrangement, ease: Prepared['options']['ease'], along: 0 | 1): readonly Demand<Key>[] {
  const [long, across, high] = [box[along], box[1 - along], box[2]];
  return [
    longEnough(long, ease),
    // The walls come together: what is high must be the narrower.
    demand(
      'width at the height of its contents',
      ({ baseMm, heightMm }) => baseMm * (1 - high / heightMm),
      across + easeMm(across, ease),
    ),
    throughMouth(Math.min(across, high)),
  ];
}

/** One round thing lies along the room, or a ball anywhere. */
function roundAlone({ purpose, options: { ease } }: Prepared): readonly WayToFit<Key>[] {
  if (purpose.kind !== 'hold' || purpose.pieces.length !== 1 || purpose.pieces[0].count !== 1) return [];
  const { thing } = purpose.pieces[0];
  if (thing.shape !== 'ball' && thing.shape !== 'cylinder') return [];
  const { diameterMm } = thing;
  return alone(
    longEnough(thing.shape === 'ball' ? diameterMm : thing.lengthMm, ease),
    demand('across, between base and walls', inscribedMm, diameterMm + easeMm(diameterMm, ease)),
    throughMouth(diameterMm),
  );
}

/** A room under a ridge: two upright triangles at its ends, a flat base, and two walls that lean on each other. */
export const TRIANGLE = roomKind('triangle', KEYS, {
  names: {
    lengthMm: 'Inside, long',
    baseMm: 'Base, deep',
    heightMm: 'Inside, high at the ridge',
    slantMm: 'Walls, along their slope',
  },
  holds: ['boxes and blocks', 'loose pieces', 'flat things'],
  demands(prepared) {
    const { purpose, options } = prepared;
    const { ease } = options;
    if (purpose.kind === 'loose') {
      const { thing, count } = purpose.piece;
      const [longest, , least] = [...boxOf(thing)].sort((p, q) => q - p);
      return alone(
        demand(
          'filled to three quarters',
          (sizes) => FILLED_SHARE * volumeMl(sizes),
          (count * volumeOf(thing)) / heapShare(thing) / 1000,
          { unit: 'ml' },
        ),
        longEnough(longest, ease),
        throughMouth(least),
      );
    }
    if (purpose.kind !== 'hold') return null;
    const upright = prepared.standing.flatMap((arrangement) =>
      ([0, 1] as const).map((along) => ({ demands: standing(arrangement, ease, along), arrangement })),
    );
    const leaning = prepared.lying.flatMap((arrangement) => {
      const [thick, low, long] = [...arrangement.box].sort((p, q) => p - q);
      return [
        [long, low],
        [low, long],
      ].map(([across, up]) => ({
        demands: [
          longEnough(across, ease),
          demand('wall, along its slope', ({ slantMm }: Sizes) => slantMm, up + easeMm(up, ease)),
          demand('thickness that leans on a wall', ({ baseMm }: Sizes) => LEANING_SHARE * baseMm, thick),
        ],
        arrangement,
      }));
    });
    return [...roundAlone(prepared), ...upright, ...leaning];
  },
});
