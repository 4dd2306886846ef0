import { make, type Made, type PieceAsked, type ShownUnit } from '@odd-corner/core';

/** A piece at a sheet, with whatever parameters it takes; a form is its own main piece. */
export type FormAsked = PieceAsked;

/** Folds it and measures it. */
export const madeForm = ({ formId, sheet, params, thicknessMm }: FormAsked, unit?: ShownUnit): Made =>
  make(formId, { sheet, params, paper: { thicknessMm }, unit });
