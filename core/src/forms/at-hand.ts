import type { Alignment } from '../folding/alignment';
import type { Hand } from '../folding/hand';
import { type Line, lineThrough, type Point, point } from '../measure/point';
import { extentOf } from '../pattern/crease-pattern';
import type { Sheet } from '../paper/sheet';

/** A sheet point to be marked, and the one that it is measured from. */
export interface RulerMark {
  readonly at: Point;
  readonly from: Point;
}

/** Alignments written by sheet points: each is looked up where it lies on the table when the fold is made. */
export function atHand(hand: Hand): {
  readonly line: (a: Point, b: Point) => Line;
  readonly onto: (p: Point, target: Point) => Alignment;
  readonly through: (a: Point, b: Point, moving: Point) => Alignment;
  /** The same through two marks that are made with a ruler, each from its own point. */
  readonly measured: (name: string, marks: readonly [RulerMark, RulerMark], moving: Point) => Alignment;
  readonly edgeOnto: (edge: readonly [Point, Point], onto: Line, moving: Point) => Alignment;
} {
  const at = (p: Point): Point => hand.at(p);
  const line = (a: Point, b: Point): Line => lineThrough(at(a), at(b));
  return {
    line,
    onto: (p, target) => ({ kind: 'point-onto-point', point: at(p), onto: at(target) }),
    through: (a, b, moving) => ({ kind: 'through-points', a: at(a), b: at(b), moving: at(moving) }),
    measured: (name, [a, b], moving) => ({
      kind: 'through-points',
      a: hand.measured(name, a.at, a.from),
      b: hand.measured(name, b.at, b.from),
      moving: at(moving),
    }),
    edgeOnto: ([a, b], target, moving) => ({
      kind: 'line-onto-line',
      line: line(a, b),
      onto: target,
      moving: at(moving),
    }),
  };
}

/** The corners of a square sheet and points on it by shares of its side. */
export function squareFrame(sheet: Sheet): { readonly side: number; readonly on: (x: number, y: number) => Point } {
  const side = extentOf(sheet.outline);
  return { side, on: (x, y) => point(x * side, y * side) };
}
