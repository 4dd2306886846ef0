import type * as z from 'zod';
import type { Hand } from '../folding/hand';
import type { Pose } from '../folding/pose';
import type { RelaxProgress } from '../folding/soft/relax';
import type { Point3 } from '../measure/vector3';
import type { ShownUnit } from '../measure/format-length';
import type { Point } from '../measure/point';
import type { Sheet } from '../paper/sheet';

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
}

/** One step: poses on one pattern, from before to after; between them the folded state of a crease that is opened again. */
export interface FormStep extends StepWords {
  readonly poses: readonly Pose[];
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
  readonly finished: Pose;
  /** Open for filling, where that is another lie than the finished one. */
  readonly open?: Pose;
  /** Flat for carrying, where that is another lie than the finished one. */
  readonly flat?: Pose;
}

/** The room that a made piece has, in mm. */
export type Cavity =
  | { readonly kind: 'box'; readonly lengthMm: number; readonly widthMm: number; readonly depthMm: number }
  /** A flat pocket: between its sides and from its bottom to its mouth, lying flat. Contents take their thickness off both. */
  | {
      readonly kind: 'pocket';
      readonly widthMm: number;
      readonly heightMm: number;
      /** Where the largest flat thing would lie on the table, corner by corner. */
      readonly corners: readonly Point3[];
      /** How many times the contents' thickness is taken off width and height; once when left out. */
      readonly thicknessTimes?: number;
      /** Thicker contents do not let it lie flat; a fifteenth of its shorter side when left out. */
      readonly mostThickMm?: number;
    }
  /** A pocket over the corner of a page: how far it reaches along both edges and in from the point. */
  | {
      readonly kind: 'corner';
      readonly legMm: number;
      readonly depthMm: number;
      /** Where the page's corner comes to lie on the table, and where its two edges leave the pocket. */
      readonly corners: readonly [point: Point3, edge: Point3, otherEdge: Point3];
    }
  /** A hull: its flat floor between the bends, and how high sides and tips stand over it. */
  | {
      readonly kind: 'hull';
      readonly floorLengthMm: number;
      readonly floorWidthMm: number;
      readonly sideMm: number;
      readonly tipMm: number;
      /** Where the sides end at the rim, beam there, and length over all. */
      readonly rimLengthMm: number;
      readonly rimWidthMm: number;
      readonly overallMm: number;
    }
  /** A pouch that is pressed open, as it lies flat. */
  | { readonly kind: 'pouch'; readonly mouthMm: number; readonly bottomMm: number; readonly depthMm: number };

/** A soft piece as it stands when in use. */
export interface Opened {
  /** Its walls, triangles counter-clockwise from outside, where the coloured side is; the white side is inside. */
  readonly vertices: readonly Point3[];
  readonly triangles: readonly (readonly [number, number, number])[];
  /** What it holds, from the most that its shape allows to what is comfortable, in ml. */
  readonly volumes: readonly { readonly name: string; readonly ml: number }[];
  /** How much of it is shown inside, in ml. */
  readonly shownMl: number;
  /** How sure these are. */
  readonly note: string;
}

/** Sizes of a made piece in mm, with the paper's thickness, measured on its poses. */
export interface FormSizes {
  readonly cavity: Cavity;
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
    | {
        readonly kind: 'count';
        readonly min: number;
        readonly max: number;
        /** The room depends on it: a search tries it as it does a length, or a few values of it one by one. */
        readonly sought?: 'as a length' | readonly number[];
      };
}

/** Sides of an oblong or square sheet, in mm. */
export interface SheetSize {
  readonly widthMm: number;
  readonly heightMm: number;
}

export type Family =
  'envelopes and wraps' | 'bags' | 'bookmarks' | 'cups' | 'open boxes and lids' | 'closing boxes' | 'boats';

/** What kind of thing it holds. */
export type Holds = 'flat things' | 'boxes and blocks' | 'loose pieces' | 'liquid' | 'pages' | 'a floating load';

/** What a maker should know of a form before choosing it. */
export interface FormFacts {
  readonly id: string;
  readonly name: string;
  readonly family: Family;
  /** One line: what it is for. */
  readonly use: string;
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
  readonly fields: readonly ParamField[];
  readonly holds: readonly Holds[];
  /** What keeps it closed. */
  readonly closes: string;
  readonly adhesive: 'none' | 'optional' | 'needed';
  readonly cuts: 'none' | 'optional' | 'needed';
  /** Lengths that stay as they are on a larger sheet: an overlap, a seam. */
  readonly fixedLengths?: boolean;
  readonly skill: 1 | 2 | 3;
  readonly minutes: number;
  /** Which papers suit, and why. */
  readonly papers: string;
  /** The usual cautions, where there are any. */
  readonly cautions: readonly string[];
}

/** A kind of object with its parameters. `P` is what the parameters parse to. */
export interface Form<P = unknown> extends FormFacts {
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
  /** Brings a soft piece into the shape that it has in use; comes up for air, and stops when sent `true`. */
  opened?(sizes: FormSizes): Generator<RelaxProgress, Opened, boolean>;
}

/** A form among others: its parameters are read before they are used. */
export function anyForm<P>(form: Form<P>): Form {
  return {
    ...form,
    fold: (hand, sheet, params, unit) => form.fold(hand, sheet, form.params.parse(params), unit),
    sizes: (folding, sheet, params, thicknessMm) => form.sizes(folding, sheet, form.params.parse(params), thicknessMm),
    floor: form.floor && ((sheet, params) => form.floor!(sheet, form.params.parse(params))),
  };
}
