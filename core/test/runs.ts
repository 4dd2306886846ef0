declare const process: { readonly env: Readonly<Record<string, string | undefined>> };

/** Whether `npm run test:deep` asks: the same properties, by the hundred. */
export const DEEP = process.env['DEEP'] === 'true';

/** How often a property is tried every day, and by the deep tests. */
export const runs = (everyday: number, deep: number): number => (DEEP ? deep : everyday);

const DAY_MS = 24 * 3600 * 1000;

/**
 * So many of all, others with each seed and, where none is told, each day; all of them in the deep tests. For laws that are the
 * same for every form, and slow.
 */
export function someOf<T>(all: readonly T[], everyday: number): readonly T[] {
  if (DEEP || all.length <= everyday) return all;
  const seed = Number(process.env['FC_SEED'] ?? Math.floor(Date.now() / DAY_MS));
  // Every n-th from a place of the seed's: neighbours, which are much alike, are not all drawn together.
  const step = all.length / everyday;
  const start = (Math.abs(seed) * 0.61803398875) % 1;
  return Array.from({ length: everyday }, (_, k) => all[Math.floor((k + start) * step)]);
}
