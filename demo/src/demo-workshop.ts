import {
  type CopyProgress,
  choiceOf,
  type Choice,
  draftOf,
  type InsideSize,
  type Job,
  type JobMake,
  type LogEntry,
  measuredOf,
  type PaperThen,
  predictedInside,
  type Place,
  sizeTrayJob,
  toFold,
  USUAL_SETTINGS,
  type Workshop,
} from '@odd-corner/contract';
import {
  caliperOf,
  cutSquares,
  type EaseId,
  ENGINE_VERSION,
  Fitting,
  foldMake,
  foretell,
  formatSizes,
  HANDS,
} from '@odd-corner/core';
import { demoId } from './demo-id';
import { demoPapers } from './papers';
import { demoBlock, demoThings } from './things';

interface Plan {
  readonly title: string;
  /** Numbers in the lists of things and papers, from 1. */
  readonly thing: number;
  readonly paper: number;
  readonly ease: EaseId;
  readonly walls: Choice['walls'];
  readonly daysAgo: number;
  readonly progress: Place;
  /** Pieces folded so far: how far each came out from the prediction, in mm. */
  readonly folded: readonly {
    readonly off: InsideSize;
    readonly minutes: number;
    readonly note: string;
    readonly daysAgo: number;
  }[];
}

const NOT_BEGUN = { part: 'tray', step: 0, seconds: 0 } as const;

const PLANS: readonly Plan[] = [
  {
    title: 'Watch parts, bench by the window',
    thing: 1,
    paper: 6,
    ease: 'easy',
    walls: 'measured',
    daysAgo: 0,
    progress: { part: 'tray', step: 7, seconds: 410 },
    folded: [],
  },
  {
    title: 'Spare buttons for the sorter',
    thing: 2,
    paper: 10,
    ease: 'loose',
    walls: 'folded',
    daysAgo: 9,
    progress: { part: 'lid', step: 16, seconds: 1510 },
    folded: [
      {
        off: { lengthMm: -0.4, widthMm: -0.9, depthMm: -0.3 },
        minutes: 27,
        note: 'First one. Ends a little tight.',
        daysAgo: 36,
      },
      {
        off: { lengthMm: -0.2, widthMm: -0.6, depthMm: 0.1 },
        minutes: 22,
        note: 'Second for the greeter’s desk.',
        daysAgo: 9,
      },
    ],
  },
  {
    title: 'Fuses, one box per lamp kind',
    thing: 3,
    paper: 8,
    ease: 'easy',
    walls: 'folded',
    daysAgo: 8,
    progress: { part: 'lid', step: 16, seconds: 1260 },
    folded: [
      { off: { lengthMm: 0.3, widthMm: -0.5, depthMm: -0.2 }, minutes: 21, note: '', daysAgo: 8 },
      {
        off: { lengthMm: -0.7, widthMm: -1.1, depthMm: 0.4 },
        minutes: 19,
        note: 'Folded while talking; one gusset went the wrong way first.',
        daysAgo: 8,
      },
    ],
  },
  {
    title: 'Washers for the children’s boats',
    thing: 4,
    paper: 5,
    ease: 'snug',
    walls: 'measured',
    daysAgo: 3,
    progress: NOT_BEGUN,
    folded: [],
  },
  {
    title: 'Clock weights, to go home in',
    thing: 12,
    paper: 10,
    ease: 'loose',
    walls: 'measured',
    daysAgo: 2,
    progress: { part: 'lid', step: 4, seconds: 1105 },
    folded: [],
  },
  {
    title: 'Radio knobs',
    thing: 10,
    paper: 7,
    ease: 'easy',
    walls: 'folded',
    daysAgo: 22,
    progress: { part: 'lid', step: 16, seconds: 1330 },
    folded: [
      {
        off: { lengthMm: -0.3, widthMm: -0.7, depthMm: -0.1 },
        minutes: 23,
        note: 'Kraft holds its crease well.',
        daysAgo: 22,
      },
    ],
  },
];

const DAY_MS = 86_400_000;
const toHalfMm = (mm: number): number => Math.round(mm * 2) / 2;

/** How far folding has come, by the ids of the steps that a make is folded in. */
function progressOf({ make }: Pick<JobMake, 'make'>, { part, step, seconds }: Place): CopyProgress[] {
  const { entries } = foldMake(toFold(make));
  const done = (entryKey: string, steps: number, spent: number): CopyProgress[] => {
    const ids = entries
      .get(entryKey)!
      .folding.steps.slice(0, steps)
      .map(({ id }) => id);
    return ids.length ? [{ entryKey, copy: 0, done: ids, seconds: spent }] : [];
  };
  return part === 'tray'
    ? done('tray', step, seconds)
    : [...done('tray', Infinity, Math.round(0.55 * seconds)), ...done('lid', step, Math.round(0.45 * seconds))];
}

/**
 * The demo workshop: the monthly repair café “Saturday Mend” in the harbour town of Port Ellery. Sheets and predicted
 * sizes are worked out by folding when it is loaded.
 */
export function demoWorkshop(now: Date): Workshop {
  const papers = demoPapers();
  const things = demoThings();
  const ago = (days: number, minutes = 0): string =>
    new Date(now.getTime() - days * DAY_MS - minutes * 60_000).toISOString();
  const jobs: Omit<Job, 'state'>[] = [];
  const log: LogEntry[] = [];
  const fitting = new Fitting();
  const handMm = HANDS[USUAL_SETTINGS.hand].missMm;
  PLANS.forEach((plan, k) => {
    const held = demoBlock(plan.thing);
    const paper = papers[plan.paper - 1];
    const { ease, walls, title } = plan;
    const sized = sizeTrayJob(fitting, { block: held, ease, ruler: 'mm', walls, thicknessMm: caliperOf(paper) });
    if (!sized) throw new RangeError(`No sheet is large enough for “${title}”.`);
    const choice = choiceOf(sized, paper.id);
    const text = formatSizes([held.lengthMm, held.widthMm, held.heightMm], 'mm');
    const [{ chance, ...draft }] = draftOf(
      { title, purpose: { text, block: held, ease }, choice },
      demoId('make', k + 1),
    ).makes;
    const { colourFront, colourBack, gsm, name } = paper;
    const then: PaperThen = { paperId: paper.id, name, caliperMm: caliperOf(paper), gsm, colourFront, colourBack };
    const told = {
      ...{ sizes: foretell(toFold(draft.make), handMm), chance, handMm, engineVersion: ENGINE_VERSION },
      papers: { tray: [then], lid: [then] },
    };
    const make: JobMake = { ...draft, told, cut: null, progress: progressOf(draft, plan.progress) };
    const id = demoId('job', k + 1);
    jobs.push({
      ...{ id, title, folderHandId: null, makes: [make], version: 1, archivedAt: null },
      createdAt: ago(plan.daysAgo + 5),
      updatedAt: ago(plan.daysAgo, 30),
    });
    const inside = predictedInside(told.sizes)!;
    for (const { off, minutes, note, daysAgo } of plan.folded) {
      const sheets = cutSquares(paper, [choice.tray.sheetMm, choice.lid.sheetMm])?.sheetsUsed ?? 0;
      log.push({
        ...{ id: demoId('piece', log.length + 1), jobId: id, makeId: make.id, title, make: make.make },
        ...{ papers: told.papers, predicted: told.sizes, copies: 1, folderHandId: null, fits: 'well', minutes, note },
        sheetsUsed: [{ paperId: paper.id, paperName: name, sheets }],
        measured: measuredOf({
          lengthMm: toHalfMm(inside.lengthMm + off.lengthMm),
          widthMm: toHalfMm(inside.widthMm + off.widthMm),
          depthMm: toHalfMm(inside.depthMm + off.depthMm),
        }),
        foldedAt: ago(daysAgo, 60 + log.length * 7),
        version: 1,
      });
    }
  });
  return { settings: USUAL_SETTINGS, papers, things, hands: [], jobs, log };
}
