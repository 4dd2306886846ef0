import type { ShownUnit } from './format-length';

/** What stands between whole and tenths. */
export type DecimalMark = 'point' | 'comma';

/** Units of mass, with their grams: the avoirdupois ounce is 28.349523125 g by definition. */
export const GRAMS_PER = { g: 1, oz: 28.349523125 } as const;
export type MassUnit = keyof typeof GRAMS_PER;

/** Units of volume, with their millilitres: the US fluid ounce is 29.5735295625 ml by definition. */
export const ML_PER = { ml: 1, 'fl oz': 29.5735295625 } as const;
export type VolumeUnit = keyof typeof ML_PER;

/** How a maker reads quantities. */
export interface Shown {
  readonly unit: ShownUnit;
  readonly mass: MassUnit;
  readonly volume: VolumeUnit;
  readonly decimal: DecimalMark;
}

export const USUALLY_SHOWN: Shown = { unit: 'mm', mass: 'g', volume: 'ml', decimal: 'point' };

/** A text with decimal points as the maker writes them. Full stops that end a sentence stay. */
export function withMark(text: string, decimal: DecimalMark): string {
  return decimal === 'comma' ? text.replace(/(\d)\.(?=\d)/g, '$1,') : text;
}

/** So many significant digits are enough to weigh or pour by. */
const DIGITS = 3;

const figureOf = (value: number): string => `${Number(value.toPrecision(Math.max(DIGITS, wholeDigits(value))))}`;
const wholeDigits = (value: number): number => Math.floor(Math.log10(Math.max(1, Math.abs(value)))) + 1;

/** `40 g`, `1.41 oz`: three digits, and never fewer than the whole ones. */
export function formatMass(grams: number, { mass, decimal }: Pick<Shown, 'mass' | 'decimal'>): string {
  return withMark(`${figureOf(grams / GRAMS_PER[mass])} ${mass}`, decimal);
}

/** `120 ml`, `4.06 fl oz`. */
export function formatVolume(ml: number, { volume, decimal }: Pick<Shown, 'volume' | 'decimal'>): string {
  return withMark(`${figureOf(ml / ML_PER[volume])} ${volume}`, decimal);
}
