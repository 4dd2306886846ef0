import type { SheetSize } from '../../forms/form';
import type { Structure } from '../fitting';
import { sizesKey } from '../size-model';
import { type Marks, marksOf, type SizePoint } from '../ways';
import { judging, score } from './judge';
import type { Search, Work } from './search';

const GRID = 12;
const SPREADS = [1, 0.25, 0.06, 0.015] as const;
const PROPOSED = 4;

/** Lengths for a sheet, and how well they are predicted to fit. */
export interface Proposal {
  readonly lengths: readonly number[];
  readonly score: number;
}

/**
 * The lengths, at marks of the ruler, that are predicted to fit best on a sheet; best first.
 * @param structureAt which structure's sizes are taken at a point
 */
function proposed(
  search: Search,
  sheet: SheetSize,
  structureAt: (point: SizePoint) => Structure | null,
): readonly Proposal[] {
  const { piece, way, options } = search;
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
    const { from: low, to: high, stepMm }: Marks = marksOf(piece, way, sheet, lengths, ruler);
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
export function* proposals(search: Search, sheet: SheetSize): Work<readonly Proposal[]> {
  const { fitting, way, options } = search;
  const structures = fitting.structuresOf(way);
  if (options.confidence !== null) for (const structure of structures) yield* judging(search, structure);
  return proposed(search, sheet, (point) => {
    const near = structures.length > 1 ? fitting.nearest(way, point) : structures[0];
    return near?.model ? near : null;
  });
}

/** What each structure would propose if it held everywhere: where the layers jump, the nearest one known may be another. */
export function bolder(search: Search, sheet: SheetSize): readonly Proposal[] {
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

/**
 * The best fit predicted for a form on a sheet, whichever of its structures held there: with each of them what is left
 * over grows with the sheet, so that the first sheet that may do can be found by halving.
 */
export function* predictedFit(limited: Search, sheet: SheetSize): Work<number> {
  const search: Search = { ...limited, table: limited.unlimited };
  const near = (yield* proposals(search, sheet))[0]?.score ?? -Infinity;
  return Math.max(near, bolder(search, sheet)[0]?.score ?? -Infinity);
}
