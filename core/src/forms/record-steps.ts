import type { Hand } from '../folding/hand';
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
  readonly step: (words: StepWords, shown: Shown, moves: () => void) => void;
}

export function recordSteps(hand: Hand): StepRecord {
  const steps: FormStep[] = [];
  return {
    steps,
    step: (words, { view = 'table', creases = [], arrows, landmarks = [], lying }, moves) => {
      if (hand.follows) {
        moves();
        return;
      }
      const before = hand.found.length;
      const poses = hand.watch(moves);
      steps.push({ ...words, poses, found: hand.found.slice(before), creases, arrows, landmarks, lying, view });
    },
  };
}
