import { FORMS } from '../forms/all-forms';
import type { Cavity, Form, FormSizes, SheetSize } from '../forms/form';
import { atRulerStep, type RulerId, rulerStepsFor, RULERS } from '../measure/ruler';
import type { Purpose } from './contents';
import { type Misses, missesOf } from './misses';
import { type Fit, type FitOptions, fitOf, prepare, type Prepared } from './needs';
import { pouchMl } from './pouch-volume';
import { cavityAt, modelOf, outerAt, type SizeModel, type SizePoint, type Way, waysOf } from './size-model';
import { roomSums, type SizeSum } from './size-sums';

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

/** A form at the smallest sheet that meets a purpose. */
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
  /** How often it fits when the hand misses its marks, or null when nothing was replayed. */
  readonly chance: number | null;
  /** The same with the sheet one mark of the ruler larger. */
  readonly chanceOneMore: number | null;
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
/** Holds a purpose against one way to make a form. */
interface Search {
  readonly model: SizeModel;
  readonly form: Form;
  readonly prepared: Prepared;
  readonly options: SizeOptions;
  misses: Misses | null;
}

function fitAt({ model, prepared }: Search, point: SizePoint, off?: ArrayLike<number>): Fit | null {
  const { widthMm, heightMm } = point.sheet;
  return fitOf(prepared, { cavity: cavityAt(model, point, off), sheetAreaMm2: widthMm * heightMm, pouchMl });
}

/** How often it fits over all replays of a hand. */
function chanceAt(search: Search, point: SizePoint): number {
  const { model, options } = search;
  search.misses ??= missesOf(model);
  const { rows } = search.misses;
  const off = new Float64Array(model.names.length);
  let fits = 0;
  for (const row of rows) {
    for (let k = 0; k < off.length; k++) off[k] = options.handMm * row[k];
    if ((fitAt(search, point, off)?.leastShare ?? -1) >= 0) fits++;
  }
  return fits / rows.length;
}

const GRID = 12;

/** The lengths, at marks of the ruler, that leave most over on a sheet; null when none of them can be folded there. */
function bestLengths(search: Search, sheet: SheetSize): SizePoint | null {
  const { model, form, options } = search;
  const { way } = model;
  const { stepMm } = RULERS[options.ruler];
  let best: SizePoint | null = null;
  let most = -Infinity;
  const offer = (lengths: readonly number[]): void => {
    const point: SizePoint = { sheet, lengths, thicknessMm: options.thicknessMm };
    const share = fitAt(search, point)?.leastShare ?? -Infinity;
    if (share > most) [best, most] = [point, share];
  };
  if (!way.lengths.length) offer([]);
  const rangeOf = (k: number, lengths: readonly number[]): readonly [number, number] => {
    const { input } = form.fields.find(({ key }) => key === way.lengths[k])!;
    if (input.kind !== 'length') return [0, -1];
    const given = Object.fromEntries(lengths.map((mm, i) => [way.lengths[i], mm]));
    const [least, greatest] = input.range(sheet, { ...way.choices, ...given });
    return [Math.ceil(least / stepMm - 1e-9), Math.floor(greatest / stepMm + 1e-9)];
  };
  // Coarse marks first, then finer ones round the best so far: what is left over is a concave function of the lengths.
  const walk = (lengths: readonly number[], spread: number): void => {
    const k = lengths.length;
    if (k === way.lengths.length) {
      offer(lengths);
      return;
    }
    const [low, high] = rangeOf(k, lengths);
    const around = best?.lengths[k];
    const half = (spread * (high - low)) / 2;
    const [from, to] =
      around === undefined
        ? [low, high]
        : [Math.max(low, Math.floor(around / stepMm - half)), Math.min(high, Math.ceil(around / stepMm + half))];
    const by = Math.max(1, Math.ceil((to - from) / GRID));
    for (let step = from; step <= to; step += by) walk([...lengths, step * stepMm], spread);
    if (to >= from && (to - from) % by) walk([...lengths, to * stepMm], spread);
  };
  if (way.lengths.length) for (const spread of [1, 0.25, 0.06, 0.015]) walk([], spread);
  return best;
}

interface Found {
  readonly search: Search;
  readonly point: SizePoint;
}

const areaOf = ({ widthMm, heightMm }: SheetSize): number => widthMm * heightMm;

/** Whether a sheet does, with the best lengths: the point, or null. */
function meets(search: Search, sheet: SheetSize, confidence: number | null): SizePoint | null {
  const point = bestLengths(search, sheet);
  if (!point || (fitAt(search, point)?.leastShare ?? -1) < 0) return null;
  return confidence === null || chanceAt(search, point) >= confidence ? point : null;
}

/** The first of the steps from low to high that does, when all larger ones do too. */
function firstStep(low: number, high: number, does: (steps: number) => SizePoint | null): SizePoint | null {
  let found = does(low);
  if (found) return found;
  let fails = low;
  let by = 1;
  // Outwards in growing steps, then halving what is left between.
  let fits = low;
  for (;;) {
    fits = Math.min(high, fails + by);
    found = does(fits);
    if (found || fits === high) break;
    fails = fits;
    by *= 2;
  }
  if (!found) return null;
  while (fits - fails > 1) {
    const mid = (fits + fails) >> 1;
    const point = does(mid);
    if (point) [fits, found] = [mid, point];
    else fails = mid;
  }
  return found;
}

function smallestSquare(search: Search, fromMm: number, confidence: number | null = null): SizePoint | null {
  const { ruler } = search.options;
  return firstStep(rulerStepsFor(fromMm, ruler), Math.floor(LARGEST_MM / RULERS[ruler].stepMm), (steps) => {
    const mm = atRulerStep(steps, ruler);
    return meets(search, { widthMm: mm, heightMm: mm }, confidence);
  });
}

const OBLONG_TRIES = 40;

/** The oblong sheet of least area: for ever longer short sides the shortest long side that does. */
function smallestOblong(search: Search, fromMm: number): SizePoint | null {
  const { form, options } = search;
  const { ruler } = options;
  if (form.sheetShape === 'square') return null;
  const [least, most] = form.sheetShape.longPerShort;
  const shortest = (steps: number): SizePoint | null => {
    const heightMm = atRulerStep(steps, ruler);
    const low = rulerStepsFor(least * heightMm, ruler);
    const high = Math.floor((most * heightMm) / RULERS[ruler].stepMm);
    if (high < low || !meets(search, { widthMm: atRulerStep(high, ruler), heightMm }, null)) return null;
    return firstStep(low, high, (k) => meets(search, { widthMm: atRulerStep(k, ruler), heightMm }, null));
  };
  const first = firstStep(rulerStepsFor(fromMm, ruler), Math.floor(LARGEST_MM / RULERS[ruler].stepMm), shortest);
  if (!first) return null;
  let best = first;
  const from = rulerStepsFor(first.sheet.heightMm, ruler);
  const by = Math.max(1, Math.ceil((0.25 * from) / OBLONG_TRIES));
  for (let k = from + by; ; k += by) {
    const heightMm = atRulerStep(k, ruler);
    if (heightMm * heightMm * least >= areaOf(best.sheet)) break;
    const point = shortest(k);
    if (point && areaOf(point.sheet) < areaOf(best.sheet)) best = point;
  }
  return best;
}

/** The same answer surer: sheets of the same proportion, ever larger, as near as the ruler's marks allow. */
function surer(search: Search, confidence: number, { sheet }: SizePoint): SizePoint | null {
  const { form, options } = search;
  const { ruler } = options;
  if (form.sheetShape === 'square') return smallestSquare(search, sheet.widthMm, confidence);
  const [least, most] = form.sheetShape.longPerShort;
  const ratio = sheet.widthMm / sheet.heightMm;
  const { stepMm } = RULERS[ruler];
  return firstStep(rulerStepsFor(sheet.heightMm, ruler), Math.floor(LARGEST_MM / stepMm), (steps) => {
    const heightMm = atRulerStep(steps, ruler);
    const longest = Math.floor((most * heightMm) / stepMm) * stepMm;
    const widthMm = Math.min(longest, atRulerStep(rulerStepsFor(Math.max(ratio, least) * heightMm, ruler), ruler));
    return meets(search, { widthMm, heightMm }, confidence);
  });
}

/** The largest sheet of a form that is searched. */
function largestSheet({ sheetShape }: Form): SheetSize {
  const ratio = sheetShape === 'square' ? 1 : sheetShape.longPerShort[0];
  return { widthMm: LARGEST_MM, heightMm: LARGEST_MM / ratio };
}

function found({ search, point }: Found): SizedForm {
  const { model, form, options } = search;
  const { way } = model;
  const fit = fitAt(search, point)!;
  const { stepMm } = RULERS[options.ruler];
  const { widthMm, heightMm } = point.sheet;
  const less = { widthMm: widthMm - stepMm, heightMm: heightMm - stepMm };
  const short = Math.min(less.widthMm, less.heightMm) >= form.leastSheetMm ? bestLengths(search, less) : null;
  const tight = [...((short && fitAt(search, short)) ?? fit).needs].sort(
    (p, q) => (p.have - p.need) / Math.max(1e-9, p.need) - (q.have - q.need) / Math.max(1e-9, q.need),
  );
  const more = { widthMm: widthMm + stepMm, heightMm: heightMm + stepMm };
  const larger = search.misses && bestLengths(search, more);
  return {
    formId: form.id,
    way,
    sheet: point.sheet,
    params: { ...way.choices, ...Object.fromEntries(way.lengths.map((key, k) => [key, point.lengths[k]])) },
    lengths: point.lengths,
    cavity: cavityAt(model, point),
    outer: outerAt(model, point),
    sums: roomSums(way, point),
    fit,
    decided: short ? { kind: 'need', name: tight[0].name } : { kind: 'fingers' },
    next: tight[1]?.name ?? null,
    chance: search.misses && chanceAt(search, point),
    chanceOneMore: search.misses && larger && chanceAt(search, larger),
    layers: model.layers,
    steps: model.steps,
  };
}

/**
 * The smallest sheet, at marks of the ruler, and the best measured lengths with which a form meets a purpose.
 * @returns null when the form's kind of room does not answer that kind of purpose; the demands that stand against it when no
 * sheet does
 */
export function sizeFor(formId: string, purpose: Purpose, options: SizeOptions): SizedForm | Unmet | null {
  const form = FORMS[formId];
  if (!form) throw new RangeError(`No form is called “${formId}”.`);
  const prepared = prepare(purpose, options);
  const searches = waysOf(formId).map((way): Search => ({
    model: modelOf(way),
    form,
    prepared,
    options,
    misses: null,
  }));
  let best: Found | null = null;
  let closest: Fit | null = null;
  let answers = false;
  for (const search of searches) {
    const largest = bestLengths(search, largestSheet(form));
    const fit = largest && fitAt(search, largest);
    if (!fit) continue;
    answers = true;
    if (!closest || fit.leastShare > closest.leastShare) closest = fit;
    let point = (form.sheetShape === 'square' ? smallestSquare : smallestOblong)(search, form.leastSheetMm);
    // A hand that misses needs no smaller sheet than one that does not.
    if (point && options.confidence !== null) point = surer(search, options.confidence, point);
    if (point && (!best || areaOf(point.sheet) < areaOf(best.point.sheet))) best = { search, point };
  }
  if (!answers) return null;
  if (best) return found(best);
  const against = [...closest!.needs].sort((p, q) => p.have / p.need - q.have / q.need);
  return { formId, demands: against.slice(0, 2).map(({ name }) => name) };
}

export const isSized = (answer: SizedForm | Unmet | null): answer is SizedForm => answer !== null && 'sheet' in answer;
