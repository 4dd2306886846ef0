/**
 * When do two sheets of paper that pass through one line cross there?
 *
 * Look along the line: each sheet is a path through a point, arriving in one direction and leaving in another. Give the
 * four ends their directions round the circle; where several ends share a direction, the layer order says who comes
 * first. The paths cross exactly when their ends alternate round the circle. This one rule holds the classical
 * conditions for flat folding (two folded edges that coincide, a folded edge inside a face, two faces joined twice) and
 * the same for paper that stands at any angle.
 */
export interface CrossingTable {
  /** Pairs of ends (0,1 = first path, 2,3 = second) that share a direction: one sign is needed for each. */
  readonly ties: readonly (readonly [number, number])[];
  /** Sign choices that do not cross, one bit per tie: bit set = second end lies further round than the first. */
  readonly allowed: readonly number[];
}

const tables = new Map<number, CrossingTable>();

/** @param classes rank of each end's direction round the circle; equal ranks share a direction */
export function crossingTable(classes: readonly [number, number, number, number]): CrossingTable {
  const key = classes[0] + 4 * classes[1] + 16 * classes[2] + 64 * classes[3];
  const known = tables.get(key);
  if (known) return known;
  const ties: [number, number][] = [];
  for (let a = 0; a < 4; a++) for (let b = a + 1; b < 4; b++) if (classes[a] === classes[b]) ties.push([a, b]);
  const allowed: number[] = [];
  for (let bits = 0; bits < 1 << ties.length; bits++) if (fits(classes, ties, bits)) allowed.push(bits);
  const table = { ties, allowed };
  tables.set(key, table);
  return table;
}

function fits(classes: readonly number[], ties: readonly (readonly [number, number])[], bits: number): boolean {
  const after = [0, 0, 0, 0];
  ties.forEach(([a, b], t) => after[bits & (1 << t) ? b : a]++);
  // Ends that share a direction form a line only if no two have as many others before them.
  for (const [a, b] of ties) if (after[a] === after[b]) return false;
  const round = [0, 1, 2, 3].sort((a, b) => classes[a] - classes[b] || after[a] - after[b]);
  const path = round.map((end) => end >> 1);
  return !(path[0] === path[2] && path[1] === path[3]);
}
