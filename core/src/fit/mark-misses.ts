import { type Folded, measure, measureMissed } from '../forms/folded';
import type { FormSizes } from '../forms/form';
import { DRAWS, type Offsets } from './chance';
import type { Fitting } from './fitting';
import { flattened } from './size-model';

/**
 * How a measured place comes out by some way of finding it: by how much it lies too far from what it is measured from. One that
 * two marks decide has two of them, which add up.
 */
export interface PlaceMiss {
  /** How many places are measured before it. */
  readonly measured: number;
  /** In every piece alike, in mm. */
  readonly biasMm: number;
  /** One standard deviation, in mm. */
  readonly sdMm: number;
  /** Places of one number are missed together. */
  readonly luck: number;
}

/** The causes of luck of marks come after those of folds: no form lines up so many. */
const MARKS_LUCK = 2000;

/** Small enough that what comes of a miss is in proportion to it, in mm. */
const SMALL_MM = 0.02;

/**
 * The draws of a piece with those of its marks added: what each place misses always is folded so, and what it misses by
 * luck runs as its derivative there.
 * @param handMm by how much the hand misses: draws are kept for one that misses by 1 mm
 */
export function withMarks(
  fitting: Pick<Fitting, 'luckOf'>,
  offsets: Offsets,
  folded: Folded,
  places: readonly PlaceMiss[],
  handMm: number,
): Offsets {
  const { names, draws } = offsets;
  const counted = places.filter(({ biasMm, sdMm }) => biasMm !== 0 || sdMm !== 0);
  if (!counted.length) return offsets;
  const most = Math.max(...counted.map(({ measured }) => measured));
  const sizesAt = (off: (place: PlaceMiss) => number): Readonly<Record<string, number>> => {
    const marks = new Array<number>(most + 1).fill(0);
    for (const place of counted) marks[place.measured] += off(place);
    return read(measureMissed(folded, { sigmaMm: 0, seed: 0, marks }, 0));
  };
  const [exact, usual] = [read(measure(folded, 0)), sizesAt(({ biasMm }) => biasMm)];
  const lucks = [...new Set(counted.filter(({ sdMm }) => sdMm > 0).map(({ luck }) => luck))].map((luck) => {
    const moved = (sign: number) =>
      sizesAt((place) => place.biasMm + (place.luck === luck ? sign * SMALL_MM * place.sdMm : 0));
    const [less, more] = [moved(-1), moved(1)];
    return { normal: fitting.luckOf(MARKS_LUCK + luck), less, more };
  });
  return {
    ...offsets,
    draws: names.map((name, r) => {
      const row = Float64Array.from(draws[r], (draw) => draw + (usual[name] - exact[name]) / handMm);
      for (const { normal, less, more } of lucks) {
        const slope = (more[name] - less[name]) / (2 * SMALL_MM * handMm);
        if (slope !== 0) for (let n = 0; n < DRAWS; n++) row[n] += slope * normal[n];
      }
      return row;
    }),
  };
}

const read = (sizes: FormSizes): Readonly<Record<string, number>> => flattened(sizes);
