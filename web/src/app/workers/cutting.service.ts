import { inject, Injectable, InjectionToken } from '@angular/core';
import { proxy, type Remote } from 'comlink';
import type { CuttingAsked, CuttingPlan, CuttingProgress } from '@odd-corner/core';
import { Observable } from 'rxjs';
import type { CuttingTasks } from './cutting-tasks';

/** A worker of its own for one plan: ended at once when the plan is not wanted any more. */
export interface CuttingWorker {
  readonly tasks: Pick<Remote<CuttingTasks>, 'plan'>;
  readonly end: () => void;
}

export const BEGIN_CUTTING = new InjectionToken<() => CuttingWorker>('cutting worker');

/** The best plan so far, and whether it stays so. */
export interface CuttingState {
  readonly plan: CuttingPlan;
  readonly working: CuttingProgress['stage'] | null;
}

/** Plans cuts off the screen’s thread. Who stops listening stops the work, in the midst of it. */
@Injectable({ providedIn: 'root' })
export class Cutting {
  private readonly begin = inject(BEGIN_CUTTING);

  plan(asked: CuttingAsked): Observable<CuttingState> {
    return new Observable<CuttingState>((told) => {
      const { tasks, end } = this.begin();
      tasks
        .plan(
          asked,
          proxy(({ best, stage }: CuttingProgress) => told.next({ plan: best, working: stage })),
        )
        .then(
          (plan) => {
            told.next({ plan, working: null });
            told.complete();
          },
          (error: unknown) => told.error(error),
        )
        .finally(end);
      return end;
    });
  }
}
