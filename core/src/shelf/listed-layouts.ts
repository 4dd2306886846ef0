import { allLayouts, type Bundle, type Room } from './all-layouts';
import { NOISE_MM } from './cutting';
import type { CuttingProblem, LayoutPool } from './problem';

/** Pairs of rectangles that are tried: about a tenth of a second. */
const EFFORT = 150_000;
/** Where so many selections come out of a sheet, only those that no larger one holds are laid out. */
const FEW = 500;
/** Where not all were found, so many of each stock that fill it best. */
const FULLEST = 120;

/** Of a selection, the rectangle that leaves the largest rest in one. */
function boxFor({ boxes }: Bundle, { widthMm, heightMm }: Room): number {
  let [best, most] = [-1, -1];
  boxes.forEach((box, k) => {
    const [right, beyond] = [widthMm - box.widthMm, heightMm - box.heightMm];
    if (right < -NOISE_MM || beyond < -NOISE_MM) return;
    const rest = Math.max(right * heightMm, beyond * widthMm);
    if (rest > most) [best, most] = [k, rest];
  });
  return best;
}

/**
 * Puts into a pool all layouts of the stocks where they can be listed, else some that fill them well.
 * @returns whether no selection is missing that could make a plan better
 */
export function listLayouts(problem: CuttingProblem, pool: LayoutPool): boolean {
  const { live, may, demand, areas, rooms, ways, rules } = problem;
  // Stocks from which the same may come share what is found.
  const groups = new Map<string, number[]>();
  for (const s of live) groups.set(may[s].join(), [...(groups.get(may[s].join()) ?? []), s]);
  let complete = true;
  for (const group of groups.values()) {
    const most = demand.map((count, k) => (may[group[0]][k] ? count : 0));
    const inside = group.map((s) => rooms[s]);
    const { bundles, all } = allLayouts(ways, most, inside, rules.lossMm, EFFORT / groups.size);
    complete &&= all;
    const area = ({ counts }: Bundle): number => counts.reduce((sum, n, k) => sum + n * areas[k], 0);
    for (const s of group) {
      const here = bundles.flatMap((bundle) => {
        const box = boxFor(bundle, rooms[s]);
        return box < 0 ? [] : [{ bundle, box }];
      });
      const kept = all
        ? here.length <= FEW
          ? here
          : largest(here)
        : here.sort((a, b) => area(b.bundle) - area(a.bundle)).slice(0, FULLEST);
      for (const { bundle, box } of kept) pool.add(s, bundle.treeOf(box));
    }
  }
  return complete;
}

/** Those that are not part of another one. */
function largest<T extends { readonly bundle: Bundle }>(all: readonly T[]): T[] {
  const keys = new Set(all.map(({ bundle: { counts } }) => counts.join(' ')));
  return all.filter(
    ({ bundle: { counts } }) => !counts.some((_, k) => keys.has(counts.map((n, i) => (i === k ? n + 1 : n)).join(' '))),
  );
}
