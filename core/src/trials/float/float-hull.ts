import { cross, dot, minus, plus, type Point3, scaledBy, unitOf } from '../../measure/vector3';
import { submerged, type Submerged } from './below-plane';
import type { HullShape } from './hull-shape';

/** Density of fresh water, in g/mm³. */
const WATER = 0.001;
const UP: Point3 = { x: 0, y: 0, z: 1 };
/** A volume is found to this share, and a lean to this angle. */
const [NEAR, STILL] = [1e-13, 1e-12] as const;
const [MOST_STEPS, MOST_HALVINGS] = [200, 60] as const;
const RAD = Math.PI / 180;

/** Something in the boat: its weight, and where its middle is in the hull's own axes. */
export interface LoadAt {
  readonly grams: number;
  readonly at: Point3;
}

/** All weights of a boat as one. */
export function allTogether(loads: readonly LoadAt[]): LoadAt {
  const grams = loads.reduce((sum, one) => sum + one.grams, 0);
  const sum = loads.reduce((all, one) => plus(all, scaledBy(one.at, one.grams)), { x: 0, y: 0, z: 0 });
  return { grams, at: grams ? scaledBy(sum, 1 / grams) : sum };
}

/** How a boat lies in still water. */
export interface Floating {
  readonly sinks: false;
  /** From the lowest point of the hull to the water, and from the water to the lowest point of the rim. */
  readonly draughtMm: number;
  readonly freeboardMm: number;
  /** How far the end towards +x, and the side towards +y, lie lower than the other: in degrees. */
  readonly trimDeg: number;
  readonly heelDeg: number;
  /** The metacentre over the centre of all weight, for heeling: below zero it does not stay so. */
  readonly metacentreMm: number;
  readonly up: Point3;
  readonly heightMm: number;
  readonly under: Submerged;
}

/** The water comes over the side before it carries so much. */
export interface Sinks {
  readonly sinks: true;
  /** What it carries upright to the lowest point of its rim, its own paper among it, in g. */
  readonly mostG: number;
}

const lowestOf = (points: readonly Point3[], up: Point3): number => Math.min(...points.map((p) => dot(up, p)));

/**
 * How high the water stands that carries a weight, for a boat that is turned so: by the regula falsi that closes in (Illinois).
 * @returns null when the rim goes under first
 */
function heightFor({ panels, rim }: HullShape, up: Point3, volume: number): number | null {
  let low = Math.min(...panels.map((panel) => lowestOf(panel, up)));
  let high = lowestOf(rim, up);
  const over = (heightMm: number): number => submerged(panels, { up, heightMm }).volume - volume;
  let [under, above] = [-volume, over(high)];
  if (above < 0 || high <= low) return null;
  for (let k = 0; k < MOST_STEPS; k++) {
    const mid = k % 3 === 2 || above === under ? (low + high) / 2 : high - (above * (high - low)) / (above - under);
    const miss = over(mid);
    if (Math.abs(miss) <= NEAR * volume || high - low <= NEAR * Math.abs(high)) return mid;
    if (miss < 0) {
      [low, under] = [mid, miss];
      above /= 2;
    } else {
      [high, above] = [mid, miss];
      under /= 2;
    }
  }
  return (low + high) / 2;
}

/** A direction turned by small angles about x and y. */
const turned = (up: Point3, a: number, b: number): Point3 => {
  const east = unitOf(cross(up, { x: 0, y: 1, z: 0 }));
  const north = cross(up, east);
  return unitOf(plus(up, plus(scaledBy(east, a), scaledBy(north, b))));
};

/** Height of the weights over the middle of the water pushed aside: what is left of energy where the weight is given. */
export function energyAt(hull: HullShape, { grams, at }: LoadAt, up: Point3): number | null {
  const heightMm = heightFor(hull, up, grams / WATER);
  if (heightMm === null) return null;
  return dot(up, minus(at, submerged(hull.panels, { up, heightMm }).centre));
}

/**
 * How a boat lies with its weights: turned until these stand over the middle of the water that it pushes aside, from upright
 * downhill in energy (Newton's steps on the moments, halved as long as they lead up). The hull is cut exactly at the water.
 * @param paperG what the boat weighs itself
 */
export function floatHull(hull: HullShape, loads: readonly LoadAt[], paperG: number): Floating | Sinks {
  const weight = allTogether([...loads, { grams: paperG, at: { x: 0, y: 0, z: hull.paperCentreMm } }]);
  const volume = weight.grams / WATER;
  const sinks = (): Sinks => ({
    sinks: true,
    mostG: WATER * submerged(hull.panels, { up: UP, heightMm: lowestOf(hull.rim, UP) }).volume,
  });
  let up = UP;
  // An exact balance that would tip over is left by a breath.
  if (weight.at.y === 0 || weight.at.x === 0)
    up = turned(UP, weight.at.x === 0 ? 1e-6 : 0, weight.at.y === 0 ? 1e-6 : 0);
  const arm = (of: Point3): readonly [number, number] | null => {
    const heightMm = heightFor(hull, of, volume);
    if (heightMm === null) return null;
    const lever = minus(weight.at, submerged(hull.panels, { up: of, heightMm }).centre);
    const east = unitOf(cross(of, { x: 0, y: 1, z: 0 }));
    return [dot(lever, east), dot(lever, cross(of, east))];
  };
  const energy = (of: Point3): number => energyAt(hull, weight, of) ?? Infinity;
  for (let step = 0; step < MOST_STEPS; step++) {
    const now = arm(up);
    if (!now) return sinks();
    const size = Math.hypot(...now);
    if (size < STILL * (1 + Math.abs(weight.at.z))) break;
    const nudge = 1e-6;
    const [da, db] = [arm(turned(up, nudge, 0)), arm(turned(up, 0, nudge))];
    if (!da || !db) return sinks();
    const [aa, ab, ba, bb] = [da[0] - now[0], db[0] - now[0], da[1] - now[1], db[1] - now[1]].map((d) => d / nudge);
    const det = aa * bb - ab * ba;
    // Downhill: where Newton's step would lead to a top, the slope itself is followed.
    const isDip = aa > 0 && det > 0;
    let [a, b] = isDip
      ? [(ab * now[1] - bb * now[0]) / det, (ba * now[0] - aa * now[1]) / det]
      : [(-0.1 * now[0]) / size, (-0.1 * now[1]) / size];
    const was = energy(up);
    let halvings = 0;
    for (; halvings < MOST_HALVINGS; halvings++, a /= 2, b /= 2) {
      const next = turned(up, a, b);
      // Near the bottom the energy is too flat to tell: there the moments do.
      const lever = isDip && size < 1e-4 ? arm(next) : null;
      if (lever ? Math.hypot(...lever) < size : energy(next) < was) {
        up = next;
        break;
      }
    }
    if (halvings === MOST_HALVINGS) break;
    if (lowestOf(hull.rim, up) <= 0) return sinks();
  }
  const heightMm = heightFor(hull, up, volume);
  if (heightMm === null) return sinks();
  const under = submerged(hull.panels, { up, heightMm });
  const length = unitOf(minus({ x: 1, y: 0, z: 0 }, scaledBy(up, up.x)));
  return {
    ...{ sinks: false, up, heightMm, under },
    draughtMm: heightMm - Math.min(...hull.panels.map((panel) => lowestOf(panel, up))),
    freeboardMm: lowestOf(hull.rim, up) - heightMm,
    trimDeg: -Math.asin(up.x) / RAD || 0,
    heelDeg: -Math.atan2(up.y, up.z) / RAD || 0,
    metacentreMm: under.cut.about(length) / under.volume - dot(up, minus(weight.at, under.centre)),
  };
}

/** How much more it carries at a place until the water comes over the side, in g. */
export function mostMoreG(hull: HullShape, loads: readonly LoadAt[], paperG: number, at: Point3): number {
  const floats = (grams: number): boolean => {
    const found = floatHull(hull, [...loads, { grams, at }], paperG);
    return !found.sinks && found.freeboardMm > 0;
  };
  if (!floats(0)) return 0;
  let [low, high] = [0, 1];
  while (floats(high) && high < 1e6) [low, high] = [high, 2 * high];
  for (let k = 0; k < 40 && high - low > 1e-6 * high; k++) {
    const mid = (low + high) / 2;
    if (floats(mid)) low = mid;
    else high = mid;
  }
  return low;
}

/** How a boat rights itself when it is heeled from outside. */
export interface Righting {
  readonly deg: number;
  /** How far the water's push stands off the weights, towards upright: the righting arm. */
  readonly armMm: number;
}

/** What heeling comes to: the arm at each degree, and the first at which it does not come back, and why. */
export interface Heeling {
  readonly arms: readonly Righting[];
  readonly lost: { readonly deg: number; readonly by: 'water' | 'tipping' };
}

const MOST_HEEL_DEG = 90;

/** Heels a boat towards +y degree by degree, its trim kept, until water comes in or it does not come back. */
export function heeling(hull: HullShape, loads: readonly LoadAt[], paperG: number): Heeling {
  const weight = allTogether([...loads, { grams: paperG, at: { x: 0, y: 0, z: hull.paperCentreMm } }]);
  const arms: Righting[] = [];
  const armAt = (deg: number): number | null => {
    const up = { x: 0, y: -Math.sin(deg * RAD), z: Math.cos(deg * RAD) };
    const heightMm = heightFor(hull, up, weight.grams / WATER);
    if (heightMm === null) return null;
    const across = { x: 0, y: Math.cos(deg * RAD), z: Math.sin(deg * RAD) };
    return dot(across, minus(submerged(hull.panels, { up, heightMm }).centre, weight.at));
  };
  let last = 0;
  for (let deg = 0; deg <= MOST_HEEL_DEG; deg++) {
    const armMm = armAt(deg);
    // Between the last degree and this one.
    const lost = (by: 'water' | 'tipping'): Heeling => {
      let [low, high] = [last, deg];
      for (let k = 0; k < 30; k++) {
        const mid = (low + high) / 2;
        const at = armAt(mid);
        if (at !== null && (by === 'water' || at > 0)) low = mid;
        else high = mid;
      }
      return { arms, lost: { deg: low, by } };
    };
    if (armMm === null) return lost('water');
    arms.push({ deg, armMm });
    if (deg > 0 && armMm <= 0) return lost('tipping');
    last = deg;
  }
  return { arms, lost: { deg: MOST_HEEL_DEG, by: 'tipping' } };
}
