import type { PlaceMiss } from '../fit/mark-misses';
import type { Fraction } from './halving';
import type { MarkGoal } from './mark-goals';
import type { Creased } from './search/creased';
import type { MarkFold, PlaceRef } from './search/mark-fold';
import type { MarkPlace } from './sheet-marks';

/** How makers like to find their marks. */
export const SCHOOLS = ['ruler', 'fold', 'eye'] as const;
export type School = (typeof SCHOOLS)[number];

/**
 * By what share of a length an eye misses a place on it, one standard deviation, for as long as no drill has shown it: a
 * judgement, on the careful side.
 */
export const USUAL_EYE = 0.025;

/** A way to find all places of a mark. */
export interface MarkWay {
  /** As it is kept with a job: in small letters, digits and hyphens. */
  readonly id: string;
  readonly kind: 'ruler' | 'nearest' | 'folds' | 'halving' | 'card' | 'contents' | 'roll' | 'eye';
  readonly school: School;
  readonly misses: readonly PlaceMiss[];
  /** What is to be expected that a place misses beside its ruler mark, in mm. */
  readonly expectedMm: number;
  /** Misses of one standard deviation all the same way, in mm. */
  readonly worstMm: number;
  readonly exact: boolean;
  /** What is folded for it, on the open sheet. */
  readonly folded: {
    readonly folds: readonly MarkFold[];
    readonly marks: readonly PlaceRef[];
    readonly creased: readonly Creased[];
    /** Whether the piece is then folded square to the edges on which the marks are; else through two of them. */
    readonly square: boolean;
  } | null;
  /** Of a way that converges. */
  readonly halving?: { readonly fraction: Fraction; readonly rounds: number; readonly left: readonly number[] };
  /** What serves as the ruler. */
  readonly by?: { readonly name: string; readonly mm: number };
}

/** Whose marks they are. */
export interface MarkMaker {
  readonly handMm: number;
  /** By what share of a length the eye misses. */
  readonly eye: number;
  readonly rulerStepMm: number;
  /** What it is for, by its sides: any of them can serve as a ruler. */
  readonly things: readonly { readonly name: string; readonly mm: number }[];
}

/** A mark that a maker measures. */
export interface Measured {
  readonly mm: number;
  readonly places: readonly MarkPlace[];
  /** Marks on edges that stand for its places; null where there are none, worked out where it is left out. */
  readonly goals?: readonly MarkGoal[] | null;
}
