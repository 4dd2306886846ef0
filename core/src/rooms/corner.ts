import type { Point3 } from '../measure/vector3';
import { alone, demandsOn } from '../purpose/demand';
import { prism } from './prism';
import { roomKind } from './room-kind';

const KEYS = ['legMm', 'depthMm'] as const;

/** A bundle of pages thicker than this share of the covered edge spreads the corner's folds. */
const PAGES_SHARE = 1 / 25;
/** How far the page is drawn, in lengths of its edge inside the corner. */
const PAGE = 1.5;
/** How thick the page is drawn, as a share of the same. */
const DRAWN_THICK = 0.008;

const { demand } = demandsOn<(typeof KEYS)[number]>();

/** The part of the page that is shown: a square from its corner. */
function pageOutline([p, a, b]: readonly Point3[]): Point3[] {
  const at = (s: number, t: number): Point3 => ({
    x: p.x + s * (a.x - p.x) + t * (b.x - p.x),
    y: p.y + s * (a.y - p.y) + t * (b.y - p.y),
    z: p.z,
  });
  return [p, at(PAGE, 0), at(PAGE, PAGE), at(0, PAGE)];
}

/**
 * A pocket over the corner of a page: how far it reaches along both edges and in from the point. Its corners are where the
 * page's corner comes to lie, and where its two edges leave the pocket.
 */
export const CORNER = roomKind('corner', KEYS, {
  names: { legMm: 'Along both edges of the page', depthMm: 'In from the page’s corner' },
  holds: ['pages'],
  demands({ purpose }) {
    if (purpose.kind !== 'pages') return null;
    // A bundle seats half its thickness short of the point.
    return alone(
      demand('grip on the corner', ({ depthMm }) => depthMm, purpose.gripMm + purpose.thickMm / 2),
      demand('thickness that the folds take', ({ legMm }) => PAGES_SHARE * legMm, purpose.thickMm),
    );
  },
  outline: ({ corners = [] }) => pageOutline(corners),
  shown({ sizes, corners = [] }) {
    const [, a, b] = corners;
    const [, far, opposite, otherFar] = pageOutline(corners);
    // Inside the pocket it is out of sight; before the wing that stands above the mouth it lies in front.
    const at = (up: number): Point3[] =>
      [a, far, opposite, otherFar, b].map((p) => ({ ...p, z: p.z + up * DRAWN_THICK * sizes.legMm }));
    return prism(at(1), at(2));
  },
});
