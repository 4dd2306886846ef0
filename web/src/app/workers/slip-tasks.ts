import {
  type Drawing,
  type FormStep,
  movingPictures,
  type Pose,
  type StatePictures,
  statePictures,
  wrongStates,
  type WrongState,
} from '@odd-corner/core';
import { type FormStepsAsked, markedForm } from './marked-piece';

/** How many states before a step are shown: a slip is seldom noticed later. */
const STATES_BACK = 3;

/** How the paper lies before a step. */
export interface StateBefore {
  /** The step that begins from it, counted from 0. */
  readonly step: number;
  readonly title: string;
  readonly pictures: StatePictures;
}

/** What a maker compares the paper with whose paper looks different. */
export interface StatesBefore {
  /** The latest first. */
  readonly before: readonly StateBefore[];
  /** How it should look after the step. */
  readonly after: StatePictures;
  readonly slips: readonly (Omit<WrongState, 'pose'> & { readonly pictures: StatePictures })[];
}

const lastOf = ({ poses }: FormStep): Pose => poses[poses.length - 1];

export const slipTasks = {
  /** A step as it moves, or null where that is not known. */
  moving({ unit, looking, marks, ...asked }: FormStepsAsked, index: number): readonly Drawing[] | null {
    const { steps, uses = [] } = markedForm(asked, marks ?? null, unit).folding;
    return movingPictures([...steps, ...uses][index], looking);
  },

  /** The last states before a step from both sides, and the states that its usual slips lead to, all at one scale. */
  statesAround({ unit, looking, marks, ...asked }: FormStepsAsked, index: number): StatesBefore {
    const { steps, uses = [] } = markedForm(asked, marks ?? null, unit).folding;
    const all = [...steps, ...uses];
    const step = all[index];
    const back = all.slice(Math.max(0, index - STATES_BACK + 1), index + 1).reverse();
    const wrong = wrongStates(step);
    const [before, other] = [back.map(({ poses }) => poses[0]), wrong.map(({ pose }) => pose)];
    const right = lastOf(step);
    return {
      before: back.map(({ title, view }, k) => ({
        ...{ step: index - k, title },
        pictures: statePictures(before[k], view, looking, before),
      })),
      after: statePictures(right, step.view, looking, other),
      slips: wrong.map(({ pose, ...words }) => ({
        ...words,
        pictures: statePictures(pose, step.view, looking, [right, ...other]),
      })),
    };
  },
};
