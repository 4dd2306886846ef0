/** Pounds are those of 500 sheets of a basis size that differs by the kind of stock, in inches. */
const BASIS_IN = { bond: [17, 22], cover: [20, 26], text: [25, 38] } as const;

export type PoundStock = keyof typeof BASIS_IN;

const GRAMS_PER_POUND = 453.59237;
const SQUARE_METRES_PER_SQUARE_INCH = 0.0254 ** 2;
const REAM = 500;

/** How many g/m² one pound of a stock is: 3.76 for bond, 2.70 for cover, 1.48 for text (after ISO 536 and the US basis sizes). */
export function gsmPerPound(stock: PoundStock): number {
  const [width, height] = BASIS_IN[stock];
  return GRAMS_PER_POUND / (REAM * width * height * SQUARE_METRES_PER_SQUARE_INCH);
}

const WORDS: ReadonlyMap<string, PoundStock> = new Map([
  ...(['bond', 'writing', 'ledger', 'copy'] as const).map((word): [string, PoundStock] => [word, 'bond']),
  ...(['cover', 'card', 'cardstock'] as const).map((word): [string, PoundStock] => [word, 'cover']),
  ...(['text', 'book', 'offset'] as const).map((word): [string, PoundStock] => [word, 'text']),
]);

/**
 * The weight of a paper in g/m², as it stands on its wrapper.
 * @example paperWeight('20 lb bond') // 75.19…
 * @param number reads a number as this maker writes it; null where it is none
 * @returns null for what is no weight
 */
export function paperWeight(text: string, number: (text: string) => number | null): number | null {
  const found = /^\s*(\S*\d)\s*(.*?)\s*$/.exec(text);
  const value = found && number(found[1]);
  if (!found || value === null || !(value > 0)) return null;
  const unit = found[2].toLowerCase().replace(/\./g, '');
  if (/^(g|gsm|g\/m(2|²)|grams?)?$/.test(unit)) return value;
  const pounds = /^(?:lbs?|#|pounds?)\s*(?:of\s+)?([a-z]*)$/.exec(unit);
  const stock = pounds && WORDS.get(pounds[1]);
  return stock ? value * gsmPerPound(stock) : null;
}
