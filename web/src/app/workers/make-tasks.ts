import {
  type Assembly,
  assemblyScene,
  atOnce,
  byItself,
  contentsOn,
  type EntryJudged,
  fitOf,
  foldMake,
  foretell,
  type ForetoldSizes,
  formById,
  type FormStep,
  isFlat,
  isSized,
  judging,
  type Make,
  type MarksWanted,
  type PlaceMiss,
  othersFor,
  type PaperScene,
  pieceScene,
  type Pose,
  prepare,
  type Purpose,
  type SheetSize,
  type SizedEntry,
  type SizedForm,
  sizeFor,
  type Stage,
  stagesOf,
  type SizeOptions,
  whyUnmet,
} from '@odd-corner/core';
import { type Attempt, attempt } from './attempt';
import { fitting } from './fitting';
import { madeForm } from './fold-piece';
import { pieceMarks } from './marked-piece';

/** A make, and what goes into it. */
export interface MakeAsked {
  readonly make: Make;
  readonly purpose: Purpose | null;
  readonly options: SizeOptions;
  /** How the marks of its entries are found, by their keys; with a ruler when left out. */
  readonly marks?: EntryMarks;
}

/** How the marks of each entry of a make are found. */
export type EntryMarks = Readonly<Record<string, MarksWanted>>;

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
    readonly steps: readonly Pick<FormStep, 'id' | 'title' | 'waits'>[];
    readonly stages: readonly Stage[];
  }[];
  /** What is done with all of it at last, in words. */
  readonly together: readonly string[];
  readonly scene: PaperScene;
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

/** A state that a piece has: finished, open for filling, or flat for carrying. */
export interface PieceState {
  readonly name: 'finished' | 'open' | 'flat';
  readonly scene: PaperScene;
}

/** Questions about makes: their sheets, whether they do, how they look, their marks, and in which order they are folded. */
export const makeTasks = {
  /** The smallest sheets of one form for a purpose, or why there are none. */
  sized({ formId, purpose, options, given }: SizedAsked): Attempt<SizedForm> {
    return attempt(() => {
      const answer = sizeFor(fitting, formId, purpose, options, given);
      const { name } = formById(formId);
      if (answer === null) throw new RangeError(`${name} does not do that.`);
      if (!isSized(answer)) throw new RangeError(`${name} does not do that: ${whyUnmet(answer)}.`);
      return answer;
    });
  },

  /** A make as it stands, each of its entries held against what it is for. */
  judged({ make: asked, purpose, options, marks }: MakeAsked): Attempt<readonly EntryJudged[]> {
    return attempt(() => {
      const entryMarks = marks && missesOfMarks(asked, marks);
      return atOnce(judging(fitting, asked, purpose, { ...options, entryMarks }));
    });
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
  pieceStates({ make: asked, purpose, options }: MakeAsked): readonly PieceState[] {
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
  order(asked: Make, marks: EntryMarks = {}): Attempt<FoldingOrder> {
    return attempt(() => {
      const { entries, assembly } = foldMake(asked);
      const nameOf = (key: string): string => entries.get(key)!.entry.name;
      return {
        entries: [...entries.values()].map(({ entry: { key, name, copies }, folding }) => {
          const steps = [...marksBefore(asked, key, marks), ...folding.steps];
          return {
            ...{ key, name, copies, stages: stagesOf(steps) },
            steps: steps.map(({ id, title, waits }) => ({ id, title, waits })),
          };
        }),
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

  /** What a make should come out as, by a hand that misses by so much. */
  foretold(asked: Make, handMm: number): Attempt<ForetoldSizes> {
    return attempt(() => foretell(asked, handMm));
  },
};

/** What a piece of a make is folded from. */
function askedOf({ entries }: Make, key: string, pieceId: string, params: unknown) {
  const { sheet, thicknessMm } = entries[key];
  return { formId: pieceId, sheet, params: params as Readonly<Record<string, unknown>>, thicknessMm };
}

/** The steps that make the marks of an entry. */
function marksBefore(asked: Make, key: string, marks: EntryMarks): readonly FormStep[] {
  if (!Object.hasOwn(marks, key)) return [];
  const { entry } = foldMake(asked).entries.get(key)!;
  const piece = askedOf(asked, key, entry.pieceId, entry.params);
  return pieceMarks(piece, madeForm(piece), marks[key]).plan.steps;
}

/** How the marks of all entries come out by the ways that were chosen. */
function missesOfMarks(asked: Make, marks: EntryMarks): Readonly<Record<string, readonly PlaceMiss[]>> {
  const { entries } = foldMake(asked);
  return Object.fromEntries(
    [...entries].flatMap(([key, { entry }]) => {
      if (!Object.hasOwn(marks, key)) return [];
      const piece = askedOf(asked, key, entry.pieceId, entry.params);
      return [[key, pieceMarks(piece, madeForm(piece), marks[key]).plan.misses] as const];
    }),
  );
}
