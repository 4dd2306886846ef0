import type { Cavity, FormSizes, SheetSize } from '../forms/form';
import type { RulerId } from '../measure/ruler';
import type { Fit } from './needs';
import type { FitOptions } from './prepare';
import type { SizeSum } from './size-sums';
import type { Way } from './ways';

/** What is asked of a search for sheets, beside the purpose. */
export interface SizeOptions extends FitOptions {
  readonly ruler: RulerId;
  /** Thickness of one layer of the paper, in mm. */
  readonly thicknessMm: number;
  /** How often it should fit when a hand misses its marks; null for a hand that misses nothing. */
  readonly confidence: number | null;
  /** By how much the hand misses, one standard deviation in mm. */
  readonly handMm: number;
}

/** What decided the sheet: a need, or the smallest that fingers manage. */
export type DecidedBy = { readonly kind: 'need'; readonly name: string } | { readonly kind: 'fingers' };

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

/** A form at the smallest sheet that meets a purpose: folded so, with all sizes measured on it. */
export interface SizedForm {
  readonly formId: string;
  readonly way: Way;
  readonly sheet: SheetSize;
  /** Parameters to make it with. */
  readonly params: Readonly<Record<string, unknown>>;
  readonly lengths: readonly number[];
  readonly cavity: Cavity;
  readonly outer: FormSizes['outer'];
  /** What room and outside come from. */
  readonly sums: readonly SizeSum[];
  readonly fit: Fit;
  readonly decided: DecidedBy;
  /** The need that comes next. */
  readonly next: string | null;
  /** How often it fits when the hand misses its marks, or null when no confidence was asked for. */
  readonly chance: number | null;
  /** The same with the sheet one mark of the ruler larger. */
  readonly chanceOneMore: number | null;
  /** Sheets one mark smaller on either side: none of them does. */
  readonly tried: readonly Tried[];
  readonly layers: FormSizes['layers'];
  readonly steps: number;
}

/** Why no sheet does: which two demands are against each other, if two are. */
export interface Unmet {
  readonly formId: string;
  readonly demands: readonly string[];
}

export const isSized = (answer: SizedForm | Unmet | null): answer is SizedForm => answer !== null && 'sheet' in answer;
