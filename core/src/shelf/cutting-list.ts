import { ParseLengthError, type LengthUnit } from '../measure/parse-length';
import { parseSizes } from '../measure/parse-sizes';
import { isoSheet } from '../paper/iso-sheets';
import { STOCK_SHEETS } from '../paper/stock-sheets';
import type { WantedSheet } from './cutting';

/** One line of a list of sheets to be cut, as it was typed. */
export interface ListedSheet extends Pick<WantedSheet, 'mayTurn' | 'grain' | 'count'> {
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A line that cannot be read: its number from 1 on, and why. */
export interface UnreadLine {
  readonly line: number;
  readonly why: string;
}

const EXAMPLE = 'Write how many and how large, for example 4 x 150 x 99 pockets.';
const MOST_ALIKE = 500;

/** A sheet by its name, turned as that is usually drawn: the longer side first. */
function named(word: string): readonly [number, number] | null {
  const stock = STOCK_SHEETS.find(({ name }) => name.toLowerCase() === word.toLowerCase());
  return isoSheet(word) ?? (stock ? [stock.widthMm, stock.heightMm] : null);
}

/** Two sides at the start of a text, and what follows them. */
function sidesOf(text: string, unit: LengthUnit): { readonly sides: readonly number[]; readonly rest: string } | null {
  const [first] = text.split(/[\s,]/);
  const byName = named(first);
  if (byName) return { sides: byName, rest: text.slice(first.length) };
  const ends = [text.length, ...[...text.matchAll(/[\s,]/g)].map(({ index }) => index).reverse()];
  for (const end of ends) {
    try {
      const sides = parseSizes(text.slice(0, end), unit);
      if (sides.length === 2) return { sides, rest: text.slice(end) };
    } catch (error) {
      if (!(error instanceof ParseLengthError)) throw error;
    }
  }
  return null;
}

function lineOf(text: string, unit: LengthUnit): ListedSheet | string {
  const counted =
    /^(\d+)\s*(?:x|×|\*|of|sheets? of|pieces? of)?\s+(.+)$/i.exec(text) ?? /^(\d+)\s*[x×*]\s*(.+)$/i.exec(text);
  const afterCount = counted && sidesOf(counted[2], unit);
  const found = afterCount ?? sidesOf(text, unit);
  if (!found) return EXAMPLE;
  const count = afterCount ? Number(counted[1]) : 1;
  if (!(count >= 1 && count <= MOST_ALIKE)) return `Cut from 1 to ${MOST_ALIKE} alike.`;
  const [widthMm, heightMm] = found.sides;
  const words = found.rest
    .split(/[\s,;]+/)
    .filter(Boolean)
    .join(' ');
  const grain = /\bgrain (along|across)\b/i.exec(words);
  const fixed = /\b(not turned|fixed)\b/i.test(words);
  const name = words
    .replace(/\bgrain (along|across)\b/gi, '')
    .replace(/\b(not turned|fixed)\b/gi, '')
    .replace(/\s+/g, ' ')
    .trim();
  const way = grain?.[1].toLowerCase();
  return {
    ...{ widthMm, heightMm, count, mayTurn: !fixed, name },
    grain: way === 'along' || way === 'across' ? way : null,
  };
}

/**
 * Sheets to be cut, one kind a line: how many, how large, and what they are for; `not turned` keeps the first side along the
 * width of the paper, `grain along` or `grain across` says how the second side runs.
 * @example parseCuttingList('4 x 150 x 99 pockets\n2 A5 labels, not turned', 'mm').sheets[1] // A5, as it lies
 */
export function parseCuttingList(
  text: string,
  unit: LengthUnit,
): { readonly sheets: readonly ListedSheet[]; readonly unread: readonly UnreadLine[] } {
  const read = text
    .split('\n')
    .map((line, k) => ({ number: k + 1, line: line.trim() }))
    .filter(({ line }) => line !== '')
    .map(({ number, line }) => ({ number, found: lineOf(line, unit) }));
  return {
    sheets: read.flatMap(({ found }) => (typeof found === 'string' ? [] : [found])),
    unread: read.flatMap(({ number, found }) => (typeof found === 'string' ? [{ line: number, why: found }] : [])),
  };
}
