import { lengthFigure, type SheetSize, type ShownUnit } from '@odd-corner/core';

/** A sheet by its sides, the unit once; one side of a square. */
export const sidesOf = ({ widthMm, heightMm }: SheetSize, unit: ShownUnit): string =>
  `${[...new Set([widthMm, heightMm])].map((mm) => lengthFigure(mm, unit)).join(' × ')} ${unit}`;
