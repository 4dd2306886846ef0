import type { Provider } from '@angular/core';
import { wrap } from 'comlink';
import type { FoldingTasks } from './folding-tasks';
import { FOLDING_WORKER } from './folding-worker-token';

/** What fitting learned when the application was built; without it the worker learns it itself. */
async function knownSizes(): Promise<unknown> {
  try {
    const response = await fetch('/known-sizes.json');
    return response.ok ? await response.json() : null;
  } catch {
    return null;
  }
}

/** Starts the worker when something first asks for it. */
export function provideFoldingWorker(): Provider {
  return {
    provide: FOLDING_WORKER,
    useFactory: () => {
      const tasks = wrap<FoldingTasks>(
        new Worker(new URL('./folding.worker', import.meta.url), { type: 'module', name: 'folding' }),
      );
      void knownSizes().then((known) => tasks.warmUp(known));
      return tasks;
    },
  };
}
