import type { Axis, Box } from './front';

/**
 * How several packings lie: for each two of them, in the order of their numbers (0–1, 0–2, 1–2, 0–3 …), the axis along which
 * they lie beside each other.
 */
export type Beside = readonly Axis[];

/** The place of two among all pairs. */
const pairOf = (p: number, q: number): number => (Math.max(p, q) * (Math.max(p, q) - 1)) / 2 + Math.min(p, q);

/** Those that lie beside each other along an axis, each with each: the largest such sets. */
function rowsAlong(axis: Axis, beside: Beside, parts: number): readonly number[] {
  const joined = (p: number, q: number): boolean => beside[pairOf(p, q)] === axis;
  const sets: number[] = [];
  for (let set = 1; set < 1 << parts; set++) {
    const members = membersOf(set, parts);
    if (members.every((p, k) => members.slice(k + 1).every((q) => joined(p, q)))) sets.push(set);
  }
  return sets.filter((set) => !sets.some((other) => other !== set && (other & set) === set));
}

const membersOf = (set: number, parts: number): readonly number[] =>
  Array.from({ length: parts }, (_, k) => k).filter((k) => set & (1 << k));

/**
 * A way to set several packings beside each other, told by what its box is made of: along each axis it is as long as the
 * longest row of those that lie beside each other, each with each. Every packing of boxes without a cycle of five is one of
 * these (the packing classes of Fekete and Schepers).
 */
export interface Structure {
  readonly beside: Beside;
  /** Along each axis the rows, each as the set of its members by their bits. */
  readonly rows: readonly [readonly number[], readonly number[], readonly number[]];
}

const structureOf = (beside: Beside, parts: number): Structure => ({
  beside,
  rows: [rowsAlong(0, beside, parts), rowsAlong(1, beside, parts), rowsAlong(2, beside, parts)],
});

/** Whether a cut parts them: some lie beside all others along one axis. */
function isCut(beside: Beside, parts: number): boolean {
  for (let set = 1; set < (1 << parts) - 1; set++) {
    const [inside, outside] = [membersOf(set, parts), membersOf(~set, parts)];
    const [first] = inside.flatMap((p) => outside.map((q) => beside[pairOf(p, q)]));
    if (inside.every((p) => outside.every((q) => beside[pairOf(p, q)] === first))) return true;
  }
  return false;
}

/** All ways to set three or four that no cut parts. */
function uncut(parts: number): readonly Structure[] {
  const pairs = (parts * (parts - 1)) / 2;
  const all = Array.from({ length: 3 ** pairs }, (_, code): Beside =>
    Array.from({ length: pairs }, (__, k) => (Math.floor(code / 3 ** k) % 3) as Axis),
  );
  return all.filter((beside) => !isCut(beside, parts)).map((beside) => structureOf(beside, parts));
}

/** Four round a gap and a fifth in it, whoever stands where. */
function wheels(): readonly Structure[] {
  const planes: readonly (readonly [Axis, Axis])[] = [
    [0, 1],
    [0, 2],
    [1, 2],
  ];
  const orders = permutations([0, 1, 2, 3, 4]);
  const known = new Map<string, Beside>();
  for (const [u, v] of planes)
    for (const [a, b, c, d, e] of orders) {
      const beside: Axis[] = [];
      const along = (axis: Axis, ...pairs: readonly (readonly [number, number])[]): void =>
        pairs.forEach(([p, q]) => (beside[pairOf(p, q)] = axis));
      along(u, [a, b], [c, d], [b, d], [e, b], [e, d]);
      along(v, [b, c], [d, a], [a, c], [e, a], [e, c]);
      known.set(beside.join(''), beside);
    }
  return [...known.values()].map((beside) => structureOf(beside, 5));
}

function permutations(of: readonly number[]): readonly (readonly number[])[] {
  if (of.length < 2) return [of];
  return of.flatMap((first) => permutations(of.filter((one) => one !== first)).map((rest) => [first, ...rest]));
}

/** Ways that no cut parts, by how many are set; of five the wheels only. */
export const UNCUT: ReadonlyMap<number, readonly Structure[]> = new Map([
  [3, uncut(3)],
  [4, uncut(4)],
  [5, wheels()],
]);

/** Where each of several packings begins along an axis, pushed together as far as they go. */
export function startsAlong(axis: Axis, parts: readonly { readonly box: Box }[], beside: Beside): readonly number[] {
  let best: readonly number[] = [];
  let least = Infinity;
  for (const order of permutations(parts.map((_, k) => k))) {
    const starts: number[] = [];
    order.forEach((p, k) => {
      const before = order.slice(0, k).filter((q) => beside[pairOf(p, q)] === axis);
      starts[p] = Math.max(0, ...before.map((q) => starts[q] + parts[q].box[axis]));
    });
    const length = Math.max(...starts.map((start, k) => start + parts[k].box[axis]));
    if (length < least - 1e-12) [best, least] = [starts, length];
  }
  return best;
}
