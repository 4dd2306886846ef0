import type { SheetSize } from '../../forms/form';
import { foldLine } from '../../folding/alignment';
import { FoldRefused } from '../../folding/fold-refused';
import { binned, type EdgeMarks } from './edge-marks';
import { foldBy, TOLD_AS } from './fold-by';
import { LineBook } from './line-book';
import { Nearest } from './nearest';
import {
  alignmentOf,
  creasesOf,
  FIRST_FOLD,
  type FoldBy,
  type LineRef,
  type MarkFold,
  NoSuchFold,
  type PlaceRef,
} from './mark-fold';
import { EFFORT, type FoldFound, Scene } from './one-fold';

/** Folds up to which every sequence is looked at. */
export const ALL_UP_TO = 3;

/** Sequences are folded on a sheet as long as this to see which root of a fold is meant. */
const LONGER_MM = 100;
const SAME_FOLD = 1e-8;

/** A way to make a mark: the folds in order. What it marks is the last of them, or where that meets an edge. */
export interface MarkFound {
  readonly folds: readonly MarkFold[];
  /** Where it comes to lie on the edge or beside the direction asked for, less what was asked: as a share of the longer side, or rad. */
  readonly off: number;
}

/** How the last fold of a line was made: in which set of folds, by which alignment. */
interface Derivations {
  readonly line: number[];
  readonly set: number[];
  readonly way: number[];
  readonly refs: number[];
  readonly effort: number[];
}

/** Numbers of derivations in the order in which they are made; a line of so many folds has one fewer before it. */
type FoldSet = readonly number[];

/**
 * Every line that a sheet of a proportion can be creased along in up to three folds, opened each time, and every mark that
 * these leave on its edges. Made once for a proportion, then asked. Sheets are as long as 1 on their longer side.
 */
export class MarkSearch {
  private readonly scene: Scene;
  private readonly book = new LineBook();
  /** For each line its easiest derivation. */
  private readonly best: number[] = [];
  private readonly rank: number[] = [];
  private readonly made: Derivations = { line: [], set: [], way: [], refs: [], effort: [] };
  private readonly sets: FoldSet[] = [[]];
  private readonly width: number;
  private readonly height: number;
  /** Marks on each edge: where from its first end, and which line makes it; sorted into bins by where they are. */
  private edges: readonly EdgeMarks[] = [];

  private constructor(size: SheetSize) {
    const longer = Math.max(size.widthMm, size.heightMm);
    this.width = size.widthMm / longer;
    this.height = size.heightMm / longer;
    this.scene = new Scene(this.width, this.height);
  }

  /**
   * Looks at every sequence of folds. Yields the share that is done, so that the caller can show it or stop.
   * @param size of any sheet of the proportion
   */
  static *over(size: SheetSize): Generator<number, MarkSearch, void> {
    const search = new MarkSearch(size);
    let level: number[] = [0];
    for (let rank = 1; rank <= ALL_UP_TO; rank++) {
      const found: [number, number][] = [];
      for (let k = 0; k < level.length; k++) {
        search.expand(level[k], rank, found);
        if (k % 50 === 49) yield rank < ALL_UP_TO ? 0 : k / level.length;
      }
      if (rank < ALL_UP_TO) level = search.setsAfter(level, found, rank);
    }
    search.edges = [0, 1, 2, 3].map((edge) => search.marksOn(edge));
    return search;
  }

  /** How many lines there are that take so many folds, and none fewer. */
  count(folds: number): number {
    return this.rank.reduce((sum, rank) => sum + (rank === folds ? 1 : 0), 0);
  }

  /** Puts the creases of a set on the scene; each needs what came before it where its derivation says so. */
  private lay(set: FoldSet): void {
    const { scene, book, made } = this;
    scene.reset();
    set.forEach((derivation, k) => {
      let needs = 1 << k;
      for (const before of this.sets[made.set[derivation]]) {
        const at = set.indexOf(before);
        if (at >= 0) needs |= 1 << at;
      }
      const line = made.line[derivation];
      scene.crease(book.a[line], book.b[line], book.c[line], needs);
    });
  }

  /** All folds that need every crease of a set. Notes in `found` which derivation makes which new or known line of this rank. */
  private expand(setId: number, rank: number, found: [number, number][]): void {
    const { book, made, scene } = this;
    const set = this.sets[setId];
    this.lay(set);
    const before = set.reduce((sum, derivation) => sum + EFFORT[made.way[derivation]], 0);
    const here = new Map<number, number>();
    scene.folds((1 << set.length) - 1, (fold: FoldFound) => {
      let line = book.find(fold.a, fold.b, fold.c);
      if (line >= 0 && this.rank[line] < rank) return;
      const effort = before + EFFORT[fold.way];
      if (line < 0) {
        line = book.add(fold.a, fold.b, fold.c);
        this.rank[line] = rank;
        this.best[line] = -1;
      }
      const known = here.get(line);
      if (known !== undefined && made.effort[known] <= effort) return;
      if (rank === ALL_UP_TO) {
        const best = this.best[line];
        if (best >= 0 && made.effort[best] <= effort) return;
        this.best[line] = this.derive(line, setId, fold, effort, best);
        return;
      }
      const derivation = this.derive(line, setId, fold, effort, known ?? -1);
      here.set(line, derivation);
      const best = this.best[line];
      if (best < 0 || made.effort[best] > effort) this.best[line] = derivation;
    });
    for (const [line, derivation] of here) found.push([line, derivation]);
  }

  /** Notes a derivation, in place of another one that is no longer wanted where that is given. */
  private derive(line: number, set: number, { way, refs }: FoldFound, effort: number, instead: number): number {
    const { made, scene } = this;
    const at = instead >= 0 ? instead : made.line.length;
    const place = (p: number): number => scene.pointOf[2 * p] * 16 + scene.pointOf[2 * p + 1];
    made.line[at] = line;
    made.set[at] = set;
    made.way[at] = way;
    made.effort[at] = effort;
    const [r0, r1, r2, r3] = refs;
    const told = TOLD_AS[way].map((what, k) => {
      const ref = [r0, r1, r2, r3][k];
      return what === 'place' ? place(ref) : ref;
    });
    for (let k = 0; k < 4; k++) made.refs[4 * at + k] = told[k] ?? -1;
    return at;
  }

  /** The sets of one fold more: each set with each line that was found from it, and independent folds side by side. */
  private setsAfter(level: readonly number[], found: readonly [number, number][], rank: number): number[] {
    const { made, sets } = this;
    const next: number[] = [];
    const add = (set: FoldSet): void => {
      next.push(sets.push(set) - 1);
    };
    if (rank === 1) {
      const singles = found.map(([, derivation]) => derivation);
      for (const derivation of singles) add([derivation]);
      return next;
    }
    for (const [, derivation] of found) add([...sets[made.set[derivation]], derivation]);
    const firsts = level.map((set) => sets[set][0]);
    firsts.forEach((a, k) => {
      for (const b of firsts.slice(k + 1)) add([a, b]);
    });
    return next;
  }

  private marksOn(edge: number): EdgeMarks {
    const { book } = this;
    const [at, line]: [number[], number[]] = [[], []];
    const upright = edge % 2 === 1;
    const [long, other] = upright
      ? [this.height, edge === 1 ? this.width : 0]
      : [this.width, edge === 2 ? this.height : 0];
    for (let k = 0; k < book.size; k++) {
      const [along, across] = upright ? [book.b[k], book.a[k]] : [book.a[k], book.b[k]];
      if (Math.abs(along) < 1e-6) continue;
      const t = (book.c[k] - across * other) / along;
      if (t <= 1e-9 || t >= long - 1e-9) continue;
      at.push(edge >= 2 ? long - t : t);
      line.push(k);
    }
    return binned(at, line, long);
  }

  /** The folds of a derivation in the order in which they are made. */
  private foldsOf(derivation: number): MarkFold[] {
    const { made, sets, book } = this;
    const folds: MarkFold[] = [];
    for (const one of [...sets[made.set[derivation]], derivation]) {
      const line = made.line[one];
      folds.push(
        this.rooted(foldBy(made.way[one], made.refs.slice(4 * one, 4 * one + 4)), folds, [
          book.a[line],
          book.b[line],
          book.c[line],
        ]),
      );
    }
    return folds;
  }

  /** A fold with the root that gives this very line. */
  private rooted(by: FoldBy, before: readonly MarkFold[], line: readonly [number, number, number]): MarkFold {
    const size = { widthMm: LONGER_MM * this.width, heightMm: LONGER_MM * this.height };
    const lines = creasesOf(before, size);
    const turned: FoldBy[] = by.kind === 'line-onto-line' ? [by, { ...by, line: by.onto, onto: by.line }] : [by];
    for (const one of turned)
      for (const root of [0, 1, 2] as const)
        try {
          const { at, along } = foldLine(alignmentOf({ by: one, root }, lines, size));
          const [a, b] = [-along.y, along.x];
          const s = a * line[0] + b * line[1] > 0 ? 1 : -1;
          const off = Math.abs(s * a - line[0]) + Math.abs(s * b - line[1]);
          if (off < SAME_FOLD && Math.abs((line[0] * at.x + line[1] * at.y) / LONGER_MM - line[2]) < SAME_FOLD)
            return { by: one, root };
        } catch (error) {
          if (!(error instanceof NoSuchFold || error instanceof FoldRefused)) throw error;
        }
    throw new RangeError(`No fold “${by.kind}” gives the line that was found.`);
  }

  /**
   * The marks on an edge that lie nearest to a place, for so many folds: nearest first.
   * @param at from the edge's first end (counter-clockwise), as a share of the longer side
   * @param folds 1 and more. Up to three every sequence was looked at; beyond, the last folds square, halve or join what
   * three have marked
   */
  near(edge: LineRef, at: number, folds: number, most: number): readonly MarkFound[] {
    if (folds <= ALL_UP_TO) {
      const found = new Nearest(most);
      this.edges[edge].each(at, found, (line) => (this.rank[line] === folds ? this.best[line] : -1));
      return found.items.map(({ of, off }) => ({ folds: this.foldsOf(of), off }));
    }
    return [...this.halved(edge, at, folds, most), ...(folds === ALL_UP_TO + 1 ? this.joined(edge, at, most) : [])]
      .sort((p, q) => Math.abs(p.off) - Math.abs(q.off))
      .slice(0, most);
  }

  /** Marks halfway between an end of the edge and a mark of one fold fewer. */
  private halved(edge: LineRef, at: number, folds: number, most: number): MarkFound[] {
    const long = edge % 2 ? this.height : this.width;
    const [first, last] = [(edge + 3) % 4, (edge + 1) % 4];
    const of = (twice: number, end: LineRef): MarkFound[] =>
      twice <= 0 || twice >= long
        ? []
        : this.near(edge, twice, folds - 1, most).map(({ folds: before, off }) => ({
            folds: [
              ...before,
              {
                by: {
                  kind: 'point-onto-point',
                  point: [edge, end],
                  onto: [edge, FIRST_FOLD + before.length - 1],
                },
                root: 0,
              },
            ],
            off: off / 2,
          }));
    return [...of(2 * at, first), ...of(2 * at - long, last)];
  }

  /** Marks by one fold more through where the third fold crosses another: square to the edge, or from a corner. */
  private joined(edge: LineRef, at: number, most: number): MarkFound[] {
    const { made, book, rank, best } = this;
    const long = edge % 2 ? this.height : this.width;
    const other = edge % 2 ? this.width : this.height;
    /** Along the edge from its first end, and away from it. */
    const along = (x: number, y: number): number => [x, y, this.width - x, this.height - y][edge];
    const away = (x: number, y: number): number => [y, this.width - x, this.height - y, x][edge];
    const found = new Nearest(2 * most);
    for (let k = 0; k < book.size; k++) {
      if (rank[k] !== ALL_UP_TO) continue;
      const set = this.sets[made.set[best[k]]];
      const [a, b, c] = [book.a[k], book.b[k], book.c[k]];
      for (let j = 0; j < set.length; j++) {
        const l = made.line[set[j]];
        const sine = a * book.b[l] - b * book.a[l];
        if (Math.abs(sine) < 0.05) continue;
        const x = (c * book.b[l] - b * book.c[l]) / sine;
        const y = (a * book.c[l] - c * book.a[l]) / sine;
        if (x < 0.02 || y < 0.02 || x > this.width - 0.02 || y > this.height - 0.02) continue;
        const [t, d] = [along(x, y), away(x, y)];
        const code = (4 * k + j) * 4;
        found.offer(code, t - at);
        // From the two corners opposite, through the crossing, onto the edge.
        const back = other / (other - d);
        found.offer(code + 1, t * back - at);
        found.offer(code + 2, long - (long - t) * back - at);
      }
    }
    const [right, far, left] = [(edge + 1) % 4, (edge + 2) % 4, (edge + 3) % 4];
    return found.items.flatMap(({ of, off }): MarkFound[] => {
      const [how, j, k] = [of % 4, Math.floor(of / 4) % 4, Math.floor(of / 16)];
      const before = this.foldsOf(best[k]);
      const cross: PlaceRef = [FIRST_FOLD + j, FIRST_FOLD + before.length - 1];
      const by: FoldBy =
        how === 0
          ? { kind: 'perpendicular', through: cross, to: edge }
          : { kind: 'through-points', a: how === 1 ? [far, left] : [far, right], b: cross };
      const end = at + off;
      return end > 1e-9 && end < long - 1e-9 ? [{ folds: [...before, { by, root: 0 }], off }] : [];
    });
  }

  /** Lines of up to three folds that run nearest to a direction, in rad from the near edge, counter-clockwise: nearest first. */
  inDirection(angle: number, folds: number, most: number): readonly MarkFound[] {
    const { book, rank, best } = this;
    const found = new Nearest(most);
    const [tx, ty] = [Math.cos(angle), Math.sin(angle)];
    for (let k = 0; k < book.size; k++)
      if (rank[k] === folds) found.offer(best[k], Math.asin(book.a[k] * tx + book.b[k] * ty) * -1);
    return found.items.map(({ of, off }) => ({ folds: this.foldsOf(of), off }));
  }
}
