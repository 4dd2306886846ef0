/** Units a maker may write. Everything inside is millimetres. */
export type LengthUnit = 'mm' | 'cm' | 'm' | 'in';

export const MM_PER: Readonly<Record<LengthUnit, number>> = { mm: 1, cm: 10, m: 1000, in: 25.4 };

/** Smallest and largest length that a folded thing can sensibly be asked for, in mm. */
export const LENGTH_RANGE_MM = { min: 0.1, max: 5000 } as const;

export type LengthFault =
  'empty' | 'not-a-number' | 'unknown-unit' | 'not-positive' | 'too-small' | 'too-large' | 'count';

/** Says what in a typed length cannot be read, in words fit to stand beside the field. */
export class ParseLengthError extends Error {
  override readonly name = 'ParseLengthError';
  constructor(
    readonly fault: LengthFault,
    message: string,
    readonly text: string,
  ) {
    super(message);
  }
}

/** A number as written, its unit if one was written, and nothing decided yet. */
export interface WrittenLength {
  readonly value: number;
  readonly unit: LengthUnit | null;
  readonly text: string;
}

/** Words and marks for units of length. */
const UNIT_WORDS: ReadonlyMap<string, LengthUnit> = new Map([
  ...(['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'] as const).map((word) => [word, 'mm'] as const),
  ...(['cm', 'centimetre', 'centimetres', 'centimeter', 'centimeters'] as const).map((word) => [word, 'cm'] as const),
  ...(['m', 'metre', 'metres', 'meter', 'meters'] as const).map((word) => [word, 'm'] as const),
  ...(['in', 'in.', 'inch', 'inches', '"', '″', '”', "''"] as const).map((word) => [word, 'in'] as const),
]);

/** The unit that a word or mark stands for; null for any other. */
export const unitOfWord = (word: string): LengthUnit | null => UNIT_WORDS.get(word.toLowerCase()) ?? null;

/** Fractions that are one sign, with what stands above and below their line. */
export const VULGAR_SIGNS: ReadonlyMap<string, readonly [number, number]> = new Map([
  ...([
    ['½', [1, 2]],
    ['¼', [1, 4]],
    ['¾', [3, 4]],
    ['⅓', [1, 3]],
    ['⅔', [2, 3]],
  ] as const),
  ...([
    ['⅛', [1, 8]],
    ['⅜', [3, 8]],
    ['⅝', [5, 8]],
    ['⅞', [7, 8]],
  ] as const),
]);

const NUMBER = String.raw`\d+(?:[.,]\d+)?|[.,]\d+`;
const LENGTH = new RegExp(String.raw`^([-+−])?\s*(?:(\d+)(?:\s+|-))?(\d+)\s*/\s*(\d+)\s*(\D.*)?$`);
const PLAIN = new RegExp(String.raw`^([-+−])?\s*(${NUMBER})\s*(\D.*)?$`);

/**
 * Reads one written length without settling its unit: `8 1/2 in`, `21.6cm`, `3/8`, `4,5 cm`.
 * @throws ParseLengthError naming the part that cannot be read
 */
export function readLength(text: string): WrittenLength {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (sign) => ` ${VULGAR_SIGNS.get(sign)?.join('/') ?? sign} `)
    .replace('⁄', '/')
    .replace(/\s+/g, ' ')
    .trim();
  if (!plain) throw new ParseLengthError('empty', 'Write a size here, for example 60.', text);
  const fraction = LENGTH.exec(plain);
  const decimal = fraction ? null : PLAIN.exec(plain);
  const match = fraction ?? decimal;
  if (!match)
    throw new ParseLengthError(
      'not-a-number',
      `“${text.trim()}” does not read as a length. Write a number, for example 60 or 2 3/8 in.`,
      text,
    );
  const word = (fraction ? fraction[5] : decimal?.[3])?.trim() ?? '';
  const unit = unitOfWord(word);
  if (word && unit === null)
    throw new ParseLengthError('unknown-unit', `“${word}” is not a unit known here. Use mm, cm or in.`, text);
  const value = fraction
    ? Number(fraction[2] ?? 0) + Number(fraction[3]) / Number(fraction[4])
    : Number((decimal?.[2] ?? '').replace(',', '.'));
  if (!Number.isFinite(value)) throw new ParseLengthError('not-a-number', `“${text.trim()}” divides by zero.`, text);
  const sign = match[1] === '-' || match[1] === '−' ? -1 : 1;
  if (sign * value <= 0) throw new ParseLengthError('not-positive', `“${text.trim()}” must be more than zero.`, text);
  return { value, unit, text };
}

/**
 * Settles a written length in millimetres.
 * @throws ParseLengthError when it lies outside {@link LENGTH_RANGE_MM}
 */
export function settleLength(written: WrittenLength, defaultUnit: LengthUnit): number {
  const mm = written.value * MM_PER[written.unit ?? defaultUnit];
  if (mm > LENGTH_RANGE_MM.max)
    throw new ParseLengthError(
      'too-large',
      `“${written.text.trim()}” is larger than the 5 m that fits here.`,
      written.text,
    );
  if (mm < LENGTH_RANGE_MM.min)
    throw new ParseLengthError(
      'too-small',
      `“${written.text.trim()}” is smaller than 0.1 mm, too small to fold around.`,
      written.text,
    );
  return mm;
}

/**
 * One typed length in millimetres.
 * @example parseLength('8 1/2 in') // 215.9
 * @throws ParseLengthError
 */
export function parseLength(text: string, defaultUnit: LengthUnit = 'mm'): number {
  return settleLength(readLength(text), defaultUnit);
}
