import {
  type Asked,
  askedOf,
  type CopyProgress,
  type Cut,
  type EntryPapers,
  found,
  type FolderHand,
  type Job,
  type JobMake,
  keptPlan,
  type LogEntry,
  makeOf,
  NO_BATCH,
  optionsOf,
  type Paper,
  type PaperMove,
  type PaperThen,
  planMake,
  type Predicted,
  purposeOfOne,
  sheetsFrom,
  toFold,
  USUAL_SETTINGS,
  type Workshop,
} from '@odd-corner/contract';
import {
  areaOf,
  caliperOf,
  ENGINE_VERSION,
  Fitting,
  foldMake,
  foretell,
  HANDS,
  isSized,
  parsePurpose,
  sizeFor,
  sizeNameOf,
} from '@odd-corner/core';
import { demoId } from './demo-id';
import { demoEyeTries } from './eye-tries';
import { demoPapers } from './papers';
import { type FoldedPlan, type JobPlan, type MakePlan, PLANS } from './plans';
import { demoThings } from './things';
import { demoTrials } from './trials';

const DAY_MS = 86_400_000;
const MANY = 1_000_000;
/** Since when sheets are counted here. */
const BEGUN_DAYS_AGO = 200;
const USUAL_MISS_MM = HANDS[USUAL_SETTINGS.hand].missMm;

const toHalfMm = (mm: number): number => Math.round(mm * 2) / 2;

/** Who folds beside the usual hand: roles, no names. */
const HANDS_HERE: readonly FolderHand[] = [
  { id: demoId('hand', 1), name: 'Saturday helper', missMm: 0.6, version: 1 },
  { id: demoId('hand', 2), name: 'Bench lead', missMm: 0.2, version: 1 },
];

const handOf = (number: number | undefined): FolderHand | null => (number ? HANDS_HERE[number - 1] : null);

/** How far folding has come, by the ids of the steps that a make is folded in. */
function progressOf(make: JobMake['make'], { done = [], seconds = 0, count = 1 }: MakePlan): CopyProgress[] {
  const { entries } = foldMake(toFold(make));
  const copies = [...entries].flatMap(([entryKey, { entry, folding }]) =>
    Array.from({ length: count * entry.copies }, (_, copy) => ({ entryKey, copy, steps: folding.steps })),
  );
  const begun = copies.flatMap(({ entryKey, copy, steps }, k): CopyProgress[] => {
    const ids = steps.slice(0, done === 'all' ? steps.length : (done[k] ?? 0)).map(({ id }) => id);
    return ids.length ? [{ entryKey, copy, done: ids, seconds: 0 }] : [];
  });
  const steps = begun.reduce((sum, one) => sum + one.done.length, 0);
  return begun.map((one) => ({ ...one, seconds: Math.round((seconds * one.done.length) / steps) }));
}

const thenOf = (paper: Paper | Workshop['papers'][number]): PaperThen => ({
  ...{ paperId: paper.id, name: paper.name, caliperMm: caliperOf(paper), gsm: paper.gsm },
  ...{ colourFront: paper.colourFront, colourBack: paper.colourBack },
});

/** Everything of the demo that is worked out by folding, with what it learns on the way. */
class DemoWorks {
  private readonly fitting = new Fitting();

  constructor(private readonly papers: Workshop['papers']) {}

  /** A make as its plan asks for it, at the sheets that the engine finds. */
  make(id: string, plan: MakePlan, handMm: number): JobMake {
    const paper = this.papers[plan.paper - 1];
    const { options: more, given, formId, count = 1 } = plan;
    const usual = { ease: USUAL_SETTINGS.ease, ruler: USUAL_SETTINGS.ruler, turning: 'upright' } as const;
    const on = { gsm: paper.gsm, thicknessMm: caliperOf(paper), handMm };
    const plain = { ...usual, fingerRoom: false, confidence: null, ...on };
    const asked: Asked = {
      ...{ text: plan.holds, purpose: parsePurpose(plan.holds) },
      options: { ...askedOf(plain, 1), ...more },
    };
    const answer = sizeFor(this.fitting, formId, purposeOfOne(asked)!, optionsOf(asked.options, on), given);
    if (!isSized(answer)) throw new RangeError(`No sheet does for “${plan.holds}” as ${formId}.`);
    const from: EntryPapers = { papers: [paper.id], thicknessMm: on.thicknessMm };
    const make = makeOf(found(answer), () => from);
    return {
      ...{
        id,
        asked,
        make,
        count,
        marks: null,
        art: null,
        cut: this.cut(make, plan),
        inPlan: null,
        batch: plan.batch ?? NO_BATCH,
      },
      told: {
        ...{ sizes: foretell(toFold(make), handMm), chance: answer.chance, handMm, engineVersion: ENGINE_VERSION },
        papers: Object.fromEntries(make.entries.map(({ key }) => [key, [thenOf(paper)]])),
      },
      progress: progressOf(make, plan),
    };
  }

  private cut(make: JobMake['make'], { cut, count = 1 }: MakePlan): Cut | null {
    const plan = cut && keptPlan(this.plan(make, count));
    return plan ? { plan, done: cut === 'cut' } : null;
  }

  private plan(make: JobMake['make'], count: number) {
    return planMake(
      make,
      count,
      this.papers.map((paper) => ({ ...paper, free: MANY })),
    );
  }

  /** An entry of the logbook: sizes as predicted, and as they came out. */
  entry(id: string, jobId: string, title: string, kept: JobMake, folded: FoldedPlan, foldedAt: string): LogEntry {
    const { make, told } = kept;
    const hand = handOf(folded.hand);
    const factor = (hand?.missMm ?? USUAL_MISS_MM) / told!.handMm;
    const predicted: Predicted = {};
    for (const [key, { mm, sdMm }] of Object.entries(told!.sizes)) predicted[key] = { mm, sdMm: (sdMm ?? 0) * factor };
    const [first] = make.entries;
    const inside = Object.entries(told!.sizes).filter(
      ([key]) => key.startsWith(`${first.key}/`) && sizeNameOf(make.formId, make.params, key)?.inside,
    );
    const measured = inside.flatMap(([key, { mm }], k): [string, number][] =>
      k < folded.off.length ? [[key, Math.max(0.5, toHalfMm(mm + folded.off[k]))]] : [],
    );
    const copies = folded.copies ?? 1;
    const plan = this.plan(make, copies);
    const [paperId] = first.papers;
    const paper = this.papers.find((one) => one.id === paperId)!;
    return {
      ...{ id, jobId, makeId: kept.id, title, make, papers: told!.papers, predicted },
      ...{ copies, folderHandId: hand?.id ?? null, fits: folded.fits ?? null, minutes: folded.minutes },
      ...{ note: folded.note, foldedAt, version: 1, measured: Object.fromEntries(measured) },
      sheetsUsed: [{ paperId: paper.id, paperName: paper.name, sheets: sheetsFrom(plan, paper.id) }],
    };
  }
}

/**
 * The demo workshop: the monthly repair café “Saturday Mend” in the harbour town of Port Ellery. Sheets and predicted
 * sizes are worked out by folding when it is loaded.
 */
export function demoWorkshop(now: Date): Workshop {
  const papers = demoPapers();
  const works = new DemoWorks(papers);
  const ago = (days: number, minutes = 0): string =>
    new Date(now.getTime() - days * DAY_MS - minutes * 60_000).toISOString();
  const log: LogEntry[] = [];
  let makes = 0;
  const jobs = PLANS.map((plan: JobPlan, k): Omit<Job, 'state'> => {
    const id = demoId('job', k + 1);
    const hand = handOf(plan.hand);
    const kept = plan.makes.map((make) => works.make(demoId('make', ++makes), make, hand?.missMm ?? USUAL_MISS_MM));
    for (const folded of plan.folded ?? []) {
      const at = ago(folded.daysAgo, 60 + log.length * 7);
      log.push(works.entry(demoId('piece', log.length + 1), id, plan.title, kept[0], folded, at));
    }
    return {
      ...{ id, title: plan.title, folderHandId: hand?.id ?? null, makes: kept, version: 1 },
      archivedAt: plan.archived ? ago(plan.daysAgo - 1) : null,
      ...{ createdAt: ago(plan.daysAgo + 5), updatedAt: ago(plan.daysAgo, 30) },
    };
  });
  return {
    trials: demoTrials(jobs, papers, ago),
    ...{ settings: USUAL_SETTINGS, papers, things: demoThings(), hands: [...HANDS_HERE], jobs, log, cuttingPlans: [] },
    moves: movesUntilNow(papers, log, ago(BEGUN_DAYS_AGO)),
    eyeTries: demoEyeTries(ago),
  };
}

/** How the sheets of the logbook went, and before that what must have lain there for as many to be left. */
function movesUntilNow(papers: Workshop['papers'], log: readonly LogEntry[], begun: string): PaperMove[] {
  const went = log.flatMap(({ sheetsUsed, make, copies, foldedAt }): PaperMove[] =>
    sheetsUsed.flatMap(({ paperId, sheets }) => {
      const paper = papers.find(({ id }) => id === paperId);
      if (!paper) return [];
      const areaMm2 = areaOf(paper);
      const wanted = make.entries.reduce((sum, { sheet, copies: n }) => sum + copies * n * areaOf(sheet), 0);
      const wasteMm2 = Math.max(0, sheets * areaMm2 - wanted);
      return [{ paperId, at: foldedAt, why: 'folded', sheets: -sheets, areaMm2, wasteMm2 }];
    }),
  );
  const there = papers.map((paper): PaperMove => {
    const used = went.reduce((sum, { paperId, sheets }) => (paperId === paper.id ? sum - sheets : sum), 0);
    return {
      ...{
        paperId: paper.id,
        at: begun,
        why: 'begun',
        sheets: paper.count + used,
        areaMm2: areaOf(paper),
        wasteMm2: 0,
      },
    };
  });
  return [...there, ...went].sort((a, b) => a.at.localeCompare(b.at));
}
