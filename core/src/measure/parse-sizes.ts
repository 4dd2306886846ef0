import { type LengthUnit, ParseLengthError, readLength, settleLength } from './parse-length';

const SEPARATOR = /\s*[x×*✕]\s*|\s+by\s+|\s*;\s*/i;

/**
 * The sizes in one typed line, in mm. A unit written once at the end holds for the sizes that name none
 * (`6 x 4.5 x 2.2 cm`).
 * @throws ParseLengthError naming the part that cannot be read
 */
export function parseSizes(text: string, defaultUnit: LengthUnit = 'mm'): readonly number[] {
  if (!text.trim()) throw new ParseLengthError('empty', 'Write the sizes, for example 60 x 45 x 22.', text);
  const parts = text.trim().split(SEPARATOR);
  const missing = parts.findIndex((part) => !part.trim());
  if (missing >= 0)
    throw new ParseLengthError(
      'count',
      `A size is missing ${missing === 0 ? 'at the start' : `after “${parts[missing - 1]?.trim()}”`}.`,
      text,
    );
  const written = parts.map(readLength);
  const shared = written[written.length - 1]?.unit ?? defaultUnit;
  return written.map((part) => settleLength(part, shared));
}
