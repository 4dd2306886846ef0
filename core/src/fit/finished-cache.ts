import { startSheet } from '../folding/hand';
import type { BoxSizes, Folding, Form } from '../forms/form';
import { squareSheet } from '../paper/sheet';

/** Folds a form once for each sheet and set of parameters; thickness is laid over the same folding. */
export interface FinishedCache<P> {
  folded(sheetMm: number, params: P): Folding;
  sizes(sheetMm: number, params: P, thicknessMm: number): BoxSizes;
}

/** @param most foldings kept; the oldest goes first */
export function finishedCache<P>(form: Form<P>, most = 200): FinishedCache<P> {
  const kept = new Map<string, Folding>();
  const folded = (sheetMm: number, params: P): Folding => {
    const key = `${sheetMm} ${JSON.stringify(params)}`;
    const known = kept.get(key);
    if (known) return known;
    const folding = form.fold(startSheet(squareSheet(sheetMm)), squareSheet(sheetMm), params);
    kept.set(key, folding);
    if (kept.size > most) kept.delete(kept.keys().next().value!);
    return folding;
  };
  return {
    folded,
    sizes: (sheetMm, params, thicknessMm) =>
      form.measure(folded(sheetMm, params).finished, squareSheet(sheetMm), params, thicknessMm),
  };
}
