import { startSheet } from '../folding/hand';
import { rectangleSheet } from '../paper/sheet';
import type { ShownUnit } from '../measure/format-length';
import type { BoxSizes, Folding, Form } from './form';
import { squareTray, type SquareTrayParams } from './square-tray/square-tray';

/** All forms by id. */
export const FORMS = { [squareTray.id]: squareTray } as Readonly<Record<string, Form<SquareTrayParams>>>;

/** A form at a size on a paper. */
export interface MakeRequest {
  readonly sheetMm: number;
  readonly params: unknown;
  /** Thickness of one layer, in mm. */
  readonly thicknessMm: number;
  readonly unit?: ShownUnit;
}

/** What came out of folding: the steps, the finished pose, and sizes measured on it. */
export interface Made {
  readonly formId: string;
  readonly sheetMm: number;
  readonly folding: Folding;
  readonly sizes: BoxSizes;
}

/**
 * Folds a form from its sheet and measures it.
 * @throws RangeError for an unknown form or parameters out of their range
 * @throws FoldRefused when the sequence cannot be folded
 */
export function make(formId: string, { sheetMm, params, thicknessMm, unit }: MakeRequest): Made {
  const form = FORMS[formId];
  if (!form) throw new RangeError(`No form is called “${formId}”.`);
  const read = form.params.parse(params);
  const sheet = rectangleSheet(sheetMm, sheetMm);
  const folding = form.fold(startSheet(sheet), sheet, read, unit);
  return { formId, sheetMm, folding, sizes: form.measure(folding.finished, sheet, read, thicknessMm) };
}
