import type { DestroyRef } from '@angular/core';

/** What is being folded: a copy by its name, and the step of it that is made. */
export interface AtHand {
  readonly copy: string;
  readonly step: string | null;
}

/**
 * Seconds that were spent at the table on each copy, by its name, and on its steps; only while the page is in view. A step that
 * lies for long was left: what is longer than a pause does not count for it.
 */
export class TableTime {
  private readonly seconds = new Map<string, number>();
  private readonly steps = new Map<string, Map<string, number>>();
  private since = Date.now();

  /** @param at what is being folded now, if anything is */
  constructor(
    private readonly at: () => AtHand | null,
    gone: DestroyRef,
  ) {
    const seen = (): void => {
      if (document.hidden) this.keep();
      else this.since = Date.now();
    };
    document.addEventListener('visibilitychange', seen);
    gone.onDestroy(() => document.removeEventListener('visibilitychange', seen));
  }

  of(copy: string): number {
    return Math.round(this.seconds.get(copy) ?? 0);
  }

  /** Whole seconds in each step of a copy, as far as they were seen here or are known from elsewhere. */
  stepsOf(copy: string): Record<string, number> {
    return Object.fromEntries([...(this.steps.get(copy) ?? [])].map(([step, seconds]) => [step, Math.round(seconds)]));
  }

  /** Takes over what is known of a copy from elsewhere. */
  know(copy: string, seconds: number, steps: Readonly<Record<string, number>> = {}): void {
    this.seconds.set(copy, Math.max(seconds, this.seconds.get(copy) ?? 0));
    const own = this.ofSteps(copy);
    for (const [step, known] of Object.entries(steps)) own.set(step, Math.max(known, own.get(step) ?? 0));
  }

  /** Adds the stretch since the last step, or since the page came into view, to the time spent. */
  keep(): void {
    const [now, at] = [Date.now(), this.at()];
    const passed = (now - this.since) / 1000;
    this.since = now;
    if (at === null) return;
    this.seconds.set(at.copy, (this.seconds.get(at.copy) ?? 0) + passed);
    if (at.step === null || passed > LONGEST_STEP_S) return;
    const own = this.ofSteps(at.copy);
    own.set(at.step, (own.get(at.step) ?? 0) + passed);
  }

  clear(): void {
    this.seconds.clear();
    this.steps.clear();
    this.since = Date.now();
  }

  private ofSteps(copy: string): Map<string, number> {
    let own = this.steps.get(copy);
    if (!own) this.steps.set(copy, (own = new Map<string, number>()));
    return own;
  }
}

/** Nobody makes one step for longer without leaving it. */
const LONGEST_STEP_S = 15 * 60;
