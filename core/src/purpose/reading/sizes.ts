import { type LengthUnit, LENGTH_RANGE_MM, MM_PER, unitOfWord } from '../../measure/parse-length';
import { numberAt } from './figures';
import { type Token, wordOf } from './tokens';
import { unreadable } from './unreadable';

/** Which side of a thing a size is said to be. */
export type SideName = 'length' | 'width' | 'height' | 'thickness' | 'across';

/** One size as typed: its unit and meaning are settled when all of the thing is known. */
export interface WrittenSize {
  readonly value: number;
  /** By how much less it may be, where it was written as a range: the value is the larger end. */
  readonly less: number;
  /** With its comma read as one that groups thousands. */
  readonly grouped: number | null;
  readonly unit: LengthUnit | null;
  readonly side: SideName | null;
  /** It was said to be round. */
  readonly round: boolean;
  /** Written as a whole number without unit, side or sign: it may be a count. */
  readonly bare: boolean;
  readonly tokens: readonly Token[];
}

/** Sizes that belong together: joined by an x, or one after another. */
export interface Run {
  readonly sizes: readonly WrittenSize[];
  readonly joined: boolean;
  /** The places of its tokens: from the first to before the last. */
  readonly from: number;
  readonly to: number;
}

const SIDES: ReadonlyMap<string, SideName> = new Map([
  ...(['l', 'long', 'length'] as const).map((word) => [word, 'length'] as const),
  ...(['w', 'wide', 'width', 'across'] as const).map((word) => [word, 'width'] as const),
  ...(['h', 'high', 'height', 'tall', 'deep', 'depth'] as const).map((word) => [word, 'height'] as const),
  ...(['t', 'thick', 'thickness'] as const).map((word) => [word, 'thickness'] as const),
  ...(['d', 'dia', 'diameter'] as const).map((word) => [word, 'across'] as const),
]);
/** One letter stands for a side before its figure only: a word after a figure is more often a name. */
const AFTER = /^(?:long|length|wide|width|high|height|tall|deep|depth|thick|thickness|dia|diameter|across|[lwh])$/i;
/** `L60`, `W45`, `D38`: side and figure in one word. */
const GLUED = /^(l|w|h|d|t|dia)(\d+(?:\.\d+)?)$/i;
/** After one of these `in` is no unit. */
const ARTICLE = /^(?:a|an|the|my|one|each)$/;
const LEAST = /^(?:min|minimum)$/i;
const ABOUT = /^(?:about|approx|approximately|ca|circa|max|maximum)$/i;

const sideOf = (word: string): SideName | null => SIDES.get(word.toLowerCase()) ?? null;

/** Units after a figure: a word, an inch mark, feet with inches after them. */
function unitAt(
  tokens: readonly Token[],
  at: number,
  value: number,
): { unit: LengthUnit | null; value: number; next: number } {
  const token = tokens.at(at);
  const feet = token?.kind === 'foot' || (token?.kind === 'word' && /^(?:ft|foot|feet)$/i.test(token.text));
  if (feet) {
    const inches = numberAt(tokens, at + 1);
    const mark = inches && tokens.at(inches.next);
    const said = mark && (mark.kind === 'inch' || (mark.kind === 'word' && unitOfWord(mark.text) === 'in'));
    if (inches && said) return { unit: 'in', value: 12 * value + inches.value, next: inches.next + 1 };
    return { unit: 'in', value: 12 * value, next: at + 1 };
  }
  if (token?.kind === 'inch') return { unit: 'in', value, next: at + 1 };
  const unit = token?.kind === 'word' ? unitOfWord(token.text) : null;
  // `60 x 45 in a tray` speaks of a tray.
  const preposition = token && wordOf(token) === 'in' && ARTICLE.test(wordOf(tokens.at(at + 1)));
  if (unit === null || preposition) return { unit: null, value, next: at };
  const dot = tokens.at(at + 1);
  const ends = dot?.kind === 'dot' && !dot.spaced;
  return { unit, value, next: at + 1 + (ends ? 1 : 0) };
}

/** What may stand before a size and change what it means; how many tokens that takes. */
function leadAt(tokens: readonly Token[], at: number): number {
  const [first, second] = [tokens.at(at), tokens.at(at + 1)];
  const words = [first, second].map((token) => (token?.kind === 'word' ? token.text.toLowerCase() : ''));
  if (first && second && words[0] === 'at' && words[1] === 'least') throw least([first, second]);
  if (first && LEAST.test(words[0])) throw least([first]);
  if (first?.kind === 'about') return 1;
  if (words[0] === 'up' && words[1] === 'to') return 2;
  if (words[0] === 'at' && words[1] === 'most') return 2;
  if (!ABOUT.test(words[0])) return 0;
  return second?.kind === 'dot' ? 2 : 1;
}

const least = (tokens: readonly Token[]) =>
  unreadable(tokens, 'not-a-number', 'Write the largest that it may be: a least size leaves open how large that is.');

/** The size that begins at a token, or null when none does. */
export function sizeAt(
  tokens: readonly Token[],
  start: number,
): { readonly size: WrittenSize; readonly next: number } | null {
  let at = start;
  let side: SideName | null = null;
  let round = false;
  const lead = leadAt(tokens, at);
  at += lead;
  const named = tokens.at(at);
  const glued = named?.kind === 'word' ? GLUED.exec(named.text) : null;
  if (glued && named) {
    side = sideOf(glued[1]);
    const figure = Number(glued[2]);
    const { unit, value, next } = unitAt(tokens, at + 1, figure);
    return {
      size: sizeOf(tokens, start, next, { value, less: 0, grouped: null, unit, side, round, bare: false }),
      next,
    };
  }
  if (named?.kind === 'word' && sideOf(named.text) !== null) {
    const colon = tokens.at(at + 1)?.kind === 'colon' || tokens.at(at + 1)?.kind === 'dot' ? 1 : 0;
    if (!numberAt(tokens, at + 1 + colon)) return null;
    side = sideOf(named.text);
    at += 1 + colon;
  }
  if (tokens.at(at)?.kind === 'round') {
    round = true;
    at += 1;
  }
  const sign = tokens.at(at);
  if (sign?.kind === 'dash' && (at === 0 || sign.spaced || tokens.at(at - 1)?.kind === 'times')) {
    const after = numberAt(tokens, at + 1);
    if (after)
      throw unreadable(
        [sign, tokens[after.next - 1]],
        'not-positive',
        `“-${tokens[at + 1].text}” must be more than zero.`,
      );
  }
  const number = numberAt(tokens, at);
  if (!number) return null;
  let read: SizeRead = { ...unitAt(tokens, number.next, number.value), less: 0 };
  let { grouped } = number;
  if (read.value !== number.value) grouped = null;
  const widened = upperAt(tokens, read, number.next);
  if (widened) read = widened;
  const after = tokens.at(read.next);
  let next = read.next;
  if (after?.kind === 'word' && AFTER.test(after.text) && side === null) {
    side = sideOf(after.text);
    next += 1;
  }
  const bare = number.whole && read.unit === null && side === null && !round && !lead && !widened;
  return {
    size: sizeOf(tokens, start, next, { ...read, grouped, side, round: round || side === 'across', bare }),
    next,
  };
}

function sizeOf(
  tokens: readonly Token[],
  from: number,
  to: number,
  { value, less, grouped, unit, side, round, bare }: Omit<WrittenSize, 'tokens'>,
): WrittenSize {
  return { value, less, grouped, unit, side, round, bare, tokens: tokens.slice(from, to) };
}

/** A size with its unit, and how much less it may be. */
interface SizeRead {
  readonly unit: LengthUnit | null;
  readonly value: number;
  readonly less: number;
  readonly next: number;
}

/** A range or a tolerance after a size: the larger counts. `60-62`, `60 to 62`, `60±1`. */
function upperAt(
  tokens: readonly Token[],
  read: { readonly unit: LengthUnit | null; readonly value: number; readonly next: number },
  afterNumber: number,
): SizeRead | null {
  const sign = tokens.at(read.next);
  if (sign?.kind === 'plus-minus') {
    const by = numberAt(tokens, read.next + 1);
    if (!by) return null;
    const wide = unitAt(tokens, by.next, by.value);
    const unit = wide.unit ?? read.unit;
    const scale = read.unit && wide.unit ? MM_PER[wide.unit] / MM_PER[read.unit] : 1;
    const half = wide.value * scale;
    return { unit: read.unit ?? unit, value: read.value + half, less: 2 * half, next: wide.next };
  }
  const isTo = sign?.kind === 'word' && sign.text.toLowerCase() === 'to';
  if (sign?.kind !== 'dash' && !isTo) return null;
  const upper = numberAt(tokens, read.next + 1);
  if (!upper) return null;
  const wide = unitAt(tokens, upper.next, upper.value);
  const scale = (unit: LengthUnit | null): number => (unit ? MM_PER[unit] : read.unit ? MM_PER[read.unit] : 1);
  if (wide.value * scale(wide.unit) <= read.value * scale(read.unit ?? wide.unit))
    throw unreadable(
      tokens.slice(afterNumber - 1, wide.next),
      'count',
      'A range runs from the smaller size to the larger one: 60-62.',
    );
  const unit = wide.unit ?? read.unit;
  const lower = (read.value * scale(read.unit ?? wide.unit)) / scale(unit);
  return { unit, value: wide.value, less: wide.value - lower, next: wide.next };
}

/** All runs of sizes among some tokens, in order. Sizes in a row without an x are one run; an x binds closer. */
export function runsOf(tokens: readonly Token[]): readonly Run[] {
  const joined: Run[] = [];
  for (let at = 0; at < tokens.length;) {
    const first = sizeAt(tokens, at);
    if (!first) {
      at += 1;
      continue;
    }
    const sizes = [first.size];
    let next = first.next;
    while (tokens.at(next)?.kind === 'times') {
      const more = sizeAt(tokens, next + 1);
      if (!more) break;
      sizes.push(more.size);
      next = more.next;
    }
    joined.push({ sizes, joined: sizes.length > 1, from: at, to: next });
    at = next;
  }
  const runs: Run[] = [];
  for (const run of joined) {
    const before = runs.at(-1);
    if (before && before.to === run.from && !before.joined && !run.joined)
      runs[runs.length - 1] = { ...before, sizes: [...before.sizes, ...run.sizes], to: run.to };
    else runs.push(run);
  }
  return runs;
}

/** So large a size beside it says that a comma groups thousands. */
const LARGE = 1000;

/**
 * The sizes of a run in mm. A unit written once at the end holds for those that name none. A comma before exactly three digits
 * groups thousands only without a unit and beside sizes as large; with a unit it is decimal; else nobody can tell.
 */
export function inMm({ sizes }: Run, unit: LengthUnit): readonly number[] {
  const last = sizes.at(-1)!.unit;
  return sizes.map(({ value, grouped, unit: own, tokens }) => {
    const given = own ?? last;
    let figure = value;
    if (grouped !== null && given === null) {
      if (!sizes.some((other) => other.grouped === null && other.value >= LARGE)) {
        const text = tokens.map((token) => token.text).join('');
        throw unreadable(
          tokens,
          'not-a-number',
          `“${text}” may be ${value} or ${grouped}: write ${value} or ${grouped}, or add the unit.`,
        );
      }
      figure = grouped;
    }
    const mm = figure * MM_PER[given ?? unit];
    const said = `“${tokens.map((token, k) => (k && token.spaced ? ' ' : '') + token.text).join('')}”`;
    if (!(mm > 0)) throw unreadable(tokens, 'not-positive', `${said} must be more than zero.`);
    if (mm > LENGTH_RANGE_MM.max)
      throw unreadable(tokens, 'too-large', `${said} is larger than the 5 m that fits here.`);
    if (mm < LENGTH_RANGE_MM.min)
      throw unreadable(tokens, 'too-small', `${said} is smaller than 0.1 mm, too small to fold around.`);
    return mm;
  });
}

/** By how much the size of a run that varies most may come out smaller, in mm. */
export function slackOf({ sizes }: Run, unit: LengthUnit): number {
  const last = sizes.at(-1)!.unit;
  return Math.max(...sizes.map(({ less, unit: own }) => less * MM_PER[own ?? last ?? unit]));
}
