import { type LengthUnit, parseLength, ParseLengthError } from '../measure/parse-length';
import { parseNumber } from '../measure/parse-number';
import { parseSizes } from '../measure/parse-sizes';
import { GRAMS_PER, ML_PER } from '../measure/shown';
import type { Item, Thing } from '../bodies/contents';
import type { Purpose } from './purpose';

/** A grip of this depth keeps a page's corner marked when nothing else is asked, in mm. */
const USUAL_GRIP_MM = 25;
/** A sheet of paper or a thin card is taken to be so thick when its thickness is not given, in mm. */
export const USUAL_CARD_MM = 0.3;
/** From so many on, pieces are poured rather than laid side by side. */
const POURED_FROM = 20;
const MOST_PIECES = 2000;

const ONES = new Map(
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'
    .split(' ')
    .map((word, k) => [word, k + 1] as const),
);
const TENS = new Map(
  'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ').map((word, k) => [word, 10 * (k + 2)] as const),
);
const DOZEN = 12;
/** Longer lines are no purpose; reading them would only take time. */
const MOST_CHARACTERS = 2000;
/** Pieces this much thinner than they are wide are stacked rather than poured, however many there are. */
const THIN_SHARE = 1 / 20;

const AMOUNT =
  /^([\d.,]+)\s*(ml|millilitres?|milliliters?|cl|l|litres?|liters?|fl\.?\s*oz|fluid\s+ounces?)\b\.?(?:\s+(?:of\s+)?\w+)*$/i;
const WEIGHT =
  /^(?:(?:a\s+)?load\s+(?:of\s+)?)?([\d.,]+)\s*(g|grams?|kg|oz|ounces?|lbs?|pounds?)\b\.?\s*(?:(?:load\s*)?,?\s*(?:centre|center)\s+(?:at\s+)?(.+))?$/i;
const MARK = /(?:^|\s)(?:ø|⌀|dia(?:meter)?\.?)\s*/i;
const SIZES_AT = /[ø⌀]|\bdia|[-+−]?\d/i;

/** The number that a word says: `four`, `twenty-five`, `a`; null when it says none. */
function numberOf(word: string): number | null {
  const lower = word.toLowerCase();
  if (lower === 'a' || lower === 'an') return 1;
  const [tens, ones] = lower.split('-');
  const ten = TENS.get(tens);
  if (ten !== undefined) return ones === undefined ? ten : ten + (ONES.get(ones) ?? NaN);
  return ones === undefined ? (ONES.get(lower) ?? null) : null;
}

/** A figure before one of these is part of a name or a size, not a count: a 9 V battery, a 4 mm key. */
const NOT_COUNTED = /^(?:mm|cm|m|in|inch|inches|x|by|v|w|wh|ah|mah)\b/i;

/** Reads `4`, `4x`, `four`, `half a dozen`, `3 dozen` at the start of a part; what is left is name and sizes. */
function counted(part: string): { readonly count: number; readonly rest: string } {
  const half = /^half\s+a\s+dozen\s+(.+)$/i.exec(part);
  if (half) return { count: DOZEN / 2, rest: half[1] };
  const read = countedOnce(part);
  const dozens = /^dozen\s+(?:of\s+)?(.+)$/i.exec(read.rest);
  return dozens ? { count: DOZEN * read.count, rest: dozens[1] } : read;
}

function countedOnce(part: string): { readonly count: number; readonly rest: string } {
  const figure = /^(\d+)\s*(?:×|x(?=\s+[a-z]))?\s+(?=[a-zø⌀])(.+)$/i.exec(part);
  if (figure && !NOT_COUNTED.test(figure[2])) return { count: Number(figure[1]), rest: figure[2] };
  const word = /^([a-z]+(?:-[a-z]+)?)\s+(.+)$/i.exec(part);
  const known = word && numberOf(word[1]);
  return word && known ? { count: known, rest: word[2] } : { count: 1, rest: part };
}

/** Nothing but sizes: figures, fractions, signs between them, units. */
const ONLY_SIZES =
  /^(?:[\d\s.,/⁄½¼¾⅛⅜⅝⅞⅓⅔×*✕;ø⌀"″”'+−-]|x|(?:mm|cm|m|in|inch|inches|by|dia|diameter|millimet(?:re|er)s?|centimet(?:re|er)s?|met(?:re|er)s?)(?![a-z])\.?)+$/i;

/** Where the sizes begin: a figure before them may belong to the name, as in `M3 screw` or `4 mm hex key`. -1 without figures. */
function sizesAt(text: string): number {
  for (const { index } of text.matchAll(/[ø⌀]|\bdia|[-+−]?\d/gi))
    if (!/[a-z\d.,]$/i.test(text.slice(0, index)) && ONLY_SIZES.test(text.slice(index))) return index;
  return text.search(SIZES_AT);
}

/** Whether a thing is thin enough to lie on others of its kind. */
function isThin(thing: Thing): boolean {
  if (thing.shape === 'flat') return true;
  if (thing.shape !== 'block') return false;
  const [thick, wide] = [thing.lengthMm, thing.widthMm, thing.heightMm].sort((p, q) => p - q);
  return thick <= THIN_SHARE * wide;
}

/** Sizes with commas between pieces: a comma between digits may be a decimal comma, one before a space never is. */
const partsOf = (text: string): string[] =>
  text
    .split(/,\s+|\s+and\s+|\n|\s\+\s/)
    .map((part) => part.trim())
    .filter(Boolean);

function thingOf(name: string, sizes: readonly number[], round: boolean, text: string): Thing {
  const [a, b, c] = sizes;
  if (round || /\b(ball|marble|bead|pearl)s?\b/i.test(name)) {
    if (sizes.length === 1) return { shape: 'ball', diameterMm: a };
    if (sizes.length === 2) return { shape: 'cylinder', diameterMm: a, lengthMm: b };
    throw new ParseLengthError('count', 'A round thing has a diameter and a length or height: Ø38 x 16.', text);
  }
  if (sizes.length === 2) return { shape: 'flat', widthMm: a, heightMm: b, thickMm: USUAL_CARD_MM };
  if (sizes.length !== 3)
    throw new ParseLengthError(
      'count',
      sizes.length === 1
        ? 'One size is not enough: write length x width x height, or Ø and a diameter for a round thing.'
        : 'That is more than three sizes for one thing. Put a comma between things.',
      text,
    );
  return { shape: 'block', lengthMm: a, widthMm: b, heightMm: c };
}

function itemOf(part: string, unit: LengthUnit): Item {
  const { count, rest } = counted(part);
  if (!(count >= 1 && count <= MOST_PIECES))
    throw new ParseLengthError('count', `Up to ${MOST_PIECES} pieces can be counted here, not ${count}.`, part);
  const at = sizesAt(rest);
  // A count and a name without sizes, or a size in a unit that is not known: both are said.
  if (at < 0 && count > 1)
    throw new ParseLengthError(
      'unknown-unit',
      `“${rest}” is not a unit known here, and no sizes stand after it. Write them as in 4 tickets 105 x 74.`,
      part,
    );
  if (at < 0) throw new ParseLengthError('empty', `“${part}” has no sizes. Write them after the name: 105 x 74.`, part);
  const name = rest
    .slice(0, at)
    .replace(/[:,]\s*$/, '')
    .replace(/\bof\s*$/i, '')
    .trim();
  const written = rest.slice(at);
  const round = MARK.test(` ${written}`);
  const sizes = parseSizes(written.replace(/[ø⌀]\s*|\bdia(?:meter)?\.?\s*/gi, ''), unit);
  return { name: name || 'thing', count, thing: thingOf(name, sizes, round, part) };
}

function millilitres(figure: string, unit: string, text: string): number {
  const per = /^ml|^milli/i.test(unit) ? 1 : /^fl/i.test(unit) ? ML_PER['fl oz'] : /^cl/i.test(unit) ? 10 : 1000;
  const ml = (parseNumber(figure) ?? NaN) * per;
  if (!(ml > 0 && ml <= 20_000)) throw new ParseLengthError('count', 'Between a drop and 20 litres, please.', text);
  return ml;
}

const OUNCES_IN_A_POUND = 16;

function gramsPer(unit: string): number {
  if (/^k/i.test(unit)) return 1000;
  if (/^g/i.test(unit)) return GRAMS_PER.g;
  return GRAMS_PER.oz * (/^o/i.test(unit) ? 1 : OUNCES_IN_A_POUND);
}

/**
 * Reads one line that says what something is for:
 * `60 x 45 x 22`, `4 tickets 105 × 74, one hex key 120 × 35 × 8`, `30 washers Ø10 x 1`, `120 ml`, `load 60 g`, `pages 3 mm`,
 * `strap 25 x 2`, `bead 8`. A bare number is in the unit given.
 * @throws ParseLengthError naming what cannot be read, in words fit to stand beside the field
 */
export function parsePurpose(text: string, unit: LengthUnit = 'mm'): Purpose {
  const line = text.trim();
  if (!line) throw new ParseLengthError('empty', 'Write what it must hold, for example 60 x 45 x 22.', text);
  if (line.length > MOST_CHARACTERS)
    throw new ParseLengthError('count', `Up to ${MOST_CHARACTERS} characters are read here, not ${line.length}.`, text);
  const amount = AMOUNT.exec(line);
  if (amount) return { kind: 'liquid', ml: millilitres(amount[1], amount[2], text) };
  const weight = WEIGHT.exec(line);
  if (weight) {
    const grams = (parseNumber(weight[1]) ?? NaN) * gramsPer(weight[2]);
    if (!(grams > 0 && grams <= 20_000)) throw new ParseLengthError('count', 'Up to 20 kg, please.', text);
    return { kind: 'load', grams, centreMm: weight[3] ? parseLength(weight[3], unit) : 5 };
  }
  const special = /^(strap|pages?|page corner|bead|marble run)\s*:?\s+(.+)$/i.exec(line);
  if (special) {
    const sizes = parseSizes(special[2].replace(/[ø⌀]\s*/g, ''), unit);
    if (/^strap/i.test(special[1])) {
      if (sizes.length !== 2)
        throw new ParseLengthError('count', 'A strap has a width and a thickness: strap 25 x 2.', text);
      return { kind: 'strap', widthMm: sizes[0], thickMm: sizes[1] };
    }
    if (sizes.length !== 1) throw new ParseLengthError('count', 'One size is enough here.', text);
    if (/^page/i.test(special[1])) return { kind: 'pages', thickMm: sizes[0], gripMm: USUAL_GRIP_MM };
    return { kind: 'bead', diameterMm: sizes[0] };
  }
  const loose = /\bloose\b/i.test(line);
  const pieces = partsOf(line.replace(/\bloose\b/gi, ' ').trim()).map((part) => itemOf(part, unit));
  const poured = pieces[0].count >= POURED_FROM && !isThin(pieces[0].thing);
  if (pieces.length === 1 && (loose || poured)) return { kind: 'loose', piece: pieces[0] };
  return { kind: 'hold', pieces };
}
