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

/** Collects the steps of a sequence while a hand makes them; a hand that follows another only makes the moves. */
export interface StepRecord {
  readonly steps: FormStep[];
  /** Steps of its use, see `use`. */
  readonly uses: FormStep[];
  readonly step: (words: StepWords, shown: Shown, moves: () => void) => void;
  /** A step of its use when it is folded: from one known state of it to another, or at rest as it is. */
  readonly use: (words: StepWords, shown: Shown, states?: readonly [() => Pose, () => Pose]) => void;
}

export function recordSteps(hand: Hand): StepRecord {
  const [steps, uses]: [FormStep[], FormStep[]] = [[], []];
  const shownAs = ({ view = 'table', creases = [], arrows, landmarks = [], lying }: Shown) => ({
    ...{ creases, arrows, landmarks, lying, view },
  });
  return {
    steps,
    uses,
    use: (words, shown, states) => {
      if (hand.follows) return;
      const poses = states?.map((state) => state()) ?? hand.watch(() => undefined);
      uses.push({ ...words, ...shownAs(shown), poses, found: [] });
    },
    step: (words, shown, moves) => {
      if (hand.follows) {
        moves();
        return;
      }
      const [before, folds] = [hand.found.length, hand.meant.length];
      const poses = hand.watch(moves);
      steps.push({
        ...words,
        ...shownAs(shown),
        poses,
        found: hand.found.slice(before),
        meant: hand.meant.slice(folds),
      });
    },
  };
}
