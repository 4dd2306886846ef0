import {
  type CalledSheet,
  type LengthUnit,
  ParseLengthError,
  ParsePurposeError,
  parseSizes,
  type Purpose,
  readPurposeLine,
  type SheetSize,
  STOCK_SHEETS,
  type Terms,
} from '@odd-corner/core';

/** What the line says: nothing yet, a purpose, a sheet that asks what it will hold, or something that cannot be read. */
export type Reading =
  | { readonly kind: 'empty' }
  | { readonly kind: 'purpose'; readonly purpose: Purpose; readonly terms: Terms }
  | { readonly kind: 'sheet'; readonly sheet: SheetSize; readonly named: NamedSheet | null }
  | ({ readonly kind: 'wrong' } & LineFault);

/** Why a line cannot be read, and which part of it is meant. */
export interface LineFault {
  readonly why: string;
  readonly at: { readonly from: number; readonly to: number } | null;
}

/** A sheet that may be called by its name: one that is sold, or a paper of the shelf. */
export interface NamedSheet extends CalledSheet {
  /** Of a paper on the shelf. */
  readonly id?: string;
}

/** `sheet 150`, `sheet of A4`, `sheet A × B`: the other way round. */
const SHEET = /^\s*sheet(?:\s+of)?(?:\s*:\s*|\s+|(?=\d)|$)/i;

/** @param sheets that may be called by name, beside those that are sold */
export function readLine(text: string, unit: LengthUnit, sheets: readonly NamedSheet[] = []): Reading {
  if (!text.trim()) return { kind: 'empty' };
  try {
    if (!SHEET.test(text)) return { kind: 'purpose', ...readPurposeLine(text, unit, sheets) };
    const called = text.replace(SHEET, '').trim().toLowerCase();
    const named = [...sheets, ...STOCK_SHEETS].find(({ name }) => name.toLowerCase() === called);
    if (named) return { kind: 'sheet', sheet: { widthMm: named.widthMm, heightMm: named.heightMm }, named };
    const [widthMm, heightMm = widthMm, ...more] = parseSizes(text.replace(SHEET, ''), unit);
    if (more.length) throw new ParseLengthError('count', 'A sheet has two sides: sheet 210 x 297.', text);
    return { kind: 'sheet', sheet: { widthMm, heightMm }, named: null };
  } catch (error) {
    if (error instanceof ParsePurposeError) return { kind: 'wrong', why: error.message, at: error.at };
    if (error instanceof ParseLengthError) return { kind: 'wrong', why: error.message, at: null };
    throw error;
  }
}
