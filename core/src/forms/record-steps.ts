import type { Hand } from '../folding/hand';
import type { FormStep, StepArrow, StepWords } from './form';

/** Collects the steps of a sequence while a hand makes them. */
export function recordSteps(hand: Hand): {
  readonly steps: FormStep[];
  step(
    words: StepWords,
    show: { view?: FormStep['view']; creases?: readonly string[]; arrows: readonly StepArrow[] },
    moves: () => void,
  ): void;
} {
  const steps: FormStep[] = [];
  return {
    steps,
    step(words, { view = 'table', creases = [], arrows }, moves) {
      steps.push({ ...words, poses: hand.watch(moves), creases, arrows, view });
    },
  };
}
