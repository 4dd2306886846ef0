import { type Arrangement, arranging, type Turning } from '../bodies/arrange';
import { laidCornerwise } from '../bodies/cornerwise';
import type { EaseId } from './ease';
import type { Purpose } from './purpose';

/** How a purpose is to be met. */
export interface FitOptions {
  readonly ease: EaseId;
  readonly turning: Turning;
  /** Flat things are taken out again and again: fingers need room beside them. */
  readonly fingerRoom: boolean;
  /** Weight of the paper in g/m²: a boat carries itself. */
  readonly gsm: number;
}

/** A purpose with its arrangements worked out, to be held against many rooms. */
export interface Prepared {
  readonly purpose: Purpose;
  readonly options: FitOptions;
  /** Packings as they stand in a box or on a floor, and as they lie in a pocket, the thinnest side being their thickness. */
  readonly standing: readonly Arrangement[];
  readonly lying: readonly Arrangement[];
}

/** Nothing thicker is a flat thing. */
const FLAT_MM = 10;

/** Those that no other beats, seen by what counts of their sides. */
function unbeaten(
  packings: readonly Arrangement[],
  seen: (box: Arrangement['box']) => readonly number[],
): Arrangement[] {
  const sides = packings.map(({ box }) => seen(box));
  return packings.filter(
    (_, k) =>
      !sides.some(
        (other, i) =>
          i !== k &&
          other.every((side, d) => side <= sides[k][d] + 1e-9) &&
          (i < k || other.some((side, d) => side < sides[k][d] - 1e-9)),
      ),
  );
}

/** Packs the things of a purpose, once for all forms that are asked. Yields so that the caller can stop. */
export function* preparing(purpose: Purpose, options: FitOptions): Generator<void, Prepared, void> {
  const packings = purpose.kind === 'hold' ? yield* arranging(purpose.pieces, options.turning, purpose.order) : [];
  const standing = unbeaten([...packings, ...packings.flatMap(laidCornerwise)], ([a, b, c]) => [
    Math.max(a, b),
    Math.min(a, b),
    c,
  ]);
  const lying = unbeaten(
    packings.filter(({ box }) => Math.min(...box) <= FLAT_MM),
    (box) => [...box].sort((p, q) => p - q),
  );
  return { purpose, options, standing, lying };
}

/** The same at once. */
export function prepare(purpose: Purpose, options: FitOptions): Prepared {
  return atOnce(preparing(purpose, options));
}

/** Runs work that yields to its end. */
export function atOnce<T>(work: Generator<unknown, T, void>): T {
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}
