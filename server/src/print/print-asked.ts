import type { JobMake } from '@odd-corner/contract';
import type { DecimalMark, MarksWanted, ShownUnit, SideColours } from '@odd-corner/core';

/** What can be printed of a make. */
export type PrintKind = 'booklet' | 'creases' | 'label';

/** Papers that a printer takes, in mm, upright. */
export const PAGES = {
  a4: { name: 'A4', widthMm: 210, heightMm: 297 },
  letter: { name: 'Letter', widthMm: 215.9, heightMm: 279.4 },
} as const;
export type PageId = keyof typeof PAGES;

/** A make to be printed, with all that its pages say. */
export interface PrintAsked {
  readonly kind: PrintKind;
  readonly page: PageId;
  /** Steps on a page of a booklet. */
  readonly perPage: 4 | 6 | 9;
  /** The entry whose creases are printed; the first when left out. */
  readonly entryKey?: string;
  /** A face of the finished piece that is drawn on its sheet. */
  readonly shows?: number;
  readonly title: string;
  /** What it is for, as it was asked. */
  readonly purpose: string;
  readonly make: JobMake['make'];
  readonly marks: Readonly<Record<string, MarksWanted>> | undefined;
  readonly art: JobMake['art'];
  readonly unit: ShownUnit;
  readonly decimal: DecimalMark;
  /** The papers of each entry by its key: names and colours, in turn for its copies. */
  readonly papers: Readonly<Record<string, readonly (SideColours & { readonly name: string | null })[]>>;
}

/** Files of the type that is set. */
export interface Fonts {
  readonly plain: string;
  readonly bold: string;
}

/** What comes of it: a PDF, or why there is none. */
export type Printed = { readonly pdf: Uint8Array } | { readonly refused: string };

/** What prints for the server. */
export type Print = (asked: PrintAsked) => Promise<Printed>;
