import type { Drawing } from '../drawing/drawing';
import { distance, type Point } from '../measure/point';

/** What a line of a sheet is for: cut along it, or score it for a valley or a mountain, as seen from the white side. */
export const CREASE_LAYERS = ['cut', 'valley', 'mountain'] as const;

export type CreaseLayer = (typeof CREASE_LAYERS)[number];

/** A straight line, in sheet coordinates: mm, x right, y up, the sheet's lower left corner at the origin. */
export interface SheetLine {
  readonly layer: CreaseLayer;
  readonly from: Point;
  readonly to: Point;
}

/** An open sheet, white side up, with all that is cut and scored: for plotters and cutting machines. */
export interface CreaseSheet {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly lines: readonly SheetLine[];
}

const LAYER_OF: Readonly<Partial<Record<Drawing['lines'][number]['kind'], CreaseLayer>>> = {
  raw: 'cut',
  valley: 'valley',
  mountain: 'mountain',
};

/** Ends that lie nearer to each other are one, as a share of the sheet. */
const NEAR = 1e-7;

/** Lines that go on from each other become one: a blade or a scoring wheel is set down once. */
function joined(lines: readonly SheetLine[], near: number): SheetLine[] {
  const open = [...lines];
  const done: SheetLine[] = [];
  while (open.length) {
    let line = open.pop()!;
    for (let k = 0; k < open.length; k++) {
      const longer = together(line, open[k], near);
      if (!longer) continue;
      line = longer;
      open.splice(k, 1);
      // What lay apart from it before may go on from it now.
      k = -1;
    }
    done.push(line);
  }
  return done;
}

/** Two lines of a layer as one, where one ends on the other's line and they touch or overlap; else null. */
function together(a: SheetLine, b: SheetLine, near: number): SheetLine | null {
  if (a.layer !== b.layer) return null;
  const length = distance(a.from, a.to);
  const along = { x: (a.to.x - a.from.x) / length, y: (a.to.y - a.from.y) / length };
  const place = (p: Point): { s: number; off: number } => ({
    s: (p.x - a.from.x) * along.x + (p.y - a.from.y) * along.y,
    off: Math.abs((p.y - a.from.y) * along.x - (p.x - a.from.x) * along.y),
  });
  const ends = [b.from, b.to].map((p) => ({ p, ...place(p) }));
  if (ends.some(({ off }) => off > near)) return null;
  if (Math.max(ends[0].s, ends[1].s) < -near || Math.min(ends[0].s, ends[1].s) > length + near) return null;
  const all = [{ p: a.from, s: 0 }, { p: a.to, s: length }, ...ends].sort((p, q) => p.s - q.s);
  return { layer: a.layer, from: all[0].p, to: all[all.length - 1].p };
}

/**
 * The open sheet of a crease picture, its lines by layers.
 * @param picture as `creasePicture` draws it, nothing marked
 */
export function creaseSheet({ lines, box }: Pick<Drawing, 'lines' | 'box'>): CreaseSheet {
  const size = Math.max(box.width, box.height);
  const place = ({ x, y }: Point): Point => ({ x: x - box.x, y: box.y + box.height - y });
  const all = lines.flatMap(({ kind, from, to }): SheetLine[] => {
    const layer = LAYER_OF[kind];
    return layer && distance(from, to) > NEAR * size ? [{ layer, from: place(from), to: place(to) }] : [];
  });
  const layers = CREASE_LAYERS.flatMap((layer) =>
    joined(
      all.filter((line) => line.layer === layer),
      NEAR * size,
    ),
  );
  return { widthMm: box.width, heightMm: box.height, lines: layers };
}
