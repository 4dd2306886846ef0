import type { DestroyRef } from '@angular/core';

/** Seconds that were spent at the table on each copy, by its name; only while the page is in view. */
export class TableTime {
  private readonly seconds = new Map<string, number>();
  private since = Date.now();

  /** @param at what is being folded now, if anything is */
  constructor(
    private readonly at: () => string | null,
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

  /** Takes over what is known of a copy from elsewhere. */
  know(copy: string, seconds: number): void {
    this.seconds.set(copy, Math.max(seconds, this.seconds.get(copy) ?? 0));
  }

  /** Adds the stretch since the last step, or since the page came into view, to the time spent. */
  keep(): void {
    const [now, at] = [Date.now(), this.at()];
    if (at !== null) this.seconds.set(at, (this.seconds.get(at) ?? 0) + (now - this.since) / 1000);
    this.since = now;
  }

  clear(): void {
    this.seconds.clear();
    this.since = Date.now();
  }
}
