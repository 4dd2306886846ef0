import type { SheetSize } from '../../forms/form';
import type { Line } from '../../measure/point';
import { creasesOf, FIRST_FOLD, type FoldBy, type LineRef, type MarkFold, needsOf, type PlaceRef } from './mark-fold';

/** A way to lay a sheet onto itself: which edge comes to lie where each edge was. */
export type Symmetry = readonly [LineRef, LineRef, LineRef, LineRef];

/** All ways to lay a sheet of a size onto itself, the sheet as it is first. */
export function symmetriesOf({ widthMm, heightMm }: SheetSize): readonly Symmetry[] {
  const oblong: readonly Symmetry[] = [
    [0, 1, 2, 3],
    [0, 3, 2, 1],
    [2, 1, 0, 3],
    [2, 3, 0, 1],
  ];
  if (Math.abs(widthMm - heightMm) > 1e-9 * widthMm) return oblong;
  return [...oblong, ...oblong.map(([near, right, far, left]): Symmetry => [right, far, left, near])];
}

/**
 * The same folds on a sheet that lies otherwise: `to[e]` is the edge that edge e becomes.
 * @throws RangeError when the folds are none on that sheet
 */
export function turnedFolds(folds: readonly MarkFold[], to: Symmetry, size: SheetSize): readonly MarkFold[] {
  const ref = (line: LineRef): LineRef => (line < FIRST_FOLD ? to[line] : line);
  const turned = folds.map(({ by, root }): MarkFold => ({ by: renamed(by, ref), root }));
  const before = creasesOf(folds, size);
  const image = mover(to, size);
  // Which root a fold is depends on how the sheet lies.
  turned.forEach(({ by }, k) => {
    const meant = image(before[FIRST_FOLD + k]);
    const root = ([0, 1, 2] as const).find((one) => {
      try {
        return same(creasesOf([...turned.slice(0, k), { by, root: one }], size)[FIRST_FOLD + k], meant, size);
      } catch {
        return false;
      }
    });
    if (root === undefined) throw new RangeError('The folds are none on the turned sheet.');
    turned[k] = { by, root };
  });
  return turned;
}

/** All folds in order, those that crease the same line made once only; and for each sequence which line each of its lines is then. */
export function sharedFolds(
  sequences: readonly (readonly MarkFold[])[],
  size: SheetSize,
): { readonly folds: readonly MarkFold[]; readonly refs: readonly (readonly LineRef[])[] } {
  const folds: MarkFold[] = [];
  const lines: Line[] = [...creasesOf([], size)];
  /** A guess, and what is halved from it, lies where it happens to: no other fold stands for it. */
  const guessed = new Set<LineRef>();
  const refs = sequences.map((sequence) => {
    const own = creasesOf(sequence, size);
    const at: LineRef[] = [0, 1, 2, 3];
    sequence.forEach(({ by, root }, k) => {
      const line = own[FIRST_FOLD + k];
      const { lines: on, places } = needsOf(by);
      const isGuess = by.kind === 'by-eye' || [...on, ...places.flat()].some((ref) => guessed.has(at[ref]));
      const known = lines.findIndex((one, j) => j >= FIRST_FOLD && !guessed.has(j) && same(one, line, size));
      if (known >= 0 && !isGuess) {
        at.push(known);
        return;
      }
      folds.push({ by: renamed(by, (ref) => at[ref]), root });
      at.push(lines.push(line) - 1);
      if (isGuess) guessed.add(lines.length - 1);
    });
    return at;
  });
  return { folds, refs };
}

function renamed(by: FoldBy, ref: (line: LineRef) => LineRef): FoldBy {
  const place = ([j, k]: PlaceRef): PlaceRef => [ref(j), ref(k)];
  switch (by.kind) {
    case 'point-onto-point':
      return { ...by, point: place(by.point), onto: place(by.onto) };
    case 'line-onto-line':
      return { ...by, line: ref(by.line), onto: ref(by.onto) };
    case 'through-points':
      return { ...by, a: place(by.a), b: place(by.b) };
    case 'perpendicular':
      return { ...by, through: place(by.through), to: ref(by.to) };
    case 'point-onto-line-square':
      return { ...by, point: place(by.point), onto: ref(by.onto), squareTo: ref(by.squareTo) };
    case 'point-onto-line':
      return { ...by, point: place(by.point), onto: ref(by.onto), through: place(by.through) };
    case 'points-onto-lines':
      return {
        ...by,
        point: place(by.point),
        onto: ref(by.onto),
        other: place(by.other),
        otherOnto: ref(by.otherOnto),
      };
    case 'by-eye':
      return by;
  }
}

/** Moves lines as a symmetry moves the sheet. */
function mover(to: Symmetry, { widthMm: w, heightMm: h }: SheetSize): (line: Line) => Line {
  // Where the near and the left edge go says where every point goes: y is counted from the first, x from the second.
  const from = (edge: LineRef, d: number) =>
    [
      { axis: 'y', at: d },
      { axis: 'x', at: w - d },
      { axis: 'y', at: h - d },
      { axis: 'x', at: d },
    ][edge];
  const point = ({ x, y }: { x: number; y: number }) => {
    const places = [from(to[0], y), from(to[3], x)];
    return { x: places.find(({ axis }) => axis === 'x')!.at, y: places.find(({ axis }) => axis === 'y')!.at };
  };
  return ({ at, along }) => {
    const [p, q] = [point(at), point({ x: at.x + along.x, y: at.y + along.y })];
    return { at: p, along: { x: q.x - p.x, y: q.y - p.y } };
  };
}

/** Whether two lines are one, whichever way they run. */
function same(a: Line, b: Line, { widthMm, heightMm }: SheetSize): boolean {
  const near = 1e-8 * Math.max(widthMm, heightMm);
  const sine = a.along.x * b.along.y - a.along.y * b.along.x;
  const off = a.along.x * (b.at.y - a.at.y) - a.along.y * (b.at.x - a.at.x);
  return Math.abs(sine) < 1e-8 && Math.abs(off) < near;
}
