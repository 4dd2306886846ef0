import { formatLength, type ShownUnit } from '../measure/format-length';
import { parseLength } from '../measure/parse-length';

/** What a maker wants to find on a sheet. */
export type MarkAsk =
  /** Places along an edge, as shares of it. */
  | {
      readonly kind: 'places';
      readonly shares: readonly number[];
      /** Which edge; null where that was not said: the longer one. */
      readonly along: 'longer' | 'shorter' | null;
      /** How long that edge is, where it was said, in mm. */
      readonly lengthMm: number | null;
      /** Counted from the right or the far end. */
      readonly fromEnd: boolean;
    }
  /** A line in a direction, in degrees from the near edge. */
  | { readonly kind: 'angle'; readonly deg: number };

/** What was typed cannot be read; says why. */
export class MarkAskUnread extends Error {
  override readonly name = 'MarkAskUnread';
}

const ORDINALS: ReadonlyMap<string, number> = new Map(
  ['half', 'third', 'quarter', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth', 'eleventh', 'twelfth']
    .map((word, k) => [word, k + 2] as const)
    .concat([
      ['halve', 2],
      ['fourth', 4],
      ['sixteenth', 16],
    ]),
);

/** More parts than this are not folded. */
const MOST_PARTS = 32;

const EDGE = /\b(?:of|along|on)?\s*(?:the\s+)?(longer|long|shorter|short)\s+(?:edge|side)\b/;
const END = /\bfrom\s+(?:the\s+)?(left|right|near|far|bottom|top)(?:\s+(?:edge|side|end|corner))?\b/;

/**
 * Reads what is to be found: `3/7 of the long edge`, `57 mm from the left on 210`, `a line at 36°`, `divide into 12`, `thirds of
 * 8 1/2 in`, `0.43`, `43 %`.
 * @param unit of lengths that are written without one
 * @throws MarkAskUnread saying what is not understood
 */
export function readMarkAsk(text: string, unit: ShownUnit): MarkAsk {
  const said = text.trim().toLowerCase().replace(/\s+/g, ' ');
  if (!said) throw new MarkAskUnread('Write what is to be found, for example “3/7 of the long edge”.');
  const angle = /^(?:an?\s+)?(?:line|crease|angle)?\s*(?:at|of)?\s*(\d+(?:[.,]\d+)?)\s*(?:°|deg(?:rees?)?)$/.exec(said);
  if (angle) {
    const deg = Number(angle[1].replace(',', '.'));
    if (!(deg > 0 && deg < 180)) throw new MarkAskUnread('Write an angle between 0 and 180 degrees.');
    return { kind: 'angle', deg };
  }
  const edge = EDGE.exec(said);
  const end = END.exec(said);
  const along = edge ? (edge[1].startsWith('long') ? ('longer' as const) : ('shorter' as const)) : null;
  const fromEnd = end !== null && ['right', 'far', 'top'].includes(end[1]);
  const rest = said.replace(EDGE, ' ').replace(END, ' ').replace(/\s+/g, ' ').trim();
  const [what, whole] = rest.split(/\s+(?:on|of)\s+/);
  const lengthMm = whole === undefined ? null : length(whole, unit);
  const made = (shares: readonly number[]): MarkAsk => ({ kind: 'places', shares, along, lengthMm, fromEnd });
  const parts = partsOf(what);
  if (parts !== null) {
    if (!(parts >= 2 && parts <= MOST_PARTS)) throw new MarkAskUnread(`Divide into 2 to ${MOST_PARTS} parts.`);
    return made(Array.from({ length: parts - 1 }, (_, k) => (k + 1) / parts));
  }
  const share = shareOf(what);
  if (share !== null && (lengthMm !== null || end === null || !/^\d+[.,]/.test(what))) return made([within(share)]);
  if (lengthMm === null)
    throw new MarkAskUnread('Say on what length: “57 mm from the left on 210”, or write a fraction such as “3/7”.');
  const mm = length(what, unit);
  if (!(mm < lengthMm))
    throw new MarkAskUnread(`${formatLength(mm, unit)} is not less than ${formatLength(lengthMm, unit)}.`);
  return made([mm / lengthMm]);
}

function within(share: number): number {
  if (!(share > 0 && share < 1)) throw new MarkAskUnread('A place on the edge lies between 0 and 1 of it.');
  return share;
}

/** In how many parts, where it is a division. */
function partsOf(what: string): number | null {
  const into = /^(?:divide(?:d)?|fold(?:ed)?|split)?\s*(?:in|into)?\s*(\d+)\s*(?:equal\s+)?(parts|strips|rows)?$/.exec(
    what,
  );
  if (into && (into[2] || /^(?:divide|fold|split|in)/.test(what))) return Number(into[1]);
  const word = /^(?:divide(?:d)?\s+)?(?:in|into\s+)?([a-z]+)$/.exec(what)?.[1];
  if (!word?.endsWith('s')) return null;
  return ORDINALS.get(word.slice(0, -1)) ?? ORDINALS.get(word.replace(/lves$/, 'lf')) ?? null;
}

/** A fraction, a decimal below 1, a share in percent, or one in words. */
function shareOf(what: string): number | null {
  const fraction = /^(\d+)\s*[/⁄]\s*(\d+)$/.exec(what);
  if (fraction) return Number(fraction[1]) / Number(fraction[2]);
  const percent = /^(\d+(?:[.,]\d+)?)\s*%$/.exec(what);
  if (percent) return Number(percent[1].replace(',', '.')) / 100;
  const decimal = /^0?[.,]\d+$/.exec(what);
  if (decimal) return Number(what.replace(',', '.'));
  const words = /^(?:an?|one|(\d+|two|three|four|five))\s+([a-z]+)$/.exec(what);
  if (!words) return null;
  const top = words[1] === undefined ? 1 : ['two', 'three', 'four', 'five'].indexOf(words[1]) + 2 || Number(words[1]);
  const bottom = ORDINALS.get(words[2].replace(/s$/, ''));
  return bottom === undefined ? null : (words[1] && /^\d/.test(words[1]) ? Number(words[1]) : top) / bottom;
}

function length(text: string, unit: ShownUnit): number {
  try {
    return parseLength(text, unit);
  } catch (error) {
    throw new MarkAskUnread(error instanceof Error ? error.message : `“${text}” is no length.`);
  }
}
