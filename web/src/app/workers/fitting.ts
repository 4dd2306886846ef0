import { Fitting } from '@odd-corner/core';

/** What this worker has learned by folding: its own, for as long as it lives. */
export const fitting = new Fitting();
