import {
  type LengthUnit,
  ParseLengthError,
  parsePurpose,
  parseSizes,
  type Purpose,
  type SheetSize,
} from '@odd-corner/core';

/** What the line says: nothing yet, a purpose, a sheet that asks what it will hold, or something that cannot be read. */
export type Reading =
  | { readonly kind: 'empty' }
  | { readonly kind: 'purpose'; readonly purpose: Purpose }
  | { readonly kind: 'sheet'; readonly sheet: SheetSize }
  | { readonly kind: 'wrong'; readonly why: string };

/** `sheet 150`, `sheet A × B`: the other way round. */
const SHEET = /^\s*sheet\s*:?\s*/i;

export function readLine(text: string, unit: LengthUnit): Reading {
  if (!text.trim()) return { kind: 'empty' };
  try {
    if (!SHEET.test(text)) return { kind: 'purpose', purpose: parsePurpose(text, unit) };
    const [widthMm, heightMm = widthMm, ...more] = parseSizes(text.replace(SHEET, ''), unit);
    if (more.length) throw new ParseLengthError('count', 'A sheet has two sides: sheet 210 x 297.', text);
    return { kind: 'sheet', sheet: { widthMm, heightMm } };
  } catch (error) {
    if (error instanceof ParseLengthError) return { kind: 'wrong', why: error.message };
    throw error;
  }
}
