import type * as z from 'zod';
import type { FoundMark } from '../folding/found-marks';
import type { Hand } from '../folding/hand';
import type { MeantFold } from '../folding/meant-fold';
import type { Pose } from '../folding/pose';
import type { RelaxProgress } from '../folding/soft/relax';
import type { ShownUnit } from '../measure/format-length';
import type { Assembly, SoftShape } from '../assembly/assembly';
import type { Point } from '../measure/point';
import type { Sheet } from '../paper/sheet';
import type { Caution } from '../purpose/cautions';
import type { Demand, Room } from '../purpose/demand';
import type { EaseId } from '../purpose/ease';

/** How a movement is drawn: as the drawing's arrows are called. */
export type StepArrowKind =
  'fold' | 'fold-behind' | 'fold-and-unfold' | 'unfold' | 'rotate' | 'lift' | 'push-in' | 'pull-out' | 'tuck';

/**
 * A movement that the picture shows: the sheet point to follow from the first pose to the one where it has arrived, or, for
 * paper that is bent without being folded, to where another sheet point lies. Turning the whole piece over has no such point.
 */
export type StepArrow =
  { readonly kind: StepArrowKind; readonly grip: Point; readonly to?: Point } | { readonly kind: 'turn-over' };

/** A sheet point that the words of a step name. */
export interface StepLandmark {
  readonly point: Point;
  readonly name: string;
}

/** What the maker reads at a step. */
export interface StepWords {
  readonly id: string;
  readonly title: string;
  readonly words: string;
  /** Something to see, when it is right. */
  readonly check: string;
  readonly slip: { readonly what: string; readonly remedy: string };
  readonly crease: 'sharp' | 'soft' | 'pinch' | 'none';
  /** Where the work can hurt someone: the usual caution. */
  readonly caution?: string;
  /** What has to set or dry before anybody goes on with this copy. */
  readonly waits?: 'glue';
  /** The stage of work that begins with this step, where the form says its stages itself, see `stagesOf`. */
  readonly stage?: string;
}

/** One step: poses on one pattern, from before to after; between them the folded state of a crease that is opened again. */
export interface FormStep extends StepWords {
  readonly poses: readonly Pose[];
  /** How the places of its folds are found, in order. */
  readonly found: readonly FoundMark[];
  /** Its simple folds as they were meant, in order. */
  readonly meant?: readonly MeantFold[];
  /** How its marks are found otherwise than with a ruler, in words. */
  readonly finds?: readonly string[];
  /** Creases that this step makes or moves, by name. */
  readonly creases: readonly string[];
  readonly arrows: readonly StepArrow[];
  readonly landmarks: readonly StepLandmark[];
  /** What lies on the paper before the step: its outline on the sheet. */
  readonly lying?: readonly Point[];
  /** Flat on the table, or standing. */
  readonly view: 'table' | 'space';
}

/** A folded sequence: the steps, the finished pose, and the poses in which the piece is filled or carried. */
export interface Folding {
  readonly steps: readonly FormStep[];
  /** Steps of its use once it is folded: how it is filled, opened, closed and kept. */
  readonly uses?: readonly FormStep[];
  readonly finished: Pose;
  /** Open for filling, where that is another state than the finished one. */
  readonly open?: Pose;
  /** Flat for carrying, where that is another state than the finished one. */
  readonly flat?: Pose;
}

/** A soft piece as it stands when in use: coloured outside, white inside. */
export interface Opened extends SoftShape {
  /** What it holds, from the most that its shape allows to what is comfortable, in ml. */
  readonly volumes: readonly { readonly name: string; readonly ml: number }[];
  /** How much of it is shown inside, in ml. */
  readonly shownMl: number;
  /** How sure these are. */
  readonly note: string;
}

/** Sizes of a made piece in mm, with the paper's thickness, measured on its poses. */
export interface FormSizes {
  /** Its rooms; a purpose is held against the first. */
  readonly rooms: readonly [Room, ...Room[]];
  readonly outer: { readonly lengthMm: number; readonly widthMm: number; readonly heightMm: number };
  /** Lengths worth knowing, by what they are: overlaps, flaps, openings. */
  readonly lengths: readonly { readonly name: string; readonly mm: number }[];
  /** Volumes worth knowing, in ml. */
  readonly volumes?: readonly { readonly name: string; readonly ml: number }[];
  /** Layers in all at places worth knowing; the thickest is always among them. */
  readonly layers: readonly { readonly name: string; readonly count: number }[];
}

/** A part to be printed or drawn at its true size and put on the folded piece: lengths in mm, y downwards. */
export interface PrintedPart {
  readonly name: string;
  /** Where it is cut out. */
  readonly outline: readonly Point[];
  readonly discs: readonly { readonly x: number; readonly y: number; readonly radiusMm: number }[];
}

/** What a maker may choose, and why it matters. */
export interface ParamField {
  readonly key: string;
  readonly label: string;
  readonly why: string;
  readonly input:
    | {
        readonly kind: 'choice';
        readonly options: readonly { readonly value: string; readonly label: string }[];
        /** Any of them may need the least paper: a search tries all. */
        readonly sought?: true;
      }
    | {
        readonly kind: 'length';
        /** What holds when nothing is measured: how folding alone decides. */
        readonly folded: string;
        /** It comes from what the piece is for: without that there is nothing to fold around. */
        readonly always?: true;
        /** The least and the most, in mm, on a sheet; given what the other parameters are. */
        readonly range: (sheet: SheetSize, params: Readonly<Record<string, unknown>>) => readonly [number, number];
      }
    /** A length in mm that keeps, however large the sheet: a seam, an overlap. */
    | {
        readonly kind: 'fixed length';
        readonly min: number;
        readonly max: number;
        /** The room depends on it: a search tries every millimetre. */
        readonly sought?: true;
      }
    /** In degrees; a search tries a few values one by one, where the room depends on it. */
    | { readonly kind: 'angle'; readonly min: number; readonly max: number; readonly sought?: readonly number[] }
    | { readonly kind: 'count'; readonly min: number; readonly max: number };
}

/** Sides of an oblong or square sheet, in mm. */
export interface SheetSize {
  readonly widthMm: number;
  readonly heightMm: number;
}

export type Family =
  | 'envelopes and wraps'
  | 'bags'
  | 'bookmarks'
  | 'cups'
  | 'open boxes and lids'
  | 'closing boxes'
  | 'baskets'
  | 'purses'
  | 'wearables'
  | 'desk tidies'
  | 'modular boxes'
  | 'boats'
  | 'bead tracks';

/** What keeps it closed, by its kind and in words. */
export interface Closure {
  readonly kind: 'open' | 'lid' | 'tucked' | 'slides' | 'twists' | 'glued' | 'tied' | 'flap';
  readonly words: string;
}

/** Whether something beside paper is used: glue or tape, or a blade. */
export type Use = 'none' | 'optional' | 'needed';

/** One kind of sheet folded one way. `P` is what its parameters parse to. */
export interface Piece<P = unknown> {
  /** Unlike any other on the shelf. */
  readonly id: string;
  readonly name: string;
  readonly sheetShape:
    | 'square'
    | {
        /** Least and most of the longer side to the shorter one, and why. */
        readonly longPerShort: readonly [number, number];
        readonly why: string;
        /** How it lies as the form starts: longer side across, or upright. */
        readonly lies: 'across' | 'upright';
      };
  /** Below this shorter side of the sheet, in mm, fingers no longer manage it. */
  readonly leastSheetMm: number;
  /** Lengths that stay as they are on a larger sheet: an overlap, a seam. */
  readonly fixedLengths?: boolean;
  /** Which kind of room it has depends on its choices: all of them are looked at. */
  readonly variesRoom?: true;
  readonly fields: readonly ParamField[];
  readonly params: z.ZodType<P>;
  /**
   * Makes the moves of the sequence with a hand that holds the sheet.
   * @param unit how lengths in the words are written
   * @throws RangeError for a sheet or parameters out of range, saying which and why
   */
  fold(hand: Hand, sheet: Sheet, params: P, unit?: ShownUnit): Folding;
  /** Measures the poses that folding gave. */
  sizes(folding: Folding, sheet: Sheet, params: P, thicknessMm: number): FormSizes;
  /** The corners of the floor on the sheet, where a block would stand. */
  floor?(sheet: Sheet, params: P): readonly Point[];
  /** What can be printed for it, if anything. */
  prints?(sizes: FormSizes): readonly PrintedPart[];
  /** Where a bead runs on it, where one does. */
  runs?(sheet: Sheet, params: P): Run;
  /** Brings a soft piece into the shape that it has in use; yields so that the caller can cancel by sending `true`. */
  opened?(sizes: FormSizes): Generator<RelaxProgress, Opened, boolean>;
}

/** The way of a bead down a standing piece, on its sheet. */
export interface Run {
  /** From the exit upwards, for each corner: where the path turns, the tip of its wall, and on the other side the ridge's high end. */
  readonly corners: readonly Readonly<Record<'turn' | 'tip' | 'ridge', Point>>[];
  /** How far the tips are lifted as a rule, in degrees. */
  readonly liftDeg: number;
}

/** How large the sheet of an entry is. */
export type SheetRule =
  /** As the purpose asks. */
  | { readonly kind: 'asked' }
  /** From this sheet. */
  | { readonly kind: 'fixed'; readonly size: SheetSize }
  /** The very sheet of another entry: the same unit in another colour. */
  | { readonly kind: 'same'; readonly of: string }
  /** As large as another entry, as measured, asks: a lid over its base, a tray round another. */
  | {
      readonly kind: 'follows';
      readonly of: string;
      readonly needs: (sizes: FormSizes, ease: EaseId) => readonly Demand[];
    };

/** A kind of piece in a make, with its own parameters, so many times. */
export interface Entry {
  readonly key: string;
  /** What a maker calls it. */
  readonly name: string;
  readonly pieceId: string;
  readonly params: Readonly<Record<string, unknown>>;
  readonly copies: number;
  readonly sheet: SheetRule;
  /** Which of the colours of its make it is folded in, where that has several; the first is 0. */
  readonly colour?: number;
}

/** An entry folded from its sheet and measured on its paper. */
export interface MadeEntry {
  readonly entry: Entry;
  readonly sheet: Sheet;
  readonly folding: Folding;
  readonly sizes: FormSizes;
}

/** What a maker should know of a form before choosing it. */
export interface FormFacts<P = unknown> {
  readonly family: Family;
  /** One line: what it is for. */
  readonly use: string;
  /** Kinds of its rooms, the one that a purpose is held against first: what it holds follows from them. */
  readonly rooms: readonly [string, ...string[]];
  closure(params: P): Closure;
  adhesive(params: P): Use;
  cuts(params: P): Use;
  readonly skill: 1 | 2 | 3;
  readonly minutes: number;
  /** Which papers suit, and why. */
  readonly papers: string;
  /** Beyond this shorter side of the sheet, in mm, it is no use any more, in common papers: a judgement, and why. */
  readonly ceiling: { readonly mm: number; readonly why: string };
  /** The usual cautions, where there are any. */
  readonly cautions: readonly Caution[];
}

/**
 * A kind of object. It is itself the piece that a purpose asks a sheet for; what else belongs to it, and how all is put
 * together, follows from its parameters.
 */
export interface Form<P = unknown> extends FormFacts<P>, Piece<P> {
  /** What may be chosen of the make as a whole. */
  readonly makeFields?: readonly ParamField[];
  /** Further pieces that its makes are made of. */
  readonly pieces?: readonly Piece[];
  /** Which pieces a make has; one of the form itself when left out. The one that is asked comes first. */
  entries?(params: P): readonly [Entry, ...Entry[]];
  /** How they are put together; side by side with nothing to hold them when left out. */
  assemble?(made: ReadonlyMap<string, MadeEntry>, params: P): Assembly;
}

/** A piece among others: its parameters are read before they are used. */
export function anyPiece<P>(piece: Piece<P>): Piece {
  const { params: schema } = piece;
  return {
    ...piece,
    fold: (hand, sheet, params, unit) => piece.fold(hand, sheet, schema.parse(params), unit),
    sizes: (folding, sheet, params, thicknessMm) => piece.sizes(folding, sheet, schema.parse(params), thicknessMm),
    floor: piece.floor && ((sheet, params) => piece.floor!(sheet, schema.parse(params))),
  };
}

/** A form among others, likewise. */
export function anyForm<P>(form: Form<P>): Form {
  const { params: schema } = form;
  return {
    ...form,
    ...anyPiece(form),
    closure: (params) => form.closure(schema.parse(params)),
    adhesive: (params) => form.adhesive(schema.parse(params)),
    cuts: (params) => form.cuts(schema.parse(params)),
    entries: form.entries && ((params) => form.entries!(schema.parse(params))),
    assemble: form.assemble && ((made, params) => form.assemble!(made, schema.parse(params))),
  };
}
