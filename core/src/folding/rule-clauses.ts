import type { Clause } from './clause-search';
import type { LayerRule } from './layer-problem';

/** Partial sign patterns that no allowed pattern extends, none containing another: which places, and their bits. */
type Forbidden = readonly (readonly [mask: number, bits: number])[];

const known = new WeakMap<readonly number[], Map<number, Forbidden>>();

function forbiddenParts(allowed: readonly number[], places: number): Forbidden {
  const tables = known.get(allowed) ?? new Map<number, Forbidden>();
  known.set(allowed, tables);
  const before = tables.get(places);
  if (before) return before;
  const masks = Array.from({ length: (1 << places) - 1 }, (_, k) => k + 1).sort((a, b) => ones(a) - ones(b) || a - b);
  const found: (readonly [number, number])[] = [];
  for (const mask of masks)
    for (let bits = mask; ; bits = (bits - 1) & mask) {
      const shorter = found.some(([m, b]) => (m & mask) === m && (bits & m) === b);
      if (!shorter && !allowed.some((pattern) => (pattern & mask) === bits)) found.push([mask, bits]);
      if (bits === 0) break;
    }
  tables.set(places, found);
  return found;
}

function ones(mask: number): number {
  let count = 0;
  for (let rest = mask; rest; rest &= rest - 1) count++;
  return count;
}

/**
 * A layer rule as clauses over its pairs, as short as they can be, so that following forced choices loses nothing against
 * looking the whole rule up.
 */
export function clausesOfRule({ pairs, flips, allowed }: LayerRule): Clause[] {
  return forbiddenParts(allowed, pairs.length).map(([mask, bits]) => {
    const clause: number[] = [];
    for (let k = 0; k < pairs.length; k++) {
      if (!(mask & (1 << k))) continue;
      const sign = bits & (1 << k) ? flips[k] : -flips[k];
      clause.push(2 * pairs[k] + (sign > 0 ? 1 : 0));
    }
    return clause;
  });
}
