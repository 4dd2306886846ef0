import type { Provider } from '@angular/core';
import { wrap } from 'comlink';
import type { TrialTasks } from './trial-tasks';
import { BEGIN_TRIALS, type TrialWorker } from './trials.service';

/** One worker for as long as somebody tries something. */
export function provideTrialWorker(): Provider {
  return {
    provide: BEGIN_TRIALS,
    useValue: (): TrialWorker => {
      const worker = new Worker(new URL('./trial.worker', import.meta.url), { type: 'module' });
      return { tasks: wrap<TrialTasks>(worker), end: () => worker.terminate() };
    },
  };
}
