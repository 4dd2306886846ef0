import type { Point } from '../measure/point';

/**
 * A sheet lying white side up, in mm: origin bottom left, x right, y up. The outline is convex and counter-clockwise.
 */
export interface Sheet {
  readonly outline: readonly Point[];
}

/** A rectangular sheet, width along x. */
export function rectangleSheet(widthMm: number, heightMm: number): Sheet {
  if (!(widthMm > 0 && heightMm > 0))
    throw new RangeError(`A sheet needs two sides above zero, not ${widthMm} × ${heightMm} mm.`);
  return {
    outline: [
      { x: 0, y: 0 },
      { x: widthMm, y: 0 },
      { x: widthMm, y: heightMm },
      { x: 0, y: heightMm },
    ],
  };
}

/** A square sheet. */
export function squareSheet(sideMm: number): Sheet {
  return rectangleSheet(sideMm, sideMm);
}
