import { FIRST_FOLD, type LineRef, type MarkFold } from './search/mark-fold';

/** A share of a length as a fraction in lowest terms. */
export interface Fraction {
  readonly part: number;
  readonly of: number;
}

/** Denominators beyond this are not told as fractions. */
const MOST_PARTS = 32;

/** The simplest fraction that a share is, or null. @param within how near it must come */
export function fractionOf(share: number, within = 1e-9): Fraction | null {
  for (let of = 1; of <= MOST_PARTS; of++) {
    const part = Math.round(share * of);
    if (part > 0 && part < of && Math.abs(share - part / of) < within) return { part, of };
  }
  return null;
}

/**
 * How many folds bring a guess back to where it was, with its error halved each time: the order of 2 modulo the odd part.
 * 2 for thirds, 4 for fifths, 3 for sevenths.
 */
export function foldsInRound({ of }: Fraction): number {
  const odd = oddPart(of);
  if (odd === 1) return 0;
  let [power, n] = [2 % odd, 1];
  while (power !== 1) {
    power = (power * 2) % odd;
    n++;
  }
  return n;
}

function oddPart(n: number): number {
  return n % 2 ? n : oddPart(n / 2);
}

/**
 * Folds that converge on a fraction of an edge, by laying its ends onto the last mark in turn: from a guess, each halves what is
 * left of its error. Where the mark is at 2x modulo the whole length, one of the ends laid onto it gives x; going backwards
 * from the wanted place, the doubled places come round to the odd part's first one again.
 * @param rounds how often they come round; halves, quarters and eighths need none
 */
export function halvingFolds(edge: LineRef, { part, of }: Fraction, rounds: number): readonly MarkFold[] {
  const odd = oddPart(of);
  /** The places, the wanted one first. */
  const places = [part / of];
  let [top, bottom] = [part, of];
  while (bottom !== odd) {
    bottom /= 2;
    top %= bottom;
    places.push(top / bottom);
  }
  const round = foldsInRound({ part, of });
  for (let k = 0; k < round * rounds; k++) {
    top = (top * 2) % bottom;
    places.push(top / bottom);
  }
  const [first, last] = [(edge + 3) % 4, (edge + 1) % 4];
  const folds: MarkFold[] = [];
  if (round) folds.push({ by: { kind: 'by-eye', edge, share: places[places.length - 1] }, root: 0 });
  for (let k = places.length - 2; k >= 0; k--) {
    const end = places[k] < 0.5 ? first : last;
    const onto: LineRef = folds.length ? FIRST_FOLD + folds.length - 1 : places[k] < 0.5 ? last : first;
    folds.push({ by: { kind: 'point-onto-point', point: [edge, end], onto: [edge, onto] }, root: 0 });
  }
  return folds;
}
