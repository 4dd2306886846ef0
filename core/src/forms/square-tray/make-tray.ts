import { startSheet } from '../../folding/hand';
import type { ShownUnit } from '../../measure/format-length';
import { squareSheet } from '../../paper/sheet';
import type { Folding } from '../form';
import type { BoxSizes } from './box-sizes';
import { measureFinished, squareTray } from './square-tray';

/** A tray or its lid from a square sheet. */
export interface TrayAsked {
  readonly sheetMm: number;
  readonly params: unknown;
  /** Thickness of one layer, in mm. */
  readonly thicknessMm: number;
  readonly unit?: ShownUnit;
}

/** What came out: the steps, the finished pose, and sizes measured on it. */
export interface MadeTray {
  readonly sheetMm: number;
  readonly folding: Folding;
  readonly sizes: BoxSizes;
}

/**
 * Folds a tray or lid and measures it.
 * @throws RangeError for parameters out of their range
 */
export function makeTray({ sheetMm, params, thicknessMm, unit }: TrayAsked): MadeTray {
  const read = squareTray.params.parse(params);
  const sheet = squareSheet(sheetMm);
  const folding = squareTray.fold(startSheet(sheet), sheet, read, unit);
  return { sheetMm, folding, sizes: measureFinished(folding.finished, sheet, read, thicknessMm) };
}
