import type { Point } from '../measure/point';
import type { Alignment } from './alignment';

/** How a maker finds a place to fold, in the order in which it is needed. */
export type FoundMark =
  /** With a ruler: so far from another sheet point, as the paper lies then. */
  | { readonly kind: 'measured'; readonly name: string; readonly at: Point; readonly from: Point; readonly mm: number }
  /** By laying paper on paper. Of a pinch only a short piece is creased. */
  | { readonly kind: 'lined'; readonly name: string; readonly by: Alignment['kind']; readonly pinched: boolean };
