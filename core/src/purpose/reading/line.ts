import { boxOf, isThin } from '../../bodies/contents';
import { COMMON_PAPER, caliperOf } from '../../paper/paper';
import type { LengthUnit } from '../../measure/parse-length';
import type { Manner, Purpose } from '../purpose';
import { amountUnit, MOST_GRAMS } from './amounts';
import { numberAt, numberWord } from './figures';
import { itemOf, MOST_PIECES, USUAL_CARD_MM } from './item';
import { bulkDensity } from './known-things';
import { inMm, runsOf, sizeAt } from './sizes';
import { type CalledSheet, takeTerms, type Terms, type Weight } from './terms';
import { type Token, type TokenKind, tokensOf, wordOf } from './tokens';
import { ParsePurposeError, Unreadable, unreadable } from './unreadable';

/** A grip of this depth keeps a page's corner marked when nothing else is asked, in mm. */
const USUAL_GRIP_MM = 25;
/** Straps and belts are taken to be so thick when only their width is given, in mm. */
const USUAL_STRAP_MM = 2;
/** The centre of a load is taken to lie so high over the floor when nothing is said, in mm. */
const USUAL_CENTRE_MM = 5;
/** From so many on, small pieces are poured rather than laid side by side, unless they are thin and stack. */
const POURED_FROM = 20;
/** No longer pieces are poured where nobody says so: cells, pens and tea bags are laid in order, however many. */
const POURED_UP_TO_MM = 35;
/** Longer lines are no purpose; reading them would only take time. */
const MOST_CHARACTERS = 2000;
const MOST_ML = 20_000;

const isOf = (token: Token | undefined, ...words: string[]): boolean => words.includes(wordOf(token));

/** An amount with its unit somewhere in a line that says nothing else in figures. */
interface Amount {
  readonly of: 'ml' | 'g';
  readonly amount: number;
  readonly negative: boolean;
  readonly from: number;
  readonly to: number;
}

function amountIn(tokens: readonly Token[]): Amount | null {
  for (let at = 0; at < tokens.length; at++) {
    const sign = tokens[at].kind === 'dash' ? 1 : 0;
    const number = numberAt(tokens, at + sign);
    const said = !number && tokens.length > at + 1 ? numberWord(wordOf(tokens[at])) : null;
    const [value, next] = number ? [number.value, number.next] : said === null ? [0, 0] : [said, at + 1];
    if (!next) continue;
    // `cm` and `³` are two signs.
    const cubed = isOf(tokens.at(next), 'cm') && /^[³3]$/.test(tokens.at(next + 1)?.text ?? '');
    const unit = cubed ? ({ of: 'ml', per: 1, words: 2 } as const) : amountAt(tokens, next);
    if (!unit) continue;
    return { of: unit.of, amount: value * unit.per, negative: sign === 1, from: at, to: next + unit.words };
  }
  return null;
}

function amountAt(tokens: readonly Token[], at: number): ReturnType<typeof amountUnit> {
  const dot = tokens.at(at + 1)?.kind === 'dot' ? 1 : 0;
  const unit = wordOf(tokens.at(at)) ? amountUnit(tokens[at].text, wordOf(tokens.at(at + 1 + dot))) : null;
  const found = unit && unit.words === 2 ? { ...unit, words: 2 + dot } : unit;
  const end = found ? tokens.at(at + found.words) : undefined;
  return found && end?.kind === 'dot' && !end.spaced ? { ...found, words: found.words + 1 } : found;
}

const nameOf = (line: string, tokens: readonly Token[]): string =>
  tokens
    .filter((token) => token.kind === 'word' && !isOf(token, 'of', 'for', 'a', 'an'))
    .map(({ from, to }) => line.slice(from, to))
    .join(' ');

/** `120 ml`, `1/2 l of water`, `100 g rice`, `40 g load`, `boat for 40 g, centre at 6`; null for what is no amount. */
function readAmount(line: string, tokens: readonly Token[], unit: LengthUnit): Purpose | null {
  const found = amountIn(tokens);
  const asLoad = tokens.some((token) => isOf(token, 'load', 'boat', 'float', 'floating', 'carry'));
  if (!found) {
    if (!isOf(tokens[0], 'load')) return null;
    throw unreadable(tokens, 'count', 'A load has a weight: load 40 g.');
  }
  const { of, amount, negative, from, to } = found;
  const rest = [...tokens.slice(0, from), ...tokens.slice(to)];
  const centre = of === 'g' ? rest.findIndex((token) => isOf(token, 'centre', 'center')) : -1;
  const named = centre < 0 ? rest : rest.slice(0, centre);
  // Sizes beside it: a thing that happens to weigh something, or to be called after what it holds.
  if (runsOf(named).length) return null;
  const said = tokens.slice(from, to);
  const text = line.slice(said[0].from, said[said.length - 1].to);
  if (negative || !(amount > 0))
    throw unreadable(said, 'not-positive', `“${text}” must be more than ${of === 'ml' ? 'nothing' : 'zero'}.`);
  const name = nameOf(line, named);
  const density = bulkDensity(name);
  if (of === 'ml') {
    if (amount > MOST_ML) throw unreadable(said, 'too-large', 'Between a drop and 20 litres, please.');
    return density ? { kind: 'bulk', name, ml: amount } : { kind: 'liquid', ml: amount };
  }
  if (amount > MOST_GRAMS) throw unreadable(said, 'too-large', 'Up to 20 kg, please.');
  // The lightest that such goods are takes the most room.
  if (density && !asLoad) return { kind: 'bulk', name, ml: amount / density[0] };
  if (name && !asLoad)
    throw unreadable(
      named,
      'unknown-unit',
      `How much room ${text} of “${name}” takes is not known: write a volume or sizes, or load ${text} for a boat.`,
    );
  return { kind: 'load', grams: amount, centreMm: centre < 0 ? USUAL_CENTRE_MM : centreOf(rest.slice(centre), unit) };
}

function centreOf(tokens: readonly Token[], unit: LengthUnit): number {
  const [mm] = sizesAfter(tokens, unit);
  if (!mm) throw unreadable(tokens, 'count', 'Write how high the centre of the load is: centre at 6 mm.');
  return mm;
}

/** The sizes of a line that has a word of its own for what it is for: `strap 25 x 2`. */
function sizesAfter(tokens: readonly Token[], unit: LengthUnit): readonly number[] {
  const [run] = runsOf(tokens);
  return run ? inMm(run, unit) : [];
}

/** `strap 25 x 2`, `belt 38`, `pages 3 mm`, `30 pages`, `bead 8`; null for other lines. */
function readSpecial(tokens: readonly Token[], unit: LengthUnit): Purpose | null {
  const [first, second] = tokens;
  if (isOf(first, 'strap', 'belt', 'webbing', 'ribbon')) {
    const mm = sizesAfter(tokens.slice(1), unit);
    if (mm.length < 1 || mm.length > 2)
      throw unreadable(tokens, 'count', 'A strap has a width and a thickness: strap 25 x 2.');
    return { kind: 'strap', widthMm: mm[0], thickMm: mm[1] ?? USUAL_STRAP_MM };
  }
  if (isOf(first, 'page', 'pages')) {
    const mm = sizesAfter(tokens.slice(isOf(second, 'corner') ? 2 : 1), unit);
    if (mm.length !== 1) throw unreadable(tokens, 'count', 'Write how thick the pages are together: pages 3 mm.');
    return { kind: 'pages', thickMm: mm[0], gripMm: USUAL_GRIP_MM };
  }
  const count = first?.kind === 'number' && /^\d+$/.test(first.text) ? Number(first.text) : numberWord(wordOf(first));
  if (tokens.length === 2 && count !== null && isOf(second, 'page', 'pages', 'leaf', 'leaves')) {
    if (!(count >= 1 && count <= MOST_PIECES))
      throw unreadable([first], 'count', `Count from 1 to ${MOST_PIECES} pages.`);
    // Each leaf as thick as common office paper.
    return { kind: 'pages', thickMm: Math.ceil(10 * count * caliperOf(COMMON_PAPER)) / 10, gripMm: USUAL_GRIP_MM };
  }
  if (isOf(first, 'place') && isOf(second, 'card', 'cards')) {
    const mm = sizesAfter(tokens.slice(2), unit);
    if (mm.length < 2 || mm.length > 3)
      throw unreadable(tokens, 'count', 'A place card has a width and a height: place card 85 x 55.');
    return { kind: 'place card', widthMm: mm[0], heightMm: mm[1], thickMm: mm[2] ?? USUAL_CARD_MM };
  }
  if (isOf(first, 'head') && tokens.length > 1 && isOneSize(tokens.slice(1)))
    return { kind: 'head', roundMm: sizesAfter(tokens.slice(1), unit)[0] };
  const run = isOf(first, 'marble') && isOf(second, 'run') ? 2 : isOf(first, 'bead', 'marble') ? 1 : 0;
  // `marble ø16` is a marble to be held; `marble 16` one that runs.
  if (!run || (isOf(first, 'marble') && tokens.at(run)?.kind === 'round')) return null;
  const exit = tokens.findIndex((token) => isOf(token, 'exit'));
  const bead = tokens.slice(run, exit < 0 ? undefined : exit);
  if (!isOneSize(bead)) return null;
  const [diameterMm] = sizesAfter(bead, unit);
  if (exit < 0) return { kind: 'bead', diameterMm };
  if (!isOneSize(tokens.slice(exit + 1)))
    throw unreadable(tokens, 'count', 'Write how high the edge is that the bead comes over: bead 8 exit 9.');
  return { kind: 'bead', diameterMm, exitMm: sizesAfter(tokens.slice(exit + 1), unit)[0] };
}

/** Whether some tokens are one size and nothing else: `45`, `45 mm wide`. */
function isOneSize(tokens: readonly Token[]): boolean {
  const one = sizeAt(tokens, 0);
  return one !== null && one.next === tokens.length;
}

/** The things of a line, apart: at `and`, `;`, `&`, new lines, commas and pluses. Sizes with commas between them stay together. */
function partsOf(tokens: readonly Token[]): readonly (readonly Token[])[] {
  const parts: { tokens: Token[]; comma: boolean }[] = [{ tokens: [], comma: false }];
  for (const token of tokens) {
    const comma = token.kind === 'comma';
    const plus = token.kind === 'plus' && token.spaced;
    if (comma || plus || token.kind === 'break' || isOf(token, 'and')) parts.push({ tokens: [], comma });
    else parts[parts.length - 1].tokens.push(token);
  }
  const joined: Token[][] = [];
  for (const { tokens: part, comma } of parts) {
    const trimmed = withoutEnds(part);
    if (!trimmed.length) continue;
    const before = joined.at(-1);
    const singles = before && comma && isOneSize(trimmed) ? runsOf(before).at(-1) : undefined;
    if (before && singles && !singles.joined && singles.to === before.length) before.push(...trimmed);
    else joined.push([...trimmed]);
  }
  return joined;
}

const SILENT: ReadonlySet<TokenKind> = new Set(['dot', 'colon', 'break', 'comma']);

/** Stops, colons and commas at either end say nothing. */
function withoutEnds(tokens: readonly Token[]): readonly Token[] {
  const says = ({ kind }: Token): boolean => !SILENT.has(kind);
  const from = tokens.findIndex(says);
  return from < 0 ? [] : tokens.slice(from, tokens.findLastIndex(says) + 1);
}

function readThings(
  line: string,
  tokens: readonly Token[],
  unit: LengthUnit,
  manner: Manner,
  weight: Weight | null,
): Purpose {
  const read = partsOf(tokens).map((part) => itemOf(line, part, unit));
  if (!read.length) throw unreadable(tokens, 'empty', 'Write what it must hold, for example 60 x 45 x 22.');
  const [{ item }] = read;
  const { loose, posed } = read[0];
  const small = Math.max(...boxOf(item.thing)) <= POURED_UP_TO_MM;
  const poured = !posed && !manner.order && item.count >= POURED_FROM && small && !isThin(item.thing);
  const pieces = read.map((one) => one.item);
  const counted = weight?.each ? pieces.reduce((sum, { count }) => sum + count, 0) : 1;
  const weighing = weight && { grams: weight.grams * counted };
  if (read.length === 1 && (loose || poured)) {
    const { posture: _, ...piece } = item;
    return { kind: 'loose', piece, ...weighing };
  }
  return { kind: 'hold', pieces, ...manner, ...weighing };
}

/** A line as it was read: what it is for, and what else was said. */
export interface LineRead {
  readonly purpose: Purpose;
  readonly terms: Terms;
}

/**
 * Reads one line that says what something is for:
 * `60 x 45 x 22`, `4 tickets 105 × 74, one hex key 120 × 35 × 8`, `30 washers ø10 x 1`, `120 ml`, `load 60 g`, `pages 3 mm`,
 * `strap 25 x 2`, `bead 8`, `100 g rice`, `8 AA batteries`; and beside it `side by side`, `proud by 10`, `under 40 high`,
 * `fits a drawer 200 x 80`, `from A4, three of them`. A bare number is in the unit given. It is read once, from left to right,
 * in time that grows with its length.
 * @param sheets that may be called by name, beside those that are sold
 * @throws ParsePurposeError naming what cannot be read and where, in words fit to stand beside the field
 */
export function readPurposeLine(text: string, unit: LengthUnit = 'mm', sheets: readonly CalledSheet[] = []): LineRead {
  if (text.trim().length > MOST_CHARACTERS)
    throw new ParsePurposeError(
      'count',
      `Up to ${MOST_CHARACTERS} characters are read here, not ${text.trim().length}.`,
      text,
      { from: 0, to: text.length },
    );
  try {
    const tokens = tokensOf(text);
    if (!tokens.length) throw unreadable([], 'empty', 'Write what it must hold, for example 60 x 45 x 22.');
    const { rest, terms, manner, weight } = takeTerms(text, tokens, unit, sheets);
    const whole = withoutEnds(rest);
    const purpose =
      readAmount(text, whole, unit) ?? readSpecial(whole, unit) ?? readThings(text, whole, unit, manner, weight);
    const { kind } = purpose;
    if (kind !== 'hold' && (Object.keys(manner).length || (weight && kind !== 'loose')))
      throw unreadable(
        tokens,
        'count',
        'How things are set, and what they weigh, can be said of things that are laid in: leave it out here.',
      );
    return { purpose, terms };
  } catch (error) {
    if (error instanceof Unreadable) throw new ParsePurposeError(error.fault, error.message, text, error.at);
    throw error;
  }
}

/** What a line is for, whatever else it says. @throws ParsePurposeError as `readPurposeLine` does */
export const parsePurpose = (text: string, unit: LengthUnit = 'mm'): Purpose => readPurposeLine(text, unit).purpose;
