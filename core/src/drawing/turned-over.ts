import type { Point } from '../measure/point';
import type { Drawing, LineKind } from './drawing';

const OTHER: Readonly<Partial<Record<LineKind, LineKind>>> = { valley: 'mountain', mountain: 'valley' };

/** The picture of an open sheet as it lies when it is turned over like a page: valleys are mountains then. */
export function turnedOver(sheet: Drawing): Drawing {
  const { x: x0, width } = sheet.box;
  const over = ({ x, y }: Point): Point => ({ x: 2 * x0 + width - x, y });
  return {
    ...sheet,
    patches: sheet.patches.map((patch) => ({
      ...patch,
      points: patch.points.map(over),
      side: patch.side === 'white' ? 'colour' : patch.side === 'colour' ? 'white' : patch.side,
    })),
    lines: sheet.lines.map(({ kind, from, to }) => ({ kind: OTHER[kind] ?? kind, from: over(from), to: over(to) })),
  };
}
