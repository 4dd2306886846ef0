import type { SheetSize } from '../forms/form';
import { missing } from '../folding/inexact';
import { blankSheet, PINCH_MISSES } from '../folding/hand';
import { FoldRefused } from '../folding/fold-refused';
import type { Line } from '../measure/point';
import { rectangleSheet } from '../paper/sheet';
import { foldWaysTo } from './fold-ways';
import { type Creased, creasedBy } from './search/creased';
import { creasesOf, FIRST_FOLD, type FoldBy, type MarkFold, NoSuchFold, type PlaceRef } from './search/mark-fold';
import { ALL_UP_TO, type MarkSearch } from './search/mark-search';

/** A crease in a direction, by folding. Angles in degrees from the near edge, counter-clockwise. */
export interface AngleWay {
  readonly folds: readonly MarkFold[];
  readonly creased: readonly Creased[];
  readonly offDeg: number;
  readonly exact: boolean;
  /** Together with what this hand misses: one standard deviation. */
  readonly expectedDeg: number;
}

/** A direction met nearer than this, in degrees, is met exactly. */
const EXACT_DEG = 1e-7;
const LOOKED_AT = 24;
const WORTH = 0.85;

/**
 * Ways to crease a line in a direction, the fewest folds first, each nearer than those before it: any line of up to three folds
 * that runs so, or from a corner through a mark on an edge.
 * @param deg between 0 and 180; along an edge and square to it nothing need be folded, and nothing is told
 */
export function angleWaysTo(search: MarkSearch, size: SheetSize, deg: number, handMm: number): readonly AngleWay[] {
  const angle = (deg * Math.PI) / 180;
  const told: AngleWay[] = [];
  let best = Infinity;
  const all: AngleWay[] = [];
  for (let n = 1; n <= ALL_UP_TO; n++)
    for (const { folds } of search.inDirection(angle, n, LOOKED_AT)) all.push(...angleWay(folds, deg, size, handMm));
  // From a near corner up to the side or the far edge opposite.
  const lean = Math.min(angle, Math.PI - angle);
  const [w, h] = [size.widthMm, size.heightMm];
  const leftward = deg > 90;
  const rise = w * Math.tan(lean);
  const [edge, mm] = rise < h ? [leftward ? 3 : 1, rise] : [2, h / Math.tan(lean)];
  const from = edge === 3 ? h - mm : edge === 2 ? (leftward ? mm : w - mm) : mm;
  const length = edge === 2 ? w : h;
  if (from > 0 && from < length)
    for (const { folds } of foldWaysTo(search, size, edge, from, handMm, ALL_UP_TO)) {
      const corner: PlaceRef = [0, leftward ? 1 : 3];
      const by: FoldBy = { kind: 'through-points', a: corner, b: [edge, FIRST_FOLD + folds.length - 1] };
      all.push(...angleWay([...folds, { by, root: 0 }], deg, size, handMm));
    }
  all.sort((p, q) => p.folds.length - q.folds.length || p.expectedDeg - q.expectedDeg);
  for (const way of all)
    if (way.expectedDeg < best * WORTH || (way.exact && !told.some((one) => one.exact))) {
      const last = told.at(-1);
      if (last?.folds.length === way.folds.length && !last.exact && way.exact) told.pop();
      told.push(way);
      best = Math.min(best, way.expectedDeg);
    }
  return told.filter(({ expectedDeg }) => expectedDeg <= 4 * Math.max(best, 0.05));
}

const degOf = ({ along }: Line): number => (Math.atan2(along.y, along.x) * 180) / Math.PI;

/** The smaller turn from one direction of a line to another, in degrees. */
const turn = (from: number, to: number): number => ((((to - from + 90) % 180) + 180) % 180) - 90;

const SMALL_MM = 0.01;

function angleWay(folds: readonly MarkFold[], deg: number, size: SheetSize, handMm: number): AngleWay[] {
  const last = FIRST_FOLD + folds.length - 1;
  try {
    const exact = creasesOf(folds, size);
    const creased = creasedBy(folds, [], size, [last]);
    const pose = blankSheet(rectangleSheet(size.widthMm, size.heightMm));
    let squares = 0;
    folds.forEach((_, fold) => {
      for (const ends of [
        [1, 0],
        [0, 1],
      ] as const) {
        const at = (sign: number): number => {
          const make = missing({ sigmaMm: SMALL_MM, seed: 0, ends: [sign * ends[0], sign * ends[1]] });
          const lines = creasesOf(folds, size, {
            exact,
            make: (meant, k) => (k === fold ? make(meant, pose, creased[k].whole ? 1 : PINCH_MISSES) : meant),
          });
          return turn(degOf(exact[last]), degOf(lines[last]));
        };
        squares += ((at(1) - at(-1)) / (2 * SMALL_MM)) ** 2;
      }
    });
    const offDeg = turn(deg, degOf(exact[last]));
    const expectedDeg = Math.hypot(offDeg, handMm * Math.sqrt(squares));
    return [{ folds, creased, offDeg, exact: Math.abs(offDeg) < EXACT_DEG, expectedDeg }];
  } catch (error) {
    if (error instanceof NoSuchFold || error instanceof FoldRefused) return [];
    throw error;
  }
}
