import type { SheetSize } from '../../forms/form';
import { atRulerStep, rulerStepsFor, RULERS } from '../../measure/ruler';
import { type Attempt, bestOn } from './attempt';
import { threshold } from './judge';
import { predictedFit } from './propose';
import { areaOf, type Search, type Work } from './search';

/** Largest side of a sheet that is searched, in mm. */
export const LARGEST_MM = 5000;
/** So many marks below the first sheet that does are looked at: what does is not a larger sheet each time. */
const MARKS_DOWN = 6;
/** So many marks above the first sheet that may do are folded. */
const MARKS_UP = 60;

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

/** The first of the marks at which a form is predicted to fit. */
function* firstPredicted(
  search: Search,
  low: number,
  high: number,
  sheetAt: (steps: number) => SheetSize,
): Work<number | null> {
  const least = threshold(search.options);
  return yield* firstStep(low, high, function* (steps: number): Work<boolean> {
    yield;
    return (yield* predictedFit(search, sheetAt(steps))) >= least;
  });
}

/** Marks between which lengths that are settled suit the sheet: too small a sheet has no room for them, too large a one no use. */
function allowedMarks(
  { piece, way, options: { ruler } }: Search,
  from: number,
  sheetAt: (steps: number) => SheetSize,
): readonly [number, number] {
  let [low, high] = [from, Math.floor(LARGEST_MM / RULERS[ruler].stepMm)];
  for (const { key, input } of piece.fields) {
    const mm = way.pinned?.[key];
    if (mm === undefined || input.kind !== 'length') continue;
    const limits = (steps: number): readonly [number, number] => input.range(sheetAt(steps), way.choices);
    low = firstOf(low, high, (steps) => limits(steps)[1] >= mm);
    high = firstOf(low, high, (steps) => limits(steps)[0] > mm) - 1;
  }
  return [low, high];
}

/** The first of the steps from low to high for which something holds, when it holds for all larger ones too; one more than high when it never does. */
function firstOf(low: number, high: number, holds: (steps: number) => boolean): number {
  let [from, to] = [low, high + 1];
  while (from < to) {
    const mid = (from + to) >> 1;
    if (holds(mid)) to = mid;
    else from = mid + 1;
  }
  return from;
}

/** The smallest square that does, folded; areas from `limit` on are left out. */
export function* smallestSquare(search: Search, fromMm: number, limit: number): Work<Attempt | null> {
  const { ruler } = search.options;
  const sheetAt = (steps: number): SheetSize => {
    const mm = atRulerStep(steps, ruler);
    return { widthMm: mm, heightMm: mm };
  };
  const [low, high] = allowedMarks(search, rulerStepsFor(fromMm, ruler), sheetAt);
  const first = high < low ? null : yield* firstPredicted(search, low, high, sheetAt);
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
function longMarks({ piece, options: { ruler } }: Search, heightMm: number): readonly [number, number] {
  if (piece.sheetShape === 'square') return [0, -1];
  const [least, most] = piece.sheetShape.longPerShort;
  return [rulerStepsFor(least * heightMm, ruler), Math.floor((most * heightMm) / RULERS[ruler].stepMm + 1e-9)];
}

/** The oblong sheet of least area that does, folded. */
export function* smallestOblong(search: Search, fromMm: number, limit: number): Work<Attempt | null> {
  const { piece, options } = search;
  if (piece.sheetShape === 'square') return null;
  const { ruler } = options;
  const [ratio] = piece.sheetShape.longPerShort;
  const mmOf = (steps: number): number => atRulerStep(steps, ruler);
  /** For a shorter side, the least longer one that is predicted to fit. */
  const known = new Map<number, number | null>();
  const shortest = function* (short: number): Work<number | null> {
    let long = known.get(short);
    if (long !== undefined) return long;
    const heightMm = mmOf(short);
    const [low, high] = longMarks(search, heightMm);
    const at = (steps: number): SheetSize => ({ widthMm: mmOf(steps), heightMm });
    long = high < low ? null : yield* firstPredicted(search, low, high, at);
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
