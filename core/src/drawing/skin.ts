import type { BodyRef } from '../assembly/joint';
import { sideOfFace } from '../folding/layer-order';
import { OVERLAP_SHARE, outlineInFrameOf } from '../folding/overlaps';
import type { Pose } from '../folding/pose';
import type { Point3 } from '../measure/vector3';
import { apply, IDENTITY, compose, type Transform } from '../folding/transform';
import type { Point } from '../measure/point';
import { subtract } from '../pattern/convex';
import { faceOutline } from '../pattern/crease-pattern';

/** A piece of paper's surface that air touches, in space, counter-clockwise as seen from outside. */
export interface SkinPiece {
  readonly corners: readonly Point3[];
  readonly side: 'white' | 'colour';
  /** Whose paper it is, where several pieces are shown. */
  readonly of?: BodyRef;
}

/**
 * The surface of a folded piece: of every face both sides, less what other layers cover. Nothing in it coincides, so it
 * can be shown by any renderer without flicker.
 */
export function skinOf(pose: Pose, motion: Transform = IDENTITY): SkinPiece[] {
  const { pattern, placed, order } = pose;
  const smallest = OVERLAP_SHARE * pattern.size * pattern.size;
  return pattern.faces.flatMap((_, f) => {
    const at = compose(motion, placed[f]);
    return ([1, -1] as const).flatMap((side) => {
      let open: Point[][] = [faceOutline(pattern, f)];
      pattern.faces.forEach((_other, g) => {
        if (sideOfFace(order, f, g) !== side || !open.length) return;
        const cover = outlineInFrameOf(pattern, placed, f, g);
        open = open.flatMap((piece) => subtract(piece, cover, smallest));
      });
      return open.map((piece) => {
        const corners = piece.map((p) => apply(at, p));
        return {
          corners: side === 1 ? corners : corners.reverse(),
          side: side === 1 ? ('white' as const) : ('colour' as const),
        };
      });
    });
  });
}
