import type { FormSizes, SheetSize } from '../forms/form';
import { formatLength, formatSizes, type ShownUnit } from '../measure/format-length';
import type { RulerId } from '../measure/ruler';
import type { Fit } from './needs';
import type { Room } from '../purpose/demand';
import type { FitOptions } from '../purpose/prepare';
import type { OuterLimits } from '../purpose/purpose';
import { type LeanAtForm, leanAt, type HandCalled, missInAllMm, type RoomLean, leanOfRoom } from './learned-hand';
import type { PlaceMiss } from './mark-misses';
import type { Wishes } from './wishes';
import type { SizeSum } from './size-sums';
import type { Way } from './ways';

/** What is asked of a search for sheets, beside the purpose. */
export interface SizeOptions extends FitOptions {
  readonly ruler: RulerId;
  /** Thickness of one layer of the paper, in mm. */
  readonly thicknessMm: number;
  /** The same of entries that are folded from another paper, by their keys. */
  readonly thicknesses?: Readonly<Record<string, number>>;
  /** How often it should fit when a hand misses its marks; null for a hand that misses nothing. */
  readonly confidence: number | null;
  /** By how much the hand misses, one standard deviation in mm. */
  readonly handMm: number;
  /** What is known of the hand from what it has folded; nothing when left out, or null where that is turned off. */
  readonly learned?: HandCalled | null;
  /** The same at the form that is asked, and at one entry of it. */
  readonly knows?: { readonly at: LeanAtForm; readonly entryKey: string };
  /** What each finished piece may measure outside; open when left out. */
  readonly most?: OuterLimits | null;
  /** How measured places come out by the ways that were chosen to find them; by the ruler when left out. */
  readonly marks?: readonly PlaceMiss[];
  /** The same of the entries of a make, by their keys. */
  readonly entryMarks?: Readonly<Record<string, readonly PlaceMiss[]>>;
  /** What is wished of the make as a whole: a lid, several in each other; nothing when left out. */
  readonly wishes?: Wishes;
}

/** What decided the sheet: a need, the smallest that fingers manage, or the maker, who chose it by hand. */
export type DecidedBy =
  { readonly kind: 'need'; readonly name: string } | { readonly kind: 'fingers' } | { readonly kind: 'chosen' };

/** A sheet one mark smaller that was folded too, with its best lengths, and does not do. */
export interface Tried {
  readonly sheet: SheetSize;
  readonly lengths: readonly number[];
  /** The need that it misses most, or null where no lengths can be folded there at all. */
  readonly misses: {
    readonly name: string;
    readonly have: number;
    readonly need: number;
    readonly unit: 'mm' | 'g' | 'ml';
  } | null;
  /** How often it fits, where it does for an exact hand. */
  readonly chance: number | null;
}

/** A piece at the smallest sheet that does what is asked: folded so, with all sizes measured on it. */
export interface SizedPiece {
  readonly way: Way;
  readonly sheet: SheetSize;
  /** Parameters to make it with. */
  readonly params: Readonly<Record<string, unknown>>;
  readonly lengths: readonly number[];
  /** The room that was asked. */
  readonly room: Room;
  readonly outer: FormSizes['outer'];
  /** What room and outside come from. */
  readonly sums: readonly SizeSum[];
  readonly fit: Fit;
  readonly decided: DecidedBy;
  /** The need that comes next. */
  readonly next: string | null;
  /** How often it fits when the hand misses its marks, or null when no confidence was asked for. */
  readonly chance: number | null;
  /** The same by a hand of which nothing is known but how far it is said to miss; null where nothing is known of this one. */
  readonly chanceUsual: number | null;
  /** The same with the sheet one mark of the ruler larger. */
  readonly chanceOneMore: number | null;
  /** Sheets one mark smaller on either side: none of them does. */
  readonly tried: readonly Tried[];
  readonly layers: FormSizes['layers'];
  readonly steps: number;
}

/** An entry of a make at its sheet. */
export interface SizedEntry extends SizedPiece {
  readonly key: string;
  readonly name: string;
  readonly pieceId: string;
  readonly copies: number;
}

/** A form that meets a purpose: the piece that was asked for, and all others that belong to it. */
export interface SizedForm extends SizedEntry {
  readonly formId: string;
  /** Parameters of the make as a whole. */
  readonly make: Readonly<Record<string, unknown>>;
  /** The other entries, in the order in which they follow; each is sized to what it follows as that is meant to be. */
  readonly others: readonly SizedEntry[];
}

/** All entries of an answer, the one that was asked for first. */
export const entriesSized = (answer: SizedForm): readonly SizedEntry[] => [answer, ...answer.others];

/** What is known of the hand that is asked for, in a room of the entry that is asked; null where nothing is. */
export const knownIn = ({ knows }: SizeOptions, room: Pick<Room, 'kind'>): RoomLean | null =>
  knows ? leanOfRoom(knows.at, knows.entryKey, room) : null;

/** How far the hand comes out that is asked for, with all that is not known of it, in mm. */
export const handInAllMm = ({ knows, handMm }: SizeOptions): number => (knows ? missInAllMm(knows.at) : handMm);

/** What is asked of one entry of a form: sized for its own paper, by what is known of the hand there. */
export const optionsFor = (options: SizeOptions, formId: string, key: string): SizeOptions => ({
  ...options,
  ...(options.learned && { knows: { at: leanAt(options.learned, formId), entryKey: key } }),
  thicknessMm: options.thicknesses?.[key] ?? options.thicknessMm,
  marks: options.entryMarks?.[key],
});

/** Area of all its sheets, in mm². */
export const paperOf = (answer: SizedForm): number =>
  entriesSized(answer).reduce((sum, { sheet, copies }) => sum + copies * sheet.widthMm * sheet.heightMm, 0);

/** Why no sheet does: which two demands are against each other, if two are, or why the form is not made for it. */
export interface Unmet {
  readonly formId: string;
  readonly demands: readonly string[];
  /** What stands against the kind of thing that it is. */
  readonly refused?: string;
  /** What it would measure outside, where that is more than it may, in mm. */
  readonly outside?: FormSizes['outer'];
  /** The smallest sheet that does is larger than the form is any use of, by its shorter side in mm. */
  readonly beyond?: { readonly needsMm: number; readonly mostMm: number; readonly why: string };
}

export const isSized = (answer: SizedForm | Unmet | null): answer is SizedForm => answer !== null && 'sheet' in answer;

/** Why a form does not answer, as it is told after its name. */
export function whyUnmet({ demands, refused, beyond, outside }: Unmet, unit: ShownUnit = 'mm'): string {
  const length = (mm: number): string => formatLength(mm, unit);
  if (refused) return refused;
  if (beyond)
    return `it would take a sheet of ${length(beyond.needsMm)}, and from more than ${length(beyond.mostMm)} ${beyond.why}`;
  if (outside) return `outside it comes to ${formatSizes([outside.lengthMm, outside.widthMm, outside.heightMm], unit)}`;
  if (!demands.length) return 'it cannot be folded so';
  return `${demands.join(' and ')} ${demands.length > 1 ? 'rule' : 'rules'} it out`;
}
