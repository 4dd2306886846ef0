import type { SheetSize } from '../forms/form';
import { distance } from '../measure/point';
import { edgesOf, type LineRef } from './search/mark-fold';
import type { MarkPlace } from './sheet-marks';

/** A mark on an edge from which a fold square to that edge runs through measured places. */
export interface MarkGoal {
  readonly edge: LineRef;
  /** From the edge's first end, in mm, counter-clockwise round the sheet. */
  readonly mm: number;
  /** The places that it stands for, and whether along the edge is away from what each was measured from. */
  readonly places: readonly { readonly measured: number; readonly away: 1 | -1 }[];
}

/** Nearer than this share of the sheet, places are on one line. */
const SAME = 1e-6;

/**
 * Where edges must be marked so that folds square to them run through all places, or null where that is no way: the places are
 * measured on folded paper, or not along an edge.
 */
export function goalsOf(places: readonly MarkPlace[], size: SheetSize): readonly MarkGoal[] | null {
  const near = SAME * Math.max(size.widthMm, size.heightMm);
  const edges = edgesOf(size);
  const goals: { edge: LineRef; mm: number; places: { measured: number; away: 1 | -1 }[] }[] = [];
  for (const { at, from, mm, measured } of places) {
    const open = distance(at, from);
    if (Math.abs(open - mm) > near || open < near) return null;
    const [dx, dy] = [(at.x - from.x) / open, (at.y - from.y) / open];
    if (Math.min(Math.abs(dx), Math.abs(dy)) > SAME) return null;
    // The edge that the place lies on, or the nearer one of the two that run along.
    const [first, second] = Math.abs(dx) > Math.abs(dy) ? [0, 2] : [3, 1];
    const far = (edge: number): number => {
      const { at: p, along } = edges[edge];
      return Math.abs(along.x * (at.y - p.y) - along.y * (at.x - p.x));
    };
    const edge = far(second) < near && far(first) >= near ? second : first;
    const { at: start, along } = edges[edge];
    const along1 = (at.x - start.x) * along.x + (at.y - start.y) * along.y;
    const away = along.x * dx + along.y * dy > 0 ? 1 : -1;
    const length = edge % 2 ? size.heightMm : size.widthMm;
    const same = goals.find(
      (one) =>
        (one.edge === edge && Math.abs(one.mm - along1) < near) ||
        (one.edge === (edge + 2) % 4 && Math.abs(length - one.mm - along1) < near),
    );
    if (same) same.places.push({ measured, away: same.edge === edge ? away : away === 1 ? -1 : 1 });
    else goals.push({ edge, mm: along1, places: [{ measured, away }] });
  }
  return goals;
}
