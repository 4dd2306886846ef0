import { expose } from 'comlink';
import { trialTasks } from './trial-tasks';

// The engine is large: it is brought when something is first poured.
expose(
  trialTasks(async () => {
    const { default: engine } = await import('@dimforge/rapier3d-deterministic-compat');
    await engine.init();
    return engine;
  }),
);
