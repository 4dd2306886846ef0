import { point, type Point } from '../../measure/point';
import { extentOf } from '../../pattern/crease-pattern';
import type { Sheet } from '../../paper/sheet';

/**
 * The tray stands diagonally on its sheet: its own axes run along the sheet's diagonals, from the sheet's centre.
 * `x` goes to the right corner of the turned sheet, `y` to the far one; lengths in mm.
 */
export interface BoxFrame {
  /** Side of the sheet. */
  readonly side: number;
  /** Half of the base's side. */
  readonly b: number;
  /** Height of the walls. */
  readonly h: number;
  /** Centre to rim, b + h: a quarter of the diagonal. */
  readonly m: number;
  readonly on: (x: number, y: number) => Point;
}

/** @param wallMm wall height, or null for the height that folding alone gives: an eighth of the diagonal */
export function boxFrame(sheet: Sheet, wallMm: number | null): BoxFrame {
  const side = extentOf(sheet.outline);
  const m = (side * Math.SQRT2) / 4;
  const h = wallMm ?? m / 2;
  const b = m - h;
  return { side, b, h, m, on: (x, y) => point(side / 2 + (x - y) / Math.SQRT2, side / 2 + (x + y) / Math.SQRT2) };
}
