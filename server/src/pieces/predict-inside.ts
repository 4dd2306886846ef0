import type { Choice, InsideSize } from '@odd-corner/contract';
import { make } from '@odd-corner/core';

/** The room that a choice should give, folded anew and measured on the folded paper. */
export function predictInside({ formId, tray, thicknessMm }: Choice): InsideSize {
  const { sizes } = make(formId, { sheetMm: tray.sheetMm, params: { part: 'tray', wallMm: tray.wallMm }, thicknessMm });
  return sizes.cavity;
}
