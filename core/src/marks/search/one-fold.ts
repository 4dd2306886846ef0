import { realRoots } from './real-roots';

/**
 * The seven ways of lining up one fold, by their numbers in typed arrays; in the order of how easily they are made.
 * What each refers to, in `refs`: points p and lines l of the scene.
 */
export const WAY = {
  /** A point onto a point: p, p. */
  pointOntoPoint: 0,
  /** A line onto a line: l, l. */
  lineOntoLine: 1,
  /** Through two points: p, p. */
  throughPoints: 2,
  /** Through a point, square to a line: p, l. */
  square: 3,
  /** A point onto a line, square to another line: p, l, l. */
  pointOntoLineSquare: 4,
  /** A point onto a line, through another point: p, l, p. */
  pointOntoLine: 5,
  /** Two points onto two lines at once: p, l, p, l. */
  pointsOntoLines: 6,
} as const;

/** How hard each is to line up beside the easiest: among ways of as many folds the easier one is kept. */
export const EFFORT = [1, 1, 1.1, 1.1, 1.3, 1.4, 2.2] as const;

const MOST_POINTS = 96;
const MOST_LINES = 16;

/** Lengths of paper shorter than this share of the sheet's side are not laid on each other. */
const LEAST_LENGTH = 0.04;
const NOTHING = 1e-9;

/** A root of a cubic that runs flatter than this share of its largest factor is taken for a double one. */
const TOGETHER = 1e-3;

/** What a fold brings: its line in normal form, how it was lined up and of what, and where its points land. */
export interface FoldFound {
  a: number;
  b: number;
  c: number;
  way: number;
  readonly refs: Int32Array;
}

/**
 * An open sheet with creases on it: its corners and edges, the creases, and where all these meet. Everything knows which creases it
 * depends on, as the bits of a number, so that a fold can be asked for that needs all of them.
 */
export class Scene {
  readonly px = new Float64Array(MOST_POINTS);
  readonly py = new Float64Array(MOST_POINTS);
  readonly pointNeeds = new Int32Array(MOST_POINTS);
  /** The two lines that meet there. */
  readonly pointOf = new Int32Array(2 * MOST_POINTS);
  points = 0;
  readonly la = new Float64Array(MOST_LINES);
  readonly lb = new Float64Array(MOST_LINES);
  readonly lc = new Float64Array(MOST_LINES);
  readonly lineNeeds = new Int32Array(MOST_LINES);
  /** Ends of each line on the sheet: x, y, x, y. */
  private readonly ends = new Float64Array(4 * MOST_LINES);
  lines = 0;
  readonly found: FoldFound = { a: 0, b: 0, c: 0, way: 0, refs: new Int32Array(4) };
  private readonly roots = new Float64Array(3);

  /** A blank sheet of these sides; the longer one is 1. Lines 0 to 3: near, right, far and left edge. Points 0 to 3: corners. */
  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    this.reset();
  }

  /** Takes all creases away. */
  reset(): void {
    this.points = this.lines = 0;
    this.pushLine(0, 1, 0, 0);
    this.pushLine(1, 0, this.width, 0);
    this.pushLine(0, 1, this.height, 0);
    this.pushLine(1, 0, 0, 0);
    this.pushPoint(0, 0, 0, 3, 0);
    this.pushPoint(this.width, 0, 0, 0, 1);
    this.pushPoint(this.width, this.height, 0, 1, 2);
    this.pushPoint(0, this.height, 0, 2, 3);
  }

  /** Adds a crease and where it meets what is there. @returns its number among the lines */
  crease(a: number, b: number, c: number, needs: number): number {
    const k = this.pushLine(a, b, c, needs);
    for (let j = 0; j < k; j++) {
      const sine = a * this.lb[j] - b * this.la[j];
      if (Math.abs(sine) < 1e-7) continue;
      const x = (c * this.lb[j] - b * this.lc[j]) / sine;
      const y = (a * this.lc[j] - c * this.la[j]) / sine;
      if (!this.onSheet(x, y)) continue;
      this.addPoint(x, y, needs | this.lineNeeds[j], j, k);
    }
    return k;
  }

  private addPoint(x: number, y: number, needs: number, j: number, k: number): void {
    for (let n = 0; n < this.points; n++)
      if (Math.abs(this.px[n] - x) < 1e-9 && Math.abs(this.py[n] - y) < 1e-9) {
        if (bits(needs) < bits(this.pointNeeds[n])) {
          this.pointNeeds[n] = needs;
          this.pointOf[2 * n] = j;
          this.pointOf[2 * n + 1] = k;
        }
        return;
      }
    this.pushPoint(x, y, needs, j, k);
  }

  private pushPoint(x: number, y: number, needs: number, j: number, k: number): void {
    if (this.points === MOST_POINTS) throw new RangeError(`A scene has room for ${MOST_POINTS} points.`);
    const n = this.points++;
    this.px[n] = x;
    this.py[n] = y;
    this.pointNeeds[n] = needs;
    this.pointOf[2 * n] = j;
    this.pointOf[2 * n + 1] = k;
  }

  private pushLine(a: number, b: number, c: number, needs: number): number {
    if (this.lines === MOST_LINES) throw new RangeError(`A scene has room for ${MOST_LINES} lines.`);
    const k = this.lines++;
    this.la[k] = a;
    this.lb[k] = b;
    this.lc[k] = c;
    this.lineNeeds[k] = needs;
    this.clip(a, b, c, k);
    return k;
  }

  private onSheet(x: number, y: number): boolean {
    return x > -NOTHING && y > -NOTHING && x < this.width + NOTHING && y < this.height + NOTHING;
  }

  /** Where a line enters and leaves the sheet, into `ends`. @returns whether it runs over the sheet at all */
  private clip(a: number, b: number, c: number, k: number): boolean {
    const { ends } = this;
    let n = 0;
    const put = (x: number, y: number): void => {
      if (n === 2 || !this.onSheet(x, y)) return;
      if (n === 1 && Math.abs(ends[4 * k] - x) + Math.abs(ends[4 * k + 1] - y) < 1e-9) return;
      ends[4 * k + 2 * n] = x;
      ends[4 * k + 2 * n + 1] = y;
      n++;
    };
    if (Math.abs(b) > NOTHING) {
      put(0, c / b);
      put(this.width, (c - a * this.width) / b);
    }
    if (Math.abs(a) > NOTHING) {
      put(c / a, 0);
      put((c - b * this.height) / a, this.height);
    }
    return n === 2;
  }

  /** Whether a point of line l lies on the sheet, with paper of it to either side of the point where `room` says so. */
  private onLine(x: number, y: number, l: number, room: number): boolean {
    const [x0, y0, x1, y1] = [this.ends[4 * l], this.ends[4 * l + 1], this.ends[4 * l + 2], this.ends[4 * l + 3]];
    const [dx, dy] = [x1 - x0, y1 - y0];
    const length = Math.sqrt(dx * dx + dy * dy);
    const t = ((x - x0) * dx + (y - y0) * dy) / length;
    return t > room - NOTHING && t < length - room + NOTHING;
  }

  /**
   * All folds of one alignment that need every crease given by `needed`, one after another in `found`.
   * @param each told of every fold line that creases the sheet; edges of the sheet are none
   */
  folds(needed: number, each: (found: FoldFound) => void): void {
    const { found, points, lines, px, py, la, lb, lc, pointNeeds, lineNeeds } = this;
    const { refs } = found;
    const tell = (a: number, b: number, c: number): void => {
      const length = Math.sqrt(a * a + b * b);
      if (!(length > 1e-9)) return;
      const sign = (a > 1e-9 * length || (a >= -1e-9 * length && b > 0) ? 1 : -1) / length;
      found.a = a * sign;
      found.b = b * sign;
      found.c = c * sign;
      if (this.creases(found.a, found.b, found.c)) each(found);
    };
    /** The fold that lays one place onto another. */
    const lay = (x: number, y: number, u: number, v: number): void =>
      tell(u - x, v - y, (u * u - x * x + v * v - y * y) / 2);
    for (let p = 0; p < points; p++)
      for (let q = p + 1; q < points; q++) {
        if ((pointNeeds[p] | pointNeeds[q]) !== needed) continue;
        refs[0] = p;
        refs[1] = q;
        found.way = WAY.pointOntoPoint;
        lay(px[p], py[p], px[q], py[q]);
        found.way = WAY.throughPoints;
        const [a, b] = [py[q] - py[p], px[p] - px[q]];
        tell(a, b, a * px[p] + b * py[p]);
      }
    found.way = WAY.lineOntoLine;
    for (let l = 0; l < lines; l++)
      for (let m = l + 1; m < lines; m++) {
        if ((lineNeeds[l] | lineNeeds[m]) !== needed) continue;
        refs[0] = l;
        refs[1] = m;
        for (const s of [1, -1]) {
          const [a, b, c] = [la[l] - s * la[m], lb[l] - s * lb[m], lc[l] - s * lc[m]];
          if (a * a + b * b > 1e-12 && this.overlap(l, m, a, b, c)) tell(a, b, c);
        }
      }
    for (let p = 0; p < points; p++)
      for (let l = 0; l < lines; l++) {
        const both = pointNeeds[p] | lineNeeds[l];
        const off = la[l] * px[p] + lb[l] * py[p] - lc[l];
        refs[0] = p;
        refs[1] = l;
        if (both === needed && this.onLine(px[p] - off * la[l], py[p] - off * lb[l], l, LEAST_LENGTH)) {
          found.way = WAY.square;
          tell(lb[l], -la[l], lb[l] * px[p] - la[l] * py[p]);
        }
        // A point that lies on the line already: squared, or folded through, as the other ways have it.
        if (Math.abs(off) > NOTHING) {
          found.way = WAY.pointOntoLineSquare;
          for (let m = 0; m < lines; m++) {
            if ((both | lineNeeds[m]) !== needed) continue;
            const sine = la[l] * lb[m] - lb[l] * la[m];
            if (Math.abs(sine) < 1e-7) continue;
            // It moves along line m's direction (-b, a) until it meets line l.
            const t = off / sine;
            const [x, y] = [px[p] + t * -lb[m], py[p] + t * la[m]];
            if (!this.onLine(x, y, l, 0)) continue;
            const [fx, fy] = [(px[p] + x) / 2, (py[p] + y) / 2];
            const away = la[m] * fx + lb[m] * fy - lc[m];
            if (!this.onLine(fx - away * la[m], fy - away * lb[m], m, LEAST_LENGTH)) continue;
            refs[2] = m;
            lay(px[p], py[p], x, y);
          }
        }
        found.way = WAY.pointOntoLine;
        for (let q = 0; q < points; q++) {
          if (q === p || (both | pointNeeds[q]) !== needed) continue;
          const [dx, dy] = [px[p] - px[q], py[p] - py[q]];
          const far = la[l] * px[q] + lb[l] * py[q] - lc[l];
          const reach2 = dx * dx + dy * dy - far * far;
          if (reach2 < NOTHING) continue;
          const reach = Math.sqrt(reach2);
          refs[2] = q;
          for (const s of [reach, -reach]) {
            const [x, y] = [px[q] - far * la[l] - s * lb[l], py[q] - far * lb[l] + s * la[l]];
            if (Math.abs(x - px[p]) + Math.abs(y - py[p]) < 1e-7 || !this.onLine(x, y, l, 0)) continue;
            // Square to the way of the point, and through q exactly.
            const [a, b] = [x - px[p], y - py[p]];
            tell(a, b, a * px[q] + b * py[q]);
          }
        }
        if (Math.abs(off) <= NOTHING) continue;
        found.way = WAY.pointsOntoLines;
        for (let q = p + 1; q < points; q++)
          for (let m = 0; m < lines; m++) {
            if ((both | pointNeeds[q] | lineNeeds[m]) !== needed) continue;
            const away = la[m] * px[q] + lb[m] * py[q] - lc[m];
            if (Math.abs(away) <= NOTHING) continue;
            refs[2] = q;
            refs[3] = m;
            this.bothOnto(p, l, q, m, away, lay);
          }
      }
  }

  /** Whether a fold line runs over the sheet far enough to be creased, and is not one of its edges. */
  private creases(a: number, b: number, c: number): boolean {
    const k = MOST_LINES - 1;
    if (!this.clip(a, b, c, k)) return false;
    const { ends } = this;
    const [x0, y0, x1, y1] = [ends[4 * k], ends[4 * k + 1], ends[4 * k + 2], ends[4 * k + 3]];
    if (Math.abs(x1 - x0) + Math.abs(y1 - y0) < LEAST_LENGTH) return false;
    const onEdge = (u: number, v: number, far: number): boolean =>
      (u < NOTHING && v < NOTHING) || (u > far - NOTHING && v > far - NOTHING);
    return !onEdge(x0, x1, this.width) && !onEdge(y0, y1, this.height);
  }

  /** Whether enough of line l comes to lie on line m when the sheet is folded along a line (not in normal form). */
  private overlap(l: number, m: number, a: number, b: number, c: number): boolean {
    const { ends, la, lb } = this;
    const square = a * a + b * b;
    const [tx, ty] = [-lb[m], la[m]];
    const place = (k: number, folded: boolean): number => {
      const [x, y] = [ends[k], ends[k + 1]];
      const off = folded ? (2 * (a * x + b * y - c)) / square : 0;
      return (x - off * a) * tx + (y - off * b) * ty;
    };
    const [p, q, r, s] = [place(4 * l, true), place(4 * l + 2, true), place(4 * m, false), place(4 * m + 2, false)];
    return Math.min(Math.max(p, q), Math.max(r, s)) - Math.max(Math.min(p, q), Math.min(r, s)) > LEAST_LENGTH;
  }

  /**
   * The up to three folds that lay p onto line l and q onto line m. With p's landing place at t along l, how far the folded q
   * is from m, times the squared way of p, is a cubic in t.
   */
  private bothOnto(
    p: number,
    l: number,
    q: number,
    m: number,
    away: number,
    lay: (x: number, y: number, u: number, v: number) => void,
  ): void {
    const { px, py, la, lb, ends, roots } = this;
    const [x0, y0] = [ends[4 * l], ends[4 * l + 1]];
    const [dx, dy] = [ends[4 * l + 2] - x0, ends[4 * l + 3] - y0];
    const [qx, qy] = [px[q], py[q]];
    const [am, bm] = [la[m], lb[m]];
    // With n = (n0 + t d) the way of p, the cubic is away·n² − (2 q·n − (end² − p²))·(m·n).
    const [nx, ny] = [x0 - px[p], y0 - py[p]];
    const n0 = nx * nx + ny * ny;
    const n1 = 2 * (nx * dx + ny * dy);
    const n2 = dx * dx + dy * dy;
    const g0 = 2 * (qx * nx + qy * ny) - (x0 * x0 + y0 * y0 - px[p] * px[p] - py[p] * py[p]);
    const g1 = 2 * (qx * dx + qy * dy) - 2 * (x0 * dx + y0 * dy);
    const g2 = -n2;
    const h0 = am * nx + bm * ny;
    const h1 = am * dx + bm * dy;
    const k3 = -g2 * h1;
    const k2 = away * n2 - g2 * h0 - g1 * h1;
    const k1 = away * n1 - g1 * h0 - g0 * h1;
    const k0 = away * n0 - g0 * h0;
    const count = realRoots(k3, k2, k1, k0, roots);
    for (let k = 0; k < count; k++) {
      const t = roots[k];
      if (t < -NOTHING || t > 1 + NOTHING) continue;
      // Where two folds fall together neither is made sharply, and its place is known to half its digits only.
      const slope = (3 * k3 * t + 2 * k2) * t + k1;
      if (Math.abs(slope) < TOGETHER * Math.max(Math.abs(k3), Math.abs(k2), Math.abs(k1), Math.abs(k0))) continue;
      const [x, y] = [x0 + t * dx, y0 + t * dy];
      const [a, b] = [x - px[p], y - py[p]];
      const square = a * a + b * b;
      if (square < 1e-12) continue;
      const off = (2 * (a * qx + b * qy) - (x * x - px[p] * px[p] + y * y - py[p] * py[p])) / square;
      // Where q lands must be paper as well; a fold through q that leaves it there is none.
      if (Math.abs(off) < 1e-7 || !this.onLine(qx - off * a, qy - off * b, m, 0)) continue;
      if (Math.abs(am * (qx - off * a) + bm * (qy - off * b) - this.lc[m]) > 1e-10) continue;
      lay(px[p], py[p], x, y);
    }
  }
}

export function bits(n: number): number {
  let count = 0;
  for (let k = n; k; k &= k - 1) count++;
  return count;
}
