import type { Order } from '../../bodies/arrange';
import type { LengthUnit } from '../../measure/parse-length';
import { isoSheet } from '../../paper/iso-sheets';
import { STOCK_SHEETS } from '../../paper/stock-sheets';
import type { Manner, OuterLimits } from '../purpose';
import { amountUnit, MOST_GRAMS } from './amounts';
import { numberAt, numberWord } from './figures';
import { inMm, type Run, runsOf, type SideName, sizeAt } from './sizes';
import { type Token, wordOf } from './tokens';
import { unreadable } from './unreadable';

/** A sheet that may be called by its name. */
export interface CalledSheet {
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** What is said beside the things: what it must fit into, and which sheet it is to come from. */
export interface Terms {
  /** What the finished thing may measure outside; null where nothing is said. */
  readonly most: OuterLimits | null;
  /** The sheet that it is cut from, and how many of the finished things it must give. */
  readonly from: (CalledSheet & { readonly many: number }) | null;
}

export const NO_TERMS: Terms = { most: null, from: null };

const OPEN: OuterLimits = { lengthMm: null, widthMm: null, heightMm: null };

/** A weight of all things together, or of each. */
export interface Weight {
  readonly grams: number;
  readonly each: boolean;
}

/** A line with its terms taken out. */
export interface TermsRead {
  readonly rest: readonly Token[];
  readonly terms: Terms;
  readonly manner: Manner;
  readonly weight: Weight | null;
}

/** How things are set, in the words of makers. */
const ORDERS: readonly (readonly [string, Order])[] = [
  ['side by side', 'floor'],
  ['side-by-side', 'floor'],
  ['next to each other', 'floor'],
  ['in one layer', 'floor'],
  ['in a row', 'row'],
  ['in one row', 'row'],
  ['in layers', 'layers'],
  ['on top of each other', 'stack'],
  ['on each other', 'stack'],
  ['one on the other', 'stack'],
  ['in a stack', 'stack'],
  ['stacked', 'stack'],
];
const GRIPPED = ['must be gripped', 'to be gripped', 'gripped'];
const UNDER = ['no more than', 'under', 'below', 'within'];
const INTO = ['has to fit', 'must fit', 'fits', 'fitting', 'fit', 'goes'];
const ARTICLES = /^(?:in|into|inside|a|an|the|my|our)$/;
/** So many words may stand between `fits a` and its sizes: `drawer`, `kitchen drawer of`. */
const MOST_WORDS = 4;
const MOST_OF_THEM = 200;

/** How many tokens a phrase takes from one on; 0 where it does not stand there. */
function said(tokens: readonly Token[], at: number, phrase: string): number {
  const words = phrase.split(' ');
  return words.every((word, k) => wordOf(tokens.at(at + k)) === word || tokens.at(at + k)?.text.toLowerCase() === word)
    ? words.length
    : 0;
}
const saidOne = (tokens: readonly Token[], at: number, phrases: readonly string[]): number =>
  Math.max(...phrases.map((phrase) => said(tokens, at, phrase)));

/** A run of sizes that begins at a token. */
const runAt = (tokens: readonly Token[], at: number): Run | null => {
  const [run] = runsOf(tokens.slice(at));
  return run?.from === 0 ? run : null;
};

interface Found<T> {
  readonly value: T;
  readonly next: number;
}

const OUTSIDE: Readonly<Partial<Record<SideName, keyof OuterLimits>>> = {
  length: 'lengthMm',
  width: 'widthMm',
  height: 'heightMm',
  thickness: 'heightMm',
};

/** `under 40 high`, `within 200 x 80`. */
function underAt(tokens: readonly Token[], at: number, unit: LengthUnit): Found<Partial<OuterLimits>> | null {
  const taken = saidOne(tokens, at, UNDER);
  const run = taken ? runAt(tokens, at + taken) : null;
  if (!run) return null;
  const next = at + taken + run.to;
  if (run.sizes.length > 1) return { value: sidesOf(tokens.slice(at, next), run, unit), next };
  const { side } = run.sizes[0];
  const [mm] = inMm(run, unit);
  const key = side && OUTSIDE[side];
  if (!key)
    throw unreadable(
      tokens.slice(at, next),
      'count',
      'Say which side it is: under 40 high, under 200 long, under 80 wide.',
    );
  return { value: { [key]: mm }, next };
}

function sidesOf(tokens: readonly Token[], run: Run, unit: LengthUnit): Partial<OuterLimits> {
  const [a, b, heightMm, ...more] = inMm(run, unit);
  if (more.length)
    throw unreadable(tokens, 'count', 'What it must fit into has two or three sides: fits a drawer 200 x 80.');
  return { lengthMm: Math.max(a, b), widthMm: Math.min(a, b), ...(heightMm && { heightMm }) };
}

/** `fits a drawer 200 x 80`, `must fit into my tin 120 x 80 x 40`, `slot 110`. */
function intoAt(tokens: readonly Token[], at: number, unit: LengthUnit): Found<Partial<OuterLimits>> | null {
  const taken = saidOne(tokens, at, INTO);
  let next = at + taken;
  if (taken) while (ARTICLES.test(tokens.at(next)?.text.toLowerCase() ?? '')) next += 1;
  const slot = wordOf(tokens.at(next)) === 'slot';
  if (!taken && !slot) return null;
  const words = next;
  // `slot car` is a toy.
  const between = taken ? MOST_WORDS : said(tokens, next + 1, 'of') ? 2 : 1;
  while (next < words + between && tokens.at(next)?.kind === 'word' && !sizeAt(tokens, next)) next += 1;
  const run = runAt(tokens, next);
  if (!run) return null;
  next += run.to;
  if (slot && run.sizes.length === 1) return { value: { widthMm: inMm(run, unit)[0] }, next };
  if (run.sizes.length === 1)
    throw unreadable(
      tokens.slice(at, next),
      'count',
      'What it must fit into has two or three sides: fits a drawer 200 x 80.',
    );
  return { value: sidesOf(tokens.slice(at, next), run, unit), next };
}

/** `from A4`, `from a sheet of 210 x 297`, `from one sheet of Kraft`. */
function fromAt(
  line: string,
  tokens: readonly Token[],
  at: number,
  { unit, sheets }: { readonly unit: LengthUnit; readonly sheets: readonly CalledSheet[] },
): Found<CalledSheet> | null {
  if (wordOf(tokens.at(at)) !== 'from') return null;
  let next = at + 1;
  while (/^(?:one|a|an|the|sheet|of|my)$/.test(tokens.at(next)?.text.toLowerCase() ?? '')) next += 1;
  const begin = tokens.at(next);
  if (!begin) return null;
  const text = line.slice(begin.from).toLowerCase();
  const called = [...sheets, ...STOCK_SHEETS]
    .filter(({ name }) => text.startsWith(name.toLowerCase()) && !/^[\p{L}\p{N}]/u.test(text.slice(name.length)))
    .sort((p, q) => q.name.length - p.name.length)
    .at(0);
  if (called) {
    const end = begin.from + called.name.length;
    while (next < tokens.length && tokens[next].from < end) next += 1;
    return { value: called, next };
  }
  const iso = isoSheet(begin.text);
  if (iso) return { value: { name: begin.text.toUpperCase(), widthMm: iso[0], heightMm: iso[1] }, next: next + 1 };
  const run = runAt(tokens, next);
  if (!run) return null;
  const [widthMm, heightMm = widthMm, ...more] = inMm(run, unit);
  next += run.to;
  if (more.length) throw unreadable(tokens.slice(at, next), 'count', 'A sheet has two sides: from 210 x 297.');
  return { value: { name: line.slice(begin.from, tokens[next - 1].to), widthMm, heightMm }, next };
}

/** `three of them`. */
function manyAt(tokens: readonly Token[], at: number): Found<number> | null {
  const token = tokens.at(at);
  const count = token?.kind === 'number' && /^\d+$/.test(token.text) ? Number(token.text) : numberWord(wordOf(token));
  if (count === null || !said(tokens, at + 1, 'of them')) return null;
  if (!(count >= 1 && count <= MOST_OF_THEM))
    throw unreadable(tokens.slice(at, at + 3), 'count', `Count from 1 to ${MOST_OF_THEM} of them.`);
  return { value: count, next: at + 3 };
}

/** `may stand proud by 10 mm`, `10 mm proud`. */
function proudAt(tokens: readonly Token[], at: number, unit: LengthUnit): Found<number> | null {
  const size = tokens[at].kind === 'number' ? sizeAt(tokens, at) : null;
  if (size && wordOf(tokens.at(size.next)) === 'proud') {
    const run = runAt(tokens, at);
    return run ? { value: inMm(run, unit)[0], next: size.next + 1 } : null;
  }
  let next = at;
  while (/^(?:may|can|must|stand|standing)$/.test(tokens.at(next)?.text.toLowerCase() ?? '')) next += 1;
  if (wordOf(tokens.at(next)) !== 'proud') return null;
  next += said(tokens, next + 1, 'by') ? 2 : 1;
  const run = runAt(tokens, next);
  if (run?.sizes.length !== 1)
    throw unreadable(tokens.slice(at, next), 'count', 'Write by how much it may stand proud: proud by 10 mm.');
  return { value: inMm(run, unit)[0], next: next + run.to };
}

/**
 * `weighing 300 g`, `, 300 g`, `5 g each`: by itself only after a comma and with sizes before it, for otherwise it says how much
 * is poured, or what floats.
 */
function weightAt(tokens: readonly Token[], at: number, rest: readonly Token[]): Found<Weight> | null {
  const named = /^(?:weighing|weighs|weight)$/.test(wordOf(tokens.at(at))) ? 1 : 0;
  const number = numberAt(tokens, at + named);
  if (!number) return null;
  const unit = amountUnit(tokens.at(number.next)?.text ?? '', '');
  if (unit?.of !== 'g') return null;
  let next = number.next + 1;
  const each = said(tokens, next, 'each') > 0;
  next += saidOne(tokens, next, ['each', 'together', 'in all']);
  const end = tokens.at(next);
  const apart = rest.at(-1)?.kind === 'comma' || rest.at(-1)?.kind === 'break';
  const alone = apart && (!end || end.kind === 'comma' || end.kind === 'break') && runsOf(rest).length > 0;
  if (!named && !alone) return null;
  const grams = number.value * unit.per;
  if (!(grams > 0 && grams <= MOST_GRAMS))
    throw unreadable(tokens.slice(at, next), 'count', 'A weight lies between nothing and 20 kg.');
  return { value: { grams, each }, next };
}

/**
 * Takes out of a line what is said beside the things: how they are set, what the finished thing must fit into, which sheet it
 * comes from.
 * @param sheets that may be called by name, beside those that are sold
 */
export function takeTerms(
  line: string,
  tokens: readonly Token[],
  unit: LengthUnit,
  sheets: readonly CalledSheet[],
): TermsRead {
  const rest: Token[] = [];
  let most: OuterLimits | null = null as OuterLimits | null;
  let from: CalledSheet | null = null as CalledSheet | null;
  let many = 1;
  let manner: Manner = {};
  let weight: Weight | null = null as Weight | null;
  for (let at = 0; at < tokens.length;) {
    const order = ORDERS.find(([phrase]) => said(tokens, at, phrase));
    const gripped = saidOne(tokens, at, GRIPPED);
    const proud = proudAt(tokens, at, unit);
    const limits = underAt(tokens, at, unit) ?? intoAt(tokens, at, unit);
    const sheet = fromAt(line, tokens, at, { unit, sheets });
    const count = manyAt(tokens, at);
    const weighs = weightAt(tokens, at, rest);
    if (weighs) {
      weight = weighs.value;
      at = weighs.next;
    } else if (order) {
      manner = { ...manner, order: order[1] };
      at += said(tokens, at, order[0]);
    } else if (gripped) {
      manner = { ...manner, gripped: true };
      at += gripped;
    } else if (proud) {
      manner = { ...manner, proudMm: proud.value };
      at = proud.next;
    } else if (limits) {
      most = { ...(most ?? OPEN), ...limits.value };
      at = limits.next;
    } else if (sheet) {
      from = sheet.value;
      at = sheet.next;
    } else if (count) {
      many = count.value;
      at = count.next;
    } else {
      rest.push(tokens[at]);
      at += 1;
    }
  }
  // A paper of the shelf knows more than its name and sides.
  const sheet = from && { name: from.name, widthMm: from.widthMm, heightMm: from.heightMm, many };
  return { rest, terms: { most, from: sheet }, manner, weight };
}
