import {
  type CuttingAsked,
  type CuttingPlan,
  type CuttingProgress,
  planCutting,
  solverOf,
  type TextSolver,
} from '@odd-corner/core';

/** @param load brings the solver, which is large, when something is first planned */
export function cuttingTasks(load: () => Promise<TextSolver>) {
  return {
    /** @param tell called with the best plan so far */
    async plan(asked: CuttingAsked, tell: (progress: CuttingProgress) => void): Promise<CuttingPlan> {
      const work = planCutting(asked, solverOf(await load()));
      for (let step = work.next(); ; step = work.next()) {
        if (step.done) return step.value;
        tell(step.value);
      }
    },
  };
}

export type CuttingTasks = ReturnType<typeof cuttingTasks>;
