import { formatLength, type ShownUnit } from '../measure/format-length';

export const rounded = (value: number, places: number): string => `${Math.round(value * 10 ** places) / 10 ** places}`;

/**
 * A quantity with its unit; lengths as the maker reads them.
 * @param unit `mm` for a length, or the unit that is written after the figure
 * @param places decimals of a mm
 */
export function quantity(value: number, unit: string, shown: ShownUnit, places = 1): string {
  if (unit !== 'mm') return `${rounded(value, value < 10 ? 1 : 0)} ${unit}`;
  const inMm = `${rounded(value, places)} mm`;
  if (shown === 'mm') return inMm;
  if (shown === 'cm') return `${rounded(value / 10, places + 1)} cm`;
  // Paper is thinner than any mark of a ruler in inches.
  return places > 1 ? inMm : `${formatLength(value, 'in')} (${inMm})`;
}
