import { UNCUT } from './beside';
import { AXES, type Front } from './front';
import type { Node } from './node';
import { bothWays, offerLong, type Pacer } from './pairs';

/** Sums over all sets of some numbers, by the bits of their members. */
function sumUp(sums: Float64Array, parts: readonly Node[], axis: 0 | 1 | 2): void {
  for (let set = 1; set < 1 << parts.length; set++) {
    const lowest = 31 - Math.clz32(set & -set);
    sums[set] = sums[set & (set - 1)] + parts[lowest].box[axis];
  }
}

/** The longest of some rows. */
function longest(sums: Float64Array, rows: readonly number[]): number {
  let most = 0;
  for (let k = 0; k < rows.length; k++) if (sums[rows[k]] > most) most = sums[rows[k]];
  return most;
}

/** Sets one each of several sets of packings so that no cut parts them. */
export function* offerUncut(
  front: Front<Node>,
  sets: readonly (readonly Node[])[],
  pace: Pacer,
): Generator<void, void, void> {
  const structures = UNCUT.get(sets.length) ?? [];
  const alike = sets.map((nodes, k) => k > 0 && nodes === sets[k - 1]);
  // Turning all of them by a quarter changes nothing: the first stays as it is, unless the next is one of the same.
  const each = sets.map((nodes, k) => (k || alike[1] ? bothWays(nodes) : nodes));
  const parts: Node[] = [];
  const [x, y, z] = AXES.map(() => new Float64Array(1 << sets.length));
  function* walk(k: number, before: number): Generator<void, void, void> {
    if (k < each.length) {
      // Equal sets are exchanged by the structures: of each choice one order is enough.
      for (let at = alike[k] ? before : 0; at < each[k].length; at++) {
        parts[k] = each[k][at];
        yield* walk(k + 1, at);
      }
      return;
    }
    yield* pace(structures.length);
    sumUp(x, parts, 0);
    sumUp(y, parts, 1);
    sumUp(z, parts, 2);
    for (const { rows, beside } of structures) {
      const [a, b, c] = [longest(x, rows[0]), longest(y, rows[1]), longest(z, rows[2])];
      if (front.isBeaten(Math.max(a, b), Math.min(a, b), c)) continue;
      offerLong(front, [a, b, c], true, (box) => ({ kind: 'uncut', box, parts: [...parts], beside }));
    }
  }
  yield* walk(0, 0);
}
