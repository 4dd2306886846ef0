import type { Provider } from '@angular/core';
import { foldingLine } from './folding-line';
import { FOLDING_WORKER } from './folding-worker-token';

/** Starts the worker when something first asks for it, and another one when it has gone. */
export function provideFoldingWorker(): Provider {
  return {
    provide: FOLDING_WORKER,
    useFactory: () =>
      foldingLine((name) => new Worker(new URL('./folding.worker', import.meta.url), { type: 'module', name })),
  };
}
