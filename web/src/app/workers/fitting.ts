import { Fitting } from '@odd-corner/core';
import { pause } from './in-slices';

/** What this worker has learned by folding: its own, for as long as it lives. */
export const fitting = new Fitting();

const WAIT_MS = 100;

/** Questions that are being answered: learning ahead waits for them. */
class Questions {
  private open = 0;

  /** @returns to be called once it has been answered */
  begin(): () => void {
    this.open++;
    return () => this.open--;
  }

  async none(): Promise<void> {
    do await pause(this.open ? WAIT_MS : 0);
    while (this.open);
  }
}

export const questions = new Questions();
