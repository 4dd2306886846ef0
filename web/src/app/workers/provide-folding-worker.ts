import type { Provider } from '@angular/core';
import { wrap } from 'comlink';
import type { FoldingTasks } from './folding-tasks';
import { FOLDING_WORKER } from './folding-worker-token';

/** Starts the worker when something first asks for it. */
export function provideFoldingWorker(): Provider {
  return {
    provide: FOLDING_WORKER,
    useFactory: () => {
      const tasks = wrap<FoldingTasks>(
        new Worker(new URL('./folding.worker', import.meta.url), { type: 'module', name: 'folding' }),
      );
      void tasks.warmUp();
      return tasks;
    },
  };
}
