/** Sides of a block, in whole units. */
export type Whole = readonly [number, number, number];

const turns = ([a, b, c]: Whole): readonly Whole[] => {
  const all: Whole[] = [
    [a, b, c],
    [b, a, c],
    [a, c, b],
    [c, a, b],
    [b, c, a],
    [c, b, a],
  ];
  return all.filter((one, k) => all.findIndex((other) => other.join() === one.join()) === k);
};

/**
 * Whether blocks can be packed into a box at all: every cell in turn is the corner of one of them, in any of its lies, or stays
 * empty. Written apart from the packing, and only for sizes of a few units.
 */
export function canBePacked(blocks: readonly Whole[], [long, wide, high]: Whole): boolean {
  const cells = new Uint8Array(long * wide * high);
  const used = blocks.map(() => false);
  const cell = (x: number, y: number, z: number): number => (z * wide + y) * long + x;
  function fill([a, b, c]: Whole, at: number, by: 0 | 1): boolean {
    const [x, y, z] = [at % long, Math.floor(at / long) % wide, Math.floor(at / (long * wide))];
    if (x + a > long || y + b > wide || z + c > high) return false;
    for (const set of by ? [false, true] : [true])
      for (let i = 0; i < a; i++)
        for (let j = 0; j < b; j++)
          for (let k = 0; k < c; k++) {
            if (!set && cells[cell(x + i, y + j, z + k)]) return false;
            if (set) cells[cell(x + i, y + j, z + k)] = by;
          }
    return true;
  }
  function from(start: number, left: number, spare: number): boolean {
    if (!left) return true;
    const at = cells.indexOf(0, start);
    if (at < 0) return false;
    const tried = new Set<string>();
    for (const [k, block] of blocks.entries()) {
      const same = [...block].sort().join();
      if (used[k] || tried.has(same)) continue;
      tried.add(same);
      for (const turned of turns(block)) {
        if (!fill(turned, at, 1)) continue;
        used[k] = true;
        if (from(at + 1, left - 1, spare)) return true;
        used[k] = false;
        fill(turned, at, 0);
      }
    }
    return spare > 0 && from(at + 1, left, spare - 1);
  }
  const volume = blocks.reduce((sum, [a, b, c]) => sum + a * b * c, 0);
  return from(0, blocks.length, cells.length - volume);
}
