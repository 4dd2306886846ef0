import { likeBallMm, type PouredThing, thingVolumeMm3 } from './poured-thing';
import { roomUpTo, type Vessel } from './vessel';

/** From least to most, and what is most likely. */
export interface PouredRange {
  readonly least: number;
  readonly likely: number;
  readonly most: number;
}

/**
 * Which share of a large room things fill that are poured in, and once they are shaken: as our own drops in a large box come out
 * (bench/src/poured.ts), which agree with what is measured of balls (0.60 to 0.64), dice (0.54 to 0.67) and coins (0.53 to 0.66).
 */
export const FILLED = {
  ball: { poured: 0.62, shaken: 0.64 },
  block: { poured: 0.58, shaken: 0.64 },
  disc: { poured: 0.6, shaken: 0.65 },
  seed: { poured: 0.6, shaken: 0.66 },
} as const;

/** At a wall things lie looser, as if a share of their width were not there. */
const LOST_AT_WALL = 0.18;
/** How sure such an estimate is, as a share of it. */
const DOUBT = 0.12;

/** How full a vessel is called comfortable: fingers and a step leave so much of its height. */
export const COMFORTABLE = 0.85;

/** How many go in up to a share of the height, without pouring them: from the share of a room that such things fill. */
export function estimatePoured(vessel: Vessel, thing: PouredThing, shaken = false, share = 1): PouredRange {
  const room = roomUpTo(vessel, share);
  const height = share * (vessel.rimMm - vessel.floorMm);
  const across = Math.sqrt(room / height);
  const size = likeBallMm(thing);
  const nearWalls = Math.max(0.2, 1 - LOST_AT_WALL * size * (4 / across + 1 / height));
  const likely = (FILLED[thing.shape][shaken ? 'shaken' : 'poured'] * nearWalls * room) / thingVolumeMm3(thing);
  return { least: Math.floor((1 - DOUBT) * likely), likely: Math.round(likely), most: Math.ceil((1 + DOUBT) * likely) };
}
