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
}

/** Draws of all misses at once, as they add up in each measure of the room. */
export function offsetsOf(fitting: Pick<Fitting, 'luckOf'>, { names, rows }: Misses): Offsets {
  const inside = names.flatMap((name, r) => (name.startsWith('outer ') ? [] : [r]));
  return {
    names: inside.map((r) => names[r]),
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
  const tests = ways.map(({ demands }) =>
    demands.map((demand) =>
      demand.smooth ? { demand, spare: spare(demand, asked), slopes: slopesOf(demand, asked, names) } : { demand },
    ),
  );
  let fits = 0;
  for (let n = 0; n < DRAWS; n++) {
    for (let m = 0; m < base.length; m++) drawnSizes[names[m]] = base[m] + handMm * draws[m][n];
    if (luck) volume = 1 + volumeSpread * luck[n];
    const holds = tests.some((way) =>
      way.every(({ demand, spare: left, slopes }) => {
        if (slopes) {
          let now = left;
          for (let m = 0; m < base.length; m++) now += slopes[m] * handMm * draws[m][n];
          return now >= FITS * Math.abs(left);
        }
        const need = demand.need(drawn);
        return demand.have(drawn) - need >= FITS * Math.abs(need);
      }),
    );
    if (holds) fits++;
  }
  return fits / DRAWS;
}
