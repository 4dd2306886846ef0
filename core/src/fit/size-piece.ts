import type { Piece, SheetSize } from '../forms/form';
import { RULERS } from '../measure/ruler';
import type { Fitting, Structure } from './fitting';
import { byTightness, type Fit } from './needs';
import type { SizedPiece, SizeOptions, Tried } from './size-options';
import { modelSums } from './size-sums';
import { chanceOf } from './chance';
import { type Attempt, bestOn, better } from './sizing/attempt';
import { areaOf, type Asking, type Judged, type Search, takes, type Work } from './sizing/search';
import { drawnBy, judgedBy } from './sizing/judge';
import { searchesFor } from './sizing/searches';
import { withMarks } from './mark-misses';
import { LARGEST_MM, smallestOblong, smallestSquare } from './sizing/smallest';
import { paramsAt } from './ways';

/** An attempt and the way that it was made. */
interface Best {
  readonly search: Search;
  readonly attempt: Attempt;
}

/** Sheets one mark smaller on either side, as far as the piece takes them. */
function oneLess({ piece, options: { ruler } }: Search, { widthMm, heightMm }: SheetSize): readonly SheetSize[] {
  const { stepMm } = RULERS[ruler];
  const beside =
    piece.sheetShape === 'square'
      ? [{ widthMm: widthMm - stepMm, heightMm: heightMm - stepMm }]
      : [
          { widthMm: widthMm - stepMm, heightMm },
          { widthMm, heightMm: heightMm - stepMm },
        ];
  return beside.filter((sheet) => takes(piece, sheet));
}

/** The largest sheet of a piece that is searched. */
function largestSheet({ sheetShape }: Piece): SheetSize {
  const ratio = sheetShape === 'square' ? 1 : sheetShape.longPerShort[0];
  return { widthMm: LARGEST_MM, heightMm: LARGEST_MM / ratio };
}

const triedAt = (sheet: SheetSize, attempt: Attempt | null): Tried => {
  if (!attempt) return { sheet, lengths: [], misses: null, chance: null };
  const [{ name, have, need, unit }] = byTightness(attempt.fit);
  return { sheet, lengths: attempt.point.lengths, misses: { name, have, need, unit }, chance: attempt.chance };
};

/** How often an attempt fits by a hand of which nothing is known; null where nothing is known of this one either. */
function* chanceOfUsual({ fitting, options, answering }: Search, attempt: Attempt): Work<number | null> {
  if (!options.knows) return null;
  const { offsets } = yield* fitting.missesAt(attempt.found, attempt.point.lengths);
  return chanceOf(fitting, answering, attempt.room, offsets, luckIn(fitting, options, attempt));
}

const luckIn = (fitting: Fitting, { handMm }: SizeOptions, { room: { room } }: Attempt) => ({
  ...{ handMm, volumeSpread: fitting.volumeSpread(room) },
});

/** An answer as it is told: everything measured on the structure that was folded for it. */
function* told(search: Search, attempt: Attempt, tried: readonly Tried[]): Work<SizedPiece> {
  const { fitting, piece, way, options } = search;
  const { found, point, sizes, fit, chance } = attempt;
  const { sheet, lengths } = point;
  const { stepMm } = RULERS[options.ruler];
  const more = { widthMm: sheet.widthMm + stepMm, heightMm: sheet.heightMm + stepMm };
  const larger = chance === null || !takes(piece, more) ? null : yield* bestOn(search, more);
  const failed = tried.find(({ misses }) => misses !== null)?.misses;
  const tight = byTightness(fit).map(({ name }) => name);
  const decided = failed?.name ?? tight[0];
  return {
    ...{ way, sheet, lengths, fit, chance, tried },
    chanceUsual: chance === null ? null : yield* chanceOfUsual(search, attempt),
    params: paramsAt(way, lengths),
    room: sizes.rooms[0],
    outer: sizes.outer,
    sums: modelSums(fitting, way, found.structure.model, point, sizes),
    decided:
      tried.length || piece.leastSheetMm < Math.min(sheet.widthMm, sheet.heightMm) - stepMm
        ? { kind: 'need', name: decided }
        : { kind: 'fingers' },
    next: tight.find((name) => name !== decided) ?? null,
    chanceOneMore: larger?.chance ?? null,
    layers: sizes.layers,
    steps: found.folded.steps,
  };
}

/** Why no sheet does: which two demands are against each other, if two are. */
export interface Against {
  readonly demands: readonly string[];
}

/**
 * The smallest sheet, at marks of the ruler, and the best lengths with which a piece does what is asked: folded there, and one
 * mark smaller on either side, where it does not do. Yields often, so that the caller can stop.
 * @param given parameters that are settled
 * @returns null when the piece's kind of room does not answer; the demands that stand against it when no sheet does
 */
export function* sizing(
  fitting: Fitting,
  piece: Piece,
  asking: Asking,
  options: SizeOptions,
  given: Readonly<Record<string, unknown>> = {},
): Work<SizedPiece | Against | null> {
  const searches = yield* searchesFor(fitting, piece, asking, options, given);
  if (!searches.length) return null;
  const smallest = piece.sheetShape === 'square' ? smallestSquare : smallestOblong;
  let best: Best | null = null;
  for (const search of searches) {
    const attempt: Attempt | null = yield* smallest(
      search,
      piece.leastSheetMm,
      best ? areaOf(best.attempt.point.sheet) : Infinity,
    );
    if (attempt) best = { search, attempt };
  }
  if (!best) return yield* against(searches, piece);
  // Misses were judged by those of other proportions: judged by those of what was found, a smaller sheet may do.
  for (let again = options.confidence === null ? 0 : MOST_AGAIN; again > 0; again--) {
    const search: Search = yield* judgedAnew(best);
    const attempt: Attempt | null = yield* smallest(search, piece.leastSheetMm, areaOf(best.attempt.point.sheet));
    if (!attempt) break;
    best = { search, attempt };
  }
  // What was proposed may have a smaller neighbour that nobody proposed: each is folded.
  for (;;) {
    const tried: Tried[] = [];
    let smaller: Best | null = null;
    for (const sheet of oneLess(best.search, best.attempt.point.sheet)) {
      let least: Attempt | null = null;
      for (const one of searches) {
        // Of ways that are not predicted to fit there, the one that was told is folded all the same.
        const isOwn: boolean = one.way === best.search.way;
        const search: Search = isOwn ? best.search : one;
        const attempt: Attempt | null = yield* bestOn(search, sheet, isOwn);
        if (attempt?.does) {
          smaller = { search, attempt };
          break;
        }
        if (attempt && better(attempt, least)) least = attempt;
      }
      if (smaller) break;
      tried.push(triedAt(sheet, least));
    }
    if (!smaller) return yield* told(best.search, best.attempt, tried);
    best = smaller;
  }
}

/** How often a search is made again with misses judged by those of what it found. */
const MOST_AGAIN = 3;

/** The search that found an attempt, all its structures judged by the misses of that attempt. */
function* judgedAnew({ search, attempt }: Best): Work<Search> {
  const missed = yield* search.fitting.missesAt(attempt.found, attempt.point.lengths);
  const judged = judgedBy(search, missed, attempt.room);
  const like: Search = { ...search, judged: new Map([[attempt.found.structure, judged]]) };
  return { ...search, judged: new Map<Structure, Judged>(), like };
}

const twoTightest = (fit: Fit): readonly string[] =>
  byTightness(fit)
    .slice(0, 2)
    .map(({ name }) => name);

function* against(searches: readonly Search[], piece: Piece): Work<Against> {
  let closest: Fit | null = null;
  for (const search of searches) {
    const exact: Search = { ...search, options: { ...search.options, confidence: null } };
    const attempt = yield* bestOn(exact, largestSheet(piece), true);
    if (attempt && (!closest || attempt.fit.leastShare > closest.leastShare)) closest = attempt.fit;
  }
  return { demands: closest ? twoTightest(closest) : [] };
}

/** A piece on a sheet that is at hand, held against what is asked. */
export interface OnSheet {
  readonly piece: SizedPiece;
  /** Whether it does all that is asked, as surely as is asked. */
  readonly does: boolean;
}

/**
 * The best that a piece does on a sheet that is at hand, whether that is enough or not: what is not given of its ways and
 * lengths is sought, the sheet is as it is.
 * @returns null when the piece does not take the sheet or cannot be folded so, or its kind of room does not answer
 */
export function* sizingOn(
  fitting: Fitting,
  piece: Piece,
  asking: Asking,
  options: SizeOptions,
  sheet: SheetSize,
  given: Readonly<Record<string, unknown>> = {},
): Work<OnSheet | null> {
  const searches = yield* searchesFor(fitting, piece, asking, options, given);
  if (!searches.length || !takes(piece, sheet)) return null;
  let best: Best | null = null;
  for (const search of searches) {
    const attempt: Attempt | null = yield* bestOn(search, sheet, true);
    if (attempt && better(attempt, best?.attempt ?? null)) best = { search, attempt };
  }
  if (!best) return null;
  const attempt = yield* marked(best);
  const found = yield* told(best.search, attempt, []);
  return { piece: { ...found, decided: { kind: 'chosen' } }, does: attempt.does };
}

/** The attempt with its marks found as was chosen. */
function* marked({ search, attempt }: Best): Work<Attempt> {
  const { fitting, answering, options } = search;
  const { marks, handMm, confidence } = options;
  if (!marks?.length || confidence === null || attempt.chance === null) return attempt;
  const { offsets } = yield* fitting.missesAt(attempt.found, attempt.point.lengths);
  const offs = withMarks(fitting, drawnBy(search, offsets, attempt.room), attempt.found.folded, marks, handMm);
  const chance = chanceOf(fitting, answering, attempt.room, offs, luckIn(fitting, options, attempt));
  return { ...attempt, chance, does: chance >= confidence };
}

/**
 * How often a piece does what is asked when it is folded from a sheet that is at hand, with its best lengths there and by the
 * hand that misses.
 * @returns null when it cannot be folded from that sheet, or its kind of room does not answer
 */
export function* chanceOn(
  fitting: Fitting,
  piece: Piece,
  asking: Asking,
  options: SizeOptions,
  sheet: SheetSize,
): Work<number | null> {
  const searches = takes(piece, sheet) ? yield* searchesFor(fitting, piece, asking, options) : [];
  let most: number | null = null;
  for (const search of searches) {
    const attempt: Attempt | null = yield* bestOn(search, sheet, true);
    if (!attempt) continue;
    const { offsets } = yield* fitting.missesAt(attempt.found, attempt.point.lengths);
    const luck = luckIn(fitting, options, attempt);
    most = Math.max(
      most ?? 0,
      chanceOf(fitting, search.answering, attempt.room, drawnBy(search, offsets, attempt.room), luck),
    );
  }
  return most;
}
