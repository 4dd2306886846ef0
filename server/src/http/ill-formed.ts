/** Half of a character: a surrogate without its other half. It cannot be stored as UTF-8 and would come back as something else. */
const HALF = /\p{Surrogate}/u;

/** Where in a piece of JSON a text holds half of a character; null when nowhere. */
export function illFormedAt(
  value: unknown,
  path: readonly (string | number)[] = [],
): readonly (string | number)[] | null {
  if (typeof value === 'string') return HALF.test(value) ? path : null;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, part] of Object.entries(value)) {
    const at = illFormedAt(part, [...path, Array.isArray(value) ? Number(key) : key]);
    if (at) return at;
  }
  return null;
}
