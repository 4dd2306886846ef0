import type { Posture, Thing } from '../../bodies/contents';

/** Words that name a thing of a kind, as a maker types them, in the singular or plural. */
const named = (words: string): RegExp => new RegExp(`(?:^|[\\s-])(?:${words})(?:e?s)?$`, 'i');

const BALL = named('ball|marble|bead|pearl|pea');
const CUBE = named('cube|die|dice');
const LONG_ROUND = named('pen|pencil|crayon|marker|battery|batterie|screw|bolt|nail|rod|dowel|taper|straw');
const ROUND = named(
  'coin|washer|token|tea ?light|button|disc|disk|counter|pill|medal|cell|candle|cork|jar|tin|spool|reel|tube|bulb|cap|egg|roll',
);
/** A thread says nothing of what kind of thing it is. */
const plain = (name: string): string => name.replace(/(?:^|\s)m\d+(?:[.,]\d)?(?=\s|$)/i, ' ').trim();

const LIES = named('pen|pencil|crayon|marker|battery|batterie|cell|screw|bolt|nail|ruler|rod|dowel|straw|taper');

export const isBall = (name: string): boolean => BALL.test(plain(name));
export const isCube = (name: string): boolean => CUBE.test(plain(name));
export const isRound = (name: string): boolean => ROUND.test(plain(name)) || LONG_ROUND.test(plain(name));
/** Round and longer than wide: of two sizes the smaller is across. */
export const isLongRound = (name: string): boolean => LONG_ROUND.test(plain(name));

/** How wide pens of a kind commonly are, in mm, where only their length is told; null for what is no pen. */
export function usualAcross(name: string): number | null {
  if (/(?:pencil|crayon)s?$/i.test(name)) return 7.5;
  if (/markers?$/i.test(name)) return 14;
  return /(?:^|[\s-])pens?$/i.test(name) ? 9 : null;
}

/** How a thing is kept where nobody says: pens, cells, screws and rulers lie. */
export const usualPosture = (name: string): Posture | undefined => (LIES.test(plain(name)) ? 'lying' : undefined);

const card = (lengthMm: number, widthMm: number, heightMm: number): Thing => ({
  ...{ shape: 'block', lengthMm, widthMm, heightMm },
});
const round = (diameterMm: number, lengthMm: number): Thing => ({ shape: 'cylinder', diameterMm, lengthMm });
const cube = (mm: number): Thing => ({ shape: 'block', lengthMm: mm, widthMm: mm, heightMm: mm });

/**
 * Things in public standard sizes, in mm, by their names in the singular: cells after IEC 60086, cards after ISO/IEC 7810 and
 * 7816, memory cards as their associations publish them, dice, tea lights and pencils as commonly sold.
 */
const STANDARD: ReadonlyMap<string, Thing> = new Map([
  ...(['aa battery', 'aa cell', 'aa'] as const).map((name) => [name, round(14.5, 50.5)] as const),
  ...(['aaa battery', 'aaa cell', 'aaa'] as const).map((name) => [name, round(10.5, 44.5)] as const),
  ...(['c battery', 'c cell'] as const).map((name) => [name, round(26.2, 50)] as const),
  ...(['d battery', 'd cell'] as const).map((name) => [name, round(34.2, 61.5)] as const),
  ...(['9 v battery', '9v battery', '9 v block', '9v block'] as const).map(
    (name) => [name, { shape: 'block', lengthMm: 48.5, widthMm: 26.5, heightMm: 17.5 } as const] as const,
  ),
  ...(['cr2032', 'cr2032 cell', 'cr2032 battery'] as const).map((name) => [name, round(20, 3.2)] as const),
  ...(['cr2025', 'cr2025 cell'] as const).map((name) => [name, round(20, 2.5)] as const),
  ...(['lr44', 'lr44 cell'] as const).map((name) => [name, round(11.6, 5.4)] as const),
  ...(['bank card', 'credit card', 'debit card', 'id card', 'bank-size card'] as const).map(
    (name) => [name, card(85.6, 54, 0.8)] as const,
  ),
  ['sim card', card(25, 15, 0.8)] as const,
  ['sd card', card(32, 24, 2.1)] as const,
  ['micro sd card', card(15, 11, 1)] as const,
  ...(['tea light', 'tealight'] as const).map((name) => [name, round(38, 16)] as const),
  ['pencil', round(7.5, 180)] as const,
  ...(['die', 'dice', 'd6', 'd6 die', 'd6 dice'] as const).map((name) => [name, cube(16)] as const),
]);

/** A thing of standard size by its name, whether it is written for one or for several. */
export function standardThing(name: string): Thing | null {
  const lower = name.toLowerCase().replace(/\s+/g, ' ').trim();
  const singular = [lower, lower.replace(/ies$/, 'y'), lower.replace(/s$/, '')];
  for (const one of singular) {
    const thing = STANDARD.get(one);
    if (thing) return thing;
  }
  return null;
}

/** Pan-head screws by their thread: how wide and how high the head is, in mm (ISO 7045). */
const PAN_HEADS: ReadonlyMap<string, { readonly acrossMm: number; readonly highMm: number }> = new Map([
  ['2', { acrossMm: 4, highMm: 1.6 }],
  ['2.5', { acrossMm: 5, highMm: 2.1 }],
  ['3', { acrossMm: 5.6, highMm: 2.4 }],
  ['4', { acrossMm: 8, highMm: 3.1 }],
  ['5', { acrossMm: 9.5, highMm: 3.7 }],
  ['6', { acrossMm: 12, highMm: 4.6 }],
  ['8', { acrossMm: 16, highMm: 6 }],
]);

/** The thread that a word names: `M4`, `M2.5`. */
export function threadOf(
  word: string,
): { readonly mm: number; readonly head: { acrossMm: number; highMm: number } } | null {
  const found = /^m(\d+(?:[.,]\d)?)$/i.exec(word);
  const head = found && PAN_HEADS.get(found[1].replace(',', '.'));
  return found && head ? { mm: Number(found[1].replace(',', '.')), head } : null;
}

/** Bulk densities of dry goods poured loosely, least and most, in g/ml, as tables of such densities give them. */
const DENSITIES: ReadonlyMap<string, readonly [number, number]> = new Map([
  ['rice', [0.75, 0.87]],
  ['lentil', [0.75, 0.9]],
  ['bean', [0.7, 0.85]],
  ['dried bean', [0.7, 0.85]],
  ['pea', [0.72, 0.85]],
  ['wheat', [0.72, 0.82]],
  ['maize', [0.68, 0.78]],
  ['popcorn maize', [0.68, 0.82]],
  ['oat', [0.35, 0.45]],
  ['couscous', [0.62, 0.75]],
  ['pasta', [0.32, 0.48]],
  ['flour', [0.48, 0.65]],
  ['sugar', [0.78, 0.92]],
  ['salt', [1.05, 1.3]],
  ['coffee bean', [0.33, 0.45]],
  ['coffee', [0.28, 0.42]],
  ['nut', [0.45, 0.6]],
  ['raisin', [0.58, 0.72]],
  ['seed', [0.35, 0.7]],
  ['sand', [1.4, 1.75]],
]);

/** Bulk density by the name of what is poured, whatever stands before its last word: `long rice`, `sunflower seeds`. */
export function bulkDensity(name: string): readonly [number, number] | null {
  const words = name.toLowerCase().replace(/s$/, '').split(/\s+/);
  for (let k = 0; k < words.length; k++) {
    const found = DENSITIES.get(words.slice(k).join(' '));
    if (found) return found;
  }
  return null;
}
