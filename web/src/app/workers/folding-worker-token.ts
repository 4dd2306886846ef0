import { InjectionToken } from '@angular/core';
import type { Remote } from 'comlink';
import type { FoldingTasks } from './folding-tasks';

/** The tasks, wherever they run. */
export const FOLDING_WORKER = new InjectionToken<Remote<FoldingTasks>>('folding worker');

/** The same tasks in a worker of their own: pictures are drawn while answers are still being found. */
export const PICTURE_WORKER = new InjectionToken<Remote<Pick<FoldingTasks, 'answerPicture' | 'heldPicture' | 'card'>>>(
  'picture worker',
);
