import * as z from 'zod';
import { type CreaseRow, onParts, type Place } from '../../folding/crease-rows';
import type { CreaseAngle } from '../../folding/collapse';
import { cross, dot, minus, type Point3, scaledBy, unitOf } from '../../measure/vector3';
import { type Point, point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';

const USUAL_PULL_DEG = 60;
const USUAL_SPREAD = 97;

export const hatBoatParams = z.object({
  /** Where the folding ends. */
  stage: z.enum(['boat', 'hat']).default('boat'),
  /** How far the ends are pulled apart: the gunwale from the upright. */
  pullDeg: z.number().min(45).max(75).default(USUAL_PULL_DEG),
  /** How far the boat is spread, in hundredths of what sinks its tips to the rim. */
  spread: z.number().min(85).max(100).default(USUAL_SPREAD),
});

export type HatBoatParams = z.infer<typeof hatBoatParams>;

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** Where the keel's corner lies on the hat's slanted edge, from the middle of the sheet, as a share of the short side. */
const keelShare = (pullDeg: number): number => (1 + Math.tan(rad(pullDeg / 2))) / 4;
/** The same before the ends are pulled. */
export const UNPULLED = keelShare(0);

export interface HatFrame {
  /** Short and long side of the sheet, and the width of the brim. */
  readonly a: number;
  readonly b: number;
  readonly t: number;
  readonly u: number;
  /** A place by shares of the short side: across from the left edge, and up from the middle of the sheet. */
  readonly at: (place: Place) => Point;
}

export function frameOf({ outline }: Sheet, { pullDeg }: HatBoatParams): HatFrame {
  const a = Math.max(...outline.map((p) => p.x));
  const b = Math.max(...outline.map((p) => p.y));
  return { a, b, t: (b - a) / 2 / a, u: keelShare(pullDeg), at: ([x, v]) => point(x * a, b / 2 + v * a) };
}

/** Fold angles of the hat's and the boat's edges, in degrees: all layers on them bend by so much. */
export interface Bends {
  /** From the top to the middles of the rim. */
  readonly rib: number;
  /** From the top down the slanted edges. */
  readonly slope: number;
  /** The lower edges of a hull, and its stems; none of a hat. */
  readonly keel?: { readonly lower: number; readonly stem: number };
}

export const HAT_FLAT: Bends = { rib: 0, slope: 180 };
/** The hat flattened the other way. */
export const SQUARE: Bends = { rib: 180, slope: 0 };
export const BOAT_FLAT: Bends = { rib: 0, slope: 180, keel: { lower: 180, stem: 180 } };

/** How far two faces that share an edge are bent from one plane, in degrees. */
function bendAt(from: Point3, to: Point3, one: Point3, other: Point3): number {
  const edge = unitOf(minus(to, from));
  const off = (p: Point3): Point3 => {
    const d = minus(p, from);
    const s = dot(d, edge);
    return unitOf(minus(d, scaledBy(edge, s)));
  };
  return 180 - (Math.acos(Math.max(-1, Math.min(1, dot(off(one), off(other))))) * 180) / Math.PI;
}

/** Directions from the top: to the middle of the rim, and down the slanted edge; a face of the hat has half a right angle there. */
function slopes(openDeg: number): { readonly m: Point3; readonly k: Point3 } {
  const open = rad(openDeg);
  const beta = Math.acos(Math.SQRT1_2 / Math.cos(open));
  return {
    m: { x: 0, y: Math.sin(open), z: -Math.cos(open) },
    k: { x: Math.sin(beta), y: 0, z: -Math.cos(beta) },
  };
}

const ORIGIN: Point3 = { x: 0, y: 0, z: 0 };
const inX = ({ x, y, z }: Point3): Point3 => ({ x: -x, y, z });
const inY = ({ x, y, z }: Point3): Point3 => ({ x, y: -y, z });

/** The hat as it is worn, as wide one way as the other. */
export function wornBends(): Bends {
  const { m, k } = slopes((Math.acos(Math.SQRT1_2 ** 0.5) * 180) / Math.PI);
  return { rib: bendAt(ORIGIN, m, k, inX(k)), slope: bendAt(ORIGIN, k, m, inY(m)) };
}

/** Places of the spread boat's corners, its top at the origin, in short sides: the rim's middle, the keel's corner, the tip. */
function spreadAt(pullDeg: number, spreadDeg: number): { readonly m: Point3; readonly k: Point3; readonly c: Point3 } {
  const { m: toM, k: toK } = slopes(spreadDeg);
  const [m, k] = [scaledBy(toM, 1 / 2), scaledBy(toK, Math.SQRT2 * keelShare(pullDeg))];
  // The corner of the hat, reflected in the plane of the lower edges.
  const corner = scaledBy(toK, Math.SQRT1_2);
  const normal = unitOf(cross(minus(m, k), minus(inY(m), k)));
  const off = 2 * dot(minus(corner, k), normal);
  return { m, k, c: minus(corner, scaledBy(normal, off)) };
}

/** The spread at which the tips have sunk to the middle of the rim, by halving. */
function widestDeg(pullDeg: number): number {
  let [low, high] = [0, 44.9];
  for (let k = 0; k < 60; k++) {
    const middle = (low + high) / 2;
    const { m, c } = spreadAt(pullDeg, middle);
    if (c.z > m.z) low = middle;
    else high = middle;
  }
  return low;
}

export function spreadBends({ pullDeg, spread }: HatBoatParams): Bends {
  const { m, k, c } = spreadAt(pullDeg, (spread / 100) * widestDeg(pullDeg));
  return {
    rib: bendAt(ORIGIN, m, k, inX(k)),
    slope: bendAt(ORIGIN, k, m, inY(m)),
    keel: { lower: bendAt(m, k, ORIGIN, c), stem: bendAt(k, c, m, inY(m)) },
  };
}

/** Lower edges with their images in the folded corners and in the brim, so far pulled. */
function lowerEdges({ t }: HatFrame, u: number, deg: number): readonly CreaseRow[] {
  const k = 1 / 2 - u;
  // In the brim they run on to where they meet its folded end, or to the raw edge before.
  const inBrim: Place = t > k ? [k, 1 - u] : [1 / 2 - (u * t) / k, 1 / 2 + t];
  const down = ([x, v]: Place): Place => [x, -v];
  const rows: CreaseRow[] = [
    ['lower edge', [1 / 2, 1 / 2], [k, u], -deg],
    ['lower edge', [1 / 2, -1 / 2], [k, -u], -deg],
    ['lower edge', [0, 0], [k, u], deg],
    ['lower edge', [0, 0], [k, -u], -deg],
    ['lower edge', [1 / 2, 1 / 2], inBrim, deg],
    ['lower edge', [1 / 2, -1 / 2], down(inBrim), deg],
  ];
  if (t <= k) return rows;
  const s = (t - k) / u;
  const end: Place = [k * (1 - s), 1 / 2 + t];
  return [...rows, ['lower edge', inBrim, end, deg], ['lower edge', down(inBrim), down(end), deg]];
}

/** All creases that bend when hat or boat open and close. */
export function bent(frame: HatFrame, { rib, slope, keel }: Bends, pulled = frame.u): CreaseAngle[] {
  const { t } = frame;
  const u = keel ? pulled : 1 / 2;
  const k = 1 / 2 - u;
  const stem = keel?.stem ?? 0;
  const raw: Place = [t, 1 / 2 + t];
  const meets: Place = !keel ? [0, 1 / 2] : t > k ? [k, 1 - u] : raw;
  const down = ([x, v]: Place): Place => [x, -v];
  const brimEnd = (of: (place: Place) => Place): CreaseRow[] => [
    ...(keel ? [['brim end', of([0, 1 / 2]), of(meets), stem] as CreaseRow] : []),
    ...(meets === raw ? [] : [['brim end', of(meets), of(raw), -slope] as CreaseRow]),
  ];
  const rows: CreaseRow[] = [
    ['corner', [1 / 2, 0], [k, -u], slope],
    ...(keel ? ([['corner', [k, -u], [0, -1 / 2], -stem]] as CreaseRow[]) : []),
    ...brimEnd((p) => p),
    ...brimEnd(down),
    ...(keel ? lowerEdges(frame, pulled, keel.lower) : []),
  ];
  const ribs: CreaseRow[] = [1, -1].flatMap((s): CreaseRow[] => [
    ['middle', [1 / 2, 0], [1 / 2, s / 2], rib],
    ['middle', [1 / 2, s / 2], [1 / 2, s * (1 / 2 + t)], -rib],
  ]);
  return [...onParts([frame.at, ([x, v]) => frame.at([1 - x, v])], rows), ...onParts([frame.at], ribs)];
}

/** Of the square a corner folded up to the top: through all layers of one half. */
export const cornerUp = (frame: HatFrame, side: 'left' | 'right'): CreaseAngle[] =>
  onParts([([x, v]) => frame.at([side === 'left' ? x : 1 - x, v])], lowerEdges(frame, UNPULLED, 180));

/** Lower edges as they were before the ends were pulled, open again. */
export const unpulled = (frame: HatFrame): CreaseAngle[] =>
  onParts([frame.at, ([x, v]) => frame.at([1 - x, v])], lowerEdges(frame, UNPULLED, 0));
