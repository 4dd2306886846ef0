import { between, type Line, lineThrough, type Point } from '../measure/point';
import { clipSegment } from '../pattern/convex';
import { FoldRefused } from './fold-refused';
import type { Mark } from './pose';
import { apply, inverse, type Transform } from './transform';

/** How much of a fold line is creased: so long a pinch round the spot nearest to a sheet point, or from one to another. */
export type Extent = { readonly near: Point; readonly lengthMm: number } | { readonly from: Point; readonly to: Point };

/** A layer that is pinched: where it lies, and its corners on the sheet. */
export interface PinchedFace {
  readonly placed: Transform;
  readonly outline: readonly Point[];
}

/** The sheet point of the layer that is pinched. */
export const pinchedAt = (extent: Extent): Point => ('near' in extent ? extent.near : between(extent.from, extent.to));

/**
 * The mark that a pinch leaves on a layer.
 * @param size the sheet's, in mm
 * @param towards `over` for a valley as the viewer sees it
 * @throws FoldRefused when the fold line misses the paper there
 */
export function pinchMark(
  { placed, outline }: PinchedFace,
  size: number,
  line: Line,
  extent: Extent,
  towards: 'over' | 'behind',
  name: string,
): Mark {
  const back = inverse(placed);
  const z = placed[11];
  const far = 4 * size;
  const onSheet = (t: number): Point => {
    const { x, y } = apply(back, { x: line.at.x + t * line.along.x, y: line.at.y + t * line.along.y, z });
    return { x, y };
  };
  const place = (p: Point): number => {
    const at = apply(placed, p);
    return (at.x - line.at.x) * line.along.x + (at.y - line.at.y) * line.along.y;
  };
  const whole = [onSheet(-far), onSheet(far)] as const;
  const within = clipSegment(whole[0], whole[1], outline, 0);
  if (!within) throw new FoldRefused('no-paper', `The fold line of “${name}” misses the paper where it is pinched.`);
  const [low, high] = within.map((t) => far * (2 * t - 1));
  let [start, end] = [low, high];
  if ('near' in extent) {
    const middle = Math.min(high, Math.max(low, place(extent.near)));
    [start, end] = [Math.max(low, middle - extent.lengthMm / 2), Math.min(high, middle + extent.lengthMm / 2)];
  } else {
    const ends = [extent.from, extent.to].map(place).sort((a, b) => a - b);
    [start, end] = [Math.max(low, ends[0]), Math.min(high, ends[1])];
  }
  if (!(end > start)) throw new FoldRefused('no-paper', `Nothing of “${name}” would be creased there.`);
  const sense = placed[8] > 0 === (towards === 'over') ? 1 : -1;
  return { name, from: onSheet(start), to: onSheet(end), sense };
}

/** Where on the sheet a mark lies nearest to a sheet point. */
export function nearestOnMark({ from, to }: Mark, p: Point): Point {
  const line = lineThrough(from, to);
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const t = (p.x - from.x) * line.along.x + (p.y - from.y) * line.along.y;
  const clamped = Math.min(length, Math.max(0, t));
  return { x: from.x + clamped * line.along.x, y: from.y + clamped * line.along.y };
}
