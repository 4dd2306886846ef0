import type { Point3 } from '../measure/vector3';
import { alone, demandsOn } from '../purpose/demand';
import type { EaseId } from '../purpose/ease';
import { prism } from './prism';
import { roomKind } from './room-kind';

const KEYS = ['widthMm', 'lengthMm', 'mostThickMm'] as const;

/** Room beside a strap, in mm: only friction holds a slide, so it is little. */
export const STRAP_EASE_MM: Readonly<Record<EaseId, number>> = { snug: 0, easy: 0.5, loose: 2 };
/** How far the strap is shown beyond both ends, as a share of the tunnel. */
const BEYOND = 0.8;

const { demand, summed } = demandsOn<(typeof KEYS)[number]>();

/**
 * A flat tunnel that something runs through: how wide it is inside as it lies flat, how long, and the thickest strap that it
 * stands open for. Its corners are those of the tunnel's back.
 */
export const TUNNEL = roomKind('tunnel', KEYS, {
  names: { widthMm: 'Tunnel, wide inside', lengthMm: 'Tunnel, long' },
  holds: ['a strap'],
  demands({ purpose, options: { ease } }) {
    if (purpose.kind !== 'strap') return null;
    return alone(
      // What a thick strap raises is taken from the width.
      summed('tunnel, wide', ({ widthMm }) => widthMm, [
        { name: 'strap', value: purpose.widthMm },
        { name: 'its thickness', value: purpose.thickMm },
        { name: 'ease', value: STRAP_EASE_MM[ease] },
      ]),
      demand('thickness that it opens for', ({ mostThickMm }) => mostThickMm, purpose.thickMm),
    );
  },
  outline: ({ corners = [] }) => corners,
  shown({ corners = [] }) {
    if (corners.length < 4) return [];
    const [a, b, c, d] = corners;
    const beyond = (from: Point3, to: Point3): Point3 => ({
      x: to.x + BEYOND * (to.x - from.x),
      y: to.y + BEYOND * (to.y - from.y),
      z: to.z,
    });
    const strap = [beyond(d, a), beyond(c, b), b, a];
    const other = [d, c, beyond(b, c), beyond(a, d)];
    const thick = 0.01 * Math.hypot(a.x - b.x, a.y - b.y);
    return [strap, other].flatMap((part) =>
      prism(
        part,
        part.map((p) => ({ ...p, z: p.z + thick })),
      ),
    );
  },
});
