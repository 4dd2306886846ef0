import type { Alignment } from '../folding/alignment';
import type { FoundMark } from '../folding/found-marks';
import type { Folding } from '../forms/form';
import { between, distance, lineThrough, type Point, sideOf } from '../measure/point';
import type { Sheet } from '../paper/sheet';

/** A spot that is marked, and the one that it is measured from, on the sheet. */
export interface MarkPlace {
  readonly at: Point;
  readonly from: Point;
  /** So far apart as the paper lies then. */
  readonly mm: number;
  /** How many were measured before it. */
  readonly measured: number;
}

/** One place to fold, and how it is found. */
export interface SheetMark {
  /** Unlike any other of the piece, in small letters, digits and hyphens. */
  readonly key: string;
  readonly name: string;
  /** By which it is called in the picture; null for a fold that needs no mark. */
  readonly n: number | null;
  readonly how:
    | {
        readonly kind: 'measured';
        readonly mm: number;
        readonly places: readonly MarkPlace[];
        /** What it is measured from, and along what, in words. */
        readonly origin: string;
      }
    | { readonly kind: 'folded'; readonly pinched: boolean; readonly words: string };
}

/** The marks of a step, in the order in which they are made. */
export interface StepMarks {
  readonly id: string;
  /** Counted from 1 among all steps. */
  readonly step: number;
  readonly title: string;
  readonly marks: readonly SheetMark[];
}

const LINED: Readonly<Record<Alignment['kind'], string>> = {
  'point-onto-point': 'a point laid onto a point',
  'line-onto-line': 'an edge or a crease laid onto another',
  'through-points': 'through two points that are there already',
  perpendicular: 'through a point, square to a line',
  'point-onto-line': 'a point laid onto a line, through another point',
  'points-onto-lines': 'two points laid onto two lines',
  'point-onto-line-square': 'a point laid onto a line, square to another line',
  parallel: 'along a line, as far from it as was said',
};

/** Spots closer than this share of the sheet's side are the same. */
const SAME = 1e-6;

/** Lengths that differ by less than this, in mm, are one length. */
const SAME_MM = 1e-6;

/**
 * All places to fold in order of the steps, from what the hand recorded: lengths to be measured, pinches, and folds that paper
 * laid on paper finds. Of a fold that runs through measured marks the marks are told, and not the fold again.
 */
export function sheetMarks({ steps, finished }: Pick<Folding, 'steps' | 'finished'>, sheet: Sheet): StepMarks[] {
  const origins = originsOf(sheet, finished);
  const keyOf = keysGiven();
  let [n, measured] = [0, 0];
  return steps.flatMap(({ id, title, found }, k): StepMarks[] => {
    const marks: SheetMark[] = [];
    for (const group of alike(found)) {
      const [{ name }] = group;
      const places = group.flatMap((one) =>
        one.kind === 'measured' ? [{ at: one.at, from: one.from, mm: one.mm, measured: measured++ }] : [],
      );
      if (places.length) {
        const [origin, [{ mm }]] = [origins(places), places];
        marks.push({ key: keyOf(name), name, n: ++n, how: { kind: 'measured', mm, places, origin } });
        continue;
      }
      const [first] = group;
      if (first.kind !== 'lined') continue;
      const { pinched, by } = first;
      marks.push({
        key: keyOf(name),
        name,
        n: pinched ? ++n : null,
        how: { kind: 'folded', pinched, words: LINED[by] },
      });
    }
    return marks.length ? [{ id, step: k + 1, title, marks }] : [];
  });
}

/** Gives names as keys, the second one of a name and later ones with a number. */
function keysGiven(): (name: string) => string {
  const met = new Map<string, number>();
  return (name) => {
    const slug = name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
    const times = (met.get(slug) ?? 0) + 1;
    met.set(slug, times);
    return times > 1 ? `${slug}-${times}` : slug;
  };
}

/** Marks that belong to one fold: of the same name and, where they are measured, of the same length. */
function alike(found: readonly FoundMark[]): FoundMark[][] {
  const groups: FoundMark[][] = [];
  for (const mark of found) {
    const last = groups.at(-1);
    const joins =
      last?.[0].name === mark.name &&
      (mark.kind === 'lined' || last.every((one) => one.kind === 'lined' || Math.abs(one.mm - mark.mm) < SAME_MM));
    if (joins) last.push(mark);
    else groups.push([mark]);
  }
  return groups;
}

/** Says what marks are measured from: a corner, an edge, a crease, a pinch, or the middle. */
function originsOf(
  { outline }: Sheet,
  { pattern, marks }: Folding['finished'],
): (places: readonly MarkPlace[]) => string {
  const xs = outline.map((p) => p.x);
  const ys = outline.map((p) => p.y);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const near = SAME * Math.max(x1 - x0, y1 - y0);
  const is = (a: number, b: number): boolean => Math.abs(a - b) < near;
  const levels = (p: Point): string | null => (is(p.y, y0) ? 'near' : is(p.y, y1) ? 'far' : null);
  const sides = (p: Point): string | null => (is(p.x, x0) ? 'left' : is(p.x, x1) ? 'right' : null);
  const onStretch = (p: Point, from: Point, to: Point): boolean =>
    Math.abs(sideOf(lineThrough(from, to), p)) < near &&
    distance(p, between(from, to)) <= distance(from, to) / 2 + near;
  const vertex = (v: number): Point => pattern.vertices[v];
  const originOf = (p: Point): string => {
    const [level, side] = [levels(p), sides(p)];
    if (level && side) return `the ${level} ${side} corner`;
    const pinch = marks?.find(({ from, to }) => onStretch(p, from, to));
    if (pinch) return `the pinch “${pinch.name}”`;
    if (level ?? side) return `the ${level ?? side} edge`;
    const crease = pattern.edges.find((edge) => edge.name && onStretch(p, vertex(edge.from), vertex(edge.to)));
    if (is(p.x, (x0 + x1) / 2) && is(p.y, (y0 + y1) / 2)) return 'the middle of the sheet';
    return crease ? `the crease “${crease.name}”` : 'the mark before it';
  };
  return (places) => [...new Set(places.map(({ from }) => originOf(from)))].join(' and ');
}
