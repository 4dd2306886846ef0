import { lengthFigure, type ShownUnit } from '../measure/format-length';
import { parseLength } from '../measure/parse-length';
import { type DecimalMark, GRAMS_PER, ML_PER, type Shown, USUALLY_SHOWN, withMark } from '../measure/shown';
import type { Order } from '../bodies/arrange';
import type { Item, Posture, Thing } from '../bodies/contents';
import type { Purpose } from './purpose';
import { numberWord } from './reading/figures';
import { FIRST_WORDS, USUAL_CARD_MM } from './reading/item';
import { isBall, isRound, usualPosture } from './reading/known-things';
import type { Terms } from './reading/terms';

/** So many digits tell any length apart, and leave out what adding binary fractions left behind. */
const DIGITS = 12;
/** With so many an amount was weighed or poured; more come from converting it. */
const MEASURED_DIGITS = 5;

/** Sizes in a unit if they read back as they are, else in mm, which always do. */
export function exactSizes(sizesMm: readonly number[], unit: ShownUnit, decimal: DecimalMark = 'point'): string {
  const figures = sizesMm.map((mm) => lengthFigure(mm, unit));
  const exact = figures.every(
    (figure, k) => figure !== '0' && sameLength(parseLength(`${figure} ${unit}`), sizesMm[k]),
  );
  const written = exact
    ? `${figures.join(' × ')} ${unit}`
    : `${sizesMm.map((mm) => Number(mm.toPrecision(DIGITS))).join(' × ')} mm`;
  return withMark(written, decimal);
}

const sameLength = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-11 * b;

/** An amount in a unit if it reads back as it is, else with all its digits in the unit that it is kept in. */
function exactAmount<U extends string>(
  amount: number,
  per: Readonly<Record<U, number>>,
  unit: U,
  kept: U,
  decimal: DecimalMark,
): string {
  const figure = Number((amount / per[unit]).toPrecision(MEASURED_DIGITS));
  const same = sameLength(figure * per[unit], amount);
  return withMark(same ? `${figure} ${unit}` : `${Number(amount.toPrecision(DIGITS))} ${kept}`, decimal);
}

/** Whether a name at the start of a line would be taken for something else: `pages`, `four-poster`. */
function isMistaken(name: string): boolean {
  const [first] = name.split(/\s+/);
  return numberWord(first) !== null || FIRST_WORDS.has(first.toLowerCase());
}

function sizesOf(thing: Thing, name: string): readonly number[] {
  switch (thing.shape) {
    case 'ball':
      return [thing.diameterMm];
    case 'cylinder':
      return [thing.diameterMm, thing.lengthMm];
    case 'flat':
      // Of two sizes of a coin the first would be across.
      return thing.thickMm === USUAL_CARD_MM && !isRound(name) && !isBall(name)
        ? [thing.widthMm, thing.heightMm]
        : [thing.widthMm, thing.heightMm, thing.thickMm];
    case 'block':
      return [thing.lengthMm, thing.widthMm, thing.heightMm];
  }
}

const ORDER_WORDS: Readonly<Record<Order, string>> = {
  row: 'in a row',
  floor: 'side by side',
  stack: 'stacked',
  layers: 'in layers',
};
const POSTURE_WORDS: Readonly<Record<Posture, string>> = { standing: 'standing', lying: 'lying', any: 'any way' };

function writeItem({ name, count, thing, posture, slackMm }: Item, { unit, decimal }: Shown, loose = false): string {
  const round = thing.shape === 'ball' || thing.shape === 'cylinder' ? 'ø' : '';
  const kept = posture && posture !== usualPosture(name) ? ` ${POSTURE_WORDS[posture]}` : '';
  const own = sizesOf(thing, name);
  const range = slackMm ? `${withMark(`${Number((own[0] - slackMm).toPrecision(DIGITS))}`, decimal)}-` : '';
  // A range is written in mm, so that both its ends are in one unit.
  const sizes = `${round}${range}${exactSizes(own, range ? 'mm' : unit, decimal)}${kept}`;
  if (loose) return `${count} loose ${name} ${sizes}`;
  if (count > 1 || isMistaken(name)) return `${count} ${name} ${sizes}`;
  return name === 'thing' ? sizes : `${name} ${sizes}`;
}

/**
 * A purpose as the line that would be typed for it, each size with its unit, so that it reads back as the same purpose
 * whatever a bare number means to the reader. A flat thing of unusual thickness, or with a name that is round by nature, reads
 * back as a block of the same sizes.
 * @param asked in which quantities are written where nothing is lost by it; else mm, g and ml
 */
export function writePurpose(purpose: Purpose, asked: Partial<Shown> = {}): string {
  const shown = { ...USUALLY_SHOWN, ...asked };
  const sizes = (...mm: number[]): string => exactSizes(mm, shown.unit, shown.decimal);
  const weighing = (grams?: number): readonly string[] =>
    grams ? [`weighing ${exactAmount(grams, GRAMS_PER, shown.mass, 'g', shown.decimal)}`] : [];
  switch (purpose.kind) {
    case 'hold':
      return [
        ...purpose.pieces.map((piece) => writeItem(piece, shown)),
        ...(purpose.order ? [ORDER_WORDS[purpose.order]] : []),
        ...(purpose.proudMm ? [`proud by ${sizes(purpose.proudMm)}`] : []),
        ...(purpose.gripped ? ['gripped'] : []),
        ...weighing(purpose.grams),
      ].join(', ');
    case 'loose':
      return [writeItem(purpose.piece, shown, true), ...weighing(purpose.grams)].join(', ');
    case 'liquid':
      return exactAmount(purpose.ml, ML_PER, shown.volume, 'ml', shown.decimal);
    case 'bulk':
      return `${exactAmount(purpose.ml, ML_PER, shown.volume, 'ml', shown.decimal)} ${purpose.name}`;
    case 'load':
      return `load ${exactAmount(purpose.grams, GRAMS_PER, shown.mass, 'g', shown.decimal)}, centre at ${sizes(purpose.centreMm)}`;
    case 'strap':
      return `strap ${sizes(purpose.widthMm, purpose.thickMm)}`;
    case 'pages':
      return `pages ${sizes(purpose.thickMm)}`;
    case 'place card':
      return `place card ${
        purpose.thickMm === USUAL_CARD_MM
          ? sizes(purpose.widthMm, purpose.heightMm)
          : sizes(purpose.widthMm, purpose.heightMm, purpose.thickMm)
      }`;
    case 'head':
      return `head ${sizes(purpose.roundMm)}`;
    case 'bead':
      return `bead ${sizes(purpose.diameterMm)}${purpose.exitMm === undefined ? '' : ` exit ${sizes(purpose.exitMm)}`}`;
  }
}

/** What is said beside the things, as it would be typed after them; nothing where nothing is. */
export function writeTerms({ most, from }: Terms, asked: Partial<Shown> = {}): string {
  const shown = { ...USUALLY_SHOWN, ...asked };
  const size = (...mm: number[]): string => exactSizes(mm, shown.unit, shown.decimal);
  const under = (mm: number | null | undefined, side: string): string[] => (mm ? [`under ${size(mm)} ${side}`] : []);
  return [
    ...under(most?.lengthMm, 'long'),
    ...under(most?.widthMm, 'wide'),
    ...under(most?.heightMm, 'high'),
    ...(from ? [`from ${size(from.widthMm, from.heightMm)}`] : []),
    ...(from && from.many > 1 ? [`${from.many} of them`] : []),
  ].join(', ');
}
