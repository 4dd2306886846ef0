import type { Item, Posture, Thing } from '../../bodies/contents';
import type { LengthUnit } from '../../measure/parse-length';
import { isoSheet } from '../../paper/iso-sheets';
import { numberAt, numberWord } from './figures';
import {
  isBall,
  isCube,
  isLongRound,
  isRound,
  standardThing,
  threadOf,
  usualAcross,
  usualPosture,
} from './known-things';
import { inMm, type Run, runsOf, type SideName, slackOf, type WrittenSize } from './sizes';
import { isUnitWord, type Token, type TokenKind, wordOf } from './tokens';
import { unreadable } from './unreadable';

/** A sheet of paper or a thin card is taken to be so thick when its thickness is not given, in mm. */
export const USUAL_CARD_MM = 0.3;
export const MOST_PIECES = 2000;
const DOZEN = 12;

/** One thing of a line, and whether it is said to be poured. */
export interface ItemRead {
  readonly item: Item;
  readonly loose: boolean;
  /** It was said how it is kept. */
  readonly posed: boolean;
}

/** A figure before one of these is part of a name, not a count: a 9 V battery. */
const NOT_COUNTED = /^(?:v|volts?|w|wh|ah|mah|k|khz|hz)$/i;
/** Words at the start of a line that say what it is for, rather than what a thing is called. */
export const FIRST_WORDS: ReadonlySet<string> = new Set([
  ...['strap', 'belt', 'webbing', 'ribbon', 'page', 'pages', 'bead', 'marble', 'load', 'half', 'dozen', 'loose', 'any'],
  ...['place', 'head'],
]);
const POSTURES: ReadonlyMap<string, Posture> = new Map([
  ...(['standing', 'upright'] as const).map((word) => [word, 'standing'] as const),
  ...(['lying', 'flat'] as const).map((word) => [word, 'lying'] as const),
]);
/** Kinds of token that a name may begin or end with; signs between words are left where they stand. */
const NAMING: ReadonlySet<TokenKind> = new Set(['word', 'number', 'vulgar', 'other']);
/** Words that say nothing of the thing itself. */
const FILLERS = new Set(['each', 'of', 'x']);

interface Words {
  readonly tokens: readonly Token[];
  readonly posture: Posture | undefined;
  readonly loose: boolean;
}

/** Takes out what is said about how things are kept: `standing`, `lying`, `any way`, `loose`. */
function setApart(tokens: readonly Token[]): Words {
  let posture: Posture | undefined;
  let loose = false;
  const kept: Token[] = [];
  for (let k = 0; k < tokens.length; k++) {
    const word = wordOf(tokens[k]);
    const next = tokens.at(k + 1)?.text.toLowerCase();
    const said = POSTURES.get(word);
    if (word === 'any' && (next === 'way' || next === 'side')) {
      posture = 'any';
      k += 1;
    } else if (word === 'loose') loose = true;
    else if (said) posture = said;
    else kept.push(tokens[k]);
  }
  return { tokens: kept, posture, loose };
}

interface Counted {
  readonly count: number;
  /** How many tokens say it. */
  readonly taken: number;
}

/** The count at the start: `4`, `4x`, `four`, `a dozen`, `half a dozen`, `3 dozen`. */
function countedAt(tokens: readonly Token[]): Counted {
  const [first, second, third] = tokens;
  const none = { count: 1, taken: 0 };
  const dozens = ({ count, taken }: Counted): Counted =>
    wordOf(tokens[taken]) === 'dozen' || wordOf(tokens[taken]) === 'dozens'
      ? { count: DOZEN * count, taken: taken + 1 }
      : { count, taken };
  if (!first) return none;
  if (wordOf(first) === 'half' && wordOf(second) === 'a' && wordOf(third) === 'dozen')
    return { count: DOZEN / 2, taken: 3 };
  if (wordOf(first) === 'dozen') return { count: DOZEN, taken: 1 };
  const said = first.kind === 'word' && tokens.length > 1 ? numberWord(first.text) : null;
  if (said !== null) return dozens({ count: said, taken: 1 });
  const negative =
    first.kind === 'dash' && second?.kind === 'number' && third?.kind === 'word' && !isUnitWord(third.text);
  if (negative)
    throw unreadable([first, second], 'not-positive', `“-${second.text}” is no count: write how many there are.`);
  // A figure that has a fraction is a size.
  if (first.kind !== 'number' || !/^\d+$/.test(first.text) || !second || numberAt(tokens, 0)!.next > 1) return none;
  const one = { count: Number(first.text), taken: 1 };
  const ranges = wordOf(second) === 'to' && third?.kind === 'number';
  if (second.kind === 'word' && !isUnitWord(second.text) && !NOT_COUNTED.test(second.text) && !ranges)
    return dozens(one);
  if (second.kind === 'round') return one;
  // Two figures side by side: the first counts when sizes follow that are joined, or a name with a figure in it.
  if (second.kind === 'number' && second.spaced) {
    const [run, ...more] = runsOf(tokens.slice(1));
    const unitless = third?.kind === 'word' && NOT_COUNTED.test(third.text);
    const named = third?.kind === 'word' && isUnitWord(third.text) && more.length > 0;
    return run?.joined || unitless || named ? one : none;
  }
  if (second.kind !== 'times') return none;
  const timed = { count: one.count, taken: 2 };
  if (third?.kind === 'word' && !isUnitWord(third.text) && !/^(?:l|w|h|d|t|dia)\d/i.test(third.text))
    return dozens(timed);
  // `3x 105 x 74` and `4 × 105 x 74`: the first sign is not like the others.
  const others = tokens.slice(2).filter(({ kind }) => kind === 'times');
  const apart = !second.spaced && third?.spaced === true && others.some(({ spaced }) => spaced);
  const unlike = others.length > 0 && others.every(({ text }) => text.toLowerCase() !== second.text.toLowerCase());
  return apart || unlike ? timed : none;
}

/** The run that says the sizes: the one with the most of them, of equals the last. */
function mainRun(runs: readonly Run[]): Run | null {
  return runs.reduce<Run | null>((best, run) => (best && best.sizes.length > run.sizes.length ? best : run), null);
}

const textOf = (line: string, tokens: readonly Token[]): string =>
  tokens.length ? line.slice(tokens[0].from, tokens[tokens.length - 1].to) : '';

/** A name from the tokens before and after the sizes, without what says nothing. */
function nameFrom(line: string, parts: readonly (readonly Token[])[]): string {
  const words = parts.flatMap((tokens) => {
    let [from, to] = [0, tokens.length];
    const isFiller = (token: Token): boolean => !NAMING.has(token.kind) || FILLERS.has(token.text.toLowerCase());
    while (from < to && isFiller(tokens[from])) from += 1;
    while (to > from && isFiller(tokens[to - 1])) to -= 1;
    const text = textOf(line, tokens.slice(from, to)).replace(/\s+/g, ' ').trim();
    return text ? [text] : [];
  });
  return words.join(' ');
}

/** Sizes in the order length, width, height (or across, length), as their names say where they have any. */
function inOrder(sizes: readonly WrittenSize[], mm: readonly number[]): readonly number[] {
  const place: Readonly<Record<SideName, number>> = { across: 0, length: 0, width: 1, height: 2, thickness: 2 };
  if (!sizes.some(({ side }) => side !== null)) return mm;
  const free = [0, 1, 2].filter((k) => !sizes.some(({ side }) => side && place[side] === k));
  const at = sizes.map(({ side }) => (side ? place[side] : free.shift()!));
  return mm
    .map((size, k) => ({ size, at: at[k] }))
    .sort((p, q) => p.at - q.at)
    .map(({ size }) => size);
}

function thingOf(name: string, run: Run, mm: readonly number[]): Thing {
  const round = run.sizes.some((size) => size.round);
  const tokens = run.sizes.flatMap((size) => size.tokens);
  if (mm.length > 3)
    throw unreadable(tokens, 'count', 'That is more than three sizes for one thing. Put a comma between things.');
  if (mm.length === 1) {
    if (round || isBall(name)) return { shape: 'ball', diameterMm: mm[0] };
    if (isCube(name)) return { shape: 'block', lengthMm: mm[0], widthMm: mm[0], heightMm: mm[0] };
    const across = run.sizes[0].side === 'length' ? usualAcross(name) : null;
    if (across !== null) return { shape: 'cylinder', diameterMm: across, lengthMm: mm[0] };
    throw unreadable(
      tokens,
      'count',
      'One size is not enough: write length x width x height, or ø and a diameter for a round thing.',
    );
  }
  if (round && mm.length === 3)
    throw unreadable(tokens, 'count', 'A round thing has a diameter and a length or height: ø38 x 16.');
  if (mm.length === 3) {
    const [lengthMm, widthMm, heightMm] = inOrder(run.sizes, mm);
    return { shape: 'block', lengthMm, widthMm, heightMm };
  }
  if (round || isRound(name) || isBall(name)) {
    // What is across comes first, unless the other size is marked as it, or the thing is known to be longer than wide.
    const marked = run.sizes.findIndex((size) => size.round);
    const swapped = marked === 1 || (marked < 0 && isLongRound(name) && mm[0] > mm[1]);
    const [diameterMm, lengthMm] = swapped ? [mm[1], mm[0]] : mm;
    return { shape: 'cylinder', diameterMm, lengthMm };
  }
  const [widthMm, heightMm] = inOrder(run.sizes, mm);
  return { shape: 'flat', widthMm, heightMm, thickMm: USUAL_CARD_MM };
}

/** A screw is as wide as its head and as long as shank and head together. */
function screwOf(name: string, run: Run, mm: readonly number[]): Thing | null {
  const alone = threadOf(name) !== null;
  if (!alone && !/(?:^|\s)(?:screw|bolt)s?(?:\s|$)/i.test(name)) return null;
  const thread = name
    .split(/\s+/)
    .map(threadOf)
    .find((found) => found !== null);
  if (!thread) return null;
  const { acrossMm, highMm } = thread.head;
  const shank = mm.length === 1 && !run.sizes[0].round ? mm[0] : mm.length === 2 && mm[0] === thread.mm ? mm[1] : null;
  return shank === null ? null : { shape: 'cylinder', diameterMm: acrossMm, lengthMm: shank + highMm };
}

/**
 * One thing as typed: how many, what it is called, its sizes, how it is kept.
 * @throws Unreadable naming what cannot be read, and where
 */
export function itemOf(line: string, part: readonly Token[], unit: LengthUnit): ItemRead {
  const { tokens, posture, loose } = setApart(part);
  const { count, taken } = countedAt(tokens);
  const rest = tokens.slice(taken);
  if (count < 1) throw unreadable(part.slice(0, taken), 'count', 'None at all need no room: count one or more.');
  if (count > MOST_PIECES)
    throw unreadable(part.slice(0, taken), 'count', `Up to ${MOST_PIECES} pieces can be counted here, not ${count}.`);
  const build = (name: string, thing: Thing, slackMm = 0): ItemRead => {
    const kept = posture ?? usualPosture(name);
    return {
      item: { name: name || 'thing', count, thing, ...(kept && { posture: kept }), ...(slackMm > 0 && { slackMm }) },
      loose,
      posed: posture !== undefined,
    };
  };
  const whole = nameFrom(line, [rest]);
  const standard = standardThing(whole);
  if (standard) return build(whole, standard);
  const runs = runsOf(rest);
  const run = mainRun(runs);
  refuseLooseTimes(rest, runs);
  if (run) {
    const before = rest.slice(0, run.from);
    const after = rest.slice(run.to);
    const name = nameFrom(line, [before, after]);
    refuseUnknownUnit(after, run, name);
    const mm = inMm(run, unit);
    return build(name, screwOf(name, run, mm) ?? thingOf(name, run, mm), slackOf(run, unit));
  }
  const sheet = rest
    .map((token) => (token.kind === 'word' ? isoSheet(token.text) : null))
    .find((found) => found !== null);
  if (sheet) return build(whole, { shape: 'flat', widthMm: sheet[0], heightMm: sheet[1], thickMm: USUAL_CARD_MM });
  if (taken && whole)
    throw unreadable(
      rest,
      'unknown-unit',
      `“${whole}” is not a unit known here, and no sizes stand after it. Write them as in 4 tickets 105 x 74.`,
    );
  throw unreadable(part, 'empty', `“${textOf(line, part)}” has no sizes. Write them after the name: 105 x 74.`);
}

/** A word right after sizes without any name before may be a unit that is not known: `60 x 45 x 22 furlong`. */
function refuseUnknownUnit(after: readonly Token[], run: Run, name: string): void {
  const [word, ...more] = after;
  const known = run.sizes.some(({ unit, round }) => unit !== null || round);
  if (word?.kind === 'word' && !more.length && !known && NOT_UNITS.test(word.text) && name === word.text)
    throw unreadable([word], 'unknown-unit', `“${word.text}” is not a unit known here. Use mm, cm, in or ft.`);
}

/** An x stands between two sizes, or after a count or a thread: `M4 x 20`. */
function refuseLooseTimes(rest: readonly Token[], runs: readonly Run[]): void {
  rest.forEach((token, k) => {
    if (token.kind !== 'times' || runs.some(({ from, to }) => k >= from && k < to)) return;
    const before = rest.at(k - 1);
    if (k > 0 && before?.kind === 'word' && threadOf(before.text)) return;
    const words = textOfTokens(rest.slice(Math.max(0, k - 1), k));
    throw unreadable(
      [token],
      'count',
      words ? `A size is missing after “${words}”.` : 'A size is missing at the start.',
    );
  });
}

const textOfTokens = (tokens: readonly Token[]): string => tokens.map(({ text }) => text).join(' ');

/** Units that someone may write and that mean nothing here. */
const NOT_UNITS = /^(?:furlongs?|miles?|mi|km|kilomet(?:er|re)s?|yards?|yd|px|pt|points?|pixels?|nm|µm|um|dm)$/i;
