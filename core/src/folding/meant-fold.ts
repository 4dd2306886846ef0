import type { Alignment } from './alignment';
import type { Pose } from './pose';
import type { SimpleFold } from './simple-fold';

/** A simple fold as it was meant: how its line was found and which layers it takes along, on the paper as it lay. */
export interface MeantFold extends Omit<SimpleFold, 'line'> {
  readonly alignment: Alignment;
  readonly before: Pose;
  readonly after: Pose;
  /** The number of the move: folds with numbers that follow each other have no other move between them. */
  readonly move: number;
}
