import { boxOf, type Item, type Posture } from './contents';

type Box = readonly [number, number, number];

/** A thing in its place: which piece, the corner nearest the origin, and its sides along x, y and z as it was turned. */
export interface PlacedThing {
  readonly piece: number;
  readonly at: Box;
  readonly size: Box;
}

/** Things packed into a box: its length, width and height in mm, and where each of them lies. */
export interface Arrangement {
  readonly box: Box;
  readonly placements: readonly PlacedThing[];
}

/** `upright`: things may be turned on the floor only. `any`: laid on any side too. */
export type Turning = 'upright' | 'any';

/** A packing as it is built: a thing, a block of equal things, or two packings side by side along an axis. */
type Node =
  | {
      readonly kind: 'grid';
      readonly box: Box;
      readonly piece: number;
      readonly size: Box;
      readonly counts: Box;
      readonly n: number;
    }
  | { readonly kind: 'pair'; readonly box: Box; readonly axis: 0 | 1 | 2; readonly first: Node; readonly second: Node };

/** So many packings of one set of things are followed up; the rest would be worse in some way or much alike. */
const KEPT = 24;
/** Up to so many things each is packed by itself; from there on equal things go together in blocks. */
const SINGLY = 5;

function turned([a, b, c]: Box, turning: Turning): Box[] {
  const all: Box[] =
    turning === 'upright'
      ? [
          [a, b, c],
          [b, a, c],
        ]
      : [
          [a, b, c],
          [b, a, c],
          [a, c, b],
          [c, a, b],
          [b, c, a],
          [c, b, a],
        ];
  return all.filter((box, k) => all.findIndex((other) => other.every((side, i) => side === box[i])) === k);
}

/** The ways in which one thing may be turned: its own posture goes before what holds for all. */
function turnedAs(sides: Box, turning: Turning, posture: Posture | undefined): Box[] {
  if (posture === undefined) return turned(sides, turning);
  if (posture !== 'lying') return turned(sides, posture === 'any' ? 'any' : 'upright');
  const low = Math.min(...sides);
  return turned(sides, 'any').filter(([, , height]) => height === low);
}

/** Volumes that differ by less than this share are the same, whatever order they were multiplied in. */
const SAME_VOLUME = 1e-9;

/**
 * Keeps those that no other beats in all three directions, the smallest by volume first; of those alike, the one with least
 * surface: a stack before a carpet.
 */
function undominated(nodes: readonly Node[]): Node[] {
  const kept: Node[] = [];
  const measured = nodes.map((node) => {
    const [a, b, c] = node.box;
    return { node, volume: Math.round(Math.log(a * b * c) / SAME_VOLUME), surface: a * b + b * c + c * a };
  });
  measured.sort((p, q) => p.volume - q.volume || p.surface - q.surface || p.node.box[2] - q.node.box[2]);
  for (const { node } of measured) {
    if (kept.some(({ box }) => box.every((side, k) => side <= node.box[k] + 1e-9))) continue;
    kept.push(node);
    if (kept.length === KEPT) break;
  }
  return kept;
}

/** All blocks of n equal things in rows, columns and layers that waste no whole row. */
function* grids(piece: number, ways: readonly Box[], n: number): Generator<void, Node[], void> {
  const found: Node[] = [];
  for (const size of ways)
    for (let i = 1; i <= n; i++) {
      if (i % 16 === 0) yield;
      for (let j = 1; i * j <= n || j === 1; j++) {
        const k = Math.ceil(n / (i * j));
        if ((i - 1) * j * k >= n || i * (j - 1) * k >= n) continue;
        found.push({
          kind: 'grid',
          box: [i * size[0], j * size[1], k * size[2]],
          ...{ piece, size, counts: [i, j, k], n },
        });
        if (i * j >= n) break;
      }
    }
  yield;
  return undominated(found);
}

function pairs(first: readonly Node[], second: readonly Node[]): Node[] {
  const found: Node[] = [];
  for (const p of first)
    for (const q of second)
      for (const axis of [0, 1, 2] as const)
        found.push({
          kind: 'pair',
          box: [0, 1, 2].map((k) =>
            k === axis ? p.box[k] + q.box[k] : Math.max(p.box[k], q.box[k]),
          ) as unknown as Box,
          ...{ axis, first: p, second: q },
        });
  return found;
}

/**
 * Boxes into which a set of things can be packed, none of them better than another in every direction, the smallest first.
 * Every packing is made by setting two smaller ones side by side or on each other, in all ways, so for up to five things the
 * best such packing is among them; larger sets are made of rows of equal things. Round things take the room of the box
 * around them.
 * @throws RangeError when there is nothing to pack
 */
export function arrangements(pieces: readonly Item[], turning: Turning): readonly Arrangement[] {
  const work = arranging(pieces, turning);
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}

/** The same, yielding so that the caller can stop. */
export function* arranging(pieces: readonly Item[], turning: Turning): Generator<void, readonly Arrangement[], void> {
  if (!pieces.length) throw new RangeError('There is nothing to arrange.');
  const total = pieces.reduce((sum, { count }) => sum + count, 0);
  const groups: Node[][] = [];
  for (const [piece, { thing, count, posture }] of pieces.entries()) {
    const ways = turnedAs(boxOf(thing), turning, posture);
    if (total <= SINGLY) for (let k = 0; k < count; k++) groups.push(yield* grids(piece, ways, 1));
    else groups.push(yield* grids(piece, ways, count));
  }
  const packed = groups.length <= SINGLY ? yield* together(groups) : yield* oneAfterAnother(groups);
  return packed.map((node) => ({ box: node.box, placements: placementsOf(node, [0, 0, 0]) }));
}

/** The best packings of all groups, over all ways to divide them in two again and again. */
function* together(groups: readonly Node[][]): Generator<void, Node[], void> {
  const best = new Map<number, Node[]>();
  const whole = (1 << groups.length) - 1;
  for (let set = 1; set <= whole; set++) {
    yield;
    const alone = groups.findIndex((_, k) => set === 1 << k);
    if (alone >= 0) {
      best.set(set, groups[alone]);
      continue;
    }
    const found: Node[] = [];
    for (let part = (set - 1) & set; part > 0; part = (part - 1) & set)
      if (part > (set ^ part)) found.push(...pairs(best.get(part)!, best.get(set ^ part)!));
    best.set(set, undominated(found));
  }
  return best.get(whole)!;
}

/** Many kinds of things: largest first, each set beside what is there. */
function* oneAfterAnother(groups: readonly Node[][]): Generator<void, Node[], void> {
  const size = (nodes: Node[]): number => Math.max(...nodes.map(({ box }) => box[0] * box[1] * box[2]));
  const [first, ...rest] = [...groups].sort((p, q) => size(q) - size(p));
  let nodes = first;
  for (const group of rest) {
    yield;
    nodes = undominated(pairs(nodes, group));
  }
  return nodes;
}

function placementsOf(node: Node, at: Box): PlacedThing[] {
  if (node.kind === 'pair') {
    const beyond = at.map((v, k) => (k === node.axis ? v + node.first.box[k] : v)) as unknown as Box;
    return [...placementsOf(node.first, at), ...placementsOf(node.second, beyond)];
  }
  const { counts, size, piece, n } = node;
  const found: PlacedThing[] = [];
  for (let k = 0; k < counts[2]; k++)
    for (let j = 0; j < counts[1]; j++)
      for (let i = 0; i < counts[0] && found.length < n; i++)
        found.push({ piece, size, at: [at[0] + i * size[0], at[1] + j * size[1], at[2] + k * size[2]] });
  return found;
}
