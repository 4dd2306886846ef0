import { startSheet } from '../folding/hand';
import type { Folding } from '../forms/form';
import type { BoxSizes } from '../forms/square-tray/box-sizes';
import { measureFinished, squareTray, type SquareTrayParams } from '../forms/square-tray/square-tray';
import { squareSheet } from '../paper/sheet';

/** Folds a tray once for each sheet and set of parameters; thickness is laid over the same folding. */
export interface FinishedCache {
  folded(sheetMm: number, params: SquareTrayParams): Folding;
  sizes(sheetMm: number, params: SquareTrayParams, thicknessMm: number): BoxSizes;
}

/** @param most foldings kept; the oldest goes first */
export function finishedCache(most = 200): FinishedCache {
  const kept = new Map<string, Folding>();
  const folded = (sheetMm: number, params: SquareTrayParams): Folding => {
    const key = `${sheetMm} ${JSON.stringify(params)}`;
    const known = kept.get(key);
    if (known) return known;
    const folding = squareTray.fold(startSheet(squareSheet(sheetMm)), squareSheet(sheetMm), params);
    kept.set(key, folding);
    if (kept.size > most) kept.delete(kept.keys().next().value!);
    return folding;
  };
  return {
    folded,
    sizes: (sheetMm, params, thicknessMm) =>
      measureFinished(folded(sheetMm, params).finished, squareSheet(sheetMm), params, thicknessMm),
  };
}
