import { FORMS } from '../forms/all-forms';
import type { Cavity, Form, FormSizes, SheetSize } from '../forms/form';
import { measure } from '../forms/folded';
import { atRulerStep, type RulerId, rulerStepsFor, RULERS } from '../measure/ruler';
import { chanceOf, type Offsets, slopesOf, spareSpread } from './chance';
import type { Purpose } from './contents';
import type { Room, WayToFit } from './demands';
import type { Fitting, Found, Structure } from './fitting';
import { type Fit, fitOf, FITS, leastShare } from './needs';
import { normalQuantile } from './normal';
import { atOnce, type FitOptions, preparing, type Prepared } from './prepare';
import { sizeAt, sizesKey } from './size-model';
import { modelSums, type SizeSum } from './size-sums';
import { type Marks, marksOf, paramsAt, type SizePoint, type Way, waysOf } from './ways';

export interface SizeOptions extends FitOptions {
  readonly ruler: RulerId;
  /** Thickness of one layer of the paper, in mm. */
  readonly thicknessMm: number;
  /** How often it should fit when a hand misses its marks; null for a hand that misses nothing. */
  readonly confidence: number | null;
  /** By how much the hand misses, one standard deviation in mm. */
  readonly handMm: number;
}

/** What decided the sheet: a need, or the smallest that fingers manage. */
export type DecidedBy = { readonly kind: 'need'; readonly name: string } | { readonly kind: 'fingers' };

/** A sheet one mark smaller that was folded too, with its best lengths, and does not do. */
export interface Tried {
  readonly sheet: SheetSize;
  readonly lengths: readonly number[];
  /** The need that it misses most, or null where no lengths can be folded there at all. */
  readonly misses: {
    readonly name: string;
    readonly have: number;
    readonly need: number;
    readonly unit: 'mm' | 'g' | 'ml';
  } | null;
  /** How often it fits, where it does for an exact hand. */
  readonly chance: number | null;
}

/** A form at the smallest sheet that meets a purpose: folded so, with all sizes measured on it. */
export interface SizedForm {
  readonly formId: string;
  readonly way: Way;
  readonly sheet: SheetSize;
  /** Parameters to make it with. */
  readonly params: Readonly<Record<string, unknown>>;
  readonly lengths: readonly number[];
  readonly cavity: Cavity;
  readonly outer: FormSizes['outer'];
  /** What room and outside come from. */
  readonly sums: readonly SizeSum[];
  readonly fit: Fit;
  readonly decided: DecidedBy;
  /** The need that comes next. */
  readonly next: string | null;
  /** How often it fits when the hand misses its marks, or null when no confidence was asked for. */
  readonly chance: number | null;
  /** The same with the sheet one mark of the ruler larger. */
  readonly chanceOneMore: number | null;
  /** Sheets one mark smaller on either side: none of them does. */
  readonly tried: readonly Tried[];
  readonly layers: FormSizes['layers'];
  readonly steps: number;
}

/** Why no sheet does: which two demands are against each other, if two are. */
export interface Unmet {
  readonly formId: string;
  readonly demands: readonly string[];
}

/** Largest side of a sheet that is searched, in mm. */
const LARGEST_MM = 5000;
/** Lengths that are folded at one sheet before the next sheet is looked at. */
const MOST_FOLDED = 8;
/** Chances for which more lengths are folded at one sheet. */
const MOST_CHANCES = 3;
/** Misses of a structure judge its neighbours this well, as a share of tries: nearer than this they are worked out anew. */
const JUDGED = 0.03;
/** So many marks below the first sheet that does are looked at: what does is not a larger sheet each time. */
const MARKS_DOWN = 6;
/** So many marks above the first sheet that may do are folded. */
const MARKS_UP = 60;

/** One way to make a form, held against a purpose. */
interface Search {
  readonly fitting: Fitting;
  readonly way: Way;
  readonly form: Form;
  readonly prepared: Prepared;
  readonly options: SizeOptions;
  readonly answering: readonly WayToFit[];
  readonly judged: Map<Structure, Judged>;
  /** A way with the same lengths and other choices, whose misses judge this one until it is folded. */
  readonly like: Search | null;
}

/** What is needed to judge points of a structure without folding them. */
interface Judged {
  /** For each way to fit and each demand: standard deviation in mm for a hand that misses by 1 mm. */
  readonly spreads: readonly (readonly number[])[];
  readonly offsets: Offsets;
}

/** A form folded at a sheet and lengths, and held against the purpose. */
interface Attempt {
  readonly found: Found;
  readonly room: Room;
  readonly point: SizePoint;
  readonly sizes: FormSizes;
  readonly fit: Fit;
  readonly chance: number | null;
  readonly does: boolean;
}

/** An attempt and the way that it was made. */
interface Best {
  readonly search: Search;
  readonly attempt: Attempt;
}

type Work<T> = Generator<void, T, void>;

const areaOf = ({ widthMm, heightMm }: SheetSize): number => widthMm * heightMm;

const roomOf = ({ fitting }: Search, cavity: Cavity, sheet: SheetSize): Room => ({
  cavity,
  sheetAreaMm2: areaOf(sheet),
  pouchMl: fitting.pouchMl,
});

/** The room that a structure is reckoned to have at a point, by how its sizes run: its own, filled in anew each time. */
function cavityAt({ model, cavity }: Structure, point: SizePoint): Cavity {
  if (model) {
    const filled = cavity as unknown as Record<string, number>;
    for (const r of model.inside) filled[model.names[r]] = sizeAt(model, r, point);
  }
  return cavity;
}

/** What is known of misses from the way that this one is like. */
const likelyOf = ({ like }: Search): Judged | undefined => like?.judged.values().next().value;

/** Learns what it takes to judge a structure's chances. */
function* judging(search: Search, structure: Structure): Work<Judged> {
  let judged = search.judged.get(structure);
  if (judged) return judged;
  const likely = likelyOf(search);
  if (likely) return likely;
  const { folded, lengths } = structure;
  const { misses, offsets } = yield* search.fitting.missesAt({ structure, folded }, lengths);
  const point: SizePoint = { sheet: folded.size, lengths, thicknessMm: 0 };
  const room = roomOf(search, cavityAt(structure, point), folded.size);
  judged = {
    offsets,
    spreads: search.answering.map(({ demands }) =>
      demands.map((demand) => spareSpread(slopesOf(demand, room, offsets.names), misses, offsets.names)),
    ),
  };
  search.judged.set(structure, judged);
  return judged;
}

/**
 * How well a structure is reckoned to do at a point: for an exact hand the least that is left over, as a share; for one that
 * misses, by how many standard deviations the tightest demand is met. At or above `threshold` it may do.
 */
function score(search: Search, structure: Structure, point: SizePoint): number {
  const { answering, options, judged } = search;
  const room = roomOf(search, cavityAt(structure, point), point.sheet);
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

const threshold = ({ confidence }: SizeOptions): number =>
  // All demands together are met no more often than the tightest one.
  confidence === null ? FITS : normalQuantile(confidence) - 0.03;

const GRID = 12;
const SPREADS = [1, 0.25, 0.06, 0.015] as const;
const PROPOSED = 4;

/** Lengths for a sheet, and how well they are reckoned to do. */
interface Proposal {
  readonly lengths: readonly number[];
  readonly score: number;
}

/**
 * The lengths, at marks of the ruler, that are reckoned to do best on a sheet; best first.
 * @param structureAt which structure's sizes are taken at a point
 */
function proposed(
  search: Search,
  sheet: SheetSize,
  structureAt: (point: SizePoint) => Structure | null,
): readonly Proposal[] {
  const { way, options } = search;
  const { thicknessMm, ruler } = options;
  let best: Proposal[] = [];
  const seen = new Set<string>();
  const offer = (lengths: readonly number[]): void => {
    const key = lengths.join();
    if (seen.has(key)) return;
    seen.add(key);
    const point: SizePoint = { sheet, lengths, thicknessMm };
    const structure = structureAt(point);
    const one = { lengths, score: structure ? score(search, structure, point) : -Infinity };
    if (best.length === PROPOSED && one.score <= best[PROPOSED - 1].score) return;
    best = [...best, one].sort((p, q) => q.score - p.score).slice(0, PROPOSED);
  };
  // Coarse marks first, then finer ones round the best so far: what is left over is a concave function of the lengths.
  const walk = (lengths: readonly number[], spread: number): void => {
    const k = lengths.length;
    if (k === way.lengths.length) {
      offer(lengths);
      return;
    }
    const { from: low, to: high, stepMm }: Marks = marksOf(way, sheet, lengths, ruler);
    const around = best[0]?.lengths[k];
    const half = (spread * (high - low)) / 2;
    const [from, to] =
      around === undefined
        ? [low, high]
        : [Math.max(low, Math.floor(around / stepMm - half)), Math.min(high, Math.ceil(around / stepMm + half))];
    const by = Math.max(1, Math.ceil((to - from) / GRID));
    for (let step = from; step <= to; step += by) walk([...lengths, step * stepMm], spread);
    if (to >= from && (to - from) % by) walk([...lengths, to * stepMm], spread);
  };
  for (const spread of way.lengths.length ? SPREADS : [1]) walk([], spread);
  return best;
}

/** What is proposed for a sheet by the structures that were found to hold nearest. */
function* proposals(search: Search, sheet: SheetSize): Work<readonly Proposal[]> {
  const { fitting, way, options } = search;
  const structures = fitting.structuresOf(way);
  if (options.confidence !== null) for (const structure of structures) yield* judging(search, structure);
  return proposed(search, sheet, (point) => {
    const near = structures.length > 1 ? fitting.nearest(way, point) : structures[0];
    return near?.model ? near : null;
  });
}

/** What each structure would propose if it held everywhere: where the layers jump, the nearest one known may be another. */
function bolder(search: Search, sheet: SheetSize): readonly Proposal[] {
  const alike = new Map<string, Structure>();
  for (const structure of search.fitting.structuresOf(search.way)) {
    const key = structure.model && sizesKey(structure.model);
    if (key && !alike.has(key)) alike.set(key, structure);
  }
  if (alike.size < 2) return [];
  return [...alike.values()]
    .flatMap((structure) => proposed(search, sheet, () => structure).slice(0, 2))
    .sort((p, q) => q.score - p.score);
}

/** The best that a form is reckoned to do on a sheet. */
function* reckoned(search: Search, sheet: SheetSize): Work<number> {
  return (yield* proposals(search, sheet))[0]?.score ?? -Infinity;
}

/**
 * Folds the form at a sheet and lengths and holds it against the purpose, its chance as the misses of its structure judge it;
 * null when it cannot be folded so.
 */
function* attempted(search: Search, sheet: SheetSize, lengths: readonly number[]): Work<Attempt | null> {
  const { fitting, way, options, prepared, answering } = search;
  const found = yield* fitting.folding(way, { sheet, lengths });
  if (!found) return null;
  const sizes = measure(found.folded, options.thicknessMm);
  const room = roomOf(search, sizes.cavity, sheet);
  const fit = fitOf(prepared, room)!;
  const fits = fit.leastShare >= FITS;
  const attempt = { found, room, sizes, fit, point: { sheet, lengths, thicknessMm: options.thicknessMm } };
  if (options.confidence === null || !fits) return { ...attempt, chance: null, does: fits };
  const { offsets } = yield* judging(search, found.structure);
  const chance = chanceOf(fitting, answering, room, offsets, options.handMm);
  return { ...attempt, chance, does: chance >= options.confidence };
}

/** The same attempt with its chance worked out from misses of the very piece that was folded. */
function* surely(search: Search, attempt: Attempt): Work<Attempt> {
  const { fitting, options, answering } = search;
  if (attempt.chance === null || options.confidence === null) return attempt;
  const { offsets } = yield* fitting.missesAt(attempt.found, attempt.point.lengths);
  const chance = chanceOf(fitting, answering, attempt.room, offsets, options.handMm);
  return { ...attempt, chance, does: chance >= options.confidence };
}

/** Whether one attempt is better than another: by its chance where one is asked for, else by what it leaves over. */
function better(a: Attempt, b: Attempt | null): boolean {
  if (!b) return true;
  if (a.does !== b.does) return a.does;
  if (a.chance !== null && b.chance !== null) return a.chance > b.chance;
  if ((a.chance !== null) !== (b.chance !== null)) return a.chance !== null;
  return a.fit.leastShare > b.fit.leastShare;
}

/**
 * The best that a form does on a sheet, folded there.
 * @param always folded even where no structure is reckoned to do
 */
function* bestOn(search: Search, sheet: SheetSize, always = false): Work<Attempt | null> {
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

/** The first of the steps from low to high that does, when all larger ones do too; null when none does. */
function* firstStep(low: number, high: number, does: (steps: number) => Work<boolean>): Work<number | null> {
  if (yield* does(low)) return low;
  let fails = low;
  let fits = low;
  // Outwards in growing steps, then halving what is left between.
  for (let by = 1; ; by *= 2) {
    fits = Math.min(high, fails + by);
    if (yield* does(fits)) break;
    if (fits === high) return null;
    fails = fits;
  }
  while (fits - fails > 1) {
    const mid = (fits + fails) >> 1;
    if (yield* does(mid)) fits = mid;
    else fails = mid;
  }
  return fits;
}

/** Of marks at which a form is reckoned to do, the first. */
function* firstReckoned(
  search: Search,
  low: number,
  high: number,
  sheetAt: (steps: number) => SheetSize,
): Work<number | null> {
  const least = threshold(search.options);
  return yield* firstStep(low, high, function* (steps: number): Work<boolean> {
    yield;
    return (yield* reckoned(search, sheetAt(steps))) >= least;
  });
}

/** The smallest square that does, folded; areas from `limit` on are left out. */
function* smallestSquare(search: Search, fromMm: number, limit: number): Work<Attempt | null> {
  const { ruler } = search.options;
  const sheetAt = (steps: number): SheetSize => {
    const mm = atRulerStep(steps, ruler);
    return { widthMm: mm, heightMm: mm };
  };
  const low = rulerStepsFor(fromMm, ruler);
  const high = Math.floor(LARGEST_MM / RULERS[ruler].stepMm);
  const first = yield* firstReckoned(search, low, high, sheetAt);
  if (first === null) return null;
  // What does is not a larger sheet each time, where lengths lie at marks and layers jump.
  const down = search.way.lengths.length ? MARKS_DOWN : 0;
  for (let steps = Math.max(low, first - down); steps <= Math.min(high, first + MARKS_UP); steps++) {
    if (areaOf(sheetAt(steps)) >= limit) return null;
    const best = yield* bestOn(search, sheetAt(steps));
    if (best?.does) return best;
  }
  return null;
}

const OBLONG_TRIES = 30;
const MOST_OBLONGS = 80;

/** Least and most of the longer side, in marks, that go with a shorter one. */
function longMarks({ form, options: { ruler } }: Search, heightMm: number): readonly [number, number] {
  if (form.sheetShape === 'square') return [0, -1];
  const [least, most] = form.sheetShape.longPerShort;
  return [rulerStepsFor(least * heightMm, ruler), Math.floor((most * heightMm) / RULERS[ruler].stepMm + 1e-9)];
}

/** The oblong sheet of least area that does, folded. */
function* smallestOblong(search: Search, fromMm: number, limit: number): Work<Attempt | null> {
  const { form, options } = search;
  if (form.sheetShape === 'square') return null;
  const { ruler } = options;
  const [ratio] = form.sheetShape.longPerShort;
  const mmOf = (steps: number): number => atRulerStep(steps, ruler);
  /** For a shorter side, the least longer one that is reckoned to do. */
  const known = new Map<number, number | null>();
  const shortest = function* (short: number): Work<number | null> {
    let long = known.get(short);
    if (long !== undefined) return long;
    const heightMm = mmOf(short);
    const [low, high] = longMarks(search, heightMm);
    const at = (steps: number): SheetSize => ({ widthMm: mmOf(steps), heightMm });
    long = high < low ? null : yield* firstReckoned(search, low, high, at);
    known.set(short, long);
    return long;
  };
  const fits = function* (short: number): Work<boolean> {
    return (yield* shortest(short)) !== null;
  };
  const first = yield* firstStep(rulerStepsFor(fromMm, ruler), Math.floor(LARGEST_MM / RULERS[ruler].stepMm), fits);
  if (first === null) return null;
  const area = (short: number): number => {
    const long = known.get(short);
    return long ? mmOf(short) * mmOf(long) : Infinity;
  };
  // Coarsely over ever longer short sides, then every mark round the best.
  let best = first;
  const by = Math.max(1, Math.ceil((0.25 * first) / OBLONG_TRIES));
  for (let k = first + by; mmOf(k) ** 2 * ratio < area(best); k += by) {
    yield* shortest(k);
    if (area(k) < area(best)) best = k;
  }
  const round = Math.max(by, MARKS_DOWN);
  for (let k = Math.max(rulerStepsFor(fromMm, ruler), best - round); k <= best + round; k++) yield* shortest(k);
  const open = [...known].flatMap(([short, long]) => (long === null ? [] : [{ short, long }]));
  const sizeOf = ({ short, long }: { short: number; long: number }): number => mmOf(short) * mmOf(long);
  for (let tries = 0; open.length && tries < MOST_OBLONGS; tries++) {
    const next = open.reduce((least, one) => (sizeOf(one) < sizeOf(least) ? one : least));
    if (sizeOf(next) >= limit) return null;
    const sheet = { widthMm: mmOf(next.long), heightMm: mmOf(next.short) };
    const attempt = yield* bestOn(search, sheet);
    if (attempt?.does) return attempt;
    if (next.long < longMarks(search, sheet.heightMm)[1]) next.long++;
    else open.splice(open.indexOf(next), 1);
  }
  return null;
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

/** Whether a form is folded from such a sheet at all. */
function takes({ sheetShape, leastSheetMm }: Form, { widthMm, heightMm }: SheetSize): boolean {
  if (Math.min(widthMm, heightMm) < leastSheetMm) return false;
  const [least, most] = sheetShape === 'square' ? [1, 1] : sheetShape.longPerShort;
  return widthMm / heightMm >= least - 1e-9 && widthMm / heightMm <= most + 1e-9;
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

/** The ways of a form that answer a purpose, each as a search; none when its kind of room does not answer. */
function* searchesFor(
  fitting: Fitting,
  formId: string,
  prepared: Prepared,
  options: SizeOptions,
): Work<readonly Search[]> {
  const form = Object.hasOwn(FORMS, formId) ? FORMS[formId] : null;
  if (!form) throw new RangeError(`No form is called “${formId}”.`);
  const searches: Search[] = [];
  for (const way of waysOf(formId)) {
    if (makesNoDifference(searches, way)) continue;
    const [structure] = yield* fitting.knowing(way);
    const answering = structure ? prepared.demands(structure.kind) : null;
    if (!answering) return searches;
    if (structure.kind === 'pouch') yield* fitting.learningPouch(structure);
    const like = searches.find((one) => one.way.lengths.length === way.lengths.length && !one.like) ?? null;
    const judged = new Map<Structure, Judged>();
    searches.push({ fitting, way, form, prepared, options, answering, judged, like });
  }
  return searches;
}

/** Sides of sheets at which ways are compared, in mm. */
const COMPARED_MM = [150, 300, 600];

/** Whether the usual, the least and the largest value of a number do all the same for the purpose: others then do too. */
function makesNoDifference(searches: readonly Search[], { lengths, choices }: Way): boolean {
  if (lengths.length || !Object.values(choices).some((value) => typeof value === 'number')) return false;
  const [usual, ...extremes] = searches.filter(({ way }) => !way.lengths.length).slice(0, 3);
  if (extremes.length < 2) return false;
  const scoreOf = (search: Search, mm: number): number => {
    const [structure] = search.fitting.structuresOf(search.way);
    const exact: Search = { ...search, options: { ...search.options, confidence: null } };
    const ratio = structure.folded.size.widthMm / structure.folded.size.heightMm;
    const point = {
      sheet: { widthMm: ratio * mm, heightMm: mm },
      lengths: [],
      thicknessMm: search.options.thicknessMm,
    };
    return structure.model ? score(exact, structure, point) : NaN;
  };
  return COMPARED_MM.every((mm) => {
    const own = scoreOf(usual, mm);
    return extremes.every((one) => Math.abs(scoreOf(one, mm) - own) < 1e-9);
  });
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
  // What was proposed may have a smaller neighbour that nobody proposed: each is folded.
  for (;;) {
    const tried: Tried[] = [];
    let smaller: Best | null = null;
    for (const sheet of oneLess(best.search, best.attempt.point.sheet)) {
      let least: Attempt | null = null;
      for (const search of searches) {
        // Of ways that are not reckoned to do there, the one that was told is folded all the same.
        const attempt: Attempt | null = yield* bestOn(search, sheet, search === best.search);
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

export const isSized = (answer: SizedForm | Unmet | null): answer is SizedForm => answer !== null && 'sheet' in answer;
