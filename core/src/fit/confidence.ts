import { type ExactFolding, foldedExactly, missedBy } from './misses';
import { fitOf, prepare } from './needs';
import type { Purpose } from './contents';
import { pouchMl } from './pouch-volume';
import { cavityAt, modelOf, type SizePoint } from './size-model';
import type { SizedForm, SizeOptions } from './size-for';

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

/** The point at which an answer is made. */
export const pointOf = ({ sheet, lengths }: SizedForm, { thicknessMm }: SizeOptions): SizePoint => ({
  sheet,
  lengths,
  thicknessMm,
});

/**
 * Folds an answer again and again by a hand that misses its marks, at its own sheet and on its own paper, and counts how often
 * the contents fit. Comes up for air with what is known so far; sent `true`, it stops.
 */
export function* replaying(
  answer: SizedForm,
  purpose: Purpose,
  options: SizeOptions,
  count: number,
  seed = 1,
): Generator<Confidence, Confidence, boolean> {
  const model = modelOf(answer.way);
  const point = pointOf(answer, options);
  const folded = foldedExactly(model, point);
  const prepared = prepare(purpose, options);
  const sheetAreaMm2 = point.sheet.widthMm * point.sheet.heightMm;
  const sums = new Float64Array(model.names.length);
  const squares = new Float64Array(model.names.length);
  let fits = 0;
  const report = (replays: number): Confidence => ({
    replays,
    fits,
    // Laplace's rule keeps it above nothing when all or none fit.
    error: Math.sqrt((((fits + 1) / (replays + 2)) * (1 - (fits + 1) / (replays + 2))) / (replays + 2)),
    spreads: model.names.flatMap((name, k) =>
      name.startsWith('outer ')
        ? []
        : [
            {
              name,
              meanMm: sums[k] / replays,
              sdMm: Math.sqrt(Math.max(0, squares[k] / replays - (sums[k] / replays) ** 2)),
            },
          ],
    ),
  });
  for (let k = 0; k < count; k++) {
    const off = missedBy(folded, options.handMm, seed * 1_000_003 + k);
    off.forEach((mm, i) => {
      sums[i] += mm;
      squares[i] += mm * mm;
    });
    const fit = fitOf(prepared, { cavity: cavityAt(model, point, off), sheetAreaMm2, pouchMl });
    if (fit && fit.leastShare >= 0) fits++;
    if ((k + 1) % SLICE === 0 && k + 1 < count && (yield report(k + 1))) return report(k + 1);
  }
  return report(count);
}

const BLAMED_REPLAYS = 12;
const SMALL_MM = 0.05;

/**
 * Which folds the doubt about the tightest need comes from: each aligned fold is missed alone, and its share of the variance
 * is told, largest first. Folds of one name count together.
 */
export function blame(answer: SizedForm, purpose: Purpose, options: SizeOptions): readonly Blame[] {
  const model = modelOf(answer.way);
  const point = pointOf(answer, options);
  const folded: ExactFolding = foldedExactly(model, point);
  const prepared = prepare(purpose, options);
  const sheetAreaMm2 = point.sheet.widthMm * point.sheet.heightMm;
  const tightest = [...answer.fit.needs].sort((p, q) => p.have / p.need - q.have / q.need)[0]?.name;
  const haveWith = (off: Float64Array): number =>
    fitOf(prepared, { cavity: cavityAt(model, point, off), sheetAreaMm2, pouchMl })?.needs.find(
      ({ name }) => name === tightest,
    )?.have ?? 0;
  const meant = haveWith(new Float64Array(model.names.length));
  const variance = new Map<string, number>();
  folded.moves.forEach((fold, only) => {
    let sum = 0;
    for (let k = 0; k < BLAMED_REPLAYS; k++) sum += (haveWith(missedBy(folded, SMALL_MM, k + 1, only)) - meant) ** 2;
    variance.set(fold, (variance.get(fold) ?? 0) + sum);
  });
  const total = [...variance.values()].reduce((a, b) => a + b, 0);
  if (!(total > 0)) return [];
  return [...variance]
    .map(([fold, sum]) => ({ fold, share: sum / total }))
    .sort((p, q) => q.share - p.share)
    .filter(({ share }) => share > 0.01);
}
