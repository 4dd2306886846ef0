import type { FoldBy, PlaceRef } from './mark-fold';
import { WAY } from './one-fold';

/** What each way's numbers refer to. */
export const TOLD_AS: Readonly<Record<number, readonly ('place' | 'line')[]>> = {
  [WAY.pointOntoPoint]: ['place', 'place'],
  [WAY.lineOntoLine]: ['line', 'line'],
  [WAY.throughPoints]: ['place', 'place'],
  [WAY.square]: ['place', 'line'],
  [WAY.pointOntoLineSquare]: ['place', 'line', 'line'],
  [WAY.pointOntoLine]: ['place', 'line', 'place'],
  [WAY.pointsOntoLines]: ['place', 'line', 'place', 'line'],
};

/** A fold by the numbers of its derivation: places are two lines of the scene in one number. */
export function foldBy(way: number, [r0, r1, r2, r3]: readonly number[]): FoldBy {
  const place = (code: number): PlaceRef => [Math.floor(code / 16), code % 16];
  switch (way) {
    case WAY.pointOntoPoint:
      return { kind: 'point-onto-point', point: place(r0), onto: place(r1) };
    case WAY.lineOntoLine:
      return { kind: 'line-onto-line', line: r0, onto: r1 };
    case WAY.throughPoints:
      return { kind: 'through-points', a: place(r0), b: place(r1) };
    case WAY.square:
      return { kind: 'perpendicular', through: place(r0), to: r1 };
    case WAY.pointOntoLineSquare:
      return { kind: 'point-onto-line-square', point: place(r0), onto: r1, squareTo: r2 };
    case WAY.pointOntoLine:
      return { kind: 'point-onto-line', point: place(r0), onto: r1, through: place(r2) };
    default:
      return { kind: 'points-onto-lines', point: place(r0), onto: r1, other: place(r2), otherOnto: r3 };
  }
}
