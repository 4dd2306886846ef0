import {
  caliperOf,
  type CutsPlanned,
  type CuttingAsked,
  SHELF,
  type StockSheets,
  type WantedSheet,
} from '@odd-corner/core';
import type { CutPlanKept } from './cut';
import type { CuttingLine, CuttingOptions, CuttingParentDraft, CuttingPlanKept } from './cutting-plan';
import type { Job, JobMake } from './job';
import type { Price } from './money';
import { freeOf, type Paper } from './paper';
import { shares } from './plan-make';

/**
 * Papers as stock to cut from: what is free of them.
 * @param kept sheets that are reserved for what is being planned, by paper: they are there for it
 * @param currency in which prices are compared; others are as if nobody knew them
 */
export function stockOf(
  papers: readonly Paper[],
  { offcuts }: Pick<CuttingOptions, 'offcuts'>,
  currency: Price['currency'],
  kept: ReadonlyMap<string, number> = new Map(),
): readonly StockSheets[] {
  return papers
    .filter(({ offcut }) => offcuts || !offcut)
    .map((paper): StockSheets => {
      const { id, version, widthMm, heightMm, runs, marginsMm, offcut, price } = paper;
      return {
        ...{ id, version, runs, offcut, size: { widthMm, heightMm }, margins: marginsMm },
        count: Math.max(0, freeOf(paper) + (kept.get(id) ?? 0)),
        cost: price?.currency === currency ? price.minor / price.sheets : null,
      };
    });
}

const wantedOf = ({ widthMm, heightMm, count, mayTurn, grain, papers }: CuttingLine): WantedSheet => ({
  outline: { widthMm, heightMm },
  ...{ count, mayTurn, grain, side: null, trim: 0, from: papers },
});

/** What is asked of the planner. @param done how many of each line are cut already */
export function cuttingAsked(
  lines: readonly CuttingLine[],
  options: CuttingOptions,
  stock: readonly StockSheets[],
  patience: CuttingAsked['patience'],
  done: readonly number[] = [],
): CuttingAsked {
  const { lossMm, leastOffcutMm, aims } = options;
  return {
    wanted: lines.map((line, k) => ({ ...wantedOf(line), count: Math.max(0, line.count - (done[k] ?? 0)) })),
    ...{ stock, aims, patience, rules: { lossMm, leastOffcutMm } },
  };
}

/** The sheets of a plan as they are kept. */
export function parentsOf(
  { parents }: CutsPlanned,
  papers: readonly Paper[],
  newId: () => string,
): readonly CuttingParentDraft[] {
  return parents.map(({ stockId, sheets, pieces, cuts, offcuts }): CuttingParentDraft => {
    const paper = papers.find(({ id }) => id === stockId);
    if (!paper) throw new RangeError(`No paper ${stockId} is there.`);
    const { name, widthMm, heightMm } = paper;
    return {
      ...{ id: newId(), paperId: stockId, sheets, cuts: [...cuts], offcuts: [...offcuts] },
      sheet: { name, widthMm, heightMm, caliperMm: caliperOf(paper) },
      pieces: pieces.map(({ wanted, ...piece }) => ({ ...piece, line: wanted })),
    };
  });
}

/** A line that is for an entry of a make. */
export type MakeLine = CuttingLine & { readonly makeId: string; readonly entryKey: string };

/** A paper and what was left of it before. */
const withOffcuts = (paperId: string, papers: readonly Paper[]): string[] => [
  paperId,
  ...papers.filter(({ offcut, offcutOf }) => offcut && offcutOf === paperId).map(({ id }) => id),
];

/**
 * The sheets of a make that come from papers of the shelf, from those that were chosen for them or from offcuts of these.
 * @param nameOf what an entry is called
 */
export function linesOf(
  { id: makeId, make, count }: JobMake,
  papers: readonly Paper[],
  nameOf: (entryKey: string) => string,
): readonly MakeLine[] {
  return make.entries.flatMap(({ key, sheet, pieceId, copies, papers: chosen }) =>
    [...shares(chosen, count * copies)].flatMap(([paperId, n]): MakeLine[] => {
      if (paperId === null || !papers.some((paper) => paper.id === paperId)) return [];
      const square = SHELF.piece(pieceId).sheetShape === 'square';
      const { widthMm, heightMm } = sheet;
      return [
        {
          ...{ name: nameOf(key).slice(0, 80), widthMm, heightMm, count: n, mayTurn: !square, grain: null },
          ...{ papers: withOffcuts(paperId, papers), makeId, entryKey: key },
        },
      ];
    }),
  );
}

/** A plan for one make alone, as the make keeps it; null where nothing comes from the shelf. */
export function makesOwnPlan({ parents }: CutsPlanned, lines: readonly MakeLine[]): CutPlanKept | null {
  const kept = parents.map(({ stockId, sheets, pieces, cuts, offcuts }) => ({
    ...{ paperId: stockId, sheets, cuts: [...cuts], offcuts: [...offcuts] },
    pieces: pieces.map(({ wanted, ...piece }) => ({ ...piece, entryKey: lines[wanted].entryKey })),
  }));
  return kept.length ? { parents: kept } : null;
}

/** How many of each line of a kept plan are cut. */
export const doneOf = ({ lines, parents }: CuttingPlanKept): readonly number[] =>
  lines.map((_, k) =>
    parents.reduce(
      (sum, { done, sheets, pieces }) => sum + (done ? sheets * pieces.filter(({ line }) => line === k).length : 0),
      0,
    ),
  );

/** Sheets that a kept plan reserves, by paper. */
export function reservedBy({ parents }: CuttingPlanKept): ReadonlyMap<string, number> {
  const kept = new Map<string, number>();
  for (const { paperId, sheets, done } of parents)
    if (paperId !== null && !done) kept.set(paperId, (kept.get(paperId) ?? 0) + sheets);
  return kept;
}

/** What has become of the papers of a kept plan, where it cannot be cut as it is any more. */
export function changesSince(plan: CuttingPlanKept, papers: readonly Paper[]): readonly string[] {
  const open = plan.parents.filter(({ done }) => !done);
  const reserved = reservedBy(plan);
  const names = new Map(open.map(({ paperId, sheet }) => [paperId, sheet.name]));
  return [...names].flatMap(([paperId, name]): string[] => {
    const paper = papers.find(({ id }) => id === paperId);
    if (!paper) return [`“${name}” is not on the shelf any more.`];
    const sheet = open.find((one) => one.paperId === paperId)?.sheet;
    const resized = sheet && (sheet.widthMm !== paper.widthMm || sheet.heightMm !== paper.heightMm);
    const needs = reserved.get(paper.id) ?? 0;
    const there = freeOf(paper) + needs;
    return [
      ...(resized ? [`“${paper.name}” has another size now.`] : []),
      ...(there < needs ? [`“${paper.name}” has ${Math.max(0, there)} sheets for it, ${needs} are needed.`] : []),
    ];
  });
}

/** Jobs whose sheets are still to be cut. */
export const isToCut = ({ state, archivedAt }: Job, { cut, inPlan }: JobMake): boolean =>
  state !== 'folded' && archivedAt === null && inPlan === null && !cut?.done;
