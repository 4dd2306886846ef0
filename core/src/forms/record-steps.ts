import type { Hand } from '../folding/hand';
import type { Pose } from '../folding/pose';
import type { Point } from '../measure/point';
import type { FormStep, StepArrow, StepLandmark, StepWords } from './form';

interface Shown {
  readonly view?: FormStep['view'];
  readonly creases?: readonly string[];
  readonly arrows: readonly StepArrow[];
  readonly landmarks?: readonly StepLandmark[];
  readonly lying?: readonly Point[];
}

type Made = Pick<FormStep, 'poses' | 'found'>;

/** Collects the steps of a sequence while a hand makes them; a hand that follows another only makes the moves. */
export interface StepRecord {
  readonly steps: FormStep[];
  readonly step: (words: StepWords, shown: Shown, moves: () => void) => void;
  /** A step of its use when it is folded: from one known state of it to another, or at rest as it is. */
  readonly use: (words: StepWords, shown: Shown, states?: readonly [() => Pose, () => Pose]) => void;
}

export function recordSteps(hand: Hand): StepRecord {
  const steps: FormStep[] = [];
  const put = (
    words: StepWords,
    { view = 'table', creases = [], arrows, landmarks = [], lying }: Shown,
    of: Made,
  ): void => {
    steps.push({ ...words, ...of, creases, arrows, landmarks, lying, view });
  };
  return {
    steps,
    use: (words, shown, states) => {
      if (hand.follows) return;
      put(words, shown, { poses: states?.map((state) => state()) ?? hand.watch(() => undefined), found: [] });
    },
    step: (words, shown, moves) => {
      if (hand.follows) {
        moves();
        return;
      }
      const before = hand.found.length;
      const poses = hand.watch(moves);
      put(words, shown, { poses, found: hand.found.slice(before) });
    },
  };
}
