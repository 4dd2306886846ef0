import { isoSheet } from './iso-sheets';

/** A sheet as it is sold. */
export interface StockSheet {
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

const square = (mm: number): StockSheet => ({ name: `${mm} mm square`, widthMm: mm, heightMm: mm });

/** Squares as folding paper is commonly sold, formats after ISO 216, and the North American ones (ANSI/ASME Y14.1). */
export const STOCK_SHEETS: readonly StockSheet[] = [
  ...[75, 100, 120, 150, 180, 200, 240, 300, 350].map(square),
  ...['A6', 'A5', 'A4', 'A3', 'A2', 'A1', 'B5', 'B4', 'B3', 'B2'].flatMap((name) => {
    const [widthMm, heightMm] = isoSheet(name) ?? [];
    return widthMm && heightMm ? [{ name, widthMm, heightMm }] : [];
  }),
  { name: 'Letter', widthMm: 279.4, heightMm: 215.9 },
  { name: 'Ledger', widthMm: 431.8, heightMm: 279.4 },
  { name: 'Legal', widthMm: 355.6, heightMm: 215.9 },
  { name: '12 in square', widthMm: 304.8, heightMm: 304.8 },
  { name: '6 in square', widthMm: 152.4, heightMm: 152.4 },
];

/** Sheets cut a hair too small by rounding still do, in mm. */
const NOISE_MM = 1e-6;

/** Whether a sheet can be cut out of another one, turned or not. */
export function cutsFrom(
  wanted: { readonly widthMm: number; readonly heightMm: number },
  stock: { readonly widthMm: number; readonly heightMm: number },
): boolean {
  const [a, b] = [wanted.widthMm, wanted.heightMm].sort((p, q) => q - p);
  const [c, d] = [stock.widthMm, stock.heightMm].sort((p, q) => q - p);
  return a <= c + NOISE_MM && b <= d + NOISE_MM;
}

/** The smallest sheet on sale, by area, from which a sheet can be cut; null when none is large enough. */
export function nextStock(wanted: { readonly widthMm: number; readonly heightMm: number }): StockSheet | null {
  const able = STOCK_SHEETS.filter((stock) => cutsFrom(wanted, stock));
  return able.reduce<StockSheet | null>(
    (best, stock) => (best && best.widthMm * best.heightMm <= stock.widthMm * stock.heightMm ? best : stock),
    null,
  );
}
