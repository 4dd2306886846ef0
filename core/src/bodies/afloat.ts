import { displacedMm3, type Hull, waterPlane } from './hull';

/** Density of fresh water, in g/mm³. */
const WATER = 0.001;
/** Height of the paper's own centre over the floor, as a share of the side: worked out from the panels of the square canoe. */
export const PAPER_CENTRE = 0.46;
const MOST_SECANTS = 60;
const NEAR = 1e-10;

/** How a boat floats with its load in still water. */
export interface Afloat {
  readonly draughtMm: number;
  /** From the water to the lowest point of the rim. */
  readonly freeboardMm: number;
  /** Metacentre over the centre of all weight, in mm: below zero it capsizes. */
  readonly stabilityMm: number;
}

/** A load in the boat: its weight, and how high its centre lies over the floor. */
export interface Load {
  readonly grams: number;
  readonly centreMm: number;
}

/** Where the rim is lowest, over the floor. */
export const rimOf = (hull: Hull): number => Math.min(hull.rim.z, hull.tip.z);

/** What a boat carries, its own paper among it, with the water up to a height over its floor, in g. */
export const carriedG = (hull: Hull, draughtMm: number): number => WATER * displacedMm3(hull, draughtMm);

/**
 * Draught by Archimedes, then the height of the metacentre KM = KB + I / V over the floor less the height of the weights.
 * @returns null when it sinks
 */
export function afloat(hull: Hull, load: Load, paperG: number): Afloat | null {
  const grams = load.grams + paperG;
  const draughtMm = draughtOf(hull, grams);
  if (draughtMm === null) return null;
  const volume = displacedMm3(hull, draughtMm);
  const weights = (load.grams * load.centreMm + paperG * PAPER_CENTRE * hull.rim.z) / grams;
  return {
    draughtMm,
    freeboardMm: rimOf(hull) - draughtMm,
    stabilityMm: buoyancyCentre(hull, draughtMm, volume) + secondMoment(hull, draughtMm) / volume - weights,
  };
}

/** How deep a weight pushes the hull, by the secant rule between bounds that close in (Illinois); null when it sinks. */
function draughtOf(hull: Hull, grams: number): number | null {
  const over = (mm: number): number => WATER * displacedMm3(hull, mm) - grams;
  let [low, high] = [0, rimOf(hull)];
  let [under, above] = [-grams, over(high)];
  if (above < 0) return null;
  for (let k = 0; k < MOST_SECANTS && high - low > NEAR * high; k++) {
    const mid = above === under ? high : high - (above * (high - low)) / (above - under);
    const miss = over(mid);
    if (Math.abs(miss) <= NEAR * grams) return mid;
    if (miss < 0) {
      [low, under] = [mid, miss];
      above /= 2;
    } else {
      [high, above] = [mid, miss];
      under /= 2;
    }
  }
  return high;
}

/**
 * Height of the middle of the water pushed aside: by parts, the draught less the mean volume below it. Between flat panels
 * that volume is a cubic of the draught, for which Simpson's rule is exact.
 */
function buoyancyCentre(hull: Hull, draughtMm: number, volume: number): number {
  const mean = (4 * displacedMm3(hull, draughtMm / 2) + volume) / 6;
  return draughtMm * (1 - mean / volume);
}

/** Second moment of the water plane about the boat's length, in mm⁴: of a quarter's side and end, four times. */
function secondMoment(hull: Hull, draughtMm: number): number {
  const { side, end } = waterPlane(hull, draughtMm);
  const [p, q] = [side.y, end.y];
  // Below a straight edge from (0, p) to (l, q) the integral of y³ / 3 is l (p³ + p² q + p q² + q³) / 12.
  return (4 * (4 * side.x * p ** 3 + (end.x - side.x) * (p ** 3 + p * p * q + p * q * q + q ** 3))) / 12;
}
