import { entriesSized, type SheetSize, type SizedForm } from '@odd-corner/core';
import type { Make, Params } from './make';

/** From which papers an entry is folded, and the thickness that it was sized for. */
export interface EntryPapers {
  readonly papers: readonly (string | null)[];
  /** Of one layer, in mm. */
  readonly thicknessMm: number;
}

/** A make as it is worked out: without papers. */
export interface MakeFound {
  readonly formId: string;
  readonly params: Readonly<Record<string, unknown>>;
  readonly entries: readonly {
    readonly key: string;
    readonly pieceId: string;
    readonly copies: number;
    readonly params: Readonly<Record<string, unknown>>;
    readonly sheet: SheetSize;
  }[];
}

/** The make of an answer. */
export const found = (answer: SizedForm): MakeFound => ({
  formId: answer.formId,
  params: answer.make,
  entries: entriesSized(answer),
});

/** A make that was worked out, as it is kept. */
export function makeOf({ formId, params, entries }: MakeFound, papersFor: (key: string) => EntryPapers): Make {
  return {
    formId,
    params: params as Params,
    entries: entries.map(({ key, pieceId, copies, params: own, sheet: { widthMm, heightMm } }) => {
      const { papers, thicknessMm } = papersFor(key);
      const sheet = { widthMm, heightMm };
      return { key, pieceId, copies, params: own as Params, sheet, papers: [...papers], thicknessMm };
    }),
  };
}
