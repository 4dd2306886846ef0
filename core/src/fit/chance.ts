import type { Demand, RoomAsked, WayToFit } from '../purpose/demand';
import type { Fitting } from './fitting';
import type { Misses } from './misses';
import { FITS } from './needs';

/** Draws behind a chance: its standard error is below 0.8 %. */
export const DRAWS = 4096;

/** The cause of luck that stands for a soft room's volume: no form lines up so many folds. */
const VOLUME_LUCK = 999;

/** By how much each measure of a room comes out different in each draw, for a hand that misses by 1 mm. */
export interface Offsets {
  readonly names: readonly string[];
  readonly draws: readonly Float64Array[];
  /** How far such a hand spreads each measure: one standard deviation. */
  readonly spreads: readonly number[];
}

/** Draws of all misses at once, as they add up in each measure of the room. */
export function offsetsOf(fitting: Pick<Fitting, 'luckOf'>, { names, rows }: Misses): Offsets {
  const inside = names.flatMap((name, r) => (name.startsWith('outer ') ? [] : [r]));
  return {
    names: inside.map((r) => names[r]),
    spreads: inside.map((r) => Math.hypot(...rows[r])),
    draws: inside.map((r) => {
      const sum = new Float64Array(DRAWS);
      rows[r].forEach((slope, k) => {
        if (slope === 0) return;
        const luck = fitting.luckOf(k);
        for (let n = 0; n < DRAWS; n++) sum[n] += slope * luck[n];
      });
      return sum;
    }),
  };
}

/** How far a measure is moved to see what follows for a demand, in mm. */
const NUDGE_MM = 0.02;

/**
 * The chance that all pieces of a make come out as they must: hands miss each piece by itself. Null where that of one of them
 * is not known.
 */
export const chanceOfAll = (pieces: readonly (number | null)[]): number | null =>
  pieces.reduce((all, one) => (all === null || one === null ? null : all * one), 1);

/** A demand as it is held against draws: which measure it reads, what it needs where that is fixed, and how it runs. */
interface Test {
  readonly demand: Demand;
  readonly at: number;
  readonly fixed: number | null;
  readonly left: number;
  readonly slopes: Float64Array | null;
}

/** What is to spare runs on no steeper than so many times its slope here, as far as any draw reaches. */
const OUT_OF_REACH = 1.5;

const spare = (demand: Demand, asked: RoomAsked): number => demand.have(asked) - demand.need(asked);

/** What is to spare of a demand in a room, and how that runs with each of its sizes. */
export function slopesOf(demand: Demand, asked: RoomAsked, names: readonly string[]): Float64Array {
  const { room } = asked;
  return Float64Array.from(names, (name) => {
    if (!Object.hasOwn(room.sizes, name)) return 0;
    const at = room.sizes[name];
    const moved = (by: number): number =>
      spare(demand, { ...asked, room: { ...room, sizes: { ...room.sizes, [name]: at + by } } });
    return (moved(NUDGE_MM) - moved(-NUDGE_MM)) / (2 * NUDGE_MM);
  });
}

/** The same, worked out once for all demands that read the same and need what is fixed. */
export function slopesKept(asked: RoomAsked, names: readonly string[]): (demand: Demand) => Float64Array {
  const known = new Map<unknown, Float64Array>();
  return (demand) => {
    const key = demand.fixed === undefined ? demand : (demand.reads ?? demand);
    let slopes = known.get(key);
    if (!slopes) known.set(key, (slopes = slopesOf(demand, asked, names)));
    return slopes;
  };
}

/** Standard deviation of what is to spare of a demand, for a hand that misses by 1 mm. */
export function spareSpread(slopes: Float64Array, { names, rows }: Misses, of: readonly string[]): number {
  const at = of.map((name) => names.indexOf(name));
  let sum = 0;
  for (let k = 0; k < (rows[0]?.length ?? 0); k++) {
    let slope = 0;
    at.forEach((r, m) => (slope += slopes[m] * rows[r][k]));
    sum += slope * slope;
  }
  return Math.sqrt(sum);
}

/**
 * How often a purpose fits a room over all draws of a hand that misses by so much: every draw is held against all ways.
 * @param volumeSpread how sure the volume of a soft room is, one standard deviation as a share; 0 for rigid rooms
 */
export function chanceOf(
  fitting: Pick<Fitting, 'luckOf'>,
  ways: readonly WayToFit[],
  asked: RoomAsked,
  { names, draws }: Offsets,
  { handMm, volumeSpread }: { readonly handMm: number; readonly volumeSpread: number },
): number {
  const { sizes } = asked.room;
  const drawnSizes: Record<string, number> = { ...sizes };
  const base = names.map((name) => sizes[name]);
  let volume = 1;
  const luck = volumeSpread > 0 ? fitting.luckOf(VOLUME_LUCK) : null;
  const drawn: RoomAsked = {
    ...asked,
    room: { ...asked.room, sizes: drawnSizes },
    mostMl: (room) => {
      const ml = asked.mostMl(room);
      return ml === null ? null : volume * ml;
    },
  };
  const furthest = draws.map((row) => row.reduce((most, miss) => Math.max(most, Math.abs(miss)), 0));
  const slopesFor = slopesKept(asked, names);
  /** No draw of any of its demands comes near: such a way needs no look at each draw. */
  const isOutOfReach = ({ demands }: WayToFit): boolean =>
    demands.some((demand) => {
      const left = spare(demand, asked);
      if (left >= 0 || volumeSpread > 0) return false;
      const furthestOff = slopesFor(demand).reduce((sum, slope, m) => sum + Math.abs(slope) * furthest[m], 0);
      return left < -OUT_OF_REACH * handMm * furthestOff;
    });
  const near = ways.filter((way) => !isOutOfReach(way));
  /** What demands read of the room that was drawn, once for all that read the same. */
  const measures: Demand[] = [];
  const placeOf = new Map<unknown, number>();
  const tests = near.map(({ demands }) =>
    demands.map((demand): Test => {
      const key = demand.reads ?? demand;
      if (!placeOf.has(key)) placeOf.set(key, measures.push(demand) - 1);
      return {
        ...{ demand, at: placeOf.get(key)!, fixed: demand.fixed ?? null },
        ...{ left: spare(demand, asked), slopes: demand.smooth ? slopesFor(demand) : null },
      };
    }),
  );
  const have = new Float64Array(measures.length);
  const holdsIn = ({ demand, at, fixed, left, slopes }: Test, n: number): boolean => {
    if (slopes) {
      let now = left;
      for (let m = 0; m < base.length; m++) now += slopes[m] * handMm * draws[m][n];
      return now >= FITS * Math.abs(left);
    }
    const need = fixed ?? demand.need(drawn);
    return have[at] - need >= FITS * Math.abs(need);
  };
  let fits = 0;
  for (let n = 0; n < DRAWS; n++) {
    for (let m = 0; m < base.length; m++) drawnSizes[names[m]] = base[m] + handMm * draws[m][n];
    if (luck) volume = 1 + volumeSpread * luck[n];
    for (let k = 0; k < measures.length; k++) if (!measures[k].smooth) have[k] = measures[k].have(drawn);
    for (let w = 0; w < tests.length; w++) {
      const test = tests[w];
      let d = 0;
      while (d < test.length && holdsIn(test[d], n)) d++;
      if (d < test.length) continue;
      fits++;
      // What fits one draw fits most: it is asked sooner next time.
      if (w) [tests[w - 1], tests[w]] = [tests[w], tests[w - 1]];
      break;
    }
  }
  return fits / DRAWS;
}
