import { alone, demandsOn, type RoomAsked } from '../purpose/demand';
import { roomKind } from './room-kind';

const KEYS = ['depthMm', 'beamMm', 'pocketMm', 'topMm'] as const;
type Key = (typeof KEYS)[number];
type Sizes = Readonly<Record<Key, number>>;

/** Density of fresh water, in g/mm³. */
const WATER = 0.001;
/** It is loaded until so much of its depth is under water: nine tenths, for what it carries goes with the cube. */
export const TWIN_LOADED = 0.9;
/** The paper's own centre over its lowest points, as a share of its height: as measured on the boat in its usual spread. */
export const PAPER_CENTRE_TWIN = 0.278;
/** Less than this over its weights, a metacentre does not hold a boat upright against a child's finger, in mm. */
const LEAST_STABILITY_MM = 2;

const { demand } = demandsOn<Key>();

/** Both pockets to the rim: two pyramids that stand on their points, each on a water plane of four sides. In mm³. */
export const twinVolume = ({ depthMm, beamMm, pocketMm }: Sizes): number => (depthMm * beamMm * pocketMm) / 3;

/** How deep a weight pushes it; all that is level with the rim goes under for any more. */
const draught = (sizes: Sizes, grams: number): number => sizes.depthMm * Math.cbrt(grams / (WATER * twinVolume(sizes)));

/** The metacentre over the lowest points, at a draught: both are pyramids, so it goes with the draught. */
function metacentre(sizes: Sizes, draughtMm: number): number {
  const { depthMm, beamMm, pocketMm } = sizes;
  // Second moment of both water planes about the boat's axis, their widest place on it.
  const moment = (pocketMm * (beamMm / 2) ** 3) / 3;
  return (draughtMm / depthMm) * (0.75 * depthMm + moment / twinVolume(sizes));
}

/**
 * A hull of two pockets that end in points below: from these up to the middle of the rim, across there, along one pocket at
 * the rim's height, and the height of what stands between them.
 */
export const TWIN_HULL = roomKind('twin-hull', KEYS, {
  names: { depthMm: 'Hull, from its lowest points to the rim', beamMm: 'Beam at the rim' },
  holds: ['a floating load'],
  demands({ purpose, options: { gsm } }) {
    if (purpose.kind !== 'load') return null;
    const paperG = ({ sheetAreaMm2 }: RoomAsked<Key>): number => gsm * sheetAreaMm2 * 1e-6;
    return alone(
      demand(
        'carried with a tenth of its depth dry',
        (sizes, asked) => WATER * twinVolume(sizes) * TWIN_LOADED ** 3 - paperG(asked),
        purpose.grams,
        { unit: 'g', smooth: true },
      ),
      demand(
        'metacentre over the weights',
        (sizes, asked) => {
          const grams = purpose.grams + paperG(asked);
          const weights = (purpose.grams * purpose.centreMm + paperG(asked) * PAPER_CENTRE_TWIN * sizes.topMm) / grams;
          return metacentre(sizes, Math.min(sizes.depthMm, draught(sizes, grams))) - weights;
        },
        LEAST_STABILITY_MM,
        { smooth: true },
      ),
    );
  },
});
