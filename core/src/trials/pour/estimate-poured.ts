import { likeBallMm, type PouredThing, thingVolumeMm3 } from './poured-thing';
import { roomUpTo, type Vessel } from './vessel';

/** From least to most, and what is most likely. */
export interface PouredRange {
  readonly least: number;
  readonly likely: number;
  readonly most: number;
}

/**
 * Which share of a large room things fill that are poured in, and once they are shaken from side to side: as our own drops in a box
 * of eight by eight come out (bench/src/trials.ts; the deep tests hold them to it), within what is measured of balls (0.55 to 0.64), cubes (0.54 to 0.68)
 * and thick discs (0.53 to 0.7).
 */
export const FILLED = {
  ball: { poured: 0.62, shaken: 0.62 },
  block: { poured: 0.58, shaken: 0.58 },
  disc: { poured: 0.6, shaken: 0.61 },
  seed: { poured: 0.66, shaken: 0.67 },
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

/** How many go in up to each mark of a vessel. */
export type Filled = Readonly<Record<'comfortable' | 'level' | 'heaped', PouredRange>>;

/** Poured things lie over a rim no steeper than this, in degrees: a usual angle of repose of what rolls little. */
const REPOSE_DEG = 30;

/** The room of a heap over the rim: as over a round mouth of the same area, in mm³. */
export function heapMm3({ mouth, cellMm }: Pick<Vessel, 'mouth' | 'cellMm'>): number {
  const area = mouth.length * cellMm * cellMm;
  const high = Math.sqrt(area / Math.PI) * Math.tan((REPOSE_DEG * Math.PI) / 180);
  return (area * high) / 3;
}

/** All marks at once, without pouring. */
export function estimateFilled(vessel: Vessel, thing: PouredThing, shaken = false): Filled {
  const level = estimatePoured(vessel, thing, shaken);
  const heap = 1 + heapMm3(vessel) / roomUpTo(vessel);
  return {
    comfortable: estimatePoured(vessel, thing, shaken, COMFORTABLE),
    level,
    heaped: {
      least: level.least,
      likely: Math.round(heap * level.likely),
      // A heap is less sure than what lies between walls.
      most: Math.ceil((2 * heap - 1) * level.most),
    },
  };
}
