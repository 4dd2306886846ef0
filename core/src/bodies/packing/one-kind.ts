import { AXES, type Axis, type Box, Front, type Offered, Proportions } from './front';
import type { Lie, Node } from './node';
import { offerPairs, type Pacer, turnsFreely } from './pairs';

/** Along which axes things are set beside each other. */
export interface Directions {
  /** Things of one kind. */
  readonly within: readonly Axis[];
  /** One kind and another. */
  readonly between: readonly Axis[];
}

/** Of so many things of a kind, some may lie one way and the others another way, however they are divided. */
const MIXED_LIES = 24;
/** Boxes of more things than these differ so little that of much the same proportions one is enough. */
const FEW = 40;
/** Rows of rounds that are moved on by half lie so close, as a share of their width. */
const NESTED = Math.sqrt(3) / 2;

/** Blocks of n equal things in rows, columns and layers; what is left of the last row stays empty. */
function* offerGrids(front: Offered<Node>, piece: number, lie: Lie, n: number, axes: readonly Axis[], pace: Pacer) {
  const { size } = lie;
  const most = AXES.map((axis) => (axes.includes(axis) ? n : 1));
  const free = turnsFreely(axes);
  for (let i = 1; i <= most[0]; i++)
    for (let j = 1; j <= most[1]; j++) {
      yield* pace(1);
      const k = Math.ceil(n / (i * j));
      // What is wider than long is there the other way round too.
      if (k <= most[2] && (!free || i * size[0] >= j * size[1]))
        front.offer(i * size[0], j * size[1], k * size[2], (box) => ({
          ...{ kind: 'rows', box, piece, lie, n },
          counts: [i, j, k],
        }));
      if (i * j >= n) break;
    }
}

/** How many lie in so many rows when every other row has one less. */
const heldBy = (many: number, rows: number): number => many * rows - Math.floor(rows / 2);

/** Blocks of n rounds whose rows are moved on by half a thing, so that they lie in each other's gaps. */
function* offerNested(front: Offered<Node>, piece: number, lie: Lie, n: number, axes: readonly Axis[], pace: Pacer) {
  const { size, round } = lie;
  if (round === undefined) return;
  const free = turnsFreely(axes);
  for (const along of axes)
    for (const across of axes) {
      const layers = (3 - along - across) as Axis;
      if (along === across || (round !== 'ball' && round !== layers)) continue;
      const pitchMm = NESTED * size[along];
      for (let many = 1; many <= n; many++)
        for (let rows = 2; heldBy(many, rows - 1) < n; rows++)
          for (const even of many > 1 ? [true, false] : [true]) {
            yield* pace(1);
            const deep = Math.ceil(n / (even ? many * rows : heldBy(many, rows)));
            if (deep > 1 && !axes.includes(layers)) continue;
            const sides: [number, number, number] = [0, 0, 0];
            sides[along] = (many + (even ? 0.5 : 0)) * size[along];
            sides[across] = size[across] + (rows - 1) * pitchMm;
            sides[layers] = deep * size[layers];
            const counts: [number, number, number] = [0, 0, 0];
            [counts[along], counts[across], counts[layers]] = [many, rows, deep];
            if (free && sides[0] < sides[1]) continue;
            front.offer(...sides, (box: Box) => ({
              ...{ kind: 'rows', box, piece, lie, n, counts },
              nested: { along, across, pitchMm, even },
            }));
          }
    }
}

/**
 * Boxes for n equal things, none fitting into another: in rows and layers, rounds nested, and, of a few, some lying one way
 * and the others another way. Whatever holds n holds fewer, so that fewer never need a larger box.
 */
export class OneKind {
  private readonly known = new Map<number, readonly Node[]>();
  private readonly plain = new Map<number, readonly Node[]>();

  constructor(
    private readonly piece: number,
    private readonly lies: readonly Lie[],
    private readonly axes: readonly Axis[],
    private readonly pace: Pacer,
  ) {}

  /** All lying the same way. */
  private *inRows(n: number): Generator<void, readonly Node[], void> {
    let nodes = this.plain.get(n);
    if (nodes) return nodes;
    const longestMm = Math.max(...this.lies.flatMap(({ size }) => size));
    const front: Offered<Node> = n <= FEW ? new Front() : new Proportions(longestMm);
    for (const lie of this.lies) {
      yield* offerGrids(front, this.piece, lie, n, this.axes, this.pace);
      yield* offerNested(front, this.piece, lie, n, this.axes, this.pace);
    }
    this.plain.set(n, (nodes = front.nodes));
    return nodes;
  }

  *boxes(n: number): Generator<void, readonly Node[], void> {
    let nodes = this.known.get(n);
    if (nodes) return nodes;
    const front = new Front<Node>();
    for (const node of yield* this.inRows(n)) front.offer(...node.box, () => node);
    if (n <= MIXED_LIES && this.lies.length > 1)
      for (let some = 1; 2 * some <= n; some++) {
        const [first, second] = [yield* this.inRows(some), yield* this.inRows(n - some)];
        yield* offerPairs(front, first, second, this.axes, this.pace);
      }
    this.known.set(n, (nodes = front.nodes));
    return nodes;
  }
}
