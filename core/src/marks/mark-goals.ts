import { type Pose, whereIs } from '../folding/pose';
import type { SheetSize } from '../forms/form';
import { distance, type Line, type Point } from '../measure/point';
import { edgeLength, edgesOf, endsOn, type LineRef } from './search/mark-fold';
import type { MarkPlace } from './sheet-marks';

/** A mark on an edge through which a fold runs that passes measured places. */
export interface MarkGoal {
  readonly edge: LineRef;
  /** From the edge's first end, in mm, counter-clockwise round the sheet. */
  readonly mm: number;
  /** Whether the fold runs square to the edge: else it runs through the mark at its other end as well. */
  readonly square: boolean;
  /**
   * The places on that fold, and how far each moves away from what it is measured from when the mark moves along its edge by one.
   */
  readonly places: readonly { readonly measured: number; readonly moves: number }[];
}

/** Nearer than this share of the sheet, places are on one line. */
const SAME = 1e-6;

interface End {
  readonly edge: LineRef;
  readonly mm: number;
  readonly moves: number;
}

/**
 * Where edges must be marked so that folds through the marks run through all places, square to what each was measured along; null
 * where that is no way: the places are measured on folded paper, or such a fold runs into a corner.
 */
export function goalsOf(places: readonly MarkPlace[], size: SheetSize): readonly MarkGoal[] | null {
  const near = SAME * Math.max(size.widthMm, size.heightMm);
  const goals: { edge: LineRef; mm: number; square: boolean; places: { measured: number; moves: number }[] }[] = [];
  for (const { at, from, mm, measured } of places) {
    const open = distance(at, from);
    if (Math.abs(open - mm) > near || open < near) return null;
    const away = { x: (at.x - from.x) / open, y: (at.y - from.y) / open };
    const square = Math.min(Math.abs(away.x), Math.abs(away.y)) < SAME;
    const ends = square ? [squareEnd(at, away, size, near)] : slantEnds(at, away, size, near);
    if (!ends) return null;
    for (const end of ends) {
      const length = edgeLength(size, end.edge);
      const own = goals.find(
        (one) => one.square === square && one.edge === end.edge && Math.abs(one.mm - end.mm) < near,
      );
      // A fold square to an edge is square to the one opposite: one mark does for both.
      const opposite = square
        ? goals.find(
            (one) => one.square && one.edge === (end.edge + 2) % 4 && Math.abs(length - one.mm - end.mm) < near,
          )
        : undefined;
      if (own) own.places.push({ measured, moves: end.moves });
      else if (opposite) opposite.places.push({ measured, moves: -end.moves });
      else goals.push({ edge: end.edge, mm: end.mm, square, places: [{ measured, moves: end.moves }] });
    }
  }
  return goals;
}

/**
 * The same, as far as their marks are at hand when the piece is folded through them: on paper that lies with the places as it did on
 * the open sheet. A fold square to an edge may be found from the edge opposite instead.
 * @param pose the paper as it lies then
 */
export function goalsAtHand(places: readonly MarkPlace[], size: SheetSize, pose: Pose): readonly MarkGoal[] | null {
  const near = SAME * Math.max(size.widthMm, size.heightMm);
  const edges = edgesOf(size);
  const atHand = ({ edge, mm, places: on }: MarkGoal): boolean => {
    const { at, along } = edges[edge];
    const mark = { x: at.x + mm * along.x, y: at.y + mm * along.y };
    return on.every(({ measured }) => {
      const place = places.find((one) => one.measured === measured)!.at;
      return Math.abs(distance(whereIs(pose, mark), whereIs(pose, place)) - distance(mark, place)) < near;
    });
  };
  const found = goalsOf(places, size)?.map((goal): MarkGoal | null => {
    if (atHand(goal)) return goal;
    const { edge, mm, square, places: on } = goal;
    const length = edgeLength(size, edge);
    const moved = on.map(({ measured, moves }) => ({ measured, moves: -moves }));
    const opposite = { edge: (edge + 2) % 4, mm: length - mm, square, places: moved };
    return square && atHand(opposite) ? opposite : null;
  });
  return !found || found.some((goal) => goal === null) ? null : (found as readonly MarkGoal[]);
}

/** Where the fold meets the edge that the place lies on, or the nearer of the two that are square to it. */
function squareEnd(at: Point, away: Point, size: SheetSize, near: number): End {
  const edges = edgesOf(size);
  const [first, second] = Math.abs(away.x) > Math.abs(away.y) ? [0, 2] : [3, 1];
  const far = (edge: number): number => Math.abs(besides(edges[edge], at));
  const edge = far(second) < near && far(first) >= near ? second : first;
  return { edge, mm: alongOf(edges[edge], at), moves: alongs(edges[edge], away) > 0 ? 1 : -1 };
}

/** Where a slanting fold meets two edges. */
function slantEnds(at: Point, away: Point, size: SheetSize, near: number): readonly End[] | null {
  const edges = edgesOf(size);
  const fold: Line = { at, along: { x: -away.y, y: away.x } };
  const [from, to] = endsOn(size, fold);
  const whole = distance(from, to);
  const share = distance(from, at) / whole;
  const ends = [from, to].map((end, k): End | null => {
    const on = [0, 1, 2, 3].filter((edge) => Math.abs(besides(edges[edge], end)) < near);
    if (on.length !== 1) return null;
    const [edge] = on;
    return {
      edge,
      mm: alongOf(edges[edge], end),
      moves: (k ? share : 1 - share) * alongs(edges[edge], away),
    };
  });
  return ends.some((end) => end === null) ? null : (ends as readonly End[]);
}

const besides = ({ at, along }: Line, p: Point): number => along.x * (p.y - at.y) - along.y * (p.x - at.x);
const alongOf = ({ at, along }: Line, p: Point): number => along.x * (p.x - at.x) + along.y * (p.y - at.y);
const alongs = ({ along }: Line, p: Point): number => along.x * p.x + along.y * p.y;
