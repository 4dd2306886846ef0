import type { Point } from '../measure/point';

/** One copy of an entry of a make, the first being 0. */
export interface BodyRef {
  readonly entry: string;
  readonly copy: number;
}

export const bodyKey = ({ entry, copy }: BodyRef): string => `${entry}/${copy}`;

/** A layer of a body, by a point of its sheet: numbers of faces change at every crease. */
export interface LayerRef {
  readonly body: BodyRef;
  readonly at: Point;
}

/** One side of a layer. */
export interface FaceRef extends LayerRef {
  readonly side: 'white' | 'coloured';
}

/** Room left between two bodies, both sides together, in mm, with the paper of both; negative where paper is in the way. */
export interface Play {
  readonly lengthMm: number;
  readonly widthMm: number;
}

/**
 * How two bodies hold together; both may be the same body, as where a tube is glued to itself. Layers are proved by the
 * rules for layers, play is measured.
 */
export type Joint =
  /** Two sides that touch at a spot and face each other, nothing between them. */
  | { readonly kind: 'glued'; readonly a: FaceRef; readonly b: FaceRef }
  /** A tab in a slot: it lies on the given side of each of two layers. */
  | { readonly kind: 'slotted'; readonly tab: LayerRef; readonly between: readonly [FaceRef, FaceRef] }
  /** The same for a flap that goes into a pocket. */
  | { readonly kind: 'tucked-into'; readonly tab: LayerRef; readonly between: readonly [FaceRef, FaceRef] }
  /** One layer lies on the given side of another. */
  | { readonly kind: 'under'; readonly layer: LayerRef; readonly of: FaceRef }
  /** Two spots meet, side by side. */
  | { readonly kind: 'beside'; readonly a: LayerRef; readonly b: LayerRef }
  /** A lid goes over a base with some play. */
  | { readonly kind: 'over'; readonly lid: BodyRef; readonly base: BodyRef; readonly play: Play }
  /** A body stands in another with some play. */
  | { readonly kind: 'stands-in'; readonly inner: BodyRef; readonly outer: BodyRef; readonly play: Play };
