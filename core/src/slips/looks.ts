import { sideOfFace } from '../folding/layer-order';
import { placedOutline, type Pose, whiteUp } from '../folding/pose';
import type { Point } from '../measure/point';
import { contains, counterClockwise } from '../pattern/convex';
import { platesOf } from '../pattern/plates';

/** Spots along each side at which paper is looked at. */
const SPOTS = 32;

/** Below this share of the spots that have paper two states cannot be told apart at a glance. */
const LEAST_SHARE = 0.01;

/** Edges seen in one state and not in the other are noticed from this length on, in spots. */
const LEAST_EDGE = 5;

/** What is seen of flat paper at one spot: on top, underneath, and how thick it is. */
interface Seen {
  readonly top: Layer;
  readonly bottom: Layer;
  readonly layers: number;
}

/** A layer that is seen: which side of the paper, and of which flat part: an edge is seen where another part begins. */
interface Layer {
  readonly side: 'white' | 'coloured';
  readonly plate: number;
}

type Box = readonly [x0: number, y0: number, x1: number, y1: number];

/** Flat paper as it can be told by eye and finger. */
export interface Look {
  readonly box: Box;
  /** What is seen at a table point; null where no paper lies. */
  readonly at: (p: Point) => Seen | null;
}

function boxOf(points: readonly Point[]): Box {
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}

const within = ([x0, y0, x1, y1]: Box, { x, y }: Point): boolean => x >= x0 && x <= x1 && y >= y0 && y <= y1;

/** How flat paper looks from both sides. */
export function lookOf(pose: Pose): Look {
  const outlines = pose.pattern.faces.map((_, f) => counterClockwise(placedOutline(pose, f)));
  const boxes = outlines.map(boxOf);
  const plates = platesOf(pose.pattern, (edge) => Math.abs(pose.angles[edge]) < 1e-9);
  const seen = (face: number, from: 1 | -1): Layer => ({
    side: whiteUp(pose, face) * from > 0 ? 'white' : 'coloured',
    plate: plates[face],
  });
  return {
    box: boxOf(outlines.flat()),
    at: (p) => {
      const here = outlines.flatMap((outline, f) => (within(boxes[f], p) && contains(outline, p, 0) ? [f] : []));
      const outermost = (over: 1 | -1): number | undefined =>
        here.find((f) => !here.some((g) => sideOfFace(pose.order, f, g) * Math.sign(whiteUp(pose, f)) === over));
      const [top, bottom] = [outermost(1), outermost(-1)];
      if (top === undefined || bottom === undefined) return null;
      return { top: seen(top, 1), bottom: seen(bottom, -1), layers: here.length };
    },
  };
}

/** What a look has at each of the spots of a box, row by row. */
function spotsOf({ at }: Look, box: Box): readonly (readonly (Seen | null)[])[] {
  // Off the middles and thirds, where creases like to lie.
  return Array.from({ length: SPOTS }, (_, j) =>
    Array.from({ length: SPOTS }, (__, i) =>
      at({
        x: box[0] + ((i + 0.537) / SPOTS) * (box[2] - box[0]),
        y: box[1] + ((j + 0.419) / SPOTS) * (box[3] - box[1]),
      }),
    ),
  );
}

/** Whether an edge is seen between two spots, on top and underneath. */
const edges = (a: Seen | null, b: Seen | null): readonly boolean[] =>
  a && b ? [a.top.plate !== b.top.plate, a.bottom.plate !== b.bottom.plate] : [false, false];

/**
 * Whether two flat states look alike where they lie, from above and from below, to the eye and between the fingers: the same
 * sides of the paper are seen in the same places, as thick, with edges between them in the same places.
 */
export function lookAlike(a: Look, b: Look): boolean {
  const [p, q] = [a.box, b.box];
  const box: Box = [Math.min(p[0], q[0]), Math.min(p[1], q[1]), Math.max(p[2], q[2]), Math.max(p[3], q[3])];
  const [one, other] = [spotsOf(a, box), spotsOf(b, box)];
  let [paper, differ, edged] = [0, 0, 0];
  for (let j = 0; j < SPOTS; j++)
    for (let i = 0; i < SPOTS; i++) {
      const [s, t] = [one[j][i], other[j][i]];
      if (!s && !t) continue;
      paper++;
      if (s?.layers !== t?.layers || s?.top.side !== t?.top.side || s?.bottom.side !== t?.bottom.side) differ++;
      for (const [k, l] of [
        [j, i + 1],
        [j + 1, i],
      ]) {
        if (k === SPOTS || l === SPOTS) continue;
        const [was, is] = [edges(s, one[k][l]), edges(t, other[k][l])];
        edged += Number(was[0] !== is[0]) + Number(was[1] !== is[1]);
      }
    }
  return differ <= LEAST_SHARE * paper && edged < LEAST_EDGE;
}
