import { lengthFigure, type ShownUnit } from '../measure/format-length';
import { parseLength } from '../measure/parse-length';
import type { Item, Thing } from '../bodies/contents';
import type { Purpose } from './purpose';
import { USUAL_CARD_MM } from './parse-purpose';

/** So many digits tell any length apart, and leave out what adding binary fractions left behind. */
const DIGITS = 12;

/** Sizes in a unit if they read back as they are, else in mm, which always do. */
export function exactSizes(sizesMm: readonly number[], unit: ShownUnit): string {
  const figures = sizesMm.map((mm) => lengthFigure(mm, unit));
  const exact = figures.every(
    (figure, k) => figure !== '0' && sameLength(parseLength(`${figure} ${unit}`), sizesMm[k]),
  );
  return exact
    ? `${figures.join(' × ')} ${unit}`
    : `${sizesMm.map((mm) => Number(mm.toPrecision(DIGITS))).join(' × ')} mm`;
}

const sameLength = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-11 * b;

function sizesOf(thing: Thing): readonly number[] {
  switch (thing.shape) {
    case 'ball':
      return [thing.diameterMm];
    case 'cylinder':
      return [thing.diameterMm, thing.lengthMm];
    case 'flat':
      return [thing.widthMm, thing.heightMm, ...(thing.thickMm === USUAL_CARD_MM ? [] : [thing.thickMm])];
    case 'block':
      return [thing.lengthMm, thing.widthMm, thing.heightMm];
  }
}

function writeItem({ name, count, thing }: Item, unit: ShownUnit, loose = false): string {
  const round = thing.shape === 'ball' || thing.shape === 'cylinder' ? 'ø' : '';
  const sizes = `${round}${exactSizes(sizesOf(thing), unit)}`;
  if (loose) return `${count} loose ${name} ${sizes}`;
  if (count > 1) return `${count} ${name} ${sizes}`;
  return name === 'thing' ? sizes : `${name} ${sizes}`;
}

/**
 * A purpose as the line that would be typed for it, each size with its unit, so that it reads back as the same purpose
 * whatever a bare number means to the reader. A flat thing of unusual thickness reads back as a block of the same sizes.
 * @param unit in which sizes are written where nothing is lost by it; else mm
 */
export function writePurpose(purpose: Purpose, unit: ShownUnit = 'mm'): string {
  switch (purpose.kind) {
    case 'hold':
      return purpose.pieces.map((piece) => writeItem(piece, unit)).join(', ');
    case 'loose':
      return writeItem(purpose.piece, unit, true);
    case 'liquid':
      return `${purpose.ml} ml`;
    case 'load':
      return `load ${purpose.grams} g, centre at ${exactSizes([purpose.centreMm], unit)}`;
    case 'strap':
      return `strap ${exactSizes([purpose.widthMm, purpose.thickMm], unit)}`;
    case 'pages':
      return `pages ${exactSizes([purpose.thickMm], unit)}`;
    case 'bead':
      return `bead ${exactSizes([purpose.diameterMm], unit)}`;
  }
}
