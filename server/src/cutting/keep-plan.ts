import {
  type CuttingParent,
  type CuttingParentDraft,
  type CuttingPlanKept,
  freeOf,
  type NewCuttingPlan,
} from '@odd-corner/contract';
import { type Added, addOnce } from '../db/add-once';
import { inOneGo } from '../db/in-one-go';
import type { Workshop } from '../db/workshop';
import { notFound, ProblemError } from '../http/problem-error';
import { release } from '../jobs/cut-sheets';
import { makeIn } from '../jobs/make-in';
import { takeCut, undoCut } from './move-cut';

type Sheets = Pick<CuttingParentDraft, 'paperId' | 'sheets' | 'sheet'>;

/** @throws ProblemError 422 naming the paper when not so many are free, 404 when it is not there */
function refuseTooMany({ papers }: Workshop, parents: readonly Sheets[]): void {
  const wanted = new Map<string, Sheets[]>();
  for (const one of parents) wanted.set(one.paperId, [...(wanted.get(one.paperId) ?? []), one]);
  for (const [paperId, all] of wanted) {
    const paper = papers.get(paperId);
    const { name, count, reserved } = paper;
    const sheets = all.reduce((sum, one) => sum + one.sheets, 0);
    if (freeOf(paper) < sheets)
      throw new ProblemError(
        422,
        `“${name}” has ${count} on the shelf${reserved ? `, ${reserved} of them kept for other jobs` : ''}; this takes ${sheets}.`,
      );
    const { widthMm, heightMm } = paper;
    if (all.some(({ sheet }) => sheet.widthMm !== widthMm || sheet.heightMm !== heightMm))
      throw new ProblemError(422, `“${name}” has another size by now. Plan anew.`);
  }
}

/** Makes of a plan give up the sheets that they kept by themselves. @throws ProblemError 422 for one that is cut, or in another plan */
function takeOver(workshop: Workshop, { id, lines }: NewCuttingPlan): void {
  const makes = new Set(lines.flatMap(({ makeId }) => (makeId === null ? [] : [makeId])));
  for (const makeId of makes) {
    const { job, make } = makeIn(workshop, makeId);
    if (make.cut?.done) throw new ProblemError(422, `“${job.title}” is cut already. Take that back first.`);
    const other = workshop.cuttingPlans.ofMake(makeId);
    if (other && other.id !== id)
      throw new ProblemError(422, `“${job.title}” is in the cutting plan “${other.title}” already.`);
    for (const { entryKey } of lines.filter((line) => line.makeId === makeId))
      if (!make.make.entries.some(({ key }) => key === entryKey))
        throw new ProblemError(422, `There is no “${entryKey}” in “${job.title}”.`);
    if (make.cut) release(workshop, makeId);
  }
}

const sent = ({ parents, ...plan }: CuttingPlanKept): object => ({
  ...plan,
  parents: parents.map(({ done: _, ...parent }) => parent),
});

/** Keeps a plan and reserves its sheets; sent twice, it is there once. */
export function addPlan(workshop: Workshop, plan: NewCuttingPlan, at: string): Added<CuttingPlanKept> {
  const { db, cuttingPlans } = workshop;
  const { id, ...draft } = plan;
  return addOnce(
    db,
    draft,
    () => cuttingPlans.any(id),
    () => {
      takeOver(workshop, plan);
      refuseTooMany(workshop, plan.parents);
      return cuttingPlans.insert(plan, at);
    },
    sent,
  );
}

/** Replaces what is not cut yet; what was reserved for it is free for the new sheets. */
export function planAnew(
  workshop: Workshop,
  id: string,
  next: Pick<NewCuttingPlan, 'parents' | 'missing' | 'proof'> & { readonly version: number },
  at: string,
): CuttingPlanKept {
  const { db, cuttingPlans } = workshop;
  return inOneGo(db, () => {
    cuttingPlans.bump(id, next.version, at);
    cuttingPlans.replaceOpen(id, { ...next, parents: [] });
    refuseTooMany(workshop, next.parents);
    return cuttingPlans.replaceOpen(id, next);
  });
}

function parentIn(plan: CuttingPlanKept, parentId: string): CuttingParent & { readonly paperId: string } {
  const found = plan.parents.find((one) => one.id === parentId);
  if (!found) throw notFound('sheet in this plan');
  if (found.paperId === null) throw new ProblemError(422, 'That paper was thrown away for good.');
  return { ...found, paperId: found.paperId };
}

/** @throws ProblemError 422 when something that was cut from these sheets is in the logbook */
function refuseUsed({ db }: Workshop, { lines }: CuttingPlanKept, { pieces }: CuttingParent): void {
  const used = db.prepare<[string], { title: string }>(
    'SELECT title FROM log_entries WHERE make_id = ? AND removed_at IS NULL LIMIT 1',
  );
  for (const { line } of pieces) {
    const makeId = lines[line]?.makeId;
    const entry = makeId && used.get(makeId);
    if (entry) throw new ProblemError(422, `“${entry.title}” in the logbook was cut from it.`);
  }
}

/** Ticks sheets as cut, which moves the stock, or takes that back. */
export function tickCut(
  workshop: Workshop,
  id: string,
  { version, parentId, done }: { readonly version: number; readonly parentId: string; readonly done: boolean },
  at: string,
): CuttingPlanKept {
  const { db, cuttingPlans } = workshop;
  return inOneGo(db, () => {
    cuttingPlans.bump(id, version, at);
    const plan = cuttingPlans.get(id);
    const parent = parentIn(plan, parentId);
    if (parent.done === done) throw new ProblemError(422, done ? 'It is cut already.' : 'It is not cut yet.');
    if (done) cuttingPlans.tick(id, parentId, true, takeCut(workshop, parent, at));
    else {
      refuseUsed(workshop, plan, parent);
      undoCut(workshop, parent.paperId, [parent], cuttingPlans.keptOf(id, parentId), parent.sheets, at);
      cuttingPlans.tick(id, parentId, false, []);
    }
    return cuttingPlans.written(id);
  });
}

/** Takes a plan out of the bin, with its sheets. @throws ProblemError 422 when they are not free any more */
export function restorePlan(workshop: Workshop, id: string): CuttingPlanKept {
  const { db, cuttingPlans } = workshop;
  return inOneGo(db, () => {
    const found = cuttingPlans.any(id);
    if (found?.removed) {
      const open = found.row.parents.filter(({ done }) => !done);
      refuseTooMany(
        workshop,
        open.flatMap(({ paperId, ...one }) => (paperId === null ? [] : [{ ...one, paperId }])),
      );
      takeOver(workshop, { ...found.row, parents: [] });
    }
    return cuttingPlans.restore(id);
  });
}
