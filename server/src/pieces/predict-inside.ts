import type { Choice, InsideSize } from '@odd-corner/contract';
import { makeTray, squareTray } from '@odd-corner/core';

/** The room that a choice should give, folded anew and measured on the folded paper. */
export function predictInside({ formId, tray, thicknessMm }: Choice): InsideSize {
  if (formId !== squareTray.id) throw new RangeError(`The room of a form called “${formId}” cannot be predicted yet.`);
  const { sizes } = makeTray({ sheetMm: tray.sheetMm, params: { part: 'tray', wallMm: tray.wallMm }, thicknessMm });
  return sizes.cavity;
}
