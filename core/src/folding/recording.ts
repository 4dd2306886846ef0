import type { Line, Point } from '../measure/point';
import type { Stretch } from '../pattern/crease-stretches';
import type { Split } from '../pattern/split-faces';
import type { CreaseAngle } from './collapse';
import type { KnownLayers } from './known-layers';
import type { Pose } from './pose';
import type { Transform } from './transform';

/** A stretch of crease that a move names; with an angle where the move says which. */
export type ToldStretch = Stretch & { readonly angleDeg?: CreaseAngle['angleDeg'] };

/** What a move was told, in the numbers of its own sheet: enough to make the same move on another one. */
export type Act =
  /** Creased along a line on the table. */
  | { readonly kind: 'along'; readonly line: Line }
  /** Creases at named stretches of the sheet opened, closed or were made. */
  | {
      readonly kind: 'stretches';
      readonly stretches: readonly ToldStretch[];
      readonly stays: Point;
      readonly known?: readonly KnownLayers[];
      readonly lands?: readonly { readonly point: Point; readonly at: Point }[];
    }
  /** Creases known by name took angles: `told` is the same text for the same angles. */
  | { readonly kind: 'angles'; readonly told: string; readonly stays: Point }
  /** Went back to how the paper lay before the move with this number, counted from 0. */
  | { readonly kind: 'unfolded'; readonly before: number }
  /** The paper moved bodily. */
  | { readonly kind: 'moved'; readonly motion: Transform }
  /** Creases that had been made became slits. */
  | { readonly kind: 'slit' };

/** One move of an exact hand: what it was told, how it refined the pattern, and the pose that it reached. */
export interface RecordedMove {
  readonly act: Act;
  readonly split: Split | null;
  readonly pose: Pose;
  /** The move that this one follows on another sheet: all that is the same for both is kept with that one. */
  readonly root?: RecordedMove;
}

/** Where a sheet point was found when the hand asked for it: the face that holds it, and the vertex that it is, or -1. */
export interface AskedSpot {
  readonly face: number;
  readonly vertex: number;
}

/** What an exact hand did: to be done again on another sheet, or by a hand that misses. */
export interface Recording {
  readonly start: Pose;
  readonly moves: readonly RecordedMove[];
  /** Sheet points in the order in which they were asked for. */
  readonly spots: readonly AskedSpot[];
  /** What was decided by looking at the paper, in order. */
  readonly decisions: readonly Decision[];
}

/** Something that was decided by looking at the paper, and how many sheet points were asked for to see it. */
export interface Decision {
  readonly decided: string | number | boolean;
  readonly spots: number;
}

/** The move whose structure a move has. */
export const rootOf = (move: RecordedMove): RecordedMove => move.root ?? move;

/** A recording does not hold here: another move would be made, or the paper would lie in another order. */
export class StructureDiffers extends Error {
  override readonly name = 'StructureDiffers';
}
