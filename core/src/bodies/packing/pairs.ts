import type { Axis, Box, Offered } from './front';
import { type Node, turnedTo } from './node';

/** Pauses after so much work, so that the caller can stop. */
export type Pacer = (work: number) => Generator<void, void, void>;

/** So many boxes are looked at between two pauses: some milliseconds. */
const BETWEEN_PAUSES = 20_000;

/** A count of work done, shared by all that belongs to one packing. */
export function pacing(): Pacer {
  let done = 0;
  return function* (work) {
    done += work;
    if (done < BETWEEN_PAUSES) return;
    done = 0;
    yield;
  };
}

/**
 * Whether what runs along one side of the floor may as well run along the other: then of two packings that differ by a turn on
 * the floor one is enough, the one that is longer along x.
 */
export const turnsFreely = (axes: readonly Axis[]): boolean => axes.includes(0) === axes.includes(1);

/** Each packing as it is and turned on the floor. */
export const bothWays = (nodes: readonly Node[]): readonly Node[] =>
  nodes.flatMap((node) => (node.box[0] > node.box[1] + 1e-9 ? [node, turnedTo(node, node.box)] : [node]));

/** Offers a packing the long way. */
export function offerLong(front: Offered<Node>, [a, b, c]: Box, free: boolean, made: (box: Box) => Node): void {
  if (free && b > a) front.offer(b, a, c, () => turnedTo(made([a, b, c]), [a, b, c]));
  else front.offer(a, b, c, made);
}

/** Sets each of some packings beside each of others, along each of some axes. */
export function* offerPairs(
  front: Offered<Node>,
  first: readonly Node[],
  second: readonly Node[],
  axes: readonly Axis[],
  pace: Pacer,
): Generator<void, void, void> {
  const free = turnsFreely(axes);
  const others = free ? bothWays(second) : second;
  for (const p of first) {
    yield* pace(others.length * axes.length);
    for (const q of others)
      for (const axis of axes) {
        const sides: [number, number, number] = [
          Math.max(p.box[0], q.box[0]),
          Math.max(p.box[1], q.box[1]),
          Math.max(p.box[2], q.box[2]),
        ];
        sides[axis] = p.box[axis] + q.box[axis];
        offerLong(front, sides, free, (box) => ({ kind: 'pair', box, axis, first: p, second: q }));
      }
  }
}
