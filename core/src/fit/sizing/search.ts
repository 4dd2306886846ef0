import type { Piece, SheetSize } from '../../forms/form';
import type { WayToFit } from '../../purpose/demand';
import type { Offsets } from '../chance';
import type { NeedsTable } from '../needs-table';
import type { Fitting, Structure } from '../fitting';
import type { SizeOptions } from '../size-options';
import type { Way } from '../ways';

/** Work that yields, so that the caller can stop. */
export type Work<T> = Generator<void, T, void>;

/** What is asked of a piece: by kinds of rooms, all ways to fit; none of a kind that does not answer. */
export interface Asking {
  demands(kind: string): readonly WayToFit[];
}

/** One way to make a piece, held against what is asked. */
export interface Search {
  readonly fitting: Fitting;
  readonly way: Way;
  readonly piece: Piece;
  readonly options: SizeOptions;
  readonly answering: readonly WayToFit[];
  /** The same as figures. */
  readonly table: NeedsTable;
  /** Without limits outside: what is left over then grows with the sheet. */
  readonly unlimited: NeedsTable;
  readonly judged: Map<Structure, Judged>;
  /** A way with the same lengths and other choices, whose misses judge this one until it is folded. */
  readonly like: Search | null;
}

/** What is needed to judge points of a structure without folding them. */
export interface Judged {
  /** For each way to fit and each demand: standard deviation in mm for a hand that misses by 1 mm. */
  readonly spreads: readonly (readonly number[])[];
  /** As the hand draws them that is asked for. */
  readonly offsets: Offsets;
  /** How far the hand leans in each size, where that is known, in mm. */
  readonly leans?: ReadonlyMap<string, number>;
}

export const areaOf = ({ widthMm, heightMm }: SheetSize): number => widthMm * heightMm;

/** Whether a piece is folded from such a sheet at all. */
export function takes({ sheetShape, leastSheetMm }: Piece, { widthMm, heightMm }: SheetSize): boolean {
  if (Math.min(widthMm, heightMm) < leastSheetMm) return false;
  const [least, most] = sheetShape === 'square' ? [1, 1] : sheetShape.longPerShort;
  return widthMm / heightMm >= least - 1e-9 && widthMm / heightMm <= most + 1e-9;
}
