import type { BodyRef } from '../assembly/joint';
import type { Point } from '../measure/point';

/** What a patch of a picture is made of. */
export type PatchSide = 'white' | 'colour' | 'thing';

/** A visible piece of surface, in picture coordinates: mm, x right, y down. */
export interface Patch {
  readonly points: readonly Point[];
  readonly side: PatchSide;
  /** Which of the drawn parts it belongs to, counted from 0. */
  readonly part: number;
  /** The face of its paper, or the side of a thing, where it was drawn from such. */
  readonly face?: number;
  /** Light that falls on it, 0 dark to 1 full. */
  readonly light: number;
  /** Whose paper it is, where several pieces are drawn. */
  readonly of?: BodyRef;
}

/**
 * Kinds of line: the paper's own `raw` edges, `folded` edges, open `crease`s from earlier, the `valley` and `mountain`
 * folds of this step as the viewer sees them, and `hidden` edges below other layers.
 */
export type LineKind = 'raw' | 'folded' | 'crease' | 'valley' | 'mountain' | 'hidden' | 'thing';

export interface DrawnLine {
  readonly kind: LineKind;
  readonly from: Point;
  readonly to: Point;
}

/** What a hand does: the paper goes along the arrow, over or behind, is pushed, pulled, or moved as a whole. */
export type ArrowKind =
  | 'fold'
  | 'fold-behind'
  | 'fold-and-unfold'
  | 'unfold'
  | 'turn-over'
  | 'rotate'
  | 'lift'
  | 'push-in'
  | 'pull-out'
  | 'tuck';

/** A movement: from the held point to where it goes, bent to one side. */
export interface DrawnArrow {
  readonly kind: ArrowKind;
  readonly from: Point;
  readonly bend: Point;
  readonly to: Point;
}

/** A name beside a point: its middle and size, so that the renderer can keep to the room that was found. */
export interface DrawnLabel {
  readonly text: string;
  readonly at: Point;
  readonly anchor: Point;
  readonly width: number;
  readonly height: number;
}

/** A picture without any notion of screen or page. */
export interface Drawing {
  readonly patches: readonly Patch[];
  readonly lines: readonly DrawnLine[];
  readonly arrows: readonly DrawnArrow[];
  readonly labels: readonly DrawnLabel[];
  /** The part of the plane that it fills. */
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}
