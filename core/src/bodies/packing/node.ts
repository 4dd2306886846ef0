import { AXES, type Axis, type Box } from './front';
import { type Beside, startsAlong } from './beside';

/** One way in which a thing lies: its sides along the axes, and the axis of a round one. */
export interface Lie {
  readonly size: Box;
  /** `ball` is round about any axis. */
  readonly round?: Axis | 'ball';
}

/** A thing in its place: which item, the corner nearest the origin, and its sides along x, y and z as it was turned. */
export interface PlacedThing {
  readonly piece: number;
  readonly at: Box;
  readonly size: Box;
  /** The axis about which it is round; it may then reach into the corners of the box round a neighbour. */
  readonly round?: Axis | 'ball';
}

/** A packing as it is built: things of one kind in rows, or smaller packings beside each other. */
export type Node =
  | {
      readonly kind: 'rows';
      readonly box: Box;
      readonly piece: number;
      readonly lie: Lie;
      readonly counts: Box;
      readonly n: number;
      /** Every other row is moved on by half a thing and set closer: rows run along one axis and follow along the other. */
      readonly nested?: {
        readonly along: Axis;
        readonly across: Axis;
        readonly pitchMm: number;
        readonly even: boolean;
      };
    }
  /** Two packings beside each other along an axis. */
  | { readonly kind: 'pair'; readonly box: Box; readonly axis: Axis; readonly first: Node; readonly second: Node }
  /** The same with its long and its wide side exchanged. */
  | { readonly kind: 'turned'; readonly box: Box; readonly of: Node }
  /** Several that no cut parts: each two of them lie beside each other along an axis. */
  | { readonly kind: 'uncut'; readonly box: Box; readonly parts: readonly Node[]; readonly beside: Beside };

const moved = (at: Box, axis: Axis, by: number): Box =>
  at.map((mm, k) => (k === axis ? mm + by : mm)) as unknown as Box;

function* rowsOf(node: Extract<Node, { kind: 'rows' }>, at: Box): Generator<PlacedThing, void, void> {
  const { counts, lie, piece, n, nested } = node;
  const { size, round } = lie;
  let placed = 0;
  const place = (corner: Box): PlacedThing => {
    placed += 1;
    return { piece, size, at: corner, ...(round !== undefined && { round }) };
  };
  if (!nested) {
    for (let k = 0; k < counts[2]; k++)
      for (let j = 0; j < counts[1]; j++)
        for (let i = 0; i < counts[0] && placed < n; i++)
          yield place([at[0] + i * size[0], at[1] + j * size[1], at[2] + k * size[2]]);
    return;
  }
  const { along, across, pitchMm, even } = nested;
  const layers = (3 - along - across) as Axis;
  for (let layer = 0; layer < counts[layers]; layer++)
    for (let row = 0; row < counts[across]; row++) {
      const odd = row % 2 === 1;
      const many = counts[along] - (odd && !even ? 1 : 0);
      for (let one = 0; one < many && placed < n; one++) {
        const corner = moved(moved(at, layers, layer * size[layers]), across, row * pitchMm);
        yield place(moved(corner, along, (one + (odd ? 0.5 : 0)) * size[along]));
      }
    }
}

/** A thing with x and y exchanged, moved to where its packing lies. */
function exchanged({ piece, at, size, round }: PlacedThing, [x, y, z]: Box): PlacedThing {
  const about = round === 0 || round === 1 ? ((1 - round) as Axis) : round;
  return {
    piece,
    at: [x + at[1], y + at[0], z + at[2]],
    size: [size[1], size[0], size[2]],
    ...(about !== undefined && { round: about }),
  };
}

/** The same packing turned on the floor, if need be, so that its longer side runs along x. */
export const turnedTo = (node: Node, [a, b, c]: Box): Node => ({ kind: 'turned', box: [b, a, c], of: node });

/** Where everything of a packing lies that has its corner nearest the origin somewhere. */
export function placementsOf(node: Node, at: Box = [0, 0, 0]): readonly PlacedThing[] {
  switch (node.kind) {
    case 'rows':
      return [...rowsOf(node, at)];
    case 'pair': {
      const beyond = moved(at, node.axis, node.first.box[node.axis]);
      return [...placementsOf(node.first, at), ...placementsOf(node.second, beyond)];
    }
    case 'turned':
      return placementsOf(node.of).map((thing) => exchanged(thing, at));
    case 'uncut': {
      const { parts, beside } = node;
      const starts = AXES.map((axis) => startsAlong(axis, parts, beside));
      return parts.flatMap((part, k) =>
        placementsOf(part, at.map((mm, axis) => mm + starts[axis][k]) as unknown as Box),
      );
    }
  }
}
