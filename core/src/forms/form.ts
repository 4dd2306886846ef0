import type * as z from 'zod';
import type { Hand } from '../folding/hand';
import type { Pose } from '../folding/pose';
import type { ShownUnit } from '../measure/format-length';
import type { Point } from '../measure/point';
import type { Sheet } from '../paper/sheet';

/** How a movement is drawn: as the drawing's arrows are called. */
export type StepArrowKind =
  'fold' | 'fold-behind' | 'fold-and-unfold' | 'unfold' | 'rotate' | 'lift' | 'push-in' | 'pull-out' | 'tuck';

/**
 * A movement that the picture shows: the sheet point to follow from the first pose to the one where it has arrived. Turning
 * the whole piece over has no such point.
 */
export type StepArrow = { readonly kind: StepArrowKind; readonly grip: Point } | { readonly kind: 'turn-over' };

/** A sheet point that the words of a step name. */
export interface StepLandmark {
  readonly point: Point;
  readonly name: string;
}

/** What the maker reads at a step. */
export interface StepWords {
  readonly id: string;
  readonly title: string;
  readonly words: string;
  /** Something to see, when it is right. */
  readonly check: string;
  readonly slip: { readonly what: string; readonly remedy: string };
  readonly crease: 'sharp' | 'soft' | 'none';
  /** Where the work can hurt someone: the usual caution. */
  readonly caution?: string;
}

/** One step: poses on one pattern, from before to after; between them the folded state of a crease that is opened again. */
export interface FormStep extends StepWords {
  readonly poses: readonly Pose[];
  /** Creases that this step makes or moves, by name. */
  readonly creases: readonly string[];
  readonly arrows: readonly StepArrow[];
  readonly landmarks: readonly StepLandmark[];
  /** Flat on the table, or standing. */
  readonly view: 'table' | 'space';
}

/** Inside and outside sizes in mm, with the paper's thickness, measured on the finished pose. */
export interface BoxSizes {
  /** Between crease lines, paper without thickness. */
  readonly nominal: { readonly baseMm: number; readonly wallMm: number };
  readonly cavity: { readonly lengthMm: number; readonly widthMm: number; readonly depthMm: number };
  readonly outer: { readonly lengthMm: number; readonly widthMm: number; readonly heightMm: number };
  /** Layers in all at the thickest spot of each part. */
  readonly layers: { readonly floor: number; readonly sides: number; readonly ends: number };
}

/** A folded sequence: the steps and the finished pose. */
export interface Folding {
  readonly steps: readonly FormStep[];
  readonly finished: Pose;
}

/** A kind of object with its parameters. `P` is what the parameters parse to. */
export interface Form<P> {
  readonly id: string;
  readonly name: string;
  readonly family: string;
  readonly use: string;
  readonly sheetShape: 'square';
  /** Below this side of the sheet, in mm, fingers no longer manage it. */
  readonly leastSheetMm: number;
  readonly params: z.ZodType<P>;
  readonly skill: 1 | 2 | 3;
  readonly minutes: number;
  /**
   * Makes the moves of the sequence with a hand that holds the sheet.
   * @param unit how lengths in the words are written
   */
  fold(hand: Hand, sheet: Sheet, params: P, unit?: ShownUnit): Folding;
  measure(finished: Pose, sheet: Sheet, params: P, thicknessMm: number): BoxSizes;
}
