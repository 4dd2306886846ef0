import type { Item } from './contents';
import { type Axis, AXES, type Box, Front, smallestFirst, thinned } from './packing/front';
import { liesOf, type Turning } from './packing/lies';
import { type Node, type PlacedThing, placementsOf } from './packing/node';
import { type Directions, OneKind } from './packing/one-kind';
import { offerPairs, type Pacer, pacing } from './packing/pairs';
import { type Group, together } from './packing/together';

export type { PlacedThing } from './packing/node';
export type { Turning } from './packing/lies';

/** Things packed into a box: its length, width and height in mm, and where each of them lies. */
export interface Arrangement {
  readonly box: Box;
  readonly placements: readonly PlacedThing[];
  /** All of it is turned on the floor: its own box, and the angle in radians. Things are placed in its own box. */
  readonly cornerwise?: { readonly of: Box; readonly angle: number };
}

/**
 * How things are to be set: `row` one beside the other along one line, `floor` side by side in one layer, `stack` one on the
 * other, `layers` each kind on a floor of its own.
 */
export type Order = 'row' | 'floor' | 'stack' | 'layers';

const ORDERS: Readonly<Record<Order, Directions>> = {
  row: { within: [0], between: [0] },
  floor: { within: [0, 1], between: [0, 1] },
  stack: { within: [2], between: [2] },
  layers: { within: [0, 1], between: [2] },
};
const ANY_ORDER: Directions = { within: AXES, between: AXES };

/** Up to so many things are packed one by one, in all ways. */
const SINGLY = 6;
/** Of as many as that, no more than so many are packed in ways that no cut parts: it would take too long. */
const UNCUT_OF_MOST = 4;
/** Into so many blocks larger sets are divided, in all ways to share them out among the kinds. */
const MOST_BLOCKS = 4;
/** A kind is parted into so many blocks at most. */
const MOST_OF_A_KIND = 2;
/** So many kinds are packed over all ways to divide them in two; more are set beside each other one after another. */
const MOST_KINDS = 7;
/** A box that is left out is no smaller than this share of a side than one that is told. */
const TOLD_SHARE = 0.005;
/** The same on the way there, which adds up. */
const ON_THE_WAY = 0.002;

/** So many boxes are kept of each part of a larger set. */
const KEPT_ON_THE_WAY = 60;

/** Of so few blocks more are kept. */
const FEW_BLOCKS = 2;

/** Equal things of one posture, wherever they stand in the line. */
interface Kind {
  readonly item: Item;
  readonly count: number;
  /** Which items they are, in order, and how many of each. */
  readonly of: readonly { readonly piece: number; readonly count: number }[];
}

/** Lines that name the same thing again are one kind: `4 dice` and `3 more dice` pack as seven. */
function kindsOf(pieces: readonly Item[]): readonly Kind[] {
  const kinds = new Map<string, Kind>();
  for (const [piece, item] of pieces.entries()) {
    const key = JSON.stringify([Object.entries(item.thing).sort(), item.posture ?? null]);
    const before = kinds.get(key);
    const of = [...(before?.of ?? []), { piece, count: item.count }];
    kinds.set(key, { item: before?.item ?? item, count: (before?.count ?? 0) + item.count, of });
  }
  return [...kinds.values()];
}

/** Ways to share a number of blocks out among kinds: no more blocks of a kind than there are things of it. */
function blocksFor(kinds: readonly Kind[], most: number): readonly (readonly number[])[] {
  return kinds
    .reduce<readonly (readonly number[])[]>(
      (all, { count }) =>
        all.flatMap((one) => Array.from({ length: Math.min(count, MOST_OF_A_KIND) }, (_, k) => [...one, k + 1])),
      [[]],
    )
    .filter((blocks) => blocks.reduce((a, b) => a + b, 0) <= Math.max(most, kinds.length));
}

/** A number divided as evenly as can be. */
const evenly = (count: number, parts: number): readonly number[] =>
  Array.from({ length: parts }, (_, k) => Math.floor(count / parts) + (k < count % parts ? 1 : 0));

/**
 * Boxes into which a set of things can be packed, none of them better than another in every direction, the smallest first.
 *
 * Up to six things are packed one by one, over all ways to divide them by cuts, and those that no cut parts: up to four in
 * every way that there is, five in locks and wheels. Larger sets are packed in blocks of equal things, over all ways to share a
 * few blocks out among the kinds. Rounds nest. Each of these families has with a packing all that is left of it when a thing is
 * taken out or made smaller, so that a thing more never needs a smaller box: exactly so up to six; beyond, boxes of much the
 * same proportions are left out, and of 480 sets three took 2 to 3 % more paper than with one thing more.
 * @throws RangeError when there is nothing to pack
 */
export function arrangements(pieces: readonly Item[], turning: Turning, order?: Order): readonly Arrangement[] {
  const work = arranging(pieces, turning, order);
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}

/** The same, yielding so that the caller can stop. */
export function* arranging(
  pieces: readonly Item[],
  turning: Turning,
  order?: Order,
): Generator<void, readonly Arrangement[], void> {
  if (!pieces.length) throw new RangeError('There is nothing to arrange.');
  const directions = order ? ORDERS[order] : ANY_ORDER;
  const pace = pacing();
  const kinds = kindsOf(pieces);
  const blocks = kinds.map(
    ({ item: { thing, posture } }, k) => new OneKind(k, liesOf(thing, turning, posture), directions.within, pace),
  );
  const total = kinds.reduce((sum, { count }) => sum + count, 0);
  const nodes =
    total <= SINGLY
      ? yield* together(
          kinds.map(({ count }, k): Group => ({ count, boxes: (many) => blocks[k].boxes(many) })),
          {
            axes: directions.between,
            uncutUpTo: directions !== ANY_ORDER ? 0 : total < SINGLY ? total : UNCUT_OF_MOST,
            share: 0,
            kept: Infinity,
          },
          pace,
        )
      : yield* inBlocks(kinds, blocks, directions.between, pace);
  return smallestFirst(nodes).map((node) => arrangementOf(node, kinds));
}

/** Larger sets: in blocks of one kind. */
function* inBlocks(
  kinds: readonly Kind[],
  blocks: readonly OneKind[],
  axes: readonly Axis[],
  pace: Pacer,
): Generator<void, readonly Node[], void> {
  if (kinds.length > MOST_KINDS) return yield* oneAfterAnother(kinds, blocks, axes, pace);
  const front = new Front<Node>(TOLD_SHARE);
  for (const shared of blocksFor(kinds, MOST_BLOCKS)) {
    const few = shared.reduce((sum, parts) => sum + parts, 0) <= FEW_BLOCKS;
    const groups = shared.flatMap((parts, k) =>
      evenly(kinds[k].count, parts).map((many): Group => ({
        count: 1,
        *boxes() {
          return thinned(yield* blocks[k].boxes(many), few ? 4 * KEPT_ON_THE_WAY : KEPT_ON_THE_WAY);
        },
      })),
    );
    for (const node of yield* together(groups, { axes, uncutUpTo: 0, share: ON_THE_WAY, kept: KEPT_ON_THE_WAY }, pace))
      front.offer(...node.box, () => node);
  }
  return thinned(front.nodes);
}

/** Very many kinds: largest first, each set beside what is there. */
function* oneAfterAnother(
  kinds: readonly Kind[],
  blocks: readonly OneKind[],
  axes: readonly Axis[],
  pace: Pacer,
): Generator<void, readonly Node[], void> {
  const each: (readonly Node[])[] = [];
  for (const [k, { count }] of kinds.entries()) each.push(thinned(yield* blocks[k].boxes(count)));
  const size = (nodes: readonly Node[]): number => Math.max(...nodes.map(({ box }) => box[0] * box[1] * box[2]));
  const [first, ...rest] = each.sort((p, q) => size(q) - size(p));
  let nodes = first;
  for (const one of rest) {
    const front = new Front<Node>(TOLD_SHARE);
    yield* offerPairs(front, nodes, one, axes, pace);
    nodes = thinned(front.nodes);
  }
  return nodes;
}

/** A packing as it is told: where things lie is worked out when it is asked for, and each is given to the item it came from. */
function arrangementOf(node: Node, kinds: readonly Kind[]): Arrangement {
  let placed: readonly PlacedThing[] | null = null;
  return {
    box: node.box,
    get placements() {
      if (placed) return placed;
      const left = kinds.map(({ of }) => of.flatMap(({ piece, count }) => Array.from({ length: count }, () => piece)));
      const next = kinds.map(() => 0);
      placed = placementsOf(node).map((thing) => ({ ...thing, piece: left[thing.piece][next[thing.piece]++] }));
      return placed;
    },
  };
}
