import {
  type CuttingParent,
  type CuttingParentDraft,
  type CuttingPlanKept,
  type NewCuttingPlan,
} from '@odd-corner/contract';
import { type Added, addOnce } from '../db/add-once';
import { inOneGo } from '../db/in-one-go';
import type { Workshop } from '../db/workshop';
import { notFound, ProblemError } from '../http/problem-error';
import { release } from '../jobs/cut-sheets';
import { makeIn } from '../jobs/make-in';
import { takeCut, undoCut } from './move-cut';
import { refuseTooMany, sheetsByPaper } from './refuse-too-many';

type Sheets = Pick<CuttingParentDraft, 'paperId' | 'sheets' | 'sheet'>;

/** @throws ProblemError 422 when not so many are free, or a paper has another size by now; 404 for one that is not there */
function refuseParents(workshop: Workshop, parents: readonly Sheets[]): void {
  refuseTooMany(workshop, sheetsByPaper(parents));
  for (const { paperId, sheet } of parents) {
    const { name, widthMm, heightMm } = workshop.papers.get(paperId);
    if (sheet.widthMm !== widthMm || sheet.heightMm !== heightMm)
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
      refuseParents(workshop, plan.parents);
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
    const { lines } = cuttingPlans.get(id);
    if (next.parents.some(({ pieces }) => pieces.some(({ line }) => line >= lines.length)))
      throw new ProblemError(422, 'A piece is for no line of this plan.');
    cuttingPlans.replaceOpen(id, { ...next, parents: [] });
    refuseParents(workshop, next.parents);
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
    if (done) cuttingPlans.tick(id, parentId, true, takeCut(workshop, parent, parent.sheets, at));
    else {
      refuseUsed(workshop, plan, parent);
      undoCut(workshop, parent.paperId, [parent], cuttingPlans.keptOf(id, parentId), parent.sheets, at);
      cuttingPlans.tick(id, parentId, false, []);
    }
    return cuttingPlans.written(id);
  });
}

/**
 * Puts a plan into the bin; what it reserves is free.
 * @throws ProblemError 422 when some of it is cut and it holds sheets of a job: without it they would be taken once more
 */
export function removePlan({ db, cuttingPlans }: Workshop, id: string, at: string): void {
  inOneGo(db, () => {
    const cut = db
      .prepare<[string], unknown>(
        'SELECT 1 FROM plan_parents p JOIN plan_makes m ON m.plan_id = p.plan_id WHERE p.plan_id = ? AND p.done = 1 LIMIT 1',
      )
      .get(id);
    if (cut) throw new ProblemError(422, 'Some of it is cut, and it holds sheets of a job. Take that back first.');
    cuttingPlans.remove(id, at);
  });
}

/** Takes a plan out of the bin, with its sheets. @throws ProblemError 422 when they are not free any more */
export function restorePlan(workshop: Workshop, id: string): CuttingPlanKept {
  const { db, cuttingPlans } = workshop;
  return inOneGo(db, () => {
    const found = cuttingPlans.any(id);
    if (found?.removed) {
      const open = found.row.parents.filter(({ done }) => !done);
      refuseParents(
        workshop,
        open.flatMap(({ paperId, ...one }) => (paperId === null ? [] : [{ ...one, paperId }])),
      );
      takeOver(workshop, { ...found.row, parents: [] });
    }
    return cuttingPlans.restore(id);
  });
}
