import { boxOf, heapShare, volumeOf } from '../bodies/contents';
import { openPouch } from '../bodies/pouch';
import { alone, type Demand, demandsOn } from '../purpose/demand';
import { easeMm } from '../purpose/ease';
import { POCKET_EASE_MM, THICK_SHARE } from './pocket';
import { roomKind } from './room-kind';

const KEYS = ['mouthMm', 'bottomMm', 'depthMm'] as const;
type Key = (typeof KEYS)[number];

/**
 * Share of the most that a pouch can hold to which it is filled comfortably, with the stiffness of office paper: to 85 % of
 * the height. An estimate from relaxed shapes of such a pouch with bending stiffness and water in it.
 */
export const COMFORT_SHARE = 0.57;
/** The relaxation tells a volume within about 2 %: taken for two standard deviations. */
export const POUCH_SPREAD = 0.01;

const { demand } = demandsOn<Key>();

const comfortably = (ml: number): Demand<Key> =>
  demand('comfortably filled', (_, { room, mostMl }) => COMFORT_SHARE * (mostMl(room) ?? 0), ml, { unit: 'ml' });

/** A pouch that is pressed open, as it lies flat. It narrows towards its bottom. */
export const POUCH = roomKind('pouch', KEYS, {
  names: { mouthMm: 'Mouth, lying flat', depthMm: 'Deep' },
  holds: ['loose pieces', 'liquid', 'flat things'],
  demands({ purpose, options: { ease }, lying }) {
    if (purpose.kind === 'liquid' || purpose.kind === 'bulk') return alone(comfortably(purpose.ml));
    if (purpose.kind === 'loose') {
      const { thing, count } = purpose.piece;
      const [, second] = [...boxOf(thing)].sort((p, q) => q - p);
      return alone(
        comfortably((count * volumeOf(thing)) / heapShare(thing) / 1000),
        // Pressed round, the rim is as long as before.
        demand('mouth, across', ({ mouthMm }) => (2 * mouthMm) / Math.PI, second + easeMm(second, ease)),
      );
    }
    if (purpose.kind !== 'hold' || !lying.length) return null;
    return lying.flatMap((arrangement) => {
      const [thick, low, wide] = [...arrangement.box].sort((p, q) => p - q);
      return [
        [wide, low],
        [low, wide],
      ].map(([across, up]) => ({
        demands: [
          demand('pouch, deep', ({ depthMm }) => depthMm, up),
          // Where the lower corners of a flat thing come to lie, it must still be wide enough.
          demand(
            'pouch, wide at the lower corners',
            ({ mouthMm, bottomMm, depthMm }) => mouthMm - ((mouthMm - bottomMm) / depthMm) * up,
            across + thick + POCKET_EASE_MM[ease],
          ),
          demand('thickness that lies flat', ({ mouthMm }) => THICK_SHARE * mouthMm, thick),
        ],
        arrangement,
      }));
    });
  },
  soft: {
    scaleMm: ({ sizes }) => sizes.mouthMm,
    open: ({ sizes }) => openPouch(sizes),
    spread: POUCH_SPREAD,
  },
});
