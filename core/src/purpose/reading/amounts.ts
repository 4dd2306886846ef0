import { GRAMS_PER, ML_PER } from '../../measure/shown';

/** US customary measures, as the fluid ounce is: a cup has 8 of them, a tablespoon half of one, a teaspoon a sixth. */
const CUP_OUNCES = 8;
const SPOONS = 2;
const TEASPOONS = 6;
const OUNCES_IN_A_POUND = 16;

/** More than that nobody carries in paper, in g. */
export const MOST_GRAMS = 20_000;

const VOLUMES: ReadonlyMap<string, number> = new Map([
  ...(['ml', 'millilitre', 'millilitres', 'milliliter', 'milliliters', 'cc', 'cm³'] as const).map(
    (word) => [word, 1] as const,
  ),
  ...(['cl', 'centilitre', 'centilitres'] as const).map((word) => [word, 10] as const),
  ...(['dl', 'decilitre', 'decilitres'] as const).map((word) => [word, 100] as const),
  ...(['l', 'litre', 'litres', 'liter', 'liters'] as const).map((word) => [word, 1000] as const),
  ...(['fl oz', 'fluid ounce', 'fluid ounces'] as const).map((word) => [word, ML_PER['fl oz']] as const),
  ...(['cup', 'cups'] as const).map((word) => [word, CUP_OUNCES * ML_PER['fl oz']] as const),
  ...(['tbsp', 'tablespoon', 'tablespoons'] as const).map((word) => [word, ML_PER['fl oz'] / SPOONS] as const),
  ...(['tsp', 'teaspoon', 'teaspoons'] as const).map((word) => [word, ML_PER['fl oz'] / TEASPOONS] as const),
]);

const MASSES: ReadonlyMap<string, number> = new Map([
  ...(['g', 'gram', 'grams', 'gramme', 'grammes'] as const).map((word) => [word, GRAMS_PER.g] as const),
  ...(['kg', 'kilo', 'kilos', 'kilogram', 'kilograms'] as const).map((word) => [word, 1000] as const),
  ...(['oz', 'ounce', 'ounces'] as const).map((word) => [word, GRAMS_PER.oz] as const),
  ...(['lb', 'lbs', 'pound', 'pounds'] as const).map((word) => [word, OUNCES_IN_A_POUND * GRAMS_PER.oz] as const),
]);

/** Millilitres or grams that a unit stands for, in one word or two; null for any other word. */
export function amountUnit(
  first: string,
  second: string,
): { readonly of: 'ml' | 'g'; readonly per: number; readonly words: number } | null {
  const [one, two] = [first.toLowerCase(), `${first} ${second}`.toLowerCase()];
  const both = VOLUMES.get(two);
  if (both !== undefined) return { of: 'ml', per: both, words: 2 };
  const ml = VOLUMES.get(one);
  if (ml !== undefined) return { of: 'ml', per: ml, words: 1 };
  const g = MASSES.get(one);
  return g === undefined ? null : { of: 'g', per: g, words: 1 };
}
