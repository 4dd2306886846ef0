import { formatLength } from '../measure/format-length';
import { formatMass, formatVolume, type Shown } from '../measure/shown';

/** In which units quantities are told; a text that is told elsewhere gets its decimal mark there. */
export type Quantities = Pick<Shown, 'unit' | 'mass' | 'volume'>;

export const rounded = (value: number, places: number): string => `${Math.round(value * 10 ** places) / 10 ** places}`;

/**
 * A quantity as the maker reads it, with a decimal point.
 * @param of what `value` is in
 * @param places decimals of a mm
 */
export function quantity(value: number, of: 'mm' | 'g' | 'ml', shown: Quantities, places = 1): string {
  if (of === 'g') return formatMass(value, { ...shown, decimal: 'point' });
  if (of === 'ml') return formatVolume(value, { ...shown, decimal: 'point' });
  const inMm = `${rounded(value, places)} mm`;
  if (shown.unit === 'mm') return inMm;
  if (shown.unit === 'cm') return `${rounded(value / 10, places + 1)} cm`;
  // Paper is thinner than any mark of a ruler in inches.
  return places > 1 ? inMm : `${formatLength(value, 'in')} (${inMm})`;
}
