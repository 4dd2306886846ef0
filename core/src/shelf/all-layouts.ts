import { type CutTree, joined } from './cut-tree';
import { NOISE_MM } from './cutting';
import type { Way } from './lying';

/** The room inside a sheet of stock, in mm. */
export interface Room {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Pieces that come out of one sheet together: how many of each wanted one, and the smallest rectangles they join into. */
export interface Bundle {
  readonly counts: readonly number[];
  /** None is as wide and as high as another, or more. */
  readonly boxes: readonly Room[];
  readonly treeOf: (box: number) => CutTree;
}

/** Smallest rectangles of a selection, without objects: where there are many, these are what time goes into. */
interface Front {
  readonly counts: readonly number[];
  size: number;
  widths: Float64Array;
  heights: Float64Array;
  /** How each is joined: the key of its first part and the box of either; a single piece has none. */
  parts: Float64Array;
  firsts: Int32Array;
  seconds: Int32Array;
  /** 1 where the cut between the parts is upright. */
  upright: Uint8Array;
}

const frontOf = (counts: readonly number[]): Front => ({
  ...{ counts, size: 0, widths: new Float64Array(16), heights: new Float64Array(16), parts: new Float64Array(16) },
  ...{ firsts: new Int32Array(16), seconds: new Int32Array(16), upright: new Uint8Array(16) },
});

function grow(front: Front): void {
  const twice = <A extends Float64Array | Int32Array | Uint8Array>(array: A): A => {
    const next = new (array.constructor as new (n: number) => A)(2 * array.length);
    next.set(array);
    return next;
  };
  front.widths = twice(front.widths);
  front.heights = twice(front.heights);
  front.parts = twice(front.parts);
  front.firsts = twice(front.firsts);
  front.seconds = twice(front.seconds);
  front.upright = twice(front.upright);
}

/** Puts a box among others where none makes it needless, and takes out those that it makes needless. */
function offer(front: Front, w: number, h: number, part: number, a: number, b: number, upright: 0 | 1): void {
  const { widths, heights, parts, firsts, seconds } = front;
  for (let k = 0; k < front.size; k++) if (widths[k] <= w + NOISE_MM && heights[k] <= h + NOISE_MM) return;
  let n = 0;
  for (let k = 0; k < front.size; k++) {
    if (w <= widths[k] + NOISE_MM && h <= heights[k] + NOISE_MM) continue;
    widths[n] = widths[k];
    heights[n] = heights[k];
    parts[n] = parts[k];
    firsts[n] = firsts[k];
    seconds[n] = seconds[k];
    front.upright[n] = front.upright[k];
    n++;
  }
  front.size = n;
  if (n === widths.length) grow(front);
  front.widths[n] = w;
  front.heights[n] = h;
  front.parts[n] = part;
  front.firsts[n] = a;
  front.seconds[n] = b;
  front.upright[n] = upright;
  front.size = n + 1;
}

/**
 * All selections of wanted sheets that straight cuts from edge to edge free from one sheet, in however many turns of the
 * paper: every such plan is two smaller ones side by side or one beyond the other, so that they are found from the bottom up
 * (after Wang, Two algorithms for constrained two-dimensional cutting stock problems, 1983), and of each selection the
 * rectangles that no smaller one replaces.
 * @param ways in which each wanted sheet may lie
 * @param most how many of each are wanted
 * @param rooms insides of the sheets of stock
 * @param effort how many pairs of rectangles may be tried
 * @returns what was found, and whether that is all there is: with too much to try it is not
 */
export function allLayouts(
  ways: readonly (readonly Way[])[],
  most: readonly number[],
  rooms: readonly Room[],
  lossMm: number,
  effort: number,
): { readonly bundles: readonly Bundle[]; readonly all: boolean } {
  // A selection is known by one number: its counts in a system of mixed bases.
  const base = most.map((_, k) => most.slice(0, k).reduce((product, count) => product * (count + 1), 1));
  const top = most.reduce((product, count) => product * (count + 1), 1);
  if (!Number.isSafeInteger(top)) return { bundles: [], all: false };
  const [wide, high] = [
    rooms.map(({ widthMm }) => widthMm + NOISE_MM),
    rooms.map(({ heightMm }) => heightMm + NOISE_MM),
  ];
  const fits = (w: number, h: number): boolean => {
    for (let k = 0; k < wide.length; k++) if (w <= wide[k] && h <= high[k]) return true;
    return false;
  };
  const roomiest = Math.max(0, ...rooms.map(({ widthMm, heightMm }) => widthMm * heightMm)) * (1 + 1e-9);
  const area = ways.map(([way]) => (way ? way.widthMm * way.heightMm : Infinity));
  const known = new Map<number, Front>();
  let level: number[] = [];
  most.forEach((count, k) => {
    if (!count) return;
    const front = frontOf(most.map((_, i) => (i === k ? 1 : 0)));
    ways[k].forEach(({ widthMm, heightMm }, way) => {
      if (fits(widthMm, heightMm)) offer(front, widthMm, heightMm, -1, way, 0, 0);
    });
    if (!front.size) return;
    known.set(base[k], front);
    level.push(base[k]);
  });
  const singles = most.flatMap((count, k) => (count && known.has(base[k]) ? [k] : []));
  let tried = 0;
  let all = true;
  while (level.length && all) {
    const next = new Set<number>();
    for (const key of level) {
      const { counts } = known.get(key)!;
      for (const k of singles) if (counts[k] < most[k]) next.add(key + base[k]);
    }
    level = [];
    for (const key of next) {
      const counts = most.map((count, k) => Math.floor(key / base[k]) % (count + 1));
      // Less of what comes out comes out too: where that does not, nor does this.
      if (counts.reduce((sum, n, k) => (n ? sum + n * area[k] : sum), 0) > roomiest) continue;
      if (singles.some((k) => counts[k] > 0 && !known.has(key - base[k]))) continue;
      const front = frontOf(counts);
      for (const part of partsOf(counts, base)) {
        const rest = key - part;
        if (part > rest) continue;
        const [a, b] = [known.get(part)!, known.get(rest)!];
        tried += 4 + a.size * b.size;
        for (let i = 0; i < a.size; i++) {
          const [w, h] = [a.widths[i], a.heights[i]];
          for (let j = 0; j < b.size; j++) {
            const [v, g] = [b.widths[j], b.heights[j]];
            const [beside, tall] = [w + v + lossMm, h > g ? h : g];
            if (fits(beside, tall)) offer(front, beside, tall, part, i, j, 1);
            const [broad, beyond] = [w > v ? w : v, h + g + lossMm];
            if (fits(broad, beyond)) offer(front, broad, beyond, part, i, j, 0);
          }
        }
      }
      if (tried > effort) {
        all = false;
        break;
      }
      if (!front.size) continue;
      known.set(key, front);
      level.push(key);
    }
  }
  const treeOf = (key: number, box: number): CutTree => {
    const { counts, parts, firsts, seconds, upright } = known.get(key)!;
    const part = parts[box];
    if (part < 0) {
      const wanted = counts.indexOf(1);
      return { wanted, ...ways[wanted][firsts[box]] };
    }
    const runs = upright[box] ? 'upright' : 'level';
    return joined(runs, treeOf(part, firsts[box]), treeOf(key - part, seconds[box]), lossMm);
  };
  const bundles = [...known].map(([key, { counts, size, widths, heights }]): Bundle => ({
    counts,
    boxes: Array.from({ length: size }, (_, k) => ({ widthMm: widths[k], heightMm: heights[k] })),
    treeOf: (box) => treeOf(key, box),
  }));
  return { bundles, all };
}

/** The selections within a selection, but for nothing and for all of it. */
function* partsOf(counts: readonly number[], base: readonly number[]): Generator<number> {
  const at = counts.map(() => 0);
  let key = 0;
  for (;;) {
    let k = 0;
    while (k < counts.length && at[k] === counts[k]) {
      key -= at[k] * base[k];
      at[k++] = 0;
    }
    if (k === counts.length) return;
    at[k]++;
    key += base[k];
    if (at.every((count, i) => count === counts[i])) return;
    yield key;
  }
}
