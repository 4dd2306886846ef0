import { expose } from 'comlink';
import { takeSizes } from '@odd-corner/core';
import { foldingTasks } from './folding-tasks';
import { whenKnown } from './known-sizes';

/** What fitting learned when the application was built; without it the worker learns it itself. */
async function load(): Promise<void> {
  const response = await fetch('/known-sizes.json');
  if (response.ok) takeSizes(await response.json());
}

whenKnown(load().catch(() => undefined));
expose(foldingTasks);
