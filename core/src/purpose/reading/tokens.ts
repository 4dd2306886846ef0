import { unitOfWord } from '../../measure/parse-length';

/**
 * What a piece of a typed line is: a figure, a word, or one of the signs that makers put between them. `times` is the x between
 * sizes, `break` ends a thing, `inch` and `foot` are the marks after a figure.
 */
export type TokenKind =
  | 'number'
  | 'vulgar'
  | 'word'
  | 'times'
  | 'round'
  | 'break'
  | 'comma'
  | 'slash'
  | 'dash'
  | 'plus-minus'
  | 'plus'
  | 'inch'
  | 'foot'
  | 'about'
  | 'dot'
  | 'colon'
  | 'other';

/** A piece of the line and where it stands there. */
export interface Token {
  readonly kind: TokenKind;
  readonly text: string;
  readonly from: number;
  readonly to: number;
  /** Whether white space stands before it. */
  readonly spaced: boolean;
}

const SPACE = /[^\S\n]+/y;
const NUMBER = /\d+(?:[.,]\d+)*|[.,]\d+/y;
/** Signs for a diameter; some of them are letters of an alphabet. */
const ROUND = /[ø⌀Φφ∅Ø]/uy;
const WORD = /\p{L}[\p{L}\p{N}]*(?:['’.-]\p{L}[\p{L}\p{N}]*|\.\d+(?=\s|$))*/uy;
/** A unit, an x and the next figure without any space: `60mmx45`. */
const UNIT_BEFORE_TIMES = /(?:millimet(?:er|re)s?|mm|centimet(?:er|re)s?|cm|inches|inch|in|m)(?=x\s*[\d.,ø⌀])/iuy;
/** An x that stands between sizes rather than in a word. */
const TIMES_LETTER = /x(?!-?\p{L})/iuy;
const SIGNS: readonly (readonly [RegExp, TokenKind])[] = [
  [/\n/y, 'break'],
  [/[½¼¾⅛⅜⅝⅞⅓⅔]/uy, 'vulgar'],
  [/[×✕*]/uy, 'times'],
  [/±|\+\/-|\+-/uy, 'plus-minus'],
  [/''|["″”“]/uy, 'inch'],
  [/['′’]/uy, 'foot'],
  [/[~≈]/uy, 'about'],
  [/[;&]/uy, 'break'],
  [/,/y, 'comma'],
  [/\./y, 'dot'],
  [/[:=]/y, 'colon'],
  [/[/⁄]/uy, 'slash'],
  [/[-–—−]/uy, 'dash'],
  [/\+/y, 'plus'],
  [/[\s\S]/uy, 'other'],
];

/** Kinds after which an x can only be the sign between sizes. */
const BEFORE_TIMES: ReadonlySet<TokenKind> = new Set(['number', 'vulgar', 'inch', 'foot', 'round', 'times']);

/** Words after which an x stands between sizes: `D38 x 16`, `M4 x 20`. */
const ENDS_IN_FIGURE = /^(?:l|w|h|d|t|dia|m)\d+(?:\.\d+)?$/i;

/** `1,200,300` may group thousands; any other run of figures with several commas is a list: `60,45,22`. */
const isList = (text: string): boolean => /^\d+(?:,\d+){2,}$/.test(text) && !/^\d{1,3}(?:,\d{3})+$/.test(text);

/** Cuts a line up, once from left to right, in time that grows with its length alone. */
export function tokensOf(line: string): readonly Token[] {
  const tokens: Token[] = [];
  let at = 0;
  let spaced = false;
  const matched = (pattern: RegExp): string | null => {
    pattern.lastIndex = at;
    return pattern.exec(line)?.[0] ?? null;
  };
  const push = (kind: TokenKind, text: string): void => {
    tokens.push({ kind, text, from: at, to: at + text.length, spaced });
    at += text.length;
    spaced = false;
  };
  while (at < line.length) {
    const space = matched(SPACE);
    if (space) {
      at += space.length;
      spaced = true;
      continue;
    }
    const before = tokens.at(-1);
    const number = matched(NUMBER);
    if (number && isList(number)) {
      number.split(',').forEach((figure, k) => {
        if (k) push('comma', ',');
        push('number', figure);
      });
      continue;
    }
    if (number) {
      push('number', number);
      continue;
    }
    if (before && (BEFORE_TIMES.has(before.kind) || before.kind === 'word')) {
      const times = matched(TIMES_LETTER);
      if (times && (before.kind !== 'word' || isUnitWord(before.text) || ENDS_IN_FIGURE.test(before.text))) {
        push('times', times);
        continue;
      }
    }
    const round = matched(ROUND);
    if (round) {
      push('round', round);
      continue;
    }
    const unit = before?.kind === 'number' ? matched(UNIT_BEFORE_TIMES) : null;
    const word = unit ?? matched(WORD);
    if (word) {
      push(/^by$/i.test(word) && before ? 'times' : 'word', word);
      continue;
    }
    for (const [pattern, kind] of SIGNS) {
      const sign = matched(pattern);
      if (!sign) continue;
      push(kind, sign);
      break;
    }
  }
  return tokens;
}

/** The word of a token in small letters; nothing for any other token. */
export const wordOf = (token: Token | undefined): string => (token?.kind === 'word' ? token.text.toLowerCase() : '');

export const isUnitWord = (word: string): boolean =>
  unitOfWord(word) !== null || /^(?:ft|foot|feet|long|wide|high|tall|deep|thick|dia|diameter)$/i.test(word);
