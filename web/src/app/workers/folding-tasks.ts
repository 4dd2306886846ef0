import {
  byItself,
  COMMON_PAPER,
  creasePicture,
  type Drawing,
  entriesOf,
  FoldRefused,
  formById,
  type FormSizes,
  type FormStep,
  HANDS,
  type Looking,
  make,
  type Made,
  type Opened,
  openedScene,
  type PaperScene,
  pieceDrawing,
  pieceScene,
  scaledFolding,
  SHELF,
  sheetFor,
  type SheetSize,
  type SizeOptions,
  type SizeSum,
  sizeSums,
  type Squaring,
  squaringSteps,
  stepPictures,
  type StepFacts,
  stepFacts,
  type StepPictures,
  stlOf,
  trianglesOf,
} from '@odd-corner/core';
import { answerTasks } from './answer-tasks';
import { type Attempt, attempt } from './attempt';
import { type FormAsked, madeForm } from './fold-piece';
import { faceTasks } from './face-tasks';
import { type PieceState, makeTasks } from './make-tasks';
import { markTasks } from './mark-tasks';
import { slipTasks } from './slip-tasks';
import { type FormStepsAsked, markedForm } from './marked-piece';
import { inSlices, pause } from './in-slices';
import { fitting, questions } from './fitting';

/** A step ready to be shown: words and pictures, no poses. */
export interface ShownStep extends Omit<FormStep, 'poses' | 'arrows' | 'meant'> {
  readonly pictures: StepPictures;
  readonly facts: StepFacts;
  readonly creasePattern: Drawing;
}

/** A question that comes right at the start goes first. */
const WARM_UP_AFTER_MS = 400;

export interface TriedPiece {
  readonly sizes: FormSizes;
  readonly creasePattern: Drawing;
  readonly pieceStates: readonly PieceState[];
  readonly steps: number;
}
export type Tried = Attempt<TriedPiece>;
export type ShownSteps = Attempt<readonly ShownStep[]>;

export interface OpenedPiece extends Pick<Opened, 'volumes' | 'note'> {
  readonly scene: PaperScene;
}

let last: { readonly key: string; readonly made: Made } | null = null;

/**
 * The piece at its sheet. While only the sheet's size is dragged and no length is given, it is similar to the piece before:
 * that one is scaled and measured anew instead of folded anew.
 */
function similar(asked: FormAsked): Pick<Made, 'folding' | 'sizes'> & { readonly steps: number } {
  const { formId, sheet, params, thicknessMm } = asked;
  const form = SHELF.piece(formId);
  const fixed =
    form.fixedLengths ??
    form.fields.some(({ key, input }) => input.kind === 'length' && typeof params[key] === 'number');
  const key = fixed
    ? null
    : JSON.stringify([formId, params, Math.round((1e9 * sheet.widthMm) / sheet.heightMm), thicknessMm]);
  if (key && last?.key === key) {
    const { made: before } = last;
    const folding = scaledFolding(before.folding, sheet.widthMm / before.sheet.widthMm);
    const lying = sheetFor(form, sheet);
    return {
      folding,
      sizes: form.sizes(folding, lying, form.params.parse(params), thicknessMm),
      steps: before.folding.steps.length,
    };
  }
  const piece = madeForm(asked);
  if (key) last = { key, made: piece };
  return { ...piece, steps: piece.folding.steps.length };
}

function shownSteps(steps: readonly FormStep[], looking: Looking): ShownStep[] {
  return steps.map((step) => {
    const { poses, arrows: _arrows, meant: _meant, ...words } = step;
    return {
      ...words,
      pictures: stepPictures(step, looking),
      facts: stepFacts(step),
      creasePattern: creasePicture(poses[poses.length - 1], words.creases),
    };
  });
}

/** The sheet from which the card of a form is folded. */
function cardSheet(formId: string): SheetSize {
  const { sheetShape } = formById(formId);
  const long = sheetShape === 'square' ? 1 : Math.min(1.29, sheetShape.longPerShort[1]);
  return { widthMm: 150 * long, heightMm: 150 };
}

/** How the other pieces of what a card shows are sized. */
const CARD_OPTIONS: SizeOptions = {
  ...{ ease: 'easy', ruler: 'mm', thicknessMm: 0.1, gsm: COMMON_PAPER.gsm },
  ...{ turning: 'upright', fingerRoom: false, confidence: null, handMm: HANDS.exact.missMm },
};

/** The work that is done off the screen's thread, so that typing and turning pages never wait for it. */
export const foldingTasks = {
  ...answerTasks,
  ...makeTasks,
  ...markTasks,
  ...slipTasks,
  ...faceTasks,

  /** Fulfilled once others can see that this worker lives: where tasks run on the page's own thread, at once. */
  watched(): Promise<void> {
    return Promise.resolve();
  },

  /**
   * Folds every form in all its ways, so that the first real answer finds the code warm and the structures known. Other work
   * comes in between.
   */
  async warmUp(): Promise<void> {
    await pause(WARM_UP_AFTER_MS);
    for (const _ of fitting.warming()) await questions.none();
  },

  /** A form's folded piece as its card shows it. */
  card(formId: string): Drawing {
    const form = formById(formId);
    const sheet = cardSheet(formId);
    const [first, ...others] = entriesOf(form, {});
    if (others.length || first.copies > 1) {
      const whole = makeTasks.whole({
        formId,
        sheet,
        params: form.params.parse({}) as Readonly<Record<string, unknown>>,
        options: CARD_OPTIONS,
      });
      if (whole.ok) return whole.value.scene.open;
    }
    const { folding } = make(formId, { sheet, params: {}, paper: { thicknessMm: CARD_OPTIONS.thicknessMm } });
    return pieceDrawing(folding.finished);
  },

  /** A form tried at a sheet and parameters: what comes out, or why nothing does. */
  tried(asked: FormAsked): Tried {
    return attempt(() => {
      const { folding, sizes, steps } = similar(asked);
      const form = SHELF.piece(asked.formId);
      const floor = form.floor?.(sheetFor(form, asked.sheet), form.params.parse(asked.params));
      const { finished, open, flat } = folding;
      const pieceStates: PieceState[] = [{ name: 'finished', scene: pieceScene(finished, sizes, floor) }];
      if (open && open !== finished) pieceStates.push({ name: 'open', scene: pieceScene(open, sizes, floor) });
      if (flat) pieceStates.push({ name: 'flat', scene: pieceScene(flat, sizes) });
      return { sizes, creasePattern: creasePicture(finished), pieceStates, steps };
    });
  },

  /** A folded piece as an STL file: finished, or open where that is another state. */
  solid(asked: FormAsked, state: 'finished' | 'open'): Attempt<string> {
    return attempt(() => {
      const { finished, open = finished } = madeForm(asked).folding;
      const { states } = byItself({ entry: 'piece', copy: 0 }, state === 'open' ? open : finished);
      return stlOf(
        `${asked.formId}-${state}`,
        trianglesOf(states.closed, () => asked.thicknessMm),
      );
    });
  },

  /** What each size of a piece comes from. */
  sums({ formId, sheet, params, thicknessMm }: FormAsked): readonly SizeSum[] {
    try {
      return sizeSums(fitting, formId, sheet, params, thicknessMm);
    } catch (error) {
      // What cannot be folded is told where it is tried.
      if (error instanceof RangeError || error instanceof FoldRefused) return [];
      throw error;
    }
  },

  /**
   * A soft piece brought into the shape that it has in use.
   * @param tell told how many steps it has made
   * @param wanted asked now and then; false stops the work
   */
  async opened(
    asked: FormAsked,
    tell: (steps: number) => void,
    wanted: () => Promise<boolean>,
  ): Promise<OpenedPiece | null> {
    const work = SHELF.piece(asked.formId).opened?.(madeForm(asked).sizes);
    if (!work) return null;
    let stopped = false;
    const opened = await inSlices(
      work,
      ({ steps }) => {
        tell(steps);
        void wanted().then((still) => (stopped = !still));
      },
      () => stopped,
    );
    return stopped ? null : { volumes: opened.volumes, note: opened.note, scene: openedScene(opened) };
  },

  /** How the largest square comes out of an oblong sheet, ready to be shown. */
  squaring(size: SheetSize, how: Squaring, looking: Looking): readonly ShownStep[] {
    return shownSteps(squaringSteps(size, how).steps, looking);
  },

  /** All steps of a form at a sheet, ready to be shown. */
  formSteps({ unit, looking, marks, ...asked }: FormStepsAsked): ShownSteps {
    return attempt(() => {
      const { steps, uses = [] } = markedForm(asked, marks ?? null, unit).folding;
      return shownSteps([...steps, ...uses], looking);
    });
  },
};

export type FoldingTasks = typeof foldingTasks;
