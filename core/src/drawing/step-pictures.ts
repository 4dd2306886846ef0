import { placedOutline, type Pose, whereIs } from '../folding/pose';
import type { FormStep } from '../forms/form';
import type { Point } from '../measure/point';
import { cropped } from './crop';
import { arrowBetween, draw } from './draw';
import type { Drawing, DrawnArrow, DrawnLine } from './drawing';
import { spreadLayers } from './spread-layers';
import { detailBox } from './step-detail';
import type { Part } from './surfaces';
import { FROM_ABOVE, fromDirection, project, type View } from './view';

/** The pictures of one step. */
export interface StepPictures {
  /** The paper as it lies, with the folds to make and the way it moves. */
  readonly now: Drawing;
  /** Folded, before it is opened again; null when it stays folded. */
  readonly between: Drawing | null;
  /** The paper after the step. */
  readonly then: Drawing;
  /** Where the work is small: the place of it before and after, larger; `times` as large as the whole in as much room. */
  readonly detail: { readonly times: number; readonly now: Drawing; readonly then: Drawing } | null;
}

/** How the maker looks at the table. */
export interface Looking {
  /** From the other side of the table top, as if it were glass. */
  readonly fromBelow?: boolean;
  /** Quarter turns walked round the table. */
  readonly quarterTurns?: number;
}

/** Share of the sheet by which layers are told apart. */
export const LAYER_STEP = 0.0045;

/** Standing paper is seen a little from the side and well from above, so that it keeps the way it lay. */
const STANDING_TURN_DEG = 15;
const STANDING_RISE_DEG = 47;

/** From where the maker sees a step. */
export function viewOf(step: Pick<FormStep, 'view'>, { fromBelow = false, quarterTurns = 0 }: Looking): View {
  if (step.view === 'space')
    return fromDirection(STANDING_TURN_DEG + 90 * quarterTurns, fromBelow ? -40 : STANDING_RISE_DEG);
  const { right, up, toward } = quarterTurns ? fromDirection(90 * quarterTurns, 90) : FROM_ABOVE;
  return fromBelow ? { right: negative(right), up, toward: negative(toward) } : { right, up, toward };
}

const negative = (p: { x: number; y: number; z: number }): { x: number; y: number; z: number } => ({
  x: -p.x,
  y: -p.y,
  z: -p.z,
});

/** The sense of a crease that was made and opened again between two poses; 0 when there is none. */
function madeNow(first: Pose, last: Pose, edge: number): number {
  return last.pattern === first.pattern && last.sense[edge] !== first.sense[edge] ? last.sense[edge] : 0;
}

/** Above the paper, from its left to its right: the way a page is turned. */
function turnOverArrow(room: readonly Point[]): DrawnArrow {
  const xs = room.map((p) => p.x);
  const [left, right, top] = [Math.min(...xs), Math.max(...xs), Math.min(...room.map((p) => p.y))];
  const width = 0.5 * (right - left);
  const middle = (left + right) / 2;
  const at = (x: number, y: number): Point => ({ x: middle + x * width, y: top - y * width });
  return { kind: 'turn-over', from: at(-0.4, 0.1), bend: at(0, 0.42), to: at(0.4, 0.1) };
}

/** Share of the picture below which a movement is too short to be seen, and of the arrow that then points at its place. */
const TOO_SHORT = 0.04;
const POINTER = 0.16;

/** Paper that is pushed or pulled through in its place hardly moves: a short arrow from outside points at it. */
function arrowTo(room: readonly Point[], arrow: DrawnArrow): DrawnArrow {
  const xs = room.map((p) => p.x);
  const ys = room.map((p) => p.y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const size = Math.max(right - left, bottom - top);
  const { from, to } = arrow;
  if (Math.hypot(to.x - from.x, to.y - from.y) > TOO_SHORT * size) return arrow;
  const [dx, dy] = [to.x - (left + right) / 2, to.y - (top + bottom) / 2];
  const length = Math.hypot(dx, dy);
  const [ux, uy] = length > 0.02 * size ? [dx / length, dy / length] : [1, 0];
  const at = (t: number, aside = 0): Point => ({
    x: to.x + POINTER * size * (t * ux - aside * uy),
    y: to.y + POINTER * size * (t * uy + aside * ux),
  });
  return arrow.kind === 'pull-out'
    ? { ...arrow, from: to, bend: at(0.5, 0.2), to: at(1) }
    : { ...arrow, from: at(1), bend: at(0.5, 0.2), to };
}

const withLines = (drawing: Drawing, lines: readonly DrawnLine[]): Drawing => ({
  ...drawing,
  lines: [...drawing.lines, ...lines],
});

/** Draws one step of a form. */
export function stepPictures(step: FormStep, looking: Looking = {}): StepPictures {
  const view = viewOf(step, looking);
  const { poses } = step;
  const [first, second] = poses;
  const last = poses[poses.length - 1];
  const part = (pose: Pose): Part => ({
    kind: 'paper',
    pose,
    spread:
      step.view === 'table' && !looking.fromBelow ? spreadLayers(pose, LAYER_STEP * pose.pattern.size) : undefined,
  });
  const roomFor = poses.flatMap((pose) =>
    pose.pattern.faces.flatMap((_, f) => placedOutline(pose, f).map((p) => project(view, p))),
  );
  const marks = last.marks ?? [];
  // Edges are told apart by their numbers, which only poses on one pattern share: cutting makes a new one.
  const later = poses.slice(1).filter((pose) => pose.pattern === first.pattern);
  const signs = first.angles.map((angle, e) =>
    Math.abs(angle) < 1e-9 && step.creases.includes(first.pattern.edges[e].name)
      ? Math.sign(later.map((p) => p.angles[e]).find((a) => a) ?? madeNow(first, last, e))
      : 0,
  );
  const common = { hidden: step.view === 'table', roomFor };
  const arrows: DrawnArrow[] = step.arrows.map((arrow, k) =>
    arrow.kind === 'turn-over'
      ? turnOverArrow(roomFor)
      : arrowTo(
          roomFor,
          arrowBetween(
            view,
            arrow.kind,
            whereIs(first, arrow.grip),
            arrow.to ? whereIs(first, arrow.to) : whereIs(poses.length > 2 ? second : last, arrow.grip),
            k % 2 ? -0.22 : 0.22,
          ),
        ),
  );
  const named = step.landmarks.map(({ point, name }) => ({ at: project(view, whereIs(first, point)), text: name }));
  const onTable = (step.lying ?? []).map((p) => project(view, whereIs(first, p)));
  const lying = onTable.map((from, k): DrawnLine => ({ kind: 'thing', from, to: onTable[(k + 1) % onTable.length] }));
  const now = withLines(
    draw([part(first)], view, { ...common, folding: { part: 0, signs }, marks, arrows, named }),
    lying,
  );
  const between = poses.length > 2 ? draw([part(second)], view, common) : null;
  const then = draw([part(last)], view, common);
  // Paper that stays where it is stays in its place, at one scale.
  const box = around([now, then, ...(between ? [between] : [])]);
  const near = detailBox({ ...now, box });
  const detail = near && {
    times: Math.max(box.width, box.height) / near.width,
    now: cropped({ ...now, box }, near),
    then: cropped({ ...(between ?? then), box }, near),
  };
  return { now: { ...now, box }, between: between && { ...between, box }, then: { ...then, box }, detail };
}

/** The least box with room for all of some drawings. */
function around(drawings: readonly Drawing[]): Drawing['box'] {
  const boxes = drawings.map(({ box }) => box);
  const x = Math.min(...boxes.map((box) => box.x));
  const y = Math.min(...boxes.map((box) => box.y));
  const width = Math.max(...boxes.map((box) => box.x + box.width)) - x;
  const height = Math.max(...boxes.map((box) => box.y + box.height)) - y;
  return { x, y, width, height };
}
