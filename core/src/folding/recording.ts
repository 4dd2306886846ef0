import type { Split } from '../pattern/split-faces';
import type { Pose } from './pose';

/** One move of an exact hand: how it refined the pattern, and the pose that it reached. */
export interface RecordedMove {
  readonly split: Split | null;
  readonly pose: Pose;
}

/** What an exact hand did, to be done again by one that misses. */
export interface Recording {
  readonly start: Pose;
  readonly moves: readonly RecordedMove[];
}
