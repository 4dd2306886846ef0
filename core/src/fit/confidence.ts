import { measure, measureMissed } from '../forms/folded';
import type { FormSizes } from '../forms/form';
import { seededNormal } from '../measure/seeded-random';
import type { RoomAsked } from '../purpose/demand';
import { atOnce } from '../purpose/prepare';
import { slopesOf } from './chance';
import type { Fitting, Found } from './fitting';
import { fitOf, FITS, leastShare } from './needs';
import { leanDrawn } from './learned-hand';
import { within } from './outer-limits';
import type { Prepared } from '../purpose/prepare';
import { flattened } from './size-model';
import { knownIn, optionsFor, type SizedForm, type SizeOptions } from './size-options';

/** How far one size comes out, over all replays. */
export interface SizeSpread {
  readonly name: string;
  readonly meanMm: number;
  /** One standard deviation. */
  readonly sdMm: number;
}

/** A fold that the hand lines up, and how much of the doubt about the tightest need is due to it, as a share. */
export interface Blame {
  readonly fold: string;
  readonly share: number;
}

/** What replays by a hand that misses have shown so far. */
export interface Confidence {
  readonly replays: number;
  /** How many of them fit. */
  readonly fits: number;
  /** Standard error of the share that fits. */
  readonly error: number;
  readonly spreads: readonly SizeSpread[];
}

/** How many folds go between two reports. */
const SLICE = 100;

/** Sizes of the first room as a hand leans in them. */
function leaned({ rooms: [first, ...rest], ...sizes }: FormSizes, offMm: Readonly<Record<string, number>>): FormSizes {
  const moved = Object.entries(first.sizes).map(([name, mm]) => [name, mm + (offMm[name] ?? 0)] as const);
  return { ...sizes, rooms: [{ ...first, sizes: Object.fromEntries(moved) }, ...rest] };
}

/** The piece of an answer, folded. */
function foundFor(fitting: Fitting, { way, sheet, lengths }: SizedForm): Found {
  const found = fitting.fold(way, { sheet, lengths });
  if (!found) throw new RangeError('An answer that was told can be folded.');
  return found;
}

function roomFor(fitting: Fitting, { folded }: Found, thicknessMm: number): RoomAsked {
  const { rooms, outer } = measure(folded, thicknessMm);
  return fitting.asking(rooms[0], folded.size, outer);
}

/**
 * Folds an answer again and again by a hand that misses its marks, at its own sheet and on its own paper, and counts how often
 * the contents fit. Yields what is known so far; sent `true`, it stops.
 */
export function* replaying(
  fitting: Fitting,
  answer: SizedForm,
  prepared: Prepared,
  options: SizeOptions,
  count: number,
  seed = 1,
): Generator<Confidence, Confidence, boolean> {
  const found = foundFor(fitting, answer);
  const room = roomFor(fitting, found, options.thicknessMm);
  const ways = within(fitting.demands(prepared, room.room.kind), options.most);
  const exact = flattened(measure(found.folded, options.thicknessMm));
  const names = Object.keys(fitting.shelf.roomKind(room.room.kind).names);
  const sums = new Float64Array(names.length);
  const squares = new Float64Array(names.length);
  const volume = seededNormal(seed);
  const known = knownIn(optionsFor(options, answer.formId, answer.key), room.room);
  const leaning = known && leanDrawn(known, atOnce(fitting.missesAt(found, answer.lengths)).offsets, seed + 1);
  let fits = 0;
  const report = (replays: number): Confidence => ({
    replays,
    fits,
    // Laplace's rule keeps it above nothing when all or none fit.
    error: Math.sqrt((((fits + 1) / (replays + 2)) * (1 - (fits + 1) / (replays + 2))) / (replays + 2)),
    spreads: names.map((name, k) => ({
      name,
      meanMm: sums[k] / replays,
      sdMm: Math.sqrt(Math.max(0, squares[k] / replays - (sums[k] / replays) ** 2)),
    })),
  });
  for (let k = 0; k < count; k++) {
    const hand = leaning?.();
    const inexact = { sigmaMm: hand?.missMm ?? options.handMm, seed: seed * 1_000_003 + k };
    const drawn = measureMissed(found.folded, inexact, options.thicknessMm);
    const sizes = hand ? leaned(drawn, hand.offMm) : drawn;
    const missed = flattened(sizes);
    names.forEach((name, i) => {
      const mm = missed[name] - exact[name];
      sums[i] += mm;
      squares[i] += mm * mm;
    });
    const share = 1 + fitting.volumeSpread(room.room) * volume();
    const fit = fitOf(ways, {
      ...room,
      room: sizes.rooms[0],
      outer: sizes.outer,
      mostMl: (own) => {
        const ml = fitting.mostMl(own);
        return ml === null ? null : share * ml;
      },
    });
    if (fit.leastShare >= FITS) fits++;
    if ((k + 1) % SLICE === 0 && k + 1 < count && (yield report(k + 1))) return report(k + 1);
  }
  return report(count);
}

/** Shares below this are not worth a maker's care. */
const LEAST_SHARE = 0.01;

/**
 * Which folds the doubt about the tightest need comes from: each fold's share of its variance, read off what misses of its
 * ends do to the room; largest first. Folds of one name count together.
 */
export function* blame(
  fitting: Fitting,
  answer: SizedForm,
  prepared: Prepared,
  options: SizeOptions,
): Generator<void, readonly Blame[], void> {
  const found = foundFor(fitting, answer);
  const room = roomFor(fitting, found, options.thicknessMm);
  const ways = within(fitting.demands(prepared, room.room.kind), options.most);
  const { misses, offsets } = yield* fitting.missesAt(found, answer.lengths);
  const { names } = offsets;
  const [best] = [...ways].sort((p, q) => leastShare(q.demands, room) - leastShare(p.demands, room));
  const shareOf = (demand: (typeof best.demands)[number]): number => leastShare([demand], room);
  const [tightest] = best ? [...best.demands].sort((p, q) => shareOf(p) - shareOf(q)) : [];
  if (!tightest) return [];
  const slopes = slopesOf(tightest, room, names);
  const rows = names.map((name) => misses.rows[misses.names.indexOf(name)]);
  const variance = new Map<string, number>();
  misses.folds.forEach((fold, k) => {
    let sum = 0;
    for (const end of [0, 1]) {
      const slope = rows.reduce((all, row, m) => all + slopes[m] * row[2 * k + end], 0);
      sum += slope * slope;
    }
    variance.set(fold, (variance.get(fold) ?? 0) + sum);
  });
  const total = [...variance.values()].reduce((a, b) => a + b, 0);
  if (!(total > 0)) return [];
  return [...variance]
    .map(([fold, sum]) => ({ fold, share: sum / total }))
    .sort((p, q) => q.share - p.share)
    .filter(({ share }) => share > LEAST_SHARE);
}
