import { type Axis, Front, thinned } from './front';
import type { Node } from './node';
import { offerPairs, type Pacer } from './pairs';
import { offerUncut } from './uncut';

/** Equal parts of a packing, so many of them, and the boxes for some of them by themselves. */
export interface Group {
  readonly count: number;
  boxes(count: number): Generator<void, readonly Node[], void>;
}

/** How packings are put together. */
export interface Joining {
  readonly axes: readonly Axis[];
  /** Up to so many things, also in ways that no cut parts: three that lock, four round a gap. */
  readonly uncutUpTo: number;
  /** A packing is left out where one that is kept is larger by no more than this share of a side. */
  readonly share: number;
  /** So many packings of a part are kept, of those with much the same proportions one. */
  readonly kept: number;
}

/** All vectors from nothing up to some counts, in an order in which every part comes before its whole. */
function vectorsTo(counts: readonly number[]): readonly (readonly number[])[] {
  return counts.reduce<readonly (readonly number[])[]>(
    (all, count) => all.flatMap((one) => Array.from({ length: count + 1 }, (_, k) => [...one, k])),
    [[]],
  );
}

/** All ways to divide a vector into so many parts, none of them empty, whatever their order. */
function dividedIn(parts: number, vector: readonly number[]): readonly (readonly (readonly number[])[])[] {
  const found: (readonly (readonly number[])[])[] = [];
  const walk = (left: readonly number[], chosen: readonly (readonly number[])[]): void => {
    const last = chosen.at(-1);
    const after = (one: readonly number[]): boolean => !last || inOrder(last, one) <= 0;
    if (chosen.length === parts - 1) {
      if (left.some((many) => many > 0) && after(left)) found.push([...chosen, left]);
      return;
    }
    for (const one of vectorsTo(left))
      if (one.some((many) => many > 0) && after(one))
        walk(
          left.map((many, g) => many - one[g]),
          [...chosen, one],
        );
  };
  walk(vector, []);
  return found;
}

function inOrder(p: readonly number[], q: readonly number[]): number {
  const at = p.findIndex((many, g) => many !== q[g]);
  return at < 0 ? 0 : p[at] - q[at];
}

/**
 * Boxes for all groups together, over all ways to divide them in two again and again, and, of few, those that no cut
 * parts. Every part of a packing that is taken out leaves a packing that is among those of the rest: so more never need
 * less.
 */
export function* together(
  groups: readonly Group[],
  joining: Joining,
  pace: Pacer,
): Generator<void, readonly Node[], void> {
  const strides: number[] = [];
  groups.reduce((stride, { count }, g) => {
    strides[g] = stride;
    return stride * (count + 1);
  }, 1);
  const placeOf = (vector: readonly number[]): number => vector.reduce((sum, many, g) => sum + many * strides[g], 0);
  const vectors = [...vectorsTo(groups.map(({ count }) => count))].sort((p, q) => placeOf(p) - placeOf(q));
  const total = (vector: readonly number[]): number => vector.reduce((a, b) => a + b, 0);
  const known: (readonly Node[])[] = [];
  for (const [whole, vector] of vectors.entries()) {
    if (!whole) continue;
    const front = new Front<Node>(joining.share);
    const only = vector.findIndex((many) => many > 0 && many === total(vector));
    if (only >= 0) for (const node of yield* groups[only].boxes(vector[only])) front.offer(...node.box, () => node);
    const parts = vectorsTo(vector)
      .map(placeOf)
      .filter((part) => part > 0 && part < whole);
    for (const part of parts)
      if (2 * part <= whole) yield* offerPairs(front, known[part], known[whole - part], joining.axes, pace);
    const many = total(vector);
    for (const parts of many <= joining.uncutUpTo && many > 2 ? new Set([3, many]) : [])
      for (const divided of dividedIn(parts, vector))
        yield* offerUncut(
          front,
          divided.map((part) => known[placeOf(part)]),
          pace,
        );
    // What is whole is no part of anything: nothing of it is lost.
    known[whole] = whole === vectors.length - 1 ? front.nodes : thinned(front.nodes, joining.kept);
  }
  return known[vectors.length - 1];
}
