import type { Point } from '../measure/point';
import type { DrawnArrow } from './drawing';

/** An arrow as it is painted: a stem as an SVG path, and heads as corners. */
export interface ArrowShape {
  readonly kind: DrawnArrow['kind'];
  readonly stem: string;
  readonly head: readonly Point[];
  /** At its beginning, for a fold that is opened again: it points both ways. */
  readonly tail: readonly Point[] | null;
}

/** @param size how long a head is, in the units of the picture */
export function arrowShape({ kind, from, bend, to }: DrawnArrow, size: number): ArrowShape {
  return {
    kind,
    stem: kind === 'turn-over' ? loop(from, bend, to) : `M${from.x} ${from.y} Q${bend.x} ${bend.y} ${to.x} ${to.y}`,
    head: head(bend, to, size),
    tail: kind === 'fold-and-unfold' ? head(bend, from, size) : null,
  };
}

/** A way with a loop in its middle: the paper goes right over. */
function loop(from: Point, bend: Point, to: Point): string {
  const [mx, my] = [(from.x + bend.x + to.x) / 3, (from.y + bend.y + to.y) / 3];
  const [dx, dy] = [(to.x - from.x) * 0.16, (bend.y - my) * 0.9];
  return `M${from.x} ${from.y} C${mx} ${my} ${mx + 2 * dx} ${my + dy} ${mx} ${my + dy} S${mx} ${my} ${to.x} ${to.y}`;
}

/** An arrow head at `tip`, coming from `from`. */
function head(from: Point, tip: Point, size: number): readonly Point[] {
  const length = Math.hypot(tip.x - from.x, tip.y - from.y) || 1;
  const [ux, uy] = [(tip.x - from.x) / length, (tip.y - from.y) / length];
  const [bx, by] = [tip.x - ux * size, tip.y - uy * size];
  const half = size * 0.46;
  return [
    tip,
    { x: bx - uy * half, y: by + ux * half },
    { x: bx + ux * size * 0.28, y: by + uy * size * 0.28 },
    { x: bx + uy * half, y: by - ux * half },
  ];
}
