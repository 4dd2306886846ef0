import type { CutRect } from './cutting';

type Size = Pick<CutRect, 'widthMm' | 'heightMm'>;

/** What a sheet gives: parts that are alike, and the strip beside them. */
export interface PartOfSheet {
  readonly id: string;
  /** How many alike come out of one sheet. */
  readonly count: number;
  readonly size: Size;
  /** What is left in one piece; null where nothing is. */
  readonly rest: Size | null;
}

/** Proportions that forms and pages ask for, the long side by the short one. */
export const PROPORTIONS = [
  { id: '2:1', longPerShort: 2 },
  { id: '√2:1', longPerShort: Math.SQRT2 },
  { id: '3:2', longPerShort: 1.5 },
  { id: '4:3', longPerShort: 4 / 3 },
] as const;

const NOISE_MM = 1e-6;
/** Narrower strips fall to the floor, in mm. */
const THINNEST_MM = 0.5;

function besides(sheet: Size, part: Size): Size | null {
  const [right, beyond] = [sheet.widthMm - part.widthMm, sheet.heightMm - part.heightMm];
  if (right > THINNEST_MM) return { widthMm: right, heightMm: sheet.heightMm };
  return beyond > THINNEST_MM ? { widthMm: sheet.widthMm, heightMm: beyond } : null;
}

/** The largest square: its side is the short side of the sheet, and what is left is a strip of that length. */
export function squareOf(sheet: Size): PartOfSheet {
  const side = Math.min(sheet.widthMm, sheet.heightMm);
  const size = { widthMm: side, heightMm: side };
  return { id: 'square', count: 1, size, rest: besides(sheet, size) };
}

/** The largest sheet of a proportion, its long side along the sheet's. */
export function largestOf(sheet: Size, longPerShort: number): Size {
  const [long, short] = [Math.max(sheet.widthMm, sheet.heightMm), Math.min(sheet.widthMm, sheet.heightMm)];
  const across = Math.min(short, long / longPerShort);
  const along = across * longPerShort;
  return sheet.widthMm >= sheet.heightMm ? { widthMm: along, heightMm: across } : { widthMm: across, heightMm: along };
}

/** Strips of a width across the sheet, so that they are as long as its short side, or along it. */
export function stripsOf(sheet: Size, widthMm: number, way: 'across' | 'along'): PartOfSheet | null {
  const oblong = sheet.widthMm >= sheet.heightMm;
  const upright = oblong === (way === 'across');
  const [full, long] = upright ? [sheet.widthMm, sheet.heightMm] : [sheet.heightMm, sheet.widthMm];
  const count = Math.floor(full / widthMm + NOISE_MM);
  if (!(widthMm > 0) || count < 1) return null;
  const left = full - count * widthMm;
  const part = (mm: number): Size => (upright ? { widthMm: mm, heightMm: long } : { widthMm: long, heightMm: mm });
  return { id: `strips ${way}`, count, size: part(widthMm), rest: left > THINNEST_MM ? part(left) : null };
}

/** What a sheet gives without a plan: its largest square, halves and quarters, and the largest sheets of usual proportions. */
export function partsOf(sheet: Size): readonly PartOfSheet[] {
  const oblong = sheet.widthMm >= sheet.heightMm;
  const halved = oblong
    ? { widthMm: sheet.widthMm / 2, heightMm: sheet.heightMm }
    : { widthMm: sheet.widthMm, heightMm: sheet.heightMm / 2 };
  const quarter = { widthMm: sheet.widthMm / 2, heightMm: sheet.heightMm / 2 };
  return [
    squareOf(sheet),
    { id: 'halves', count: 2, size: halved, rest: null },
    { id: 'quarters', count: 4, size: quarter, rest: null },
    ...PROPORTIONS.map(({ id, longPerShort }): PartOfSheet => {
      const size = largestOf(sheet, longPerShort);
      return { id, count: 1, size, rest: besides(sheet, size) };
    }),
  ];
}
