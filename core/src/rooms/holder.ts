import type { Point3 } from '../measure/vector3';
import { alone, demandsOn } from '../purpose/demand';
import { prism } from './prism';
import { roomKind } from './room-kind';

const KEYS = ['mouthMm', 'bottomMm', 'depthMm', 'overBottomMm'] as const;
type Sizes = Readonly<Record<(typeof KEYS)[number], number>>;

/** A card that goes in less far than this share of its height leans out: a judgement. */
const HELD_SHARE = 0.2;
/** A card may stand so many times as high over the pocket's bottom as what holds it: a judgement. */
const TALL_SHARE = 1.5;
/** How thick a card is drawn, as a share of the mouth. */
const DRAWN_THICK = 0.006;

const { demand } = demandsOn<(typeof KEYS)[number]>();

/** How far a card goes down between sides that come together. */
export function goesDown({ mouthMm, bottomMm, depthMm }: Sizes, acrossMm: number): number {
  if (acrossMm <= bottomMm) return depthMm;
  return (depthMm * (mouthMm - acrossMm)) / (mouthMm - bottomMm);
}

/**
 * A flat pocket that narrows towards its bottom, in which a card stands upright: its mouth, its bottom, how deep it is, and how
 * high what holds the card rises over the bottom. Its corners are the ends of the mouth, then those of the bottom.
 */
export const HOLDER = roomKind('holder', KEYS, {
  names: { mouthMm: 'Pocket for a card, wide at its mouth', depthMm: 'Pocket for a card, deep' },
  holds: ['a standing card'],
  demands({ purpose }) {
    if (purpose.kind !== 'place card') return null;
    const { widthMm, heightMm, thickMm } = purpose;
    return alone(
      demand('depth that the card goes in', (sizes) => goesDown(sizes, widthMm + thickMm), HELD_SHARE * heightMm),
      demand('height that it may stand', ({ overBottomMm }) => TALL_SHARE * overBottomMm, heightMm),
    );
  },
  shown({ sizes, corners = [] }) {
    if (corners.length < 4) return [];
    const [a, b, c, d] = corners;
    // As wide as the bottom, standing up out of the pocket along its slope.
    const up = { x: (a.x + b.x - c.x - d.x) / 2, y: (a.y + b.y - c.y - d.y) / 2, z: (a.z + b.z - c.z - d.z) / 2 };
    const thick = DRAWN_THICK * sizes.mouthMm;
    const raised = (p: Point3, times: number, back: number): Point3 => ({
      x: p.x + times * up.x,
      y: p.y + times * up.y + back * thick,
      z: p.z + times * up.z,
    });
    const side = (back: number): Point3[] => [
      raised(d, 0, back),
      raised(c, 0, back),
      raised(c, 2.2, back),
      raised(d, 2.2, back),
    ];
    return prism(side(0), side(1));
  },
});
