import {
  type BoxMade,
  type EaseId,
  insertFor,
  pairing,
  type Pairing,
  type RulerId,
  squareTray,
  type BlockSize,
  creasePicture,
  FoldRefused,
  FORMS,
  gradedStack,
  type FormSizes,
  make,
  type Made,
  type Opened,
  openedScene,
  pieceDrawing,
  pieceScene,
  scaledFolding,
  sheetFor,
  type SheetSize,
  type SizeSum,
  sizeSums,
  stackScene,
  type StackRequest,
  type Drawing,
  type FormStep,
  type Looking,
  makeTray,
  type ShownUnit,
  sizeTray,
  stepPictures,
  type StepFacts,
  stepFacts,
  type StepPictures,
  TooLarge,
  type TrayRequest,
  trayScene,
  type PaperScene,
  type TraySizing,
} from '@odd-corner/core';
import { answerTasks } from './answer-tasks';
import { inSlices, pause } from './in-slices';
import { fitting, questions } from './fitting';

export type SizeAnswer =
  { readonly ok: true; readonly sizing: TraySizing } | { readonly ok: false; readonly why: string };

/** One part at its sheet. */
export interface PartAsked {
  readonly formId: string;
  readonly part: 'tray' | 'eared-lid';
  readonly sheetMm: number;
  readonly wallMm: number | null;
  readonly thicknessMm: number;
}

export interface SceneAsked {
  readonly tray: PartAsked;
  readonly lid: PartAsked;
  readonly block: BlockSize | null;
}

/** A step ready to be shown: words and pictures, no poses. */
export interface ShownStep extends Omit<FormStep, 'poses' | 'arrows'> {
  readonly pictures: StepPictures;
  readonly facts: StepFacts;
  readonly creasePattern: Drawing;
}

export interface StepsAsked extends PartAsked {
  readonly unit: ShownUnit;
  readonly looking: Looking;
}

const made = ({ part, sheetMm, wallMm, thicknessMm }: PartAsked, unit?: ShownUnit) =>
  makeTray({ sheetMm, params: { part, wallMm }, thicknessMm, unit });

export interface PairAsked {
  readonly tray: PartAsked;
  readonly lid: PartAsked;
  readonly ruler: RulerId;
  readonly ease: EaseId;
}

export interface TrayPair extends Pairing {
  /** Sheet of the largest tray that stands inside with some play, in mm; null when there is none. */
  readonly insertMm: number | null;
}

/** A question that comes right at the start goes first. */
const WARM_UP_AFTER_MS = 400;

/** A set of trays, each standing in the next. */
export interface TrayStack {
  readonly sheets: readonly number[];
  readonly scene: PaperScene;
}

/** A form at a sheet, with whatever parameters it takes. */
export interface FormAsked {
  readonly formId: string;
  readonly sheet: SheetSize;
  readonly params: Readonly<Record<string, unknown>>;
  readonly thicknessMm: number;
}

export interface FormStepsAsked extends FormAsked {
  readonly unit: ShownUnit;
  readonly looking: Looking;
}

export type Attempt<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: string };

/** A lie that a piece has: finished, open for filling, or flat for carrying. */
export interface Lie {
  readonly name: 'finished' | 'open' | 'flat';
  readonly scene: PaperScene;
}

export interface TriedPiece {
  readonly sizes: FormSizes;
  readonly creasePattern: Drawing;
  readonly lies: readonly Lie[];
  readonly steps: number;
}
export type Tried = Attempt<TriedPiece>;
export type ShownSteps = Attempt<readonly ShownStep[]>;

export interface OpenedPiece extends Pick<Opened, 'volumes' | 'note'> {
  readonly scene: PaperScene;
}

const madeForm = ({ formId, sheet, params, thicknessMm }: FormAsked, unit?: ShownUnit): Made =>
  make(formId, { sheet, params, paper: { thicknessMm }, unit });

let last: { readonly key: string; readonly made: Made } | null = null;

/**
 * The piece at its sheet. While only the sheet's size is dragged and no length is given, it is similar to the piece before:
 * that one is scaled and measured anew instead of folded anew.
 */
function similar(asked: FormAsked): Pick<Made, 'folding' | 'sizes'> & { readonly steps: number } {
  const { formId, sheet, params, thicknessMm } = asked;
  const form = FORMS[formId];
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

/** What a sheet or a setting does not allow is told in words; anything else is a fault of ours. */
function attempt<T>(work: () => T): Attempt<T> {
  try {
    return { ok: true, value: work() };
  } catch (error) {
    if (error instanceof RangeError || error instanceof FoldRefused) return { ok: false, why: error.message };
    throw error;
  }
}

function shownSteps(steps: readonly FormStep[], looking: Looking): ShownStep[] {
  return steps.map((step) => {
    const { poses, arrows: _arrows, ...words } = step;
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
  const { sheetShape } = FORMS[formId];
  const long = sheetShape === 'square' ? 1 : Math.min(1.29, sheetShape.longPerShort[1]);
  return { widthMm: 150 * long, heightMm: 150 };
}

/** The work that is done off the screen's thread, so that typing and turning pages never wait for it. */
export const foldingTasks = {
  ...answerTasks,

  /**
   * Folds the tray once and then every form in all its ways, so that the first real answer finds the code warm and the
   * structures known. Other work comes in between.
   */
  async warmUp(): Promise<void> {
    await pause(WARM_UP_AFTER_MS);
    sizeTray({
      block: { lengthMm: 60, widthMm: 45, heightMm: 22 },
      ease: 'easy',
      ruler: 'mm',
      walls: 'folded',
      thicknessMm: 0.1,
    });
    for (const _ of fitting.warming()) await questions.none();
  },

  size(request: TrayRequest): SizeAnswer {
    try {
      return { ok: true, sizing: sizeTray(request) };
    } catch (error) {
      if (error instanceof TooLarge) return { ok: false, why: error.message };
      throw error;
    }
  },

  /** A graded set of trays: their sheets, innermost first, and how they stand in one another. */
  stack(asked: StackRequest): TrayStack {
    const sheets = gradedStack(asked).map(({ sheetMm }) => sheetMm);
    const { thicknessMm } = asked;
    return {
      sheets,
      scene: stackScene(sheets.map((sheetMm) => makeTray({ sheetMm, params: { part: 'tray' }, thicknessMm }))),
    };
  },

  /** What a lid and its tray leave between them, and the sheet of an insert for the tray. */
  pair({ tray, lid, ruler, ease }: PairAsked): TrayPair {
    const [base, over] = [tray, lid].map(({ part, sheetMm, wallMm, thicknessMm }): BoxMade => {
      const lengths = wallMm === null ? [] : [wallMm];
      return {
        way: { formId: squareTray.id, choices: { part }, lengths: wallMm === null ? [] : ['wallMm'] },
        point: { sheet: { widthMm: sheetMm, heightMm: sheetMm }, lengths, thicknessMm },
      };
    });
    return {
      ...pairing(fitting, over, base),
      insertMm: insertFor(fitting, base, squareTray.leastSheetMm, ruler, ease),
    };
  },

  scene({ tray, lid, block }: SceneAsked): PaperScene {
    return trayScene(made(tray), made(lid), block);
  },

  steps({ unit, looking, ...part }: StepsAsked): ShownStep[] {
    return shownSteps(made(part, unit).folding.steps, looking);
  },

  /** A form's folded piece as its card shows it. */
  card(formId: string): Drawing {
    const { folding } = make(formId, { sheet: cardSheet(formId), params: {}, paper: { thicknessMm: 0.1 } });
    return pieceDrawing(folding.finished);
  },

  /** A form tried at a sheet and parameters: what comes out, or why nothing does. */
  tried(asked: FormAsked): Tried {
    return attempt(() => {
      const { folding, sizes, steps } = similar(asked);
      const form = FORMS[asked.formId];
      const floor = form.floor?.(sheetFor(form, asked.sheet), form.params.parse(asked.params));
      const { finished, open, flat } = folding;
      const lies: Lie[] = [{ name: 'finished', scene: pieceScene(finished, sizes, floor) }];
      if (open && open !== finished) lies.push({ name: 'open', scene: pieceScene(open, sizes, floor) });
      if (flat) lies.push({ name: 'flat', scene: pieceScene(flat, sizes) });
      return { sizes, creasePattern: creasePicture(finished), lies, steps };
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
    const work = FORMS[asked.formId].opened?.(madeForm(asked).sizes);
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

  /** All steps of a form at a sheet, ready to be shown. */
  formSteps({ unit, looking, ...asked }: FormStepsAsked): ShownSteps {
    return attempt(() => shownSteps(madeForm(asked, unit).folding.steps, looking));
  },

  /** Inside and outside sizes and the crease pattern, for trying sheets and walls. */
  part(asked: PartAsked) {
    const { sizes, folding } = made(asked);
    return { sizes, creasePattern: creasePicture(folding.finished) };
  },
};

export type FoldingTasks = typeof foldingTasks;
