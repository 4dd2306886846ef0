import type { RoomAsked } from '../../purpose/demand';
import { slopesOf, spareSpread } from '../chance';
import type { Missed, Structure } from '../fitting';
import { FITS, leastShare } from '../needs';
import { normalQuantile } from '../normal';
import { sizeAt } from '../size-model';
import type { SizeOptions } from '../size-options';
import type { SizePoint } from '../ways';
import type { Judged, Search, Work } from './search';

/** The room that a structure is predicted to have at a point, by how its sizes run: its own, filled in anew each time. */
function predictedRoom({ fitting }: Search, { model, room, filled }: Structure, point: SizePoint): RoomAsked {
  if (model) for (const r of model.inside) filled[model.names[r]] = sizeAt(model, r, point);
  return fitting.asking(room, point.sheet);
}

/** How far the demands on a room spread, by what misses do to it. */
export function judgedBy({ answering }: Search, { misses, offsets }: Missed, room: RoomAsked): Judged {
  return {
    offsets,
    spreads: answering.map(({ demands }) =>
      demands.map((demand) => spareSpread(slopesOf(demand, room, offsets.names), misses, offsets.names)),
    ),
  };
}

/** What is known of misses from the way that this one is like. */
const likelyOf = ({ like }: Search): Judged | undefined => like?.judged.values().next().value;

/** Learns what it takes to judge a structure's chances. */
export function* judging(search: Search, structure: Structure): Work<Judged> {
  let judged = search.judged.get(structure);
  if (judged) return judged;
  const likely = likelyOf(search);
  if (likely) return likely;
  const { folded, lengths } = structure;
  const missed = yield* search.fitting.missesAt({ structure, folded }, lengths);
  const point: SizePoint = { sheet: folded.size, lengths, thicknessMm: 0 };
  judged = judgedBy(search, missed, predictedRoom(search, structure, point));
  search.judged.set(structure, judged);
  return judged;
}

/**
 * How well a structure is predicted to fit at a point: for an exact hand the least that is left over, as a share; for one that
 * misses, by how many standard deviations the tightest demand is met. At or above `threshold` it may do.
 */
export function score(search: Search, structure: Structure, point: SizePoint): number {
  const { answering, options, judged } = search;
  const room = predictedRoom(search, structure, point);
  const spreads = options.confidence === null ? null : (judged.get(structure) ?? likelyOf(search))?.spreads;
  let best = -Infinity;
  for (let w = 0; w < answering.length; w++) {
    const { demands } = answering[w];
    if (!spreads) {
      best = Math.max(best, leastShare(demands, room));
      continue;
    }
    let least = MOST_SURE;
    for (let d = 0; d < demands.length; d++) {
      const need = demands[d].need(room);
      const spare = demands[d].have(room) - need;
      const sd = spreads[w][d] * options.handMm;
      // A demand that no miss touches is met or not.
      least = Math.min(least, sd > 1e-9 ? spare / sd : spare >= FITS * Math.abs(need) ? MOST_SURE : -MOST_SURE);
    }
    if (least > best) best = least;
  }
  return best;
}

/** More standard deviations than any hand needs. */
const MOST_SURE = 40;

export const threshold = ({ confidence }: SizeOptions): number =>
  // All demands together are met no more often than the tightest one.
  confidence === null ? FITS : normalQuantile(confidence) - 0.03;
