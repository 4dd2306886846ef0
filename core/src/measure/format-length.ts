import { type LengthUnit, MM_PER } from './parse-length';

/** How the maker reads lengths: millimetres, centimetres, or inches in fractions. */
export type ShownUnit = Exclude<LengthUnit, 'm'>;

const INCH_PARTS = 32;

function inchFraction(mm: number): string {
  const parts = Math.round((mm / MM_PER.in) * INCH_PARTS);
  const whole = Math.trunc(parts / INCH_PARTS);
  let top = Math.abs(parts % INCH_PARTS);
  let bottom = INCH_PARTS;
  while (top && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  if (!top) return `${whole}`;
  const sign = parts < 0 && whole === 0 ? '-' : '';
  return whole ? `${whole} ${top}/${bottom}` : `${sign}${top}/${bottom}`;
}

/** The figure alone, as the unit's users write it: at most one decimal of a mm, two of a cm, 32nds of an inch. */
export function lengthFigure(mm: number, unit: ShownUnit): string {
  if (unit === 'in') return inchFraction(mm);
  const rounded = unit === 'cm' ? Math.round(mm * 10) / 100 : Math.round(mm * 10) / 10;
  return `${rounded === 0 ? 0 : rounded}`;
}

/** Figure and unit: `152 mm`, `15.2 cm`, `6 in`. */
export function formatLength(mm: number, unit: ShownUnit): string {
  return `${lengthFigure(mm, unit)} ${unit}`;
}

/** Several sizes with the unit once at the end: `60 × 45 × 22 mm`. */
export function formatSizes(sizesMm: readonly number[], unit: ShownUnit): string {
  return `${sizesMm.map((mm) => lengthFigure(mm, unit)).join(' × ')} ${unit}`;
}
