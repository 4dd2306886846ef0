import { type Alignment, foldLine, pointsOntoLines } from '../../folding/alignment';
import { between, crossing, distance, type Line, lineThrough, type Point, reflect, sideOf } from '../../measure/point';
import type { SheetSize } from '../../forms/form';
import { EFFORT, WAY } from './one-fold';

/** A line of the sheet: its edges are 0 near, 1 right, 2 far and 3 left; the folds follow from 4 on in the order in which they are made. */
export type LineRef = number;

/** Where two lines of the sheet meet. */
export type PlaceRef = readonly [LineRef, LineRef];

/** How one fold of a sequence is lined up, by what lies on the sheet already. */
export type FoldBy =
  | { readonly kind: 'point-onto-point'; readonly point: PlaceRef; readonly onto: PlaceRef }
  | { readonly kind: 'line-onto-line'; readonly line: LineRef; readonly onto: LineRef }
  | { readonly kind: 'through-points'; readonly a: PlaceRef; readonly b: PlaceRef }
  | { readonly kind: 'perpendicular'; readonly through: PlaceRef; readonly to: LineRef }
  | {
      readonly kind: 'point-onto-line-square';
      readonly point: PlaceRef;
      readonly onto: LineRef;
      readonly squareTo: LineRef;
    }
  | { readonly kind: 'point-onto-line'; readonly point: PlaceRef; readonly onto: LineRef; readonly through: PlaceRef }
  | {
      readonly kind: 'points-onto-lines';
      readonly point: PlaceRef;
      readonly onto: LineRef;
      readonly other: PlaceRef;
      readonly otherOnto: LineRef;
    }
  /** Square to an edge, at a share of its length from its first end that is guessed: a beginning for ways that converge. */
  | { readonly kind: 'by-eye'; readonly edge: LineRef; readonly share: number };

/** One fold: creased, or pinched, and opened again. */
export interface MarkFold {
  readonly by: FoldBy;
  /** Which one of the folds that line it up so: up to three do. */
  readonly root: FoldRoot;
}

export type FoldRoot = 0 | 1 | 2;

/** The first line that is a fold. */
export const FIRST_FOLD = 4;

/** The near, right, far and left edge of a sheet that lies with its near left corner at the origin. */
export function edgesOf({ widthMm: w, heightMm: h }: SheetSize): readonly Line[] {
  const corners: readonly Point[] = [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: h },
    { x: 0, y: h },
  ];
  return corners.map((p, k) => lineThrough(p, corners[(k + 1) % 4]));
}

/** How long an edge is, in mm. */
export const edgeLength = ({ widthMm, heightMm }: SheetSize, edge: LineRef): number => (edge % 2 ? heightMm : widthMm);

/** How far along an edge a point lies, from the edge's first end, counter-clockwise round the sheet. */
export const alongEdge = ({ widthMm, heightMm }: SheetSize, edge: LineRef, { x, y }: Point): number =>
  [x, y, widthMm - x, heightMm - y][edge];

/** A fold line cannot be made from what is there. */
export class NoSuchFold extends RangeError {
  override readonly name = 'NoSuchFold';
}

/** Where two lines of the sheet meet. @throws NoSuchFold when they do not */
export function placeOf(lines: readonly Line[], [j, k]: PlaceRef): Point {
  const [a, b] = [lines[j], lines[k]];
  const met = a && b ? crossing(a, b) : null;
  if (!met) throw new NoSuchFold(`Lines ${j} and ${k} of the sheet do not meet.`);
  return met;
}

/** The two ends of a line on a sheet. @throws NoSuchFold when it misses the sheet */
export function endsOn(size: SheetSize, line: Line): readonly [Point, Point] {
  const near = 1e-9 * Math.max(size.widthMm, size.heightMm);
  const met = edgesOf(size).flatMap((edge) => crossing(edge, line) ?? []);
  const within = met.filter(
    ({ x, y }) => x > -near && y > -near && x < size.widthMm + near && y < size.heightMm + near,
  );
  const along = ({ x, y }: Point): number => x * line.along.x + y * line.along.y;
  within.sort((p, q) => along(p) - along(q));
  const [from, to] = [within[0], within.at(-1)];
  if (!from || !to || distance(from, to) < near) throw new NoSuchFold('The line misses the sheet.');
  return [from, to];
}

/** All alignments that a fold by these places may be, in a fixed order: its roots. */
function alignmentsOf(by: FoldBy, lines: readonly Line[], size: SheetSize): Alignment[] {
  const at = (ref: PlaceRef): Point => placeOf(lines, ref);
  const line = (ref: LineRef): Line => {
    if (!lines[ref]) throw new NoSuchFold(`Line ${ref} is not on the sheet.`);
    return lines[ref];
  };
  switch (by.kind) {
    case 'point-onto-point':
      return [{ kind: by.kind, point: at(by.point), onto: at(by.onto) }];
    case 'through-points': {
      const [a, b] = [at(by.a), at(by.b)];
      return [{ kind: by.kind, a, b, moving: beside(lineThrough(a, b)) }];
    }
    case 'perpendicular': {
      const [to, through] = [line(by.to), at(by.through)];
      return [
        { kind: by.kind, to, through, moving: beside({ at: through, along: { x: -to.along.y, y: to.along.x } }) },
      ];
    }
    case 'by-eye': {
      const edge = line(by.edge);
      const [from, to] = endsOn(size, edge);
      const through = between(from, to, by.share);
      return [
        {
          ...{ kind: 'perpendicular', to: edge, through },
          moving: beside({ at: through, along: { x: -edge.along.y, y: edge.along.x } }),
        },
      ];
    }
    case 'line-onto-line': {
      const [own, onto] = [line(by.line), line(by.onto)];
      const ends = endsOn(size, own);
      const met = crossing(own, onto);
      // The end further from where they meet: there it is plain which ray it goes to.
      const [moving] = met ? [...ends].sort((p, q) => distance(q, met) - distance(p, met)) : ends;
      return (met ? [false, true] : [false]).map((wide) => ({ kind: by.kind, line: own, onto, moving, wide }));
    }
    case 'point-onto-line-square':
      return [{ kind: by.kind, point: at(by.point), onto: line(by.onto), squareTo: line(by.squareTo) }];
    case 'point-onto-line': {
      const [point, onto, through] = [at(by.point), line(by.onto), at(by.through)];
      const off = sideOf(onto, through);
      const reach = Math.sqrt(Math.max(0, distance(point, through) ** 2 - off ** 2));
      const foot = { x: through.x + off * onto.along.y, y: through.y - off * onto.along.x };
      return [1, -1].map((s) => ({
        ...{ kind: by.kind, point, onto, through },
        near: { x: foot.x + s * reach * onto.along.x, y: foot.y + s * reach * onto.along.y },
      }));
    }
    case 'points-onto-lines': {
      const [point, onto, other, otherOnto] = [at(by.point), line(by.onto), at(by.other), line(by.otherOnto)];
      const along = ({ x, y }: Point): number => x * onto.along.x + y * onto.along.y;
      return pointsOntoLines(point, onto, other, otherOnto)
        .sort((p, q) => along(p) - along(q))
        .map((near) => ({ kind: by.kind, point, onto, other, otherOnto, near }));
    }
  }
}

/** A point to the left of a line: which side moves makes no difference to a crease that is opened again. */
function beside({ at, along }: Line): Point {
  return { x: at.x - along.y, y: at.y + along.x };
}

/**
 * The alignment of a fold by places and lines as they lie now.
 * @param near where the exact fold runs: of several folds it is the one that a hand means, however it missed before
 * @throws NoSuchFold when nothing lines up so
 */
export function alignmentOf({ by, root }: MarkFold, lines: readonly Line[], size: SheetSize, near?: Line): Alignment {
  if (near && (by.kind === 'point-onto-line' || by.kind === 'points-onto-lines')) {
    const at = reflect(near, placeOf(lines, by.point));
    const [some] = alignmentsOf(by, lines, size);
    if (!some || !('near' in some)) throw new NoSuchFold('No fold lines these up.');
    return { ...some, near: at };
  }
  const found = alignmentsOf(by, lines, size)[root];
  if (!found) throw new NoSuchFold('No fold lines these up.');
  return found;
}

/**
 * The creases of a sequence of folds, each opened again before the next, after the four edges: exact ones, or as `miss` makes them.
 * @param miss what a hand makes of a line that it means
 * @throws NoSuchFold when a fold cannot be lined up; FoldRefused when it is ambiguous
 */
export function creasesOf(
  folds: readonly MarkFold[],
  size: SheetSize,
  miss?: { readonly exact: readonly Line[]; readonly make: (meant: Line, fold: number) => Line },
): readonly Line[] {
  const lines = [...edgesOf(size)];
  folds.forEach((fold, k) => {
    const meant = foldLine(alignmentOf(fold, lines, size, miss?.exact[FIRST_FOLD + k]));
    lines.push(miss ? miss.make(meant, k) : meant);
  });
  return lines;
}

/** The lines and the places that a fold is lined up by. */
export function needsOf(by: FoldBy): { readonly lines: readonly LineRef[]; readonly places: readonly PlaceRef[] } {
  switch (by.kind) {
    case 'point-onto-point':
      return { lines: [], places: [by.point, by.onto] };
    case 'line-onto-line':
      return { lines: [by.line, by.onto], places: [] };
    case 'through-points':
      return { lines: [], places: [by.a, by.b] };
    case 'perpendicular':
      return { lines: [by.to], places: [by.through] };
    case 'point-onto-line-square':
      return { lines: [by.onto, by.squareTo], places: [by.point] };
    case 'point-onto-line':
      return { lines: [by.onto], places: [by.point, by.through] };
    case 'points-onto-lines':
      return { lines: [by.onto, by.otherOnto], places: [by.point, by.other] };
    case 'by-eye':
      return { lines: [by.edge], places: [] };
  }
}

/** How hard a fold is to line up beside the easiest. */
export function effortOf({ kind }: FoldBy): number {
  switch (kind) {
    case 'point-onto-point':
      return EFFORT[WAY.pointOntoPoint];
    case 'line-onto-line':
      return EFFORT[WAY.lineOntoLine];
    case 'through-points':
      return EFFORT[WAY.throughPoints];
    case 'perpendicular':
    case 'by-eye':
      return EFFORT[WAY.square];
    case 'point-onto-line-square':
      return EFFORT[WAY.pointOntoLineSquare];
    case 'point-onto-line':
      return EFFORT[WAY.pointOntoLine];
    case 'points-onto-lines':
      return EFFORT[WAY.pointsOntoLines];
  }
}
