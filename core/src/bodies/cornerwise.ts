import type { Arrangement } from './arrange';
import type { Box } from './packing/front';

/** Angles that are tried, in degrees: beyond half a right angle long and wide change places. */
const ANGLES = [10, 15, 20, 25, 30, 35, 40, 45];

/** How long and wide a room must be for what is turned in it by an angle. */
export function turnedSides(
  [a, b]: readonly [number, number],
  angle: number,
): { readonly longMm: number; readonly wideMm: number } {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const [long, wide] = a >= b ? [a, b] : [b, a];
  return { longMm: long * c + wide * s, wideMm: long * s + wide * c };
}

/**
 * The same things laid cornerwise on the floor, as one block, wherever that makes the box round them shorter: something slender
 * lies along the diagonal.
 */
export function laidCornerwise(arrangement: Arrangement): readonly Arrangement[] {
  const { box } = arrangement;
  return ANGLES.flatMap((degrees): Arrangement[] => {
    const angle = (degrees * Math.PI) / 180;
    const { longMm, wideMm } = turnedSides([box[0], box[1]], angle);
    if (longMm >= Math.max(box[0], box[1])) return [];
    const around: Box = [longMm, wideMm, box[2]];
    return [
      {
        box: around,
        cornerwise: { of: box, angle },
        get placements() {
          return arrangement.placements;
        },
      },
    ];
  });
}
