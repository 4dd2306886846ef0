import type { Provider } from '@angular/core';
import { foldingLine } from './folding-line';
import { FOLDING_WORKER, PICTURE_WORKER } from './folding-worker-token';

const begin = (name: string): Worker =>
  new Worker(new URL('./folding.worker', import.meta.url), { type: 'module', name });

/** Starts each worker when something first asks for it, and another one when it has gone. */
export function provideFoldingWorker(): Provider[] {
  return [
    { provide: FOLDING_WORKER, useFactory: () => foldingLine(begin) },
    { provide: PICTURE_WORKER, useFactory: () => foldingLine(begin) },
  ];
}
