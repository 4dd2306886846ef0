import { InjectionToken } from '@angular/core';
import type { Remote } from 'comlink';
import type { FoldingTasks } from './folding-tasks';

/** The tasks, wherever they run. */
export const FOLDING_WORKER = new InjectionToken<Remote<FoldingTasks>>('folding worker');
