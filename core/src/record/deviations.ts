/** Mean and spread of a set of numbers; the spread is null until there are two. */
export interface Spread {
  readonly count: number;
  readonly mean: number;
  /** Sample standard deviation (n - 1). */
  readonly sd: number | null;
}

/** @returns null for an empty set */
export function spreadOf(values: readonly number[]): Spread | null {
  const count = values.length;
  if (!count) return null;
  const mean = values.reduce((sum, v) => sum + v, 0) / count;
  const sd = count < 2 ? null : Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (count - 1));
  return { count, mean, sd };
}

/** Something folded, with sizes in mm by their keys: as they should be, and as they were measured. */
export interface MadeThing {
  readonly formId: string;
  /** The paper it was folded from, or null where that is not known. */
  readonly paper: string | null;
  readonly predicted: Readonly<Record<string, { readonly mm: number }>>;
  readonly measured: Readonly<Record<string, number>>;
}

/** A size as it came out: how far from where it should be. */
export interface Deviation {
  readonly key: string;
  readonly predictedMm: number;
  readonly measuredMm: number;
  /** Measured less predicted: too large is positive. */
  readonly offMm: number;
}

/** How far each size that was measured lies from what was predicted; what nobody predicted is left out. */
export function deviationsOf({ predicted, measured }: Pick<MadeThing, 'predicted' | 'measured'>): readonly Deviation[] {
  return Object.entries(measured).flatMap(([key, measuredMm]) => {
    if (!Object.hasOwn(predicted, key)) return [];
    const { mm: predictedMm } = predicted[key];
    return [{ key, predictedMm, measuredMm, offMm: measuredMm - predictedMm }];
  });
}

/** How one form comes out of one paper, size by size. */
export interface FormOnPaper {
  readonly formId: string;
  readonly paper: string | null;
  /** Things of which something was measured. */
  readonly count: number;
  readonly sizes: readonly { readonly key: string; readonly spread: Spread }[];
}

/** Mean and spread of deviations, within form and paper: unlike things are never pooled. What was measured most comes first. */
export function deviationsWithin(things: readonly MadeThing[]): readonly FormOnPaper[] {
  const groups = new Map<string, { readonly of: MadeThing; count: number; readonly sizes: Map<string, number[]> }>();
  for (const thing of things) {
    const found = deviationsOf(thing);
    if (!found.length) continue;
    const key = JSON.stringify([thing.formId, thing.paper]);
    const group = groups.get(key) ?? { of: thing, count: 0, sizes: new Map<string, number[]>() };
    groups.set(key, group);
    group.count++;
    for (const { key: size, offMm } of found) group.sizes.set(size, [...(group.sizes.get(size) ?? []), offMm]);
  }
  return [...groups.values()]
    .map(({ of: { formId, paper }, count, sizes }) => ({
      ...{ formId, paper, count },
      sizes: [...sizes].map(([key, offs]) => ({ key, spread: spreadOf(offs)! })),
    }))
    .sort((p, q) => q.count - p.count);
}
