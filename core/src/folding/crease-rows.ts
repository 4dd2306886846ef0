import type { Point } from '../measure/point';
import type { CreaseAngle } from './collapse';

/** A place in the coordinates of a part of the sheet. */
export type Place = readonly [x: number, y: number];

/** A crease written for one part of the sheet: what it is called, its ends, and the angle that it takes. */
export type CreaseRow = readonly [name: string, from: Place, to: Place, angleDeg: CreaseAngle['angleDeg']];

/** Where the places of a part lie on the sheet. */
export type SheetPart = (place: Place) => Point;

/**
 * Creases written once and made on all parts that are equal: walls, corners, edges. Mirrored parts keep valleys and
 * mountains, for these are seen from the same side.
 * @example onParts(inFourWays(on), [['rim', [0, 4], [3, 4], 90]]) // the rim of all four quarters
 */
export function onParts(parts: readonly SheetPart[], rows: readonly CreaseRow[]): CreaseAngle[] {
  return rows.flatMap(([name, from, to, angleDeg]) =>
    parts.map((part) => ({ name, from: part(from), to: part(to), angleDeg })),
  );
}

/** A part and its mirror images in both of its axes. */
export function inFourWays(part: SheetPart): readonly SheetPart[] {
  return [1, -1].flatMap((sx) =>
    [1, -1].map(
      (sy): SheetPart =>
        ([x, y]) =>
          part([sx * x, sy * y]),
    ),
  );
}

/** A part and its mirror image in an upright line. */
export function inTwoWays(part: SheetPart, mirrorX = 0): readonly SheetPart[] {
  return [part, ([x, y]) => part([2 * mirrorX - x, y])];
}

/** The k-th quarter turn of a part of a square sheet, counter-clockwise; places run from 0 to `size` along its sides. */
export function turnedPart(part: SheetPart, k: number, size: number): SheetPart {
  return k === 0 ? part : ([x, y]) => turnedPart(part, k - 1, size)([size - y, x]);
}
