import { measure } from '../../forms/folded';
import type { FormSizes, SheetSize } from '../../forms/form';
import type { RoomAsked } from '../../purpose/demand';
import { chanceOf } from '../chance';
import type { Found } from '../fitting';
import { type Fit, fitOf, FITS } from '../needs';
import type { SizePoint } from '../ways';
import { drawnBy, judging, threshold } from './judge';
import { bolder, type Proposal, proposals } from './propose';
import type { Search, Work } from './search';

/** Lengths that are folded at one sheet before the next sheet is looked at. */
const MOST_FOLDED = 8;
/** Chances for which more lengths are folded at one sheet. */
const MOST_CHANCES = 3;
/** Misses of a structure judge its neighbours this well, as a share of tries: nearer than this they are worked out anew. */
const JUDGED = 0.03;

/** A piece folded at a sheet and lengths, and held against the purpose. */
export interface Attempt {
  readonly found: Found;
  readonly room: RoomAsked;
  readonly point: SizePoint;
  readonly sizes: FormSizes;
  readonly fit: Fit;
  readonly chance: number | null;
  readonly does: boolean;
}

const luckIn = ({ fitting, options: { handMm } }: Search, { room }: RoomAsked) => ({
  handMm,
  volumeSpread: fitting.volumeSpread(room),
});

/**
 * Folds the piece at a sheet and lengths and holds it against the purpose, its chance as the misses of its structure judge it;
 * null when it cannot be folded so.
 */
function* attempted(search: Search, sheet: SheetSize, lengths: readonly number[]): Work<Attempt | null> {
  const { fitting, way, options, answering } = search;
  const found = yield* fitting.folding(way, { sheet, lengths });
  if (!found) return null;
  const sizes = measure(found.folded, options.thicknessMm);
  const room = fitting.asking(sizes.rooms[0], sheet, sizes.outer);
  const fit = fitOf(answering, room);
  const fits = fit.leastShare >= FITS;
  const attempt = { found, room, sizes, fit, point: { sheet, lengths, thicknessMm: options.thicknessMm } };
  if (options.confidence === null || !fits) return { ...attempt, chance: null, does: fits };
  const { offsets } = yield* judging(search, found.structure);
  const chance = chanceOf(fitting, answering, room, offsets, luckIn(search, room));
  return { ...attempt, chance, does: chance >= options.confidence };
}

/** The same attempt with its chance worked out from misses of the very piece that was folded. */
function* surely(search: Search, attempt: Attempt): Work<Attempt> {
  const { fitting, options, answering } = search;
  if (attempt.chance === null || options.confidence === null) return attempt;
  const { offsets } = yield* fitting.missesAt(attempt.found, attempt.point.lengths);
  const chance = chanceOf(
    fitting,
    answering,
    attempt.room,
    drawnBy(search, offsets, attempt.room),
    luckIn(search, attempt.room),
  );
  return { ...attempt, chance, does: chance >= options.confidence };
}

/** Whether one attempt is better than another: by its chance where one is asked for, else by what it leaves over. */
export function better(a: Attempt, b: Attempt | null): boolean {
  if (!b) return true;
  if (a.does !== b.does) return a.does;
  if (a.chance !== null && b.chance !== null) return a.chance > b.chance;
  if ((a.chance !== null) !== (b.chance !== null)) return a.chance !== null;
  return a.fit.leastShare > b.fit.leastShare;
}

/**
 * The best that a form does on a sheet, folded there.
 * @param always folded even where no structure is predicted to fit
 */
export function* bestOn(search: Search, sheet: SheetSize, always = false): Work<Attempt | null> {
  const { fitting, way, options } = search;
  const least = threshold(options);
  const folded = new Set<string>();
  let attempts: Attempt[] = [];
  for (;;) {
    const known = fitting.structuresOf(way).length;
    const near = yield* proposals(search, sheet);
    const all = [...near, ...bolder(search, sheet)].filter(({ lengths }) => !folded.has(lengths.join()));
    const able = all.filter((one) => one.score >= least);
    const toFold: readonly Proposal[] = able.length || !always || attempts.length ? able : near.slice(0, 1);
    for (const { lengths } of toFold) {
      if (folded.has(lengths.join()) || folded.size >= MOST_FOLDED) continue;
      yield;
      folded.add(lengths.join());
      const attempt: Attempt | null = yield* attempted(search, sheet, lengths);
      if (attempt) attempts.push(attempt);
      if (attempts.filter(({ does }) => does).length >= (options.confidence === null ? 1 : MOST_CHANCES)) break;
    }
    // Folding may have shown a structure that nothing was known of.
    const enough = attempts.some(({ does }) => does) || folded.size >= MOST_FOLDED;
    if (enough || fitting.structuresOf(way).length === known) break;
  }
  if (options.confidence !== null) {
    attempts.sort((p, q) => (q.chance ?? -1) - (p.chance ?? -1));
    for (const [k, attempt] of attempts.entries()) {
      if ((attempt.chance ?? -1) < options.confidence - JUDGED) break;
      attempts[k] = yield* surely(search, attempt);
      if (attempts[k].does) return attempts[k];
    }
    attempts = attempts.map((attempt) => (attempt.does ? { ...attempt, does: false } : attempt));
  }
  return attempts.reduce<Attempt | null>((best, one) => (better(one, best) ? one : best), null);
}
