const WRITTEN = /^[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/;

/**
 * A number as it is typed, with a decimal point or comma.
 * @returns null for what is no number. `1,234.5` is refused: which mark groups and which divides differs from place to
 * place, and a guess would be wrong by a factor of a thousand.
 */
export function parseNumber(text: string): number | null {
  const plain = text.trim().replace('−', '-');
  return WRITTEN.test(plain) ? Number(plain.replace(',', '.')) : null;
}
