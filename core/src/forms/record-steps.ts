import type { Hand } from '../folding/hand';
import type { FormStep, StepArrow, StepWords } from './form';

interface Shown {
  readonly view?: FormStep['view'];
  readonly creases?: readonly string[];
  readonly arrows: readonly StepArrow[];
}

/** Collects the steps of a sequence while a hand makes them. */
export interface StepRecord {
  readonly steps: FormStep[];
  readonly step: (words: StepWords, shown: Shown, moves: () => void) => void;
}

export function recordSteps(hand: Hand): StepRecord {
  const steps: FormStep[] = [];
  return {
    steps,
    step: (words, { view = 'table', creases = [], arrows }, moves) => {
      steps.push({ ...words, poses: hand.watch(moves), creases, arrows, view });
    },
  };
}
