import { type CutsPlanned, planCuts, SHELF, type WantedSheet } from '@odd-corner/core';
import type { CutPlanKept } from './cut';
import type { Make } from './make';
import type { Paper } from './paper';

/** Sheets of one paper of the shelf that a make may use. */
export type PaperStock = Pick<Paper, 'id' | 'version' | 'widthMm' | 'heightMm' | 'marginsMm' | 'runs'> & {
  readonly free: number;
};

/** How one paper gives its share of a make. */
export interface PaperPlan {
  readonly paperId: string;
  /** The entries that come from it, and how many sheets of each; pieces of the plan are told by their place here. */
  readonly wanted: readonly { readonly entryKey: string; readonly count: number }[];
  readonly planned: CutsPlanned;
}

/** How a make is cut: paper by paper, and what no paper of the shelf is chosen for. */
export interface MakePlan {
  readonly papers: readonly PaperPlan[];
  /** Sheets from elsewhere, by entry. */
  readonly elsewhere: readonly { readonly entryKey: string; readonly count: number }[];
}

/** How many sheets of an entry come from each of its papers, which take turns. */
export function shares(papers: readonly (string | null)[], copies: number): ReadonlyMap<string | null, number> {
  const counts = new Map<string | null, number>();
  papers.forEach((id, k) => {
    const own = Math.floor(copies / papers.length) + (k < copies % papers.length ? 1 : 0);
    if (own) counts.set(id, (counts.get(id) ?? 0) + own);
  });
  return counts;
}

/** Plans the cuts for so many of a make, each paper by itself. Papers that are not in stock are as if from elsewhere. */
export function planMake({ entries }: Pick<Make, 'entries'>, count: number, stock: readonly PaperStock[]): MakePlan {
  const byPaper = new Map<string, { entryKey: string; count: number; sheet: WantedSheet }[]>();
  const elsewhere: { entryKey: string; count: number }[] = [];
  for (const { key, sheet, pieceId, copies, papers } of entries)
    for (const [id, share] of shares(papers, count * copies)) {
      if (id === null || !stock.some((one) => one.id === id)) {
        elsewhere.push({ entryKey: key, count: share });
        continue;
      }
      const square = SHELF.piece(pieceId).sheetShape === 'square';
      const wanted: WantedSheet = {
        outline: sheet,
        mayTurn: !square,
        ...{ grain: null, side: null, trim: 0, count: share, from: null },
      };
      byPaper.set(id, [...(byPaper.get(id) ?? []), { entryKey: key, count: share, sheet: wanted }]);
    }
  const papers = [...byPaper].map(([paperId, all]): PaperPlan => {
    const { version, widthMm, heightMm, marginsMm, runs, free } = stock.find(({ id }) => id === paperId)!;
    const sheets = {
      id: paperId,
      version,
      size: { widthMm, heightMm },
      margins: marginsMm,
      count: free,
      offcut: false,
      runs,
      cost: null,
    };
    const planned = planCuts(
      all.map(({ sheet }) => sheet),
      [sheets],
    );
    return { paperId, wanted: all.map(({ entryKey, count: n }) => ({ entryKey, count: n })), planned };
  });
  return { papers, elsewhere };
}

/** Whether every sheet that a paper was chosen for comes out of it. */
export const isWhole = ({ papers }: MakePlan): boolean =>
  papers.every(({ planned }) => planned.missing.every((missing) => missing === 0));

/** The plan as it is kept; null where nothing of it comes from the shelf. */
export function keptPlan({ papers }: MakePlan): CutPlanKept | null {
  const parents = papers.flatMap(({ paperId, wanted, planned }) =>
    planned.parents.map(({ sheets, pieces, cuts, offcuts }) => ({
      ...{ paperId, sheets, cuts: [...cuts], offcuts: [...offcuts] },
      pieces: pieces.map(({ wanted: k, xMm, yMm, widthMm, heightMm, turned }) => ({
        ...{ entryKey: wanted[k].entryKey, xMm, yMm, widthMm, heightMm, turned },
      })),
    })),
  );
  return parents.length ? { parents } : null;
}

/** How many sheets of a paper a make takes: as it is planned, and one for each piece that no plan has room for. */
export function sheetsFrom({ papers }: MakePlan, paperId: string): number {
  const plan = papers.find((one) => one.paperId === paperId)?.planned;
  if (!plan) return 0;
  const missing = plan.missing.reduce((sum, count) => sum + count, 0);
  return plan.parents.reduce((sum, { sheets }) => sum + sheets, 0) + missing;
}
