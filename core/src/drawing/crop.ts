import type { Point } from '../measure/point';
import type { Drawing, DrawnLine, Patch } from './drawing';

type Box = Drawing['box'];

/** The part of a line inside a box, after Liang and Barsky; null when none of it is. */
function clippedLine(line: DrawnLine, { x, y, width, height }: Box): DrawnLine | null {
  const { from, to } = line;
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  let [enter, leave] = [0, 1];
  const sides: readonly (readonly [number, number])[] = [
    [-dx, from.x - x],
    [dx, x + width - from.x],
    [-dy, from.y - y],
    [dy, y + height - from.y],
  ];
  for (const [toward, room] of sides) {
    if (toward === 0) {
      if (room < 0) return null;
    } else if (toward < 0) enter = Math.max(enter, room / toward);
    else leave = Math.min(leave, room / toward);
  }
  if (enter >= leave) return null;
  const at = (t: number): Point => ({ x: from.x + t * dx, y: from.y + t * dy });
  return { ...line, from: at(enter), to: at(leave) };
}

/** The part of an outline on one side of an upright or level line, after Sutherland and Hodgman. */
function half(points: readonly Point[], inside: (p: Point) => number): readonly Point[] {
  return points.flatMap((p, k) => {
    const q = points[(k + 1) % points.length];
    const [a, b] = [inside(p), inside(q)];
    const cut = { x: p.x + (a / (a - b)) * (q.x - p.x), y: p.y + (a / (a - b)) * (q.y - p.y) };
    return [...(a >= 0 ? [p] : []), ...(a >= 0 !== b >= 0 ? [cut] : [])];
  });
}

const clippedPatch = (patch: Patch, { x, y, width, height }: Box): Patch => ({
  ...patch,
  points: [
    (p: Point) => p.x - x,
    (p: Point) => x + width - p.x,
    (p: Point) => p.y - y,
    (p: Point) => y + height - p.y,
  ].reduce(half, patch.points),
});

/**
 * The part of a drawing inside a box. Arrows and names that point at something inside are kept whole; names shrink by as much
 * as the picture will be enlarged, so that they stay readable and no more.
 */
export function cropped(drawing: Drawing, box: Box): Drawing {
  const within = ({ x, y }: Point): boolean =>
    x >= box.x && y >= box.y && x <= box.x + box.width && y <= box.y + box.height;
  const share = Math.max(box.width, box.height) / Math.max(drawing.box.width, drawing.box.height, 1e-9);
  return {
    box,
    patches: drawing.patches.map((patch) => clippedPatch(patch, box)).filter(({ points }) => points.length >= 3),
    lines: drawing.lines.map((line) => clippedLine(line, box)).filter((line) => line !== null),
    arrows: drawing.arrows.filter(({ from, to }) => within(from) && within(to)),
    labels: drawing.labels
      .filter(({ anchor }) => within(anchor))
      .map((label) => ({
        ...label,
        at: {
          x: label.anchor.x + share * (label.at.x - label.anchor.x),
          y: label.anchor.y + share * (label.at.y - label.anchor.y),
        },
        width: share * label.width,
        height: share * label.height,
      })),
  };
}
