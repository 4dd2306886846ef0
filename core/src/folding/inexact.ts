import { type Line, lineThrough, type Point, sideOf } from '../measure/point';
import { seededNormal } from '../measure/seeded-random';
import { mostLayers } from './stack-depth';
import { middleOfTable, placedOutline, type Pose } from './pose';

/** How far a hand misses, and the seed of its luck. */
export interface InexactHand {
  /** Standard deviation in mm by which either end of a fold through one layer misses its mark. */
  readonly sigmaMm: number;
  readonly seed: number;
  /** Which of its aligned folds it misses, counted from 0; all of them when left out. */
  readonly only?: number;
  /** By how many standard deviations it misses both ends of that one, instead of by luck. */
  readonly ends?: readonly [number, number];
  /** By how much each measured mark lies too far from what it is measured from, in mm, in the order in which they are measured. */
  readonly marks?: readonly number[];
}

/** A stack of n layers is taken to be √n times as hard to line up as one: their own misses add up by chance. */
const harder = (layers: number): number => Math.sqrt(layers);

/**
 * Turns the fold lines that a hand means into those that it makes; `factor` says how much harder than a plain fold. How
 * many layers are lined up is read off `layered`, which has the same layers as the pose.
 */
export type Missing = (meant: Line, pose: Pose, factor: number, layered?: Pose) => Line;

interface Spread {
  readonly centre: Point;
  readonly reach: number;
}

/** Measured once for each pose: many hands may fold after the same one. */
const spreads = new WeakMap<Pose, Spread>();

/** The middle of the paper on the table, and how far it reaches from there. */
function spreadOnTable(pose: Pose): Spread {
  let known = spreads.get(pose);
  if (!known) {
    const centre = middleOfTable(pose);
    const reach = Math.max(
      ...pose.pattern.faces.flatMap((_, f) =>
        placedOutline(pose, f).map((p) => Math.hypot(p.x - centre.x, p.y - centre.y)),
      ),
    );
    spreads.set(pose, (known = { centre, reach }));
  }
  return known;
}

/** @returns the line itself when nothing is missed */
export function missing({ sigmaMm, seed, only, ends }: InexactHand): Missing {
  const normal = seededNormal(seed);
  let count = 0;
  return (meant, pose, factor, layered = pose) => {
    const [first, second] = (ends ?? [normal(), normal()]).map(
      (n) => n * sigmaMm * factor * harder(mostLayers(layered)),
    );
    if (sigmaMm === 0 || (only !== undefined && only !== count++)) return meant;
    // The two ends of the fold, where the hand lines it up: half the paper's extent either way of its middle.
    const { centre, reach } = spreadOnTable(pose);
    const { along } = meant;
    const off = sideOf(meant, centre);
    const foot: Point = { x: centre.x + off * along.y, y: centre.y - off * along.x };
    const end = (sign: number, miss: number): Point => ({
      x: foot.x + sign * reach * along.x - miss * along.y,
      y: foot.y + sign * reach * along.y + miss * along.x,
    });
    return lineThrough(end(-1, first), end(1, second));
  };
}
