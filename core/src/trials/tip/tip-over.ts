import type { Point } from '../../measure/point';
import type { Point3 } from '../../measure/vector3';
import { area, type Convex, convexHull, middle } from '../../pattern/convex';
import type { StandingCell } from './cells';
import type { Weighed } from './weighed';

/** Something long that stands in a piece and leans on its rim, in mm and g: a pen, a brush, a spoon. */
export interface Leaner {
  readonly longMm: number;
  readonly acrossMm: number;
  readonly grams: number;
}

/** How a piece stands by itself: its weight in g, where that acts, and the outline of what it stands on. */
export interface Stand {
  readonly grams: number;
  readonly centre: Point3;
  readonly base: Convex;
  /** How high the table is on which it stands, in mm. */
  readonly tableMm: number;
}

/** One that leans: from where its foot stands to where it lies on the rim, seen from above. */
export interface Leans {
  readonly foot: Point;
  readonly over: Point;
}

/** What comes of things that all lean to one side. */
export interface TippedOver {
  /** How many there is room for, all leaning that way; none where even the worst of them does not push it over. */
  readonly room: number;
  /** So many turn it over; null where as many as there is room for do not. */
  readonly tipsFrom: number | null;
  /** Their turning moment against that of its own weight, for as many as were asked: from 1 on it tips. */
  readonly share: number;
  /** How much weight in the middle of its base keeps it upright with as many as were asked; 0 where it stands. */
  readonly weightG: number;
  /** Where those lean that were asked. */
  readonly leaning: readonly Leans[];
  /** The edge over which it turns, seen from above. */
  readonly edge: readonly [Point, Point];
}

/** Paper that comes as near to the table as this bears as well: it gives so much, in mm. */
const BEARS_MM = 0.5;
const MOST_IN_CELL = 200;
/** Places along each side of a rim that are looked at. */
const ALONG = 4;

/** How bodies that hold together stand. */
export function standOf(bodies: readonly Weighed[]): Stand {
  const grams = bodies.reduce((sum, body) => sum + body.grams, 0);
  const centre = { x: 0, y: 0, z: 0 };
  for (const body of bodies)
    for (const axis of ['x', 'y', 'z'] as const) centre[axis] += (body.grams / grams) * body.centre[axis];
  const points = bodies.flatMap(({ faces }) => faces.flat());
  const lowest = points.reduce((z, p) => Math.min(z, p.z), Infinity);
  return { grams, centre, base: convexHull(points.filter(({ z }) => z <= lowest + BEARS_MM)), tableMm: lowest };
}

/** A straight edge of the base: its ends, and how far out of it a point lies, in mm. */
interface Edge {
  readonly ends: readonly [Point, Point];
  readonly out: Point;
  readonly beyond: (p: Point) => number;
}

const edgesOf = (base: Convex): readonly Edge[] =>
  base.map((p, k): Edge => {
    const q = base[(k + 1) % base.length];
    const long = Math.hypot(q.x - p.x, q.y - p.y);
    const out = { x: (q.y - p.y) / long, y: (p.x - q.x) / long };
    return { ends: [p, q], out, beyond: (at) => (at.x - p.x) * out.x + (at.y - p.y) * out.y };
  });

/** Whether it stands by itself, with nothing in it. */
export const standsAlone = ({ base, centre }: Stand): boolean =>
  base.length > 2 && edgesOf(base).every(({ beyond }) => beyond(centre) < 0);

/** How far it may be tilted over the edge that is nearest to its weight, before it no longer comes back, in degrees. */
export function comesBackDeg({ base, centre, tableMm }: Stand): number {
  const inside = Math.min(...edgesOf(base).map(({ beyond }) => -beyond(centre)));
  return (Math.atan2(inside, centre.z - tableMm) * 180) / Math.PI;
}

/**
 * The turning moment of one that leans, about an edge, in g·mm. Friction is left out: its foot is held by the wall behind it, the
 * rim pushes across its length. On a floor it turns the piece by its weight alone; without one by how it pushes on the rim.
 */
function momentOf({ longMm, grams }: Leaner, cell: StandingCell, { foot, over }: Leans, edge: Edge): number {
  const run = Math.hypot(over.x - foot.x, over.y - foot.y);
  const rise = cell.rimMm - cell.footMm;
  const reaches = longMm >= Math.hypot(run, rise);
  // One that does not come up to the rim leans on the wall below it.
  if (!reaches && longMm <= run) return 0;
  const sine = reaches ? run / Math.hypot(run, rise) : run / longMm;
  const way = run > 0 ? { x: (over.x - foot.x) / run, y: (over.y - foot.y) / run } : { x: 0, y: 0 };
  const half = (longMm / 2) * sine;
  if (cell.floored) return grams * edge.beyond({ x: foot.x + half * way.x, y: foot.y + half * way.y });
  const towards = way.x * edge.out.x + way.y * edge.out.y;
  if (!reaches) return grams * half * towards;
  const cosine = rise / Math.hypot(run, rise);
  const push = (grams * half) / Math.hypot(run, rise);
  return push * cosine * rise * towards + push * sine * edge.beyond(over);
}

/** How one turns a piece about an edge, in g·mm, and where it leans. */
interface Push {
  readonly moment: number;
  readonly leans: Leans;
}

/** Where one leans in a cell so that it turns the most about an edge. */
function worstIn(thing: Leaner, cell: StandingCell, edge: Edge): Push {
  const { foot: feet, mouth } = cell;
  let worst: Push = { moment: -Infinity, leans: { foot: feet[0], over: mouth[0] } };
  mouth.forEach((p, k) => {
    const q = mouth[(k + 1) % mouth.length];
    for (let n = 0; n < ALONG; n++) {
      const over = { x: p.x + (n / ALONG) * (q.x - p.x), y: p.y + (n / ALONG) * (q.y - p.y) };
      for (const foot of feet) {
        const leans = { foot, over };
        const moment = momentOf(thing, cell, leans, edge);
        if (moment > worst.moment) worst = { moment, leans };
      }
    }
  });
  return worst;
}

/** How many stand in a cell: each takes the square around it; beyond so many nobody asks. */
const roomIn = ({ mouth, foot }: StandingCell, { acrossMm }: Leaner): number =>
  Math.min(MOST_IN_CELL, Math.max(1, Math.floor(Math.min(area(mouth), area(foot)) / acrossMm ** 2)));

/**
 * Stands things in a piece, all as far to one side as they can lean, over each edge of its base, and tells what comes of it on the
 * worst.
 * @param count as many as are asked
 * @returns null where nothing can stand in it, or it does not stand by itself
 */
export function tipOver(stand: Stand, cells: readonly StandingCell[], thing: Leaner, count: number): TippedOver | null {
  if (!cells.length || !standsAlone(stand)) return null;
  const { grams, centre, base } = stand;
  const found = edgesOf(base).map((edge): TippedOver => {
    const holding = -grams * edge.beyond(centre);
    const pushes = cells
      .flatMap((cell) => new Array<Push>(roomIn(cell, thing)).fill(worstIn(thing, cell, edge)))
      .filter(({ moment }) => moment > 0)
      .sort((p, q) => q.moment - p.moment);
    let sum = 0;
    let asked = 0;
    let tipsFrom: number | null = null;
    pushes.forEach(({ moment }, k) => {
      sum += moment;
      if (k < count) asked = sum;
      if (tipsFrom === null && sum >= holding) tipsFrom = k + 1;
    });
    return {
      ...{ room: pushes.length, tipsFrom, share: asked / holding, edge: edge.ends },
      weightG: Math.max(0, (asked - holding) / -edge.beyond(middle(base))),
      leaning: pushes.slice(0, count).map(({ leans }) => leans),
    };
  });
  const soonest = Math.min(...found.map(({ tipsFrom }) => tipsFrom ?? Infinity));
  return {
    ...found.reduce((worst, one) => (one.share > worst.share ? one : worst)),
    weightG: Math.max(...found.map(({ weightG }) => weightG)),
    tipsFrom: soonest === Infinity ? null : soonest,
  };
}
