import type { Form, SheetSize } from '../forms/form';
import { RULERS } from '../measure/ruler';
import type { Purpose } from './contents';
import type { Fitting, Structure } from './fitting';
import type { Fit } from './needs';
import { atOnce, preparing, type Prepared } from './prepare';
import type { SizedForm, SizeOptions, Tried, Unmet } from './size-options';
import { modelSums } from './size-sums';
import { type Attempt, bestOn, better } from './sizing/attempt';
import { areaOf, type Judged, type Search, takes, type Work } from './sizing/search';
import { judgedBy } from './sizing/judge';
import { searchesFor } from './sizing/searches';
import { LARGEST_MM, smallestOblong, smallestSquare } from './sizing/smallest';
import { paramsAt } from './ways';

/** An attempt and the way that it was made. */
interface Best {
  readonly search: Search;
  readonly attempt: Attempt;
}

/** Sheets one mark smaller on either side, as far as the form takes them. */
function oneLess({ form, options: { ruler } }: Search, { widthMm, heightMm }: SheetSize): readonly SheetSize[] {
  const { stepMm } = RULERS[ruler];
  const beside =
    form.sheetShape === 'square'
      ? [{ widthMm: widthMm - stepMm, heightMm: heightMm - stepMm }]
      : [
          { widthMm: widthMm - stepMm, heightMm },
          { widthMm, heightMm: heightMm - stepMm },
        ];
  return beside.filter((sheet) => takes(form, sheet));
}

/** The largest sheet of a form that is searched. */
function largestSheet({ sheetShape }: Form): SheetSize {
  const ratio = sheetShape === 'square' ? 1 : sheetShape.longPerShort[0];
  return { widthMm: LARGEST_MM, heightMm: LARGEST_MM / ratio };
}

const byTightness = (needs: Fit['needs']): Fit['needs'] =>
  [...needs].sort((p, q) => (p.have - p.need) / Math.max(1e-9, p.need) - (q.have - q.need) / Math.max(1e-9, q.need));

const triedAt = (sheet: SheetSize, attempt: Attempt | null): Tried => {
  if (!attempt) return { sheet, lengths: [], misses: null, chance: null };
  const [{ name, have, need, unit }] = byTightness(attempt.fit.needs);
  return { sheet, lengths: attempt.point.lengths, misses: { name, have, need, unit }, chance: attempt.chance };
};

/** An answer as it is told: everything measured on the structure that was folded for it. */
function* told(search: Search, attempt: Attempt, tried: readonly Tried[]): Work<SizedForm> {
  const { form, way, options } = search;
  const { found, point, sizes, fit, chance } = attempt;
  const { sheet, lengths } = point;
  const { stepMm } = RULERS[options.ruler];
  const more = { widthMm: sheet.widthMm + stepMm, heightMm: sheet.heightMm + stepMm };
  const larger = chance === null || !takes(form, more) ? null : yield* bestOn(search, more);
  const failed = tried.find(({ misses }) => misses !== null)?.misses;
  const tight = byTightness(fit.needs).map(({ name }) => name);
  const decided = failed?.name ?? tight[0];
  return {
    formId: form.id,
    ...{ way, sheet, lengths, fit, chance, tried },
    params: paramsAt(way, lengths),
    cavity: sizes.cavity,
    outer: sizes.outer,
    sums: modelSums(way, found.structure.model, found.structure.kind, point, sizes),
    decided:
      tried.length || form.leastSheetMm < Math.min(sheet.widthMm, sheet.heightMm) - stepMm
        ? { kind: 'need', name: decided }
        : { kind: 'fingers' },
    next: tight.find((name) => name !== decided) ?? null,
    chanceOneMore: larger?.chance ?? null,
    layers: sizes.layers,
    steps: found.folded.steps,
  };
}

/**
 * The smallest sheet, at marks of the ruler, and the best lengths with which a form meets a purpose: folded there, and one
 * mark smaller on either side, where it does not do. Yields often, so that the caller can stop.
 * @returns null when the form's kind of room does not answer that kind of purpose; the demands that stand against it when no
 * sheet does
 * @throws RangeError for an unknown form
 */
export function* sizing(
  fitting: Fitting,
  formId: string,
  prepared: Prepared,
  options: SizeOptions,
): Work<SizedForm | Unmet | null> {
  const searches = yield* searchesFor(fitting, formId, prepared, options);
  if (!searches.length) return null;
  const { form } = searches[0];
  const smallest = form.sheetShape === 'square' ? smallestSquare : smallestOblong;
  let best: Best | null = null;
  for (const search of searches) {
    const attempt: Attempt | null = yield* smallest(
      search,
      form.leastSheetMm,
      best ? areaOf(best.attempt.point.sheet) : Infinity,
    );
    if (attempt) best = { search, attempt };
  }
  if (!best) return yield* unmet(searches, form);
  // Misses were judged by those of other proportions: judged by those of what was found, a smaller sheet may do.
  for (let again = options.confidence === null ? 0 : MOST_AGAIN; again > 0; again--) {
    const search: Search = yield* judgedAnew(best);
    const attempt: Attempt | null = yield* smallest(search, form.leastSheetMm, areaOf(best.attempt.point.sheet));
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
        // Of ways that are not reckoned to do there, the one that was told is folded all the same.
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

function* unmet(searches: readonly Search[], form: Form): Work<Unmet> {
  let closest: Fit | null = null;
  for (const search of searches) {
    const exact: Search = { ...search, options: { ...search.options, confidence: null } };
    const attempt = yield* bestOn(exact, largestSheet(form), true);
    if (attempt && (!closest || attempt.fit.leastShare > closest.leastShare)) closest = attempt.fit;
  }
  const against = [...(closest?.needs ?? [])].sort((p, q) => p.have / p.need - q.have / q.need);
  return { formId: form.id, demands: against.slice(0, 2).map(({ name }) => name) };
}

/**
 * The best that a form does on a sheet that is at hand: its ways and lengths are sought, the sheet is as it is.
 * @returns null when the form does not take the sheet, or its kind of room does not answer
 */
export function* sizingOn(
  fitting: Fitting,
  formId: string,
  prepared: Prepared,
  options: SizeOptions,
  sheet: SheetSize,
): Work<SizedForm | Unmet | null> {
  const searches = yield* searchesFor(fitting, formId, prepared, options);
  if (!searches.length || !takes(searches[0].form, sheet)) return null;
  let best: Best | null = null;
  for (const search of searches) {
    const attempt: Attempt | null = yield* bestOn(search, sheet, true);
    if (attempt && better(attempt, best?.attempt ?? null)) best = { search, attempt };
  }
  if (best?.attempt.does) return yield* told(best.search, best.attempt, []);
  return {
    formId,
    demands: best
      ? byTightness(best.attempt.fit.needs)
          .slice(0, 2)
          .map(({ name }) => name)
      : [],
  };
}

/** The smallest sheet at once, see `sizing`. */
export function sizeFor(
  fitting: Fitting,
  formId: string,
  purpose: Purpose,
  options: SizeOptions,
): SizedForm | Unmet | null {
  return atOnce(sizing(fitting, formId, atOnce(preparing(purpose, options)), options));
}
