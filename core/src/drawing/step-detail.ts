import type { Point } from '../measure/point';
import type { Drawing } from './drawing';

type Box = Drawing['box'];

/** Round the work there is room to see what it belongs to, as a share of the work's own size on every side. */
const ROOM = 0.35;
/** A detail that would take up more of the picture than this is no larger to speak of. */
const MOST_SHARE = 0.5;
/** Nothing is enlarged more than so many times: what it belongs to would be lost. */
const LEAST_SHARE = 1 / 8;

/** What a step is at work on, in its picture: the folds to make, where paper is held and goes, the places it names. */
function workOf({ lines, arrows, labels }: Drawing): readonly Point[] {
  const folds = lines.flatMap(({ kind, from, to }) => (kind === 'valley' || kind === 'mountain' ? [from, to] : []));
  // Without a fold to make the whole piece is bent or moved.
  if (!folds.length) return [];
  return [...folds, ...arrows.flatMap(({ from, to }) => [from, to]), ...labels.map(({ anchor }) => anchor)];
}

/**
 * The part of a step's picture that is worth a larger one beside it: a square round the work.
 * @returns null where the whole picture shows the work well enough, or where the whole piece moves
 */
export function detailBox(now: Drawing): Box | null {
  if (now.arrows.some(({ kind }) => kind === 'turn-over')) return null;
  const work = workOf(now);
  if (!work.length) return null;
  const [xs, ys] = [work.map(({ x }) => x), work.map(({ y }) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const whole = Math.max(now.box.width, now.box.height);
  const side = Math.max((1 + 2 * ROOM) * Math.max(right - left, bottom - top), LEAST_SHARE * whole);
  if (side > MOST_SHARE * whole) return null;
  return { x: (left + right) / 2 - side / 2, y: (top + bottom) / 2 - side / 2, width: side, height: side };
}
