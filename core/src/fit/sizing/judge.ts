import type { RoomAsked } from '../../purpose/demand';
import { type Offsets, slopesKept, spareSpread } from '../chance';
import type { Missed, Structure } from '../fitting';
import { FITS } from '../needs';
import { normalQuantile } from '../normal';
import { sizeAt, type SizeModel } from '../size-model';
import { leansOf, withLean } from '../learned-hand';
import { handInAllMm, knownIn, type SizeOptions } from '../size-options';
import type { SizePoint } from '../ways';
import type { Judged, Search, Work } from './search';

/** The room that a structure is predicted to have at a point, by how its sizes run: its own, filled in anew each time. */
function predictedRoom({ fitting, options }: Search, { model, room, filled }: Structure, point: SizePoint): RoomAsked {
  if (model) for (const r of model.inside) filled[model.names[r]] = sizeAt(model, r, point);
  return fitting.asking(room, point.sheet, options.most && model ? predictedOuter(model, point) : undefined);
}

function predictedOuter(model: SizeModel, point: SizePoint): NonNullable<RoomAsked['outer']> {
  const at = (name: string): number => sizeAt(model, model.names.indexOf(`outer ${name}`), point);
  return { lengthMm: at('lengthMm'), widthMm: at('widthMm'), heightMm: at('heightMm') };
}

/** What misses do to a room, as the hand draws them that is asked for. */
export function drawnBy({ fitting, options }: Search, offsets: Offsets, { room }: RoomAsked): Offsets {
  const lean = knownIn(options, room);
  return lean ? withLean(fitting, offsets, lean, options.handMm) : offsets;
}

/** How far the demands on a room spread, by what misses do to it. */
export function judgedBy(search: Search, { misses, offsets }: Missed, room: RoomAsked): Judged {
  const { answering, options } = search;
  const lean = knownIn(options, room.room);
  const slopesFor = slopesKept(room, offsets.names);
  const known = new Map<Float64Array, number>();
  const spreadOf = (slopes: Float64Array): number => {
    let spread = known.get(slopes);
    if (spread === undefined) known.set(slopes, (spread = spareSpread(slopes, misses, offsets.names)));
    return spread;
  };
  return {
    offsets: drawnBy(search, offsets, room),
    ...(lean && { leans: new Map(offsets.names.map((name, r) => [name, leansOf(lean, offsets)[r]])) }),
    spreads: answering.map(({ demands }) => demands.map((demand) => spreadOf(slopesFor(demand)))),
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
  const { table, options, judged } = search;
  const room = predictedRoom(search, structure, point);
  const known = options.confidence === null ? null : (judged.get(structure) ?? likelyOf(search));
  if (!known) return table.bestShare(room);
  // It is judged as the hand folds it: leaning to its side.
  for (const [name, mm] of known.leans ?? []) structure.filled[name] += mm;
  return table.bestSureness(room, known.spreads, handInAllMm(options), MOST_SURE);
}

/** More standard deviations than any hand needs. */
const MOST_SURE = 40;

export const threshold = ({ confidence }: SizeOptions): number =>
  // All demands together are met no more often than the tightest one.
  confidence === null ? FITS : normalQuantile(confidence) - 0.03;
