import { VULGAR_SIGNS } from '../../measure/parse-length';
import { unreadable } from './unreadable';
import type { Token } from './tokens';

/** A figure as typed: its value, and another one that it may mean where a comma may divide or group. */
export interface Figure {
  readonly value: number;
  /** With the comma read as one that groups thousands. */
  readonly grouped: number | null;
}

/**
 * The value of a figure. A comma with one or two digits after it, or more than three, is a decimal comma; with exactly three it
 * may group thousands instead: whoever knows the rest of the line decides.
 * @throws ParsePurposeError for what is no number in any country
 */
export function figureOf(token: Token): Figure {
  const { text } = token;
  if (/^\d*\.?\d+$/.test(text) || /^\d+$/.test(text)) return { value: Number(text), grouped: null };
  const comma = /^(\d*),(\d+)$/.exec(text);
  if (comma) {
    const [, whole, rest] = comma;
    const mayGroup = rest.length === 3 && /^[1-9]\d{0,2}$/.test(whole);
    return { value: Number(`${whole || 0}.${rest}`), grouped: mayGroup ? Number(whole + rest) : null };
  }
  throw unreadable([token], 'not-a-number', `“${text}” does not read as one number: write 1234.5, or 1234,5.`);
}

/** A number that may have a fraction: `8 1/2`, `8½`, `3/8`, `2-3/8`. */
export interface NumberRead extends Figure {
  readonly next: number;
  /** Whether it was written as a whole number without any fraction. */
  readonly whole: boolean;
}

const isWhole = (token: Token | undefined): token is Token => token?.kind === 'number' && /^\d+$/.test(token.text);

/** The fraction that begins at a token: `3/8`, `½`. */
function fractionAt(tokens: readonly Token[], at: number): { readonly value: number; readonly next: number } | null {
  const [top, slash, bottom] = [tokens.at(at), tokens.at(at + 1), tokens.at(at + 2)];
  const sign = top?.kind === 'vulgar' && VULGAR_SIGNS.get(top.text);
  if (sign) return { value: sign[0] / sign[1], next: at + 1 };
  if (!isWhole(top) || slash?.kind !== 'slash' || !isWhole(bottom)) return null;
  if (Number(bottom.text) === 0)
    throw unreadable([top, slash, bottom], 'not-a-number', `“${top.text}/${bottom.text}” divides by zero.`);
  return { value: Number(top.text) / Number(bottom.text), next: at + 3 };
}

/** The number that begins at a token, or null. */
export function numberAt(tokens: readonly Token[], at: number): NumberRead | null {
  const fraction = fractionAt(tokens, at);
  if (fraction) return { ...fraction, grouped: null, whole: false };
  const token = tokens.at(at);
  if (token?.kind !== 'number') return null;
  const figure = figureOf(token);
  if (isWhole(token)) {
    const hyphen = tokens.at(at + 1)?.kind === 'dash' ? 1 : 0;
    const more = fractionAt(tokens, at + 1 + hyphen);
    if (more) return { value: figure.value + more.value, grouped: null, next: more.next, whole: false };
  }
  return { ...figure, next: at + 1, whole: isWhole(token) };
}

const ONES: ReadonlyMap<string, number> = new Map(
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'
    .split(' ')
    .map((word, k) => [word, k + 1] as const),
);
const TENS: ReadonlyMap<string, number> = new Map(
  'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ').map((word, k) => [word, 10 * (k + 2)] as const),
);

/** The number that a word says: `four`, `twenty-five`, `a`; null when it says none. */
export function numberWord(word: string): number | null {
  const lower = word.toLowerCase();
  if (lower === 'a' || lower === 'an') return 1;
  const [tens, ones, ...more] = lower.split('-');
  const ten = TENS.get(tens);
  if (more.length) return null;
  if (ten === undefined) return ones === undefined ? (ONES.get(lower) ?? null) : null;
  if (ones === undefined) return ten;
  const one = ONES.get(ones);
  return one !== undefined && one < 10 ? ten + one : null;
}
