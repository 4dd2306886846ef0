import type { Provider } from '@angular/core';
import { wrap } from 'comlink';
import solver from 'highs/runtime' with { loader: 'file' };
import { BEGIN_CUTTING, type CuttingWorker } from './cutting.service';
import type { CuttingTasks } from './cutting-tasks';

/** Each plan begins a worker: nothing else stops a solver in the midst of its work. */
export function provideCuttingWorker(): Provider {
  return {
    provide: BEGIN_CUTTING,
    useValue: (): CuttingWorker => {
      const name = new URL(solver, document.baseURI).href;
      const worker = new Worker(new URL('./cutting.worker', import.meta.url), { type: 'module', name });
      return { tasks: wrap<CuttingTasks>(worker), end: () => worker.terminate() };
    },
  };
}
