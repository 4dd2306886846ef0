import type { SheetSize } from '../../forms/form';
import { distance, type Line, type Point, reflect } from '../../measure/point';
import {
  creasesOf,
  endsOn,
  FIRST_FOLD,
  type FoldBy,
  type LineRef,
  type MarkFold,
  needsOf,
  type PlaceRef,
  placeOf,
} from './mark-fold';

/** A pinch is as long as this, in mm, on sheets that are large enough, and else as this share of the shorter side. */
const PINCH_MM = 12;
const PINCH_SHARE = 0.1;

/** What of a fold is creased: short pinches where something is lined up on it later, or all of it. */
export interface Creased {
  readonly line: Line;
  readonly whole: boolean;
  readonly pieces: readonly (readonly [Point, Point])[];
}

/**
 * How much of each fold is creased: only what later folds or the marks need. An edge laid onto it, or a fold square to it,
 * needs all of it; a point on it, or one that lands on it, a pinch.
 * @param marks places that the sequence is made for, by the lines that meet there
 * @param wanted lines that it is made for
 */
export function creasedBy(
  folds: readonly MarkFold[],
  marks: readonly PlaceRef[],
  size: SheetSize,
  wanted: readonly LineRef[] = [],
): readonly Creased[] {
  const lines = creasesOf(folds, size);
  const spots: Point[][] = folds.map(() => []);
  const wholes = folds.map(() => false);
  const spot = (ref: LineRef, at: Point): void => {
    if (ref >= FIRST_FOLD) spots[ref - FIRST_FOLD].push(at);
  };
  const place = (ref: PlaceRef): void => {
    for (const line of ref) spot(line, placeOf(lines, ref));
  };
  const whole = (ref: LineRef): void => {
    if (ref >= FIRST_FOLD) wholes[ref - FIRST_FOLD] = true;
  };
  marks.forEach(place);
  wanted.forEach(whole);
  folds.forEach(({ by }, k) => {
    const crease = lines[FIRST_FOLD + k];
    needsOf(by).places.forEach(place);
    const lands = (point: PlaceRef, onto: LineRef): void => spot(onto, reflect(crease, placeOf(lines, point)));
    for (const [point, onto] of landingsOf(by)) lands(point, onto);
    if (by.kind === 'line-onto-line') [by.line, by.onto].forEach(whole);
    if (by.kind === 'perpendicular') whole(by.to);
    if (by.kind === 'point-onto-line-square') whole(by.squareTo);
  });
  const length = Math.min(PINCH_MM, PINCH_SHARE * Math.min(size.widthMm, size.heightMm));
  return folds.map((_, k) => {
    const line = lines[FIRST_FOLD + k];
    const [from, to] = endsOn(size, line);
    if (wholes[k]) return { line, whole: true, pieces: [[from, to]] };
    return { line, whole: false, pieces: pinched(spots[k], from, to, length) };
  });
}

/** Points that are laid onto lines. */
export function landingsOf(by: FoldBy): readonly (readonly [PlaceRef, LineRef])[] {
  switch (by.kind) {
    case 'point-onto-line':
    case 'point-onto-line-square':
      return [[by.point, by.onto]];
    case 'points-onto-lines':
      return [
        [by.point, by.onto],
        [by.other, by.otherOnto],
      ];
    default:
      return [];
  }
}

/** Pieces of a crease round spots on it, those that run into each other being one. */
function pinched(
  spots: readonly Point[],
  from: Point,
  to: Point,
  length: number,
): readonly (readonly [Point, Point])[] {
  const whole = distance(from, to);
  const along = { x: (to.x - from.x) / whole, y: (to.y - from.y) / whole };
  const at = (t: number): Point => ({ x: from.x + t * along.x, y: from.y + t * along.y });
  const spans = spots
    .map((p) => (p.x - from.x) * along.x + (p.y - from.y) * along.y)
    .map((t) => [Math.max(0, t - length / 2), Math.min(whole, t + length / 2)] as const)
    .sort((a, b) => a[0] - b[0]);
  const joined: [number, number][] = [];
  for (const [low, high] of spans) {
    const last = joined.at(-1);
    if (last && low <= last[1] + length / 2) last[1] = Math.max(last[1], high);
    else joined.push([low, high]);
  }
  return joined.map(([low, high]) => [at(low), at(high)]);
}
