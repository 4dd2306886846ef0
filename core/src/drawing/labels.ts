import type { Point } from '../measure/point';
import type { Drawing, DrawnLabel } from './drawing';

/** A point that a picture names. */
export interface Named {
  readonly at: Point;
  readonly text: string;
}

/** Height of a label as a share of the picture's larger side. */
const LABEL_SHARE = 0.05;
/** Width of a letter as a share of the label's height: that of a plain sans-serif, rounded up. */
const LETTER = 0.58;
/** How far landmarks and arrows keep others away, as a share of the label's height. */
const CLEAR = 0.45;

/** A rectangle with its middle and its half sizes. */
interface Room {
  readonly at: Point;
  readonly halfWidth: number;
  readonly halfHeight: number;
}

const apart = (a: Room, b: Room): boolean =>
  Math.abs(a.at.x - b.at.x) >= a.halfWidth + b.halfWidth || Math.abs(a.at.y - b.at.y) >= a.halfHeight + b.halfHeight;

/** Whether two labels share any spot. */
export function labelsCollide(a: DrawnLabel, b: DrawnLabel): boolean {
  return !apart(roomOf(a), roomOf(b));
}

function roomOf({ at, width, height }: DrawnLabel): Room {
  return { at, halfWidth: width / 2, halfHeight: height / 2 };
}

/** Points along an arrow, close enough that no label slips between. */
function alongArrow({ from, bend, to }: Drawing['arrows'][number]): Point[] {
  return Array.from({ length: 25 }, (_, k) => {
    const t = k / 24;
    const [a, b, c] = [(1 - t) ** 2, 2 * t * (1 - t), t * t];
    return { x: a * from.x + b * bend.x + c * to.x, y: a * from.y + b * bend.y + c * to.y };
  });
}

/**
 * Puts a name beside each point: near it, off the other points, labels and arrows, and rather where fewer lines run. There
 * is always room far enough out, so nothing collides.
 */
export function placeLabels(drawing: Omit<Drawing, 'labels'>, named: readonly Named[]): DrawnLabel[] {
  const height = LABEL_SHARE * Math.max(drawing.box.width, drawing.box.height);
  const dot = (at: Point): Room => ({ at, halfWidth: CLEAR * height, halfHeight: CLEAR * height });
  const taken: Room[] = [...named.map(({ at }) => dot(at)), ...drawing.arrows.flatMap(alongArrow).map(dot)];
  const centre = {
    x: drawing.box.x + drawing.box.width / 2,
    y: drawing.box.y + drawing.box.height / 2,
  };
  return named.map(({ at, text }) => {
    const width = height * (LETTER * text.length + 0.5);
    const outwards = Math.atan2(at.y - centre.y, at.x - centre.x);
    for (let ring = 1; ; ring++) {
      let best: Room | null = null;
      let fewest = Infinity;
      for (let k = 0; k < 16; k++) {
        // First outwards, then ever more to the sides.
        const turn = outwards + ((k % 2 ? 1 : -1) * Math.ceil(k / 2) * Math.PI) / 8;
        const reach = (0.35 + 0.5 * ring) * height;
        const room = {
          at: {
            x: at.x + Math.cos(turn) * (reach + width / 2),
            y: at.y + Math.sin(turn) * (reach + height / 2),
          },
          halfWidth: width / 2,
          halfHeight: height / 2,
        };
        if (!taken.every((other) => apart(room, other))) continue;
        const crossed = drawing.lines.filter((line) => crosses(line.from, line.to, room)).length + k / 100;
        if (crossed < fewest) [best, fewest] = [room, crossed];
      }
      if (!best) continue;
      taken.push(best);
      return { text, at: best.at, anchor: at, width, height };
    }
  });
}

/** Whether a segment passes over a rectangle. */
function crosses(a: Point, b: Point, { at, halfWidth, halfHeight }: Room): boolean {
  let [s, t] = [0, 1];
  for (const [p, q, low, high] of [
    [a.x, b.x, at.x - halfWidth, at.x + halfWidth],
    [a.y, b.y, at.y - halfHeight, at.y + halfHeight],
  ]) {
    if (p === q) {
      if (p < low || p > high) return false;
      continue;
    }
    const [u, v] = [(low - p) / (q - p), (high - p) / (q - p)].sort((x, y) => x - y);
    [s, t] = [Math.max(s, u), Math.min(t, v)];
  }
  return s < t;
}
