import { areaOf, type CutRect, type PlannedParent } from './cutting';
import { cuttingTable } from './table';

/** Places that were added up in other orders are the same, in mm. */
const NEAR_MM = 1e-4;

/**
 * What lies on the table once a sheet is cut and is neither wanted nor kept, largest first.
 * @param lossMm what each cut takes away
 */
export function scrapOf(
  { cuts, pieces, offcuts }: Pick<PlannedParent, 'cuts' | 'pieces' | 'offcuts'>,
  size: { readonly widthMm: number; readonly heightMm: number },
  lossMm: number,
): readonly CutRect[] {
  const same = (a: CutRect, b: CutRect): boolean =>
    Math.abs(a.xMm - b.xMm) + Math.abs(a.yMm - b.yMm) < NEAR_MM &&
    Math.abs(a.widthMm - b.widthMm) + Math.abs(a.heightMm - b.heightMm) < NEAR_MM;
  const table = cuttingTable(lossMm);
  const lying: CutRect[] = [{ xMm: 0, yMm: 0, widthMm: size.widthMm, heightMm: size.heightMm }];
  for (const { piece, runs, atMm } of cuts) {
    const k = lying.findIndex((one) => same(one, piece));
    if (k < 0) continue;
    const [first, second] = table.cut(lying[k], runs, atMm);
    lying.splice(k, 1, first, ...(second ? [second] : []));
  }
  return lying
    .filter((one) => ![...pieces, ...offcuts].some((other) => same(one, other)))
    .sort((a, b) => areaOf(b) - areaOf(a));
}
