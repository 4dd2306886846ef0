import { alone, demandsOn } from '../purpose/demand';
import { roomKind } from './room-kind';

const KEYS = ['mostBeadMm', 'leastBeadMm', 'segmentMm', 'dropMm', 'neededDropMm', 'exitMm'] as const;

const { demand } = demandsOn<(typeof KEYS)[number]>();

/**
 * A gutter in zigzag that a bead rolls down: the largest and the smallest bead that run in it, how long a segment is and how
 * much lower its end lies, how much lower it must lie for a hard bead, and how high the bead leaves it over the table.
 */
export const GUTTER = roomKind('gutter', KEYS, {
  names: {
    mostBeadMm: 'Beads, at most',
    leastBeadMm: 'Beads, at least',
    dropMm: 'Drop of a segment',
    exitMm: 'Exit, over the table',
  },
  holds: ['rolling beads'],
  demands({ purpose }) {
    if (purpose.kind !== 'bead' || purpose.exitMm !== undefined) return null;
    const { diameterMm } = purpose;
    return alone(
      demand('bead that stays in the gutter', ({ mostBeadMm }) => mostBeadMm, diameterMm),
      demand(
        'bead that passes the corners',
        () => diameterMm,
        ({ leastBeadMm }) => leastBeadMm,
      ),
      demand(
        'drop that keeps a hard bead rolling',
        ({ dropMm }) => dropMm,
        ({ neededDropMm }) => neededDropMm,
      ),
    );
  },
});
