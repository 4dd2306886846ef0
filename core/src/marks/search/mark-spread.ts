import type { SheetSize } from '../../forms/form';
import { missing } from '../../folding/inexact';
import { blankSheet, PINCH_MISSES } from '../../folding/hand';
import { FoldRefused } from '../../folding/fold-refused';
import type { Pose } from '../../folding/pose';
import { rectangleSheet } from '../../paper/sheet';
import type { Creased } from './creased';
import {
  creasesOf,
  edgeLength,
  edgesOf,
  FIRST_FOLD,
  type MarkFold,
  NoSuchFold,
  type PlaceRef,
  placeOf,
} from './mark-fold';

/** How far a mark comes to lie beside where exact folds bring it, one standard deviation in mm along its edge. */
export interface MarkSpread {
  /** For a hand that misses by 1 mm. */
  readonly ofHand: number;
  /** For an eye that misses a length by one part in one: what a first guess leaves in the mark. */
  readonly ofEye: number;
  /** The worst of what misses of one standard deviation at every end do together, for a hand that misses by 1 mm. */
  readonly worst: number;
}

/** Small enough that what comes of a miss is in proportion to it, in mm. */
const SMALL_MM = 0.01;

/**
 * How what each fold misses adds up at a mark: either end of every fold is missed a little, and what comes of it is carried
 * through all later folds. Pinches are missed as the engine's hand misses them.
 * @param mark where an edge and the last fold meet; measured along that edge
 * @returns null where a hand that misses a little cannot make the folds any more
 */
export function markSpread(
  folds: readonly MarkFold[],
  creased: readonly Creased[],
  mark: PlaceRef,
  size: SheetSize,
): MarkSpread | null {
  const pose: Pose = blankSheet(rectangleSheet(size.widthMm, size.heightMm));
  const exact = creasesOf(folds, size);
  const { along } = edgesOf(size)[mark[0]];
  const missed = (fold: number, ends: readonly [number, number]): number => {
    const make = missing({ sigmaMm: SMALL_MM, seed: 0, ends });
    const lines = creasesOf(folds, size, {
      exact,
      make: (meant, k) => (k === fold ? make(meant, pose, creased[k].whole ? 1 : PINCH_MISSES) : meant),
    });
    const { x, y } = placeOf(lines, mark);
    return x * along.x + y * along.y;
  };
  let [squares, worst, ofEye] = [0, 0, 0];
  try {
    folds.forEach(({ by }, k) => {
      if (by.kind === 'by-eye') {
        // The guess lies off as a whole, by a share of its length from the nearer end.
        const slope = (missed(k, [1, 1]) - missed(k, [-1, -1])) / (2 * SMALL_MM * PINCH_MISSES);
        const edge = edgeLength(size, by.edge);
        ofEye += (slope * Math.min(by.share, 1 - by.share) * edge) ** 2;
        return;
      }
      for (const ends of [
        [1, 0],
        [0, 1],
      ] as const) {
        const slope = (missed(k, ends) - missed(k, [-ends[0], -ends[1]])) / (2 * SMALL_MM);
        squares += slope * slope;
        worst += Math.abs(slope);
      }
    });
  } catch (error) {
    if (error instanceof NoSuchFold || error instanceof FoldRefused) return null;
    throw error;
  }
  return { ofHand: Math.sqrt(squares), ofEye: Math.sqrt(ofEye), worst };
}

/** The mark that a sequence leaves on an edge: where its last fold meets it. */
export const lastMark = (edge: number, folds: readonly MarkFold[]): PlaceRef => [edge, FIRST_FOLD + folds.length - 1];
