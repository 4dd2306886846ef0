import { arrowShape } from '../drawing/arrow-shapes';
import type { Drawing, LineKind } from '../drawing/drawing';
import type { PaperColours } from '../drawing/paper-colours';
import { shadeOf } from '../drawing/shade';
import type { Point } from '../measure/point';

/** Something painted: an SVG path, or a text. Widths and dashes are for a picture that is 600 wide or high. */
export type Shape =
  | {
      readonly kind: 'path';
      readonly d: string;
      readonly fill?: string;
      readonly stroke?: string;
      readonly width?: number;
      readonly dash?: readonly number[];
      readonly opacity?: number;
    }
  | { readonly kind: 'text'; readonly text: string; readonly at: Point; readonly size: number; readonly fill: string };

/** The side of a picture for which widths are said. */
export const WIDTHS_FOR = 600;

const INK = '#25221d';
const GROUND = '#fffdf8';
const ARROW = '#b0430f';

/** Lines as on the screen: dash and colour both tell them apart. */
const LINES: Readonly<Record<LineKind, { stroke: string; width: number; dash?: readonly number[]; opacity?: number }>> =
  {
    raw: { stroke: INK, width: 1.6 },
    folded: { stroke: '#453d32', width: 1.2 },
    thing: { stroke: '#4b5652', width: 1.1 },
    crease: { stroke: '#7c8f80', width: 1 },
    valley: { stroke: '#0b7a83', width: 3, dash: [11, 6] },
    mountain: { stroke: '#7a3e8e', width: 3, dash: [12, 5, 1, 5] },
    hidden: { stroke: '#4b4336', width: 1.1, dash: [0.5, 4], opacity: 0.55 },
  };

/** Share of the picture's larger side kept free round it, and the length of an arrow's head as a share of that. */
const MARGIN = 0.06;
const HEAD_SHARE = 0.62;

const closed = (points: readonly Point[]): string => `M${points.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;

/** The box of a picture with room for its lines and heads. */
export function roomyBox({ box }: Pick<Drawing, 'box'>): Drawing['box'] {
  const m = MARGIN * Math.max(box.width, box.height);
  return { x: box.x - m, y: box.y - m, width: box.width + 2 * m, height: box.height + 2 * m };
}

/**
 * A picture as shapes to be painted in their order, in its own coordinates: for files and for print.
 * @param say how a text is written, a figure with a comma for example
 */
export function shapesOf(
  drawing: Drawing,
  colours: PaperColours,
  say: (text: string) => string = (text) => text,
): readonly Shape[] {
  const margin = MARGIN * Math.max(drawing.box.width, drawing.box.height);
  const patches = drawing.patches.map((patch): Shape => {
    const fill = shadeOf(patch, colours);
    return { kind: 'path', d: closed(patch.points), fill, stroke: fill, width: 0.6 };
  });
  const lines = drawing.lines.map(({ kind, from, to }): Shape => ({
    kind: 'path',
    d: `M${from.x} ${from.y}L${to.x} ${to.y}`,
    ...LINES[kind],
  }));
  const arrows = drawing.arrows.flatMap((arrow): Shape[] => {
    const { stem, head, tail } = arrowShape(arrow, HEAD_SHARE * margin);
    return [
      { kind: 'path', d: stem, stroke: GROUND, width: 5.5, opacity: 0.75 },
      { kind: 'path', d: stem, stroke: ARROW, width: 2.6 },
      { kind: 'path', d: closed(head), fill: ARROW },
      ...(tail ? [{ kind: 'path', d: closed(tail), fill: GROUND, stroke: ARROW, width: 2 } as const] : []),
    ];
  });
  const labels = drawing.labels.flatMap(({ text, at, anchor, width, height }): Shape[] => {
    const [x0, x1, y0, y1] = [at.x - width / 2, at.x + width / 2, at.y - height / 2, at.y + height / 2];
    const corners = [
      { x: x0, y: y0 },
      { x: x1, y: y0 },
      { x: x1, y: y1 },
      { x: x0, y: y1 },
    ];
    return [
      { kind: 'path', d: `M${anchor.x} ${anchor.y}L${at.x} ${at.y}`, stroke: INK, width: 1 },
      { kind: 'path', d: closed(corners), fill: GROUND, opacity: 0.92 },
      { kind: 'text', text: say(text), at: { x: at.x, y: at.y + 0.28 * height }, size: 0.8 * height, fill: INK },
    ];
  });
  return [...patches, ...lines, ...arrows, ...labels];
}
