import {
  type Assembly,
  assemblyScene,
  atOnce,
  byItself,
  contentsOn,
  creasePicture,
  type Drawing,
  type EntryJudged,
  fitOf,
  FoldRefused,
  foretell,
  type ForetoldSizes,
  foldMake,
  formById,
  type FormSizes,
  type FormStep,
  isFlat,
  isSized,
  judging,
  type Looking,
  type Make,
  marksPicture,
  make,
  type Made,
  type Opened,
  openedScene,
  othersFor,
  type PaperScene,
  pieceDrawing,
  pieceScene,
  type Pose,
  prepare,
  type Purpose,
  scaledFolding,
  SHELF,
  sheetFor,
  sheetMarks,
  type SheetSize,
  type ShownUnit,
  type SizedEntry,
  type SizedForm,
  sizeFor,
  type SizeOptions,
  type SizeSum,
  sizeSums,
  stepPictures,
  type StepFacts,
  stepFacts,
  type StepMarks,
  type StepPictures,
} from '@odd-corner/core';
import { answerTasks } from './answer-tasks';
import { inSlices, pause } from './in-slices';
import { fitting, questions } from './fitting';

/** A make, and what goes into it. */
export interface MakeAsked {
  readonly make: Make;
  readonly purpose: Purpose | null;
  readonly options: SizeOptions;
}

/** One form for a purpose, with the parameters of its piece that are settled. */
export interface SizedAsked {
  readonly formId: string;
  readonly purpose: Purpose;
  readonly options: SizeOptions;
  readonly given?: Readonly<Record<string, unknown>>;
}

/** In which order a make is folded. */
export interface FoldingOrder {
  readonly entries: readonly {
    readonly key: string;
    readonly name: string;
    /** In one make. */
    readonly copies: number;
    readonly steps: readonly Pick<FormStep, 'id' | 'title'>[];
  }[];
  /** What is done with all of it at last, in words. */
  readonly together: readonly string[];
  readonly scene: PaperScene;
}

/** How the folds of a piece are found, and the sheet with all marks. */
export interface MarksShown {
  readonly steps: readonly StepMarks[];
  readonly picture: Drawing;
}

/** What belongs to a piece at a sheet. */
export interface OthersAsked {
  readonly formId: string;
  readonly sheet: SheetSize;
  readonly params: Readonly<Record<string, unknown>>;
  readonly options: SizeOptions;
}

/** The other entries of a make at their sheets, and all of it put together. */
export interface WholeMake {
  readonly others: readonly SizedEntry[];
  readonly scene: PaperScene;
}

/** A step ready to be shown: words and pictures, no poses. */
export interface ShownStep extends Omit<FormStep, 'poses' | 'arrows'> {
  readonly pictures: StepPictures;
  readonly facts: StepFacts;
  readonly creasePattern: Drawing;
}

/** A question that comes right at the start goes first. */
const WARM_UP_AFTER_MS = 400;

/** A piece at a sheet, with whatever parameters it takes; a form is its own main piece. */
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
  const { sheetShape } = formById(formId);
  const long = sheetShape === 'square' ? 1 : Math.min(1.29, sheetShape.longPerShort[1]);
  return { widthMm: 150 * long, heightMm: 150 };
}

/** The work that is done off the screen's thread, so that typing and turning pages never wait for it. */
export const foldingTasks = {
  ...answerTasks,

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

  /** The smallest sheets of one form for a purpose, or why there are none. */
  sized({ formId, purpose, options, given }: SizedAsked): Attempt<SizedForm> {
    return attempt(() => {
      const answer = sizeFor(fitting, formId, purpose, options, given);
      const { name } = formById(formId);
      if (answer === null) throw new RangeError(`${name} does not do that.`);
      if (!isSized(answer))
        throw new RangeError(`No sheet up to 5 m does for ${name}: ${answer.demands.join(' and ')}.`);
      return answer;
    });
  },

  /** A make as it stands, each of its entries held against what it is for. */
  judged({ make: asked, purpose, options }: MakeAsked): Attempt<readonly EntryJudged[]> {
    return attempt(() => atOnce(judging(fitting, asked, purpose, options)));
  },

  /** What belongs to a piece at a sheet: at which sheets, and how all goes together. */
  whole({ formId, sheet, params, options }: OthersAsked): Attempt<WholeMake> {
    return attempt(() => {
      const others = othersFor(fitting, formId, sheet, params, options);
      if ('demands' in others) throw new RangeError(`No sheet meets ${others.demands.join(' and ')}.`);
      const { thicknessMm } = options;
      const entries = Object.fromEntries(
        others.map(({ key, sheet: of, params: own }) => [key, { sheet: of, thicknessMm, params: own }]),
      );
      const form = formById(formId);
      const [{ key }] = form.entries?.(params) ?? [{ key: 'piece' }];
      const made = foldMake({ formId, params, entries: { [key]: { sheet, thicknessMm }, ...entries } });
      return { others, scene: assemblyScene(made.assembly) };
    });
  },

  /** A make put together with what it is for in it: as it is used, open for filling, flat for carrying. */
  lies({ make: asked, purpose, options }: MakeAsked): readonly Lie[] {
    const form = formById(asked.formId);
    const made = foldMake(asked);
    const [{ entry, sheet, folding, sizes }] = made.entries.values();
    const floor = form.floor?.(sheet, form.params.parse({ ...(asked.params as object), ...entry.params }));
    const [room] = sizes.rooms;
    const ways = purpose ? fitting.demands(prepare(purpose, options), room.kind) : [];
    const arrangement = ways.length
      ? fitOf(ways, fitting.asking(room, asked.entries[entry.key].sheet)).arrangement
      : null;
    const holder = { entry: entry.key, copy: 0 };
    const filled = (pose: Pose, assembly: Assembly): PaperScene => {
      const sides = floor && arrangement ? contentsOn(pose, floor, arrangement).flat() : [];
      return assemblyScene(assembly, { in: holder, sides });
    };
    const { finished, open, flat } = folding;
    if (made.assembly.states.closed.length > 1) return [{ name: 'finished', scene: filled(finished, made.assembly) }];
    const scene = (pose: Pose): PaperScene =>
      isFlat(pose) || !arrangement ? pieceScene(pose, sizes, floor) : filled(pose, byItself(holder, pose));
    return [
      { name: 'finished', scene: scene(finished) },
      ...(open && open !== finished ? [{ name: 'open' as const, scene: scene(open) }] : []),
      ...(flat ? [{ name: 'flat' as const, scene: pieceScene(flat, sizes) }] : []),
    ];
  },

  /** In which order a make is folded: the steps of each entry, then what is put together. */
  order(asked: Make): Attempt<FoldingOrder> {
    return attempt(() => {
      const { entries, assembly } = foldMake(asked);
      const nameOf = (key: string): string => entries.get(key)!.entry.name;
      return {
        entries: [...entries.values()].map(({ entry: { key, name, copies }, folding }) => ({
          ...{ key, name, copies },
          steps: folding.steps.map(({ id, title }) => ({ id, title })),
        })),
        together: [
          ...assembly.steps.map(({ title, words }) => `${title}. ${words}`),
          ...assembly.joints.flatMap((joint) =>
            joint.kind === 'over'
              ? [`Put over each other: ${nameOf(joint.lid.entry)} over ${nameOf(joint.base.entry)}.`]
              : joint.kind === 'stands-in'
                ? [`Stand it in: ${nameOf(joint.inner.entry)} in ${nameOf(joint.outer.entry)}.`]
                : [],
          ),
        ],
        scene: assemblyScene(assembly),
      };
    });
  },

  /** How every fold of a piece is found, in order. */
  marks(asked: FormAsked): Attempt<MarksShown> {
    return attempt(() => {
      const { folding } = madeForm(asked);
      const steps = sheetMarks(folding, sheetFor(SHELF.piece(asked.formId), asked.sheet));
      return { steps, picture: marksPicture(folding, steps) };
    });
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
      const form = SHELF.piece(asked.formId);
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

  /** All steps of a form at a sheet, ready to be shown. */
  formSteps({ unit, looking, ...asked }: FormStepsAsked): ShownSteps {
    return attempt(() => shownSteps(madeForm(asked, unit).folding.steps, looking));
  },

  /** What a make should come out as, by a hand that misses by so much. */
  foretold(asked: Make, handMm: number): Attempt<ForetoldSizes> {
    return attempt(() => foretell(asked, handMm));
  },
};

export type FoldingTasks = typeof foldingTasks;
