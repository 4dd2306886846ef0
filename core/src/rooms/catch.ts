import { alone, type Demand, demandsOn } from '../purpose/demand';
import { roomKind } from './room-kind';

const KEYS = ['widthMm', 'lengthMm', 'lipMm', 'wallMm'] as const;
type Key = (typeof KEYS)[number];

/** The lip stays under the edge that the bead leaves by: at most so much of its height over the table. */
const LIP_SHARE = 0.6;
/** A lip lower than this share of a bead does not hold it back, nor one under so many mm. */
const [HOLDS_SHARE, HOLDS_MM] = [0.2, 2] as const;
/** Beads lie in one layer so closely: a square of nine tenths of their diameter each. */
const LAYER_SHARE = 0.9;
/** Room for so many beads side by side at least. */
const LEAST_BEADS = 6;

const { demand } = demandsOn<Key>();

/** What a tray must be for beads that come over an edge so high. */
export function catching(diameterMm: number, exitMm: number): readonly Demand<Key>[] {
  return [
    demand(
      'lip under the exit',
      () => LIP_SHARE * exitMm,
      ({ lipMm }) => lipMm,
    ),
    demand('lip that holds a bead', ({ lipMm }) => lipMm, Math.max(HOLDS_MM, HOLDS_SHARE * diameterMm)),
    demand('walls higher than a bead', ({ wallMm }) => wallMm, diameterMm),
    demand('width for some beads', ({ widthMm }) => widthMm, LEAST_BEADS * LAYER_SHARE * diameterMm),
  ];
}

/** A tray with three walls and a low lip, set under an edge that beads roll over. */
export const CATCH = roomKind('catch', KEYS, {
  names: { widthMm: 'Floor, wide', lengthMm: 'Floor, long', lipMm: 'Lip, high', wallMm: 'Walls, high' },
  holds: ['rolling beads'],
  demands({ purpose }) {
    if (purpose.kind !== 'bead' || purpose.exitMm === undefined) return null;
    return alone(...catching(purpose.diameterMm, purpose.exitMm));
  },
});
