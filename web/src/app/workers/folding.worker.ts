import { expose } from 'comlink';
import { foldingTasks } from './folding-tasks';

/** Fulfilled once this worker holds the lock by which others see that it lives. */
const watched = new Promise<void>((held) => {
  if (!('locks' in navigator)) held();
  else
    void navigator.locks.request(self.name, () => {
      held();
      return new Promise<never>(() => undefined);
    });
});

expose({ ...foldingTasks, watched: () => watched });
