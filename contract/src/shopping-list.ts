import { isToCut } from './cutting-request';
import type { Job } from './job';
import { freeOf, isLow, type Paper } from './paper';
import { planMake, sheetsFrom } from './plan-make';

/** What is to be bought of one paper. */
export interface ToBuy {
  readonly paper: Paper;
  /** Sheets that planned jobs need beyond what is free. */
  readonly lacking: number;
  /** The jobs that need it, by their titles. */
  readonly jobs: readonly string[];
  /** Whether no more are left than its low mark says. */
  readonly low: boolean;
}

/** What planned jobs lack, each cut by itself, and what is running low. */
export function shoppingList(jobs: readonly Job[], papers: readonly Paper[]): readonly ToBuy[] {
  const needs = new Map<string, { sheets: number; readonly jobs: Set<string> }>();
  for (const job of jobs)
    for (const make of job.makes) {
      // What is reserved already is there.
      if (!isToCut(job, make) || make.cut) continue;
      const endless = papers.map((paper) => ({ ...paper, free: Number.MAX_SAFE_INTEGER }));
      const plan = planMake(make.make, make.count, endless);
      for (const { paperId } of plan.papers) {
        const need = needs.get(paperId) ?? { sheets: 0, jobs: new Set<string>() };
        need.sheets += sheetsFrom(plan, paperId);
        need.jobs.add(job.title);
        needs.set(paperId, need);
      }
    }
  return papers.flatMap((paper): ToBuy[] => {
    const need = needs.get(paper.id);
    const lacking = Math.max(0, (need?.sheets ?? 0) - Math.max(0, freeOf(paper)));
    const low = isLow(paper) && !paper.offcut;
    return lacking || low ? [{ paper, lacking, low, jobs: lacking ? [...(need?.jobs ?? [])] : [] }] : [];
  });
}
