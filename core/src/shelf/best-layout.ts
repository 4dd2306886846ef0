import type { Room } from './all-layouts';
import { type CutTree, joined } from './cut-tree';
import { NOISE_MM } from './cutting';
import type { Way } from './lying';

/** Along one side of a room: places where a cut may come, and for each pair of them how much is left beyond the cut. */
interface Side {
  readonly places: readonly number[];
  /** By place and by the place of the first cut: the place up to which the rest reaches. */
  readonly beyond: readonly Int16Array[];
  /** The first place at which a piece of that length fits; -1 for none. */
  at(length: number): number;
}

export interface SearchOptions {
  /** Whether no plan by cuts from edge to edge may be worth more than what is told, rather than that it can be cut. */
  readonly bound: boolean;
  /**
   * How finely a sheet is parted at most along each side. Where sums of sides give more places than these, pieces are taken to
   * be as large as the next line of a grid, or, where a bound is wanted, as small as the one before.
   */
  readonly places: number;
}

/** @param lengths that pieces may have along this side, each with what its cut takes away */
function sideOf(lengths: readonly number[], full: number, { bound, places: most }: SearchOptions): Side {
  const sums = new Set([0]);
  const round = (value: number): number => Math.round(value * 1e6) / 1e6;
  const fitting = [...new Set(lengths.map(round))].filter((length) => length <= full + NOISE_MM);
  const queue = [0];
  while (queue.length && sums.size <= most) {
    const from = queue.shift()!;
    for (const length of fitting) {
      const sum = round(from + length);
      if (sum <= full + NOISE_MM && !sums.has(sum)) {
        sums.add(sum);
        queue.push(sum);
      }
    }
  }
  const step = full / most;
  const fine = sums.size <= most;
  const places = fine
    ? [...sums].sort((a, b) => a - b)
    : Array.from({ length: most + 1 }, (_, k) => (k === most ? full : k * step));
  const last = (length: number): number => {
    let [low, high] = [0, places.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (places[middle] <= length + NOISE_MM) low = middle;
      else high = middle - 1;
    }
    return low;
  };
  return {
    places,
    beyond: places.map((place, i) => Int16Array.from({ length: i + 1 }, (_, a) => last(place - places[a]))),
    at(length) {
      if (length > full + NOISE_MM) return -1;
      const k = last(length);
      // A place nearer than the piece is long: the next one, or this one where less than there is may be asked.
      return bound || places[k] >= length - NOISE_MM ? k : k + 1;
    },
  };
}

/** How cuts may follow each other: in so many turns of the paper, the first of them in that direction; or in any number. */
export type Stages = { readonly turns: 2 | 3; readonly first: 'upright' | 'level' } | 'any';

export interface BestLayout {
  readonly value: number;
  readonly tree: CutTree | null;
}

/** Searches one room at changing prices. */
export interface LayoutSearch {
  /** What the best layout at these prices is worth. Each wanted sheet may be in it as often as it fits. */
  best(prices: readonly number[], stages: Stages): BestLayout;
}

/**
 * Searches for the layout of one sheet whose pieces are worth most (Gilmore and Gomory, Multistage cutting stock problems of
 * two and more dimensions, 1965): of every part of the sheet that cuts can leave, what is the best that comes out of it.
 * Places of cuts are sums of sides of pieces (Herz, Recursive computational procedure, 1972).
 */
export function layoutSearch(
  ways: readonly (readonly Way[])[],
  room: Room,
  lossMm: number,
  options: SearchOptions,
): LayoutSearch {
  // With each piece, and with the sheet, goes what one cut takes away: then cuts take nothing.
  const all = ways.flatMap((lying, wanted) =>
    lying.map((way) => ({ ...way, wanted, w: way.widthMm + lossMm, h: way.heightMm + lossMm })),
  );
  const [fullW, fullH] = [room.widthMm + lossMm, room.heightMm + lossMm];
  const fitting = all.filter(({ w, h }) => w <= fullW + NOISE_MM && h <= fullH + NOISE_MM);
  const x = sideOf(
    fitting.map(({ w }) => w),
    fullW,
    options,
  );
  const y = sideOf(
    fitting.map(({ h }) => h),
    fullH,
    options,
  );
  const [nx, ny] = [x.places.length, y.places.length];
  const placed = fitting.map((one) => ({ ...one, i: x.at(one.w), j: y.at(one.h) }));
  /** Pieces smaller than the grid: how many of them there may be is not bounded by it. */
  const tooFine = placed.some(({ i, j }) => i === 0 || j === 0);

  /** Worth of the best single piece in each part. */
  function singles(prices: readonly number[]): Float64Array {
    const table = new Float64Array(nx * ny);
    for (const { wanted, i, j } of placed)
      if (i >= 0 && j >= 0) table[i * ny + j] = Math.max(table[i * ny + j], prices[wanted]);
    for (let i = 1; i < nx; i++)
      for (let j = 1; j < ny; j++)
        table[i * ny + j] = Math.max(table[i * ny + j], table[(i - 1) * ny + j], table[i * ny + j - 1]);
    return table;
  }

  /** Parts beside each other, each of them out of another table. */
  function beside(parts: Float64Array): Float64Array {
    const table = parts.slice();
    for (let i = 2; i < nx; i++) {
      const beyond = x.beyond[i];
      for (let a = 1; a < i; a++) {
        const [own, rest] = [a * ny, beyond[a] * ny];
        if (!rest) break;
        for (let j = 1; j < ny; j++) {
          const sum = table[own + j] + parts[rest + j];
          if (sum > table[i * ny + j]) table[i * ny + j] = sum;
        }
      }
    }
    return table;
  }

  function above(parts: Float64Array): Float64Array {
    const table = parts.slice();
    for (let j = 2; j < ny; j++) {
      const beyond = y.beyond[j];
      for (let b = 1; b < j; b++) {
        const rest = beyond[b];
        if (!rest) break;
        for (let i = 1; i < nx; i++) {
          const sum = table[i * ny + b] + parts[i * ny + rest];
          if (sum > table[i * ny + j]) table[i * ny + j] = sum;
        }
      }
    }
    return table;
  }

  function anyOrder(parts: Float64Array): Float64Array {
    const table = parts.slice();
    for (let i = 1; i < nx; i++) {
      const right = x.beyond[i];
      for (let a = 1; a < i && right[a] > 0; a++) {
        // Each pair of parts once.
        if (right[a] < a) break;
        const [own, rest] = [a * ny, right[a] * ny];
        for (let j = 1; j < ny; j++) {
          const sum = table[own + j] + table[rest + j];
          if (sum > table[i * ny + j]) table[i * ny + j] = sum;
        }
      }
      const row = i * ny;
      for (let j = 1; j < ny; j++) {
        const beyond = y.beyond[j];
        let most = Math.max(table[row + j], table[row + j - 1], table[row - ny + j]);
        for (let b = 1; b < j && beyond[b] >= b; b++) most = Math.max(most, table[row + b] + table[row + beyond[b]]);
        table[row + j] = most;
      }
    }
    return table;
  }

  /** A worth that two roads lead to is the same but for rounding. */
  const same = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a));

  /** Takes the best of a part apart again. `levels` are the tables that its parts come from, the last one its own. */
  function treeOf(i: number, j: number, levels: readonly Level[], prices: readonly number[]): CutTree | null {
    const { table, runs, own } = levels[levels.length - 1];
    const value = table[i * ny + j];
    if (value <= 0) return null;
    const inner = own ? levels : levels.slice(0, -1);
    if (levels.length === 1) {
      const piece = placed.find(
        (one) => one.i >= 0 && one.i <= i && one.j >= 0 && one.j <= j && same(prices[one.wanted], value),
      );
      if (piece) {
        const { wanted, turned, widthMm, heightMm } = piece;
        return { wanted, turned, widthMm, heightMm };
      }
    }
    if (!own && levels.length > 1 && same(levels[levels.length - 2].table[i * ny + j], value))
      return treeOf(i, j, inner, prices);
    if (own) {
      if (i > 1 && same(table[(i - 1) * ny + j], value)) return treeOf(i - 1, j, levels, prices);
      if (j > 1 && same(table[i * ny + j - 1], value)) return treeOf(i, j - 1, levels, prices);
    }
    const parts = own ? table : levels[levels.length - 2].table;
    const join = (how: 'upright' | 'level', first: CutTree | null, second: CutTree | null): CutTree | null =>
      first && second ? joined(how, first, second, lossMm) : (first ?? second);
    if (own || runs === 'upright')
      for (let a = 1; a < i; a++) {
        const rest = x.beyond[i][a];
        if (rest > 0 && same(table[a * ny + j] + parts[rest * ny + j], value))
          return join('upright', treeOf(a, j, levels, prices), treeOf(rest, j, inner, prices));
      }
    if (own || runs === 'level')
      for (let b = 1; b < j; b++) {
        const rest = y.beyond[j][b];
        if (rest > 0 && same(table[i * ny + b] + parts[i * ny + rest], value))
          return join('level', treeOf(i, b, levels, prices), treeOf(i, rest, inner, prices));
      }
    return null;
  }

  return {
    best(prices, stages) {
      if (!fitting.length) return { value: 0, tree: null };
      if (tooFine) return { value: options.bound ? Infinity : 0, tree: null };
      const base = singles(prices);
      const levels: Level[] = [];
      if (stages === 'any') levels.push({ table: anyOrder(base), runs: 'any', own: true });
      else {
        levels.push({ table: base, runs: 'any', own: false });
        const upright = (turn: number): boolean => (turn % 2 === 0) === (stages.first === 'upright');
        for (let turn = stages.turns - 1; turn >= 0; turn--) {
          const { table } = levels[levels.length - 1];
          levels.push(
            upright(turn)
              ? { table: beside(table), runs: 'upright', own: false }
              : { table: above(table), runs: 'level', own: false },
          );
        }
      }
      const value = levels[levels.length - 1].table[nx * ny - 1];
      return { value, tree: options.bound ? null : treeOf(nx - 1, ny - 1, levels, prices) };
    },
  };
}

interface Level {
  readonly table: Float64Array;
  readonly runs: 'upright' | 'level' | 'any';
  /** Whether its parts come out of itself: any number of turns. */
  readonly own: boolean;
}
