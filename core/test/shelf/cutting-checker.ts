import type { CutRect, CutRules, CutsPlanned, PlannedParent, StockSheets, WantedSheet } from '../../src/index';

const NEAR = 1e-6;

const within = (inner: CutRect, outer: CutRect): boolean =>
  inner.xMm >= outer.xMm - NEAR &&
  inner.yMm >= outer.yMm - NEAR &&
  inner.xMm + inner.widthMm <= outer.xMm + outer.widthMm + NEAR &&
  inner.yMm + inner.heightMm <= outer.yMm + outer.heightMm + NEAR;

const sameRect = (a: CutRect, b: CutRect): boolean => within(a, b) && within(b, a);

/** Along x or along y, from where to where. */
type Axis = 'x' | 'y';
const from = (rect: CutRect, axis: Axis): number => (axis === 'x' ? rect.xMm : rect.yMm);
const to = (rect: CutRect, axis: Axis): number => (axis === 'x' ? rect.xMm + rect.widthMm : rect.yMm + rect.heightMm);

/**
 * Whether straight cuts from edge to edge part rectangles, however they are cut: somewhere between two groups of them a gap as
 * broad as a cut goes all through, and so on within each group. Knows nothing of the cuts that a plan tells.
 */
export function separable(rects: readonly CutRect[], lossMm: number): boolean {
  if (rects.length <= 1) return true;
  for (const axis of ['x', 'y'] as const) {
    const sorted = [...rects].sort((a, b) => from(a, axis) - from(b, axis));
    let end = -Infinity;
    for (let k = 0; k < sorted.length; k++) {
      if (k > 0 && from(sorted[k], axis) >= end + lossMm - NEAR)
        return separable(sorted.slice(0, k), lossMm) && separable(sorted.slice(k), lossMm);
      end = Math.max(end, to(sorted[k], axis));
    }
  }
  return false;
}

/** Cuts a sheet as it is told, and returns all that lies on the table afterwards. */
function cutUp({ cuts }: PlannedParent, whole: CutRect, lossMm: number): CutRect[] | string {
  const table = [whole];
  for (const { piece, runs, atMm } of cuts) {
    const k = table.findIndex((one) => sameRect(one, piece));
    if (k < 0) return 'what is to be cut is not there';
    const one = table[k];
    const full = runs === 'upright' ? one.widthMm : one.heightMm;
    if (!(atMm > 0 && atMm < full)) return `a cut at ${atMm} of ${full}`;
    const beyond = Math.max(0, full - atMm - lossMm);
    const first = runs === 'upright' ? { ...one, widthMm: atMm } : { ...one, heightMm: atMm };
    const second =
      runs === 'upright'
        ? { ...one, xMm: one.xMm + full - beyond, widthMm: beyond }
        : { ...one, yMm: one.yMm + full - beyond, heightMm: beyond };
    table.splice(k, 1, first, ...(beyond > NEAR ? [second] : []));
  }
  return table;
}

/** What is wrong with a plan, in words: nothing where it can be cut as it is told and gives what was wanted. */
export function faultsOf(
  { parents, missing }: CutsPlanned,
  wanted: readonly WantedSheet[],
  stock: readonly StockSheets[],
  { lossMm, leastOffcutMm }: CutRules,
): string[] {
  const faults: string[] = [];
  for (const parent of parents) {
    const one = stock.find(({ id }) => id === parent.stockId);
    if (!one) return ['a stock that is not there'];
    const whole = { xMm: 0, yMm: 0, ...one.size };
    const { margins } = one;
    const inner = {
      ...{ xMm: margins, yMm: margins },
      ...{ widthMm: one.size.widthMm - 2 * margins, heightMm: one.size.heightMm - 2 * margins },
    };
    if (!parent.pieces.length) faults.push('a sheet is cut for nothing');
    if (!Number.isInteger(parent.sheets) || parent.sheets < 1) faults.push(`${parent.sheets} sheets`);
    const all = [...parent.pieces, ...parent.offcuts];
    if (!separable(all, lossMm)) faults.push('not to be parted by straight cuts');
    const table = cutUp(parent, whole, lossMm);
    if (typeof table === 'string') faults.push(table);
    else
      for (const rect of all) if (!table.some((left) => sameRect(left, rect))) faults.push('a piece is never cut out');
    for (const rest of parent.offcuts)
      if (Math.min(rest.widthMm, rest.heightMm) < leastOffcutMm - NEAR) faults.push('a rest not worth keeping');
    for (const piece of parent.pieces) {
      const { outline, mayTurn, grain, trim, from: allowed } = wanted[piece.wanted];
      if (!within(piece, inner)) faults.push('outside the sheet, or in its margin');
      const sides = [outline.widthMm + 2 * trim, outline.heightMm + 2 * trim];
      const [w, h] = piece.turned ? [sides[1], sides[0]] : sides;
      if (Math.abs(w - piece.widthMm) > NEAR || Math.abs(h - piece.heightMm) > NEAR) faults.push('another size');
      if (allowed && !allowed.includes(parent.stockId)) faults.push('from a paper that it may not come from');
      if (grain !== null) {
        if (one.runs === null) faults.push('its grain counts, that of the paper is not known');
        // Its height lies along the paper’s grain unless it runs across.
        const along = piece.turned === (one.runs === 'width');
        if (along !== (grain === 'along')) faults.push('the grain runs the other way');
      } else if (!mayTurn && piece.turned !== (one.runs === 'width')) faults.push('turned where it may not be');
    }
  }
  wanted.forEach(({ count }, k) => {
    const cut = parents.reduce(
      (sum, { sheets, pieces }) => sum + sheets * pieces.filter((piece) => piece.wanted === k).length,
      0,
    );
    if (cut + missing[k] !== count) faults.push(`of ${count} wanted ${cut} are cut and ${missing[k]} missing`);
  });
  for (const { id, count } of stock) {
    const taken = parents.reduce((sum, { stockId, sheets }) => sum + (stockId === id ? sheets : 0), 0);
    if (taken > count) faults.push(`${taken} of ${count} sheets taken`);
  }
  return [...new Set(faults)];
}
