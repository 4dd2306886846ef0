import {
  type Blame,
  atOnce,
  blame,
  answerDrawing,
  askingFor,
  chanceOn,
  optionsFor,
  RULERS,
  assemblyScene,
  contentsOn,
  entriesSized,
  foldMake,
  answering,
  type Confidence,
  type FormAnswered,
  type Held,
  holding,
  pieceScene,
  prepare,
  type Purpose,
  replaying,
  type SizedForm,
  type SizeOptions,
  formById,
  make,
  sheetFor,
  type RulerId,
  type SheetSize,
  type Drawing,
} from '@odd-corner/core';
import { fitting, questions } from './fitting';
import { inSlices, pause } from './in-slices';

/** How often an answer is folded again. */
const REPLAYS = 2000;
/** So many sheets are looked at on either side of the told one. */
const MARKS_BESIDE = 6;
/** How long the worker may go on before it hears whether it is still wanted, in ms. */
const SLICE_MS = 15;

export interface AnswersAsked {
  readonly purpose: Purpose;
  readonly options: SizeOptions;
}

export interface PictureAsked {
  readonly answer: SizedForm;
  readonly thicknessMm: number;
}

export interface ReplaysAsked extends AnswersAsked {
  readonly answer: SizedForm;
}

/** How often it fits from one sheet. */
export interface SheetChance {
  /** From the told one, in marks of the ruler. */
  readonly marks: number;
  readonly sheet: SheetSize;
  readonly chance: number;
}

/** Questions about purposes: which forms do, how they look with their contents, how sure they are. */
export const answerTasks = {
  /**
   * All forms that answer a purpose, each told as it is known: first for a hand that misses nothing, then with the confidence
   * that was asked for. Ends only when all has been heard: what is told travels by a port of its own, and the end of the work
   * may overtake it.
   * @param wanted asked between forms; false stops the work
   */
  async answers(
    { purpose, options }: AnswersAsked,
    tell: (answered: FormAnswered) => unknown,
    wanted: () => Promise<boolean>,
  ): Promise<void> {
    const answered = questions.begin();
    const heard: Promise<unknown>[] = [];
    let still = true;
    let began = performance.now();
    try {
      for (const one of answering(fitting, purpose, options)) {
        if (one) heard.push(Promise.resolve(tell(one)));
        else if (performance.now() - began < SLICE_MS) continue;
        void wanted().then((yes) => (still = yes));
        await pause();
        if (!still) break;
        began = performance.now();
      }
    } finally {
      answered();
    }
    await Promise.all(heard);
  },

  /** An answer folded, with its contents in it and all that belongs to it. */
  answerPicture({ answer, thicknessMm }: PictureAsked): Drawing {
    const { formId, sheet, params, fit, others } = answer;
    const form = formById(formId);
    const floor = form.floor?.(sheetFor(form, sheet), form.params.parse(params));
    if (others.length) {
      const entries = Object.fromEntries(
        entriesSized(answer).map((one) => [one.key, { sheet: one.sheet, thicknessMm, params: one.params }]),
      );
      const made = foldMake({ formId, params: answer.make, entries });
      const inner = made.entries.get(answer.key)?.folding.finished;
      const sides = inner && floor && fit.arrangement ? contentsOn(inner, floor, fit.arrangement).flat() : [];
      return assemblyScene(made.assembly, { in: { entry: answer.key, copy: 0 }, sides }).open;
    }
    const { folding, sizes } = make(formId, { sheet, params, paper: { thicknessMm } });
    // Where a piece is filled before it is closed, it is shown open.
    const shown = form.floor && folding.open ? folding.open : folding.finished;
    return answerDrawing(shown, sizes.rooms[0], floor, fit.arrangement);
  },

  /**
   * Folds an answer again and again by a hand that misses its marks.
   * @param tell told what is known so far
   * @param wanted asked now and then; false stops the work
   */
  async replays(
    { answer, purpose, options }: ReplaysAsked,
    tell: (soFar: Confidence) => void,
    wanted: () => Promise<boolean>,
  ): Promise<Confidence> {
    let stopped = false;
    const work = replaying(fitting, answer, prepare(purpose, options), options, REPLAYS);
    return inSlices(
      work,
      (soFar) => {
        tell(soFar);
        void wanted().then((still) => (stopped = !still));
      },
      () => stopped,
    );
  },

  /**
   * How often an answer fits from sheets a few marks smaller and larger.
   * @param tell called with each sheet as it is known
   * @param wanted asked between them; false stops the work
   */
  async chances(
    { answer, purpose, options }: ReplaysAsked,
    tell: (one: SheetChance) => void,
    wanted: () => Promise<boolean>,
  ): Promise<void> {
    const piece = fitting.pieceOf(answer.way);
    const asking = askingFor(fitting, prepare(purpose, options));
    const own = optionsFor(options, answer.formId, answer.key);
    const { stepMm } = RULERS[options.ruler];
    const { widthMm, heightMm } = answer.sheet;
    // The told one first, then its neighbours.
    for (const marks of Array.from({ length: 2 * MARKS_BESIDE + 1 }, (_, k) => (k % 2 ? -1 : 1) * Math.ceil(k / 2))) {
      const sheet = { widthMm: widthMm + marks * stepMm, heightMm: heightMm + marks * stepMm };
      const chance = atOnce(chanceOn(fitting, piece, asking, { ...own, confidence: options.confidence ?? 0.9 }, sheet));
      if (chance !== null) tell({ marks, sheet, chance });
      if (!(await wanted())) return;
      await pause();
    }
  },

  /** Which folds the doubt about an answer comes from, by the titles of their steps. */
  blamed({ answer, purpose, options }: ReplaysAsked): readonly Blame[] {
    const { formId, sheet, params } = answer;
    const { folding } = make(formId, { sheet, params, paper: { thicknessMm: options.thicknessMm } });
    const shares = new Map<string, number>();
    for (const { fold, share } of atOnce(blame(fitting, answer, prepare(purpose, options), options))) {
      const title = folding.steps.find(({ creases }) => creases.includes(fold))?.title ?? fold;
      shares.set(title, (shares.get(title) ?? 0) + share);
    }
    return [...shares].map(([fold, share]) => ({ fold, share })).sort((p, q) => q.share - p.share);
  },

  /** A form from a sheet with its room drawn in: a block on its floor, the largest flat thing of a pocket. */
  heldPicture({ formId, sheet, params }: Pick<Held, 'formId' | 'sheet' | 'params'>, thicknessMm: number): Drawing {
    const form = formById(formId);
    const { folding, sizes } = make(formId, { sheet, params, paper: { thicknessMm } });
    const floor = form.floor?.(sheetFor(form, sheet), form.params.parse(params));
    // Where a piece is filled before it is closed, it is shown open.
    return pieceScene(floor && folding.open ? folding.open : folding.finished, sizes, floor).open;
  },

  /** What each form will hold that takes a sheet as it is. */
  async holds(sheet: SheetSize, thicknessMm: number, ruler: RulerId): Promise<readonly Held[]> {
    const found: Held[] = [];
    for (const held of holding(fitting, sheet, { thicknessMm, ruler })) {
      if (held) found.push(held);
      else await pause();
    }
    return found;
  },
};
