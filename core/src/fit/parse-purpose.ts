import { type LengthUnit, parseLength, ParseLengthError } from '../measure/parse-length';
import { parseSizes } from '../measure/parse-sizes';
import type { Piece, Purpose, Thing } from './contents';

/** A grip of this depth keeps a page's corner marked when nothing else is asked, in mm. */
const USUAL_GRIP_MM = 25;
/** A sheet of paper or a thin card is taken to be so thick when its thickness is not given, in mm. */
export const USUAL_CARD_MM = 0.3;
/** From so many on, pieces are poured rather than laid side by side. */
const POURED_FROM = 20;
const MOST_PIECES = 2000;

const NUMBER_WORDS: Readonly<Record<string, number>> = {
  ...{ a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6 },
  ...{ seven: 7, eight: 8, nine: 9, ten: 10, twelve: 12, twenty: 20 },
};

const AMOUNT = /^([\d.,]+)\s*(ml|millilitres?|milliliters?|cl|l|litres?|liters?)\b(?:\s+(?:of\s+)?\w+)*$/i;
const WEIGHT =
  /^(?:(?:a\s+)?load\s+(?:of\s+)?)?([\d.,]+)\s*(g|grams?|kg)\b\s*(?:(?:load\s*)?,?\s*(?:centre|center)\s+(?:at\s+)?(.+))?$/i;
const MARK = /(?:^|\s)(?:ø|⌀|dia(?:meter)?\.?)\s*/i;
const SIZES_AT = /[ø⌀]|\bdia|[-+−]?\d/i;

/** Reads `4`, `4x`, `four`, at the start of a part; what is left is name and sizes. */
function counted(part: string): { readonly count: number; readonly rest: string } {
  const figure = /^(\d+)\s*(?:×|x(?=\s+[a-z]))?\s+(?=[a-zø⌀])(.+)$/i.exec(part);
  if (figure && !/^(?:mm|cm|m|in|inch|inches|x|by)\b/i.test(figure[2]))
    return { count: Number(figure[1]), rest: figure[2] };
  const word = /^([a-z]+)\s+(.+)$/i.exec(part);
  const known = word && NUMBER_WORDS[word[1].toLowerCase()];
  return word && known ? { count: known, rest: word[2] } : { count: 1, rest: part };
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

function pieceOf(part: string, unit: LengthUnit): Piece {
  const { count, rest } = counted(part);
  if (!(count >= 1 && count <= MOST_PIECES))
    throw new ParseLengthError('count', `Up to ${MOST_PIECES} pieces can be counted here, not ${count}.`, part);
  const at = rest.search(SIZES_AT);
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
  const ml = Number(figure.replace(',', '.')) * (/^ml|^milli/i.test(unit) ? 1 : /^cl/i.test(unit) ? 10 : 1000);
  if (!(ml > 0 && ml <= 20_000)) throw new ParseLengthError('count', 'Between a drop and 20 litres, please.', text);
  return ml;
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
  const amount = AMOUNT.exec(line);
  if (amount) return { kind: 'liquid', ml: millilitres(amount[1], amount[2], text) };
  const weight = WEIGHT.exec(line);
  if (weight) {
    const grams = Number(weight[1].replace(',', '.')) * (/^k/i.test(weight[2]) ? 1000 : 1);
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
  const pieces = partsOf(line.replace(/\bloose\b/gi, ' ').trim()).map((part) => pieceOf(part, unit));
  if (pieces.length === 1 && (loose || pieces[0].count >= POURED_FROM)) return { kind: 'loose', piece: pieces[0] };
  return { kind: 'hold', pieces };
}
