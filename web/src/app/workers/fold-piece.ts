import { make, type Made, type SheetSize, type ShownUnit } from '@odd-corner/core';

/** A piece at a sheet, with whatever parameters it takes; a form is its own main piece. */
export interface FormAsked {
  readonly formId: string;
  readonly sheet: SheetSize;
  readonly params: Readonly<Record<string, unknown>>;
  readonly thicknessMm: number;
}

/** Folds it and measures it. */
export const madeForm = ({ formId, sheet, params, thicknessMm }: FormAsked, unit?: ShownUnit): Made =>
  make(formId, { sheet, params, paper: { thicknessMm }, unit });
