import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { CopyProgress, Job } from '@odd-corner/contract';
import { type Observable, Subject } from 'rxjs';
import { failureText } from '../data/api';
import { Jobs } from '../data/jobs';
import { isGone, Outbox } from '../offline/outbox';

const AGAIN_AFTER_MS = 2000;

/** What is done of a make's copies. */
interface Done {
  readonly makeId: string;
  readonly copies: readonly CopyProgress[];
}

/** Both together: a step that is done stays done. */
function joined(before: Done | null, after: Done): Done {
  if (before?.makeId !== after.makeId) return after;
  const copies = new Map(before.copies.map((one) => [`${one.entryKey} ${one.copy}`, one]));
  for (const one of after.copies) {
    const key = `${one.entryKey} ${one.copy}`;
    const was = copies.get(key);
    const done = [...new Set([...(was?.done ?? []), ...one.done])];
    const stepSeconds = { ...was?.stepSeconds, ...one.stepSeconds };
    copies.set(key, { ...one, done, seconds: Math.max(was?.seconds ?? 0, one.seconds), stepSeconds });
  }
  return { makeId: after.makeId, copies: [...copies.values()] };
}

/**
 * Writes how far the hand has come, one write at a time: what is done while another is under way goes together, and what
 * fails is tried again with it.
 */
@Injectable()
export class ProgressWriter {
  private readonly jobs = inject(Jobs);
  private readonly outbox = inject(Outbox);
  private readonly answers = new Subject<Job>();
  private waiting: Done | null = null;
  private sending: Done | null = null;
  private again: ReturnType<typeof setTimeout> | null = null;

  /** Why the last steps are not kept yet, or null. */
  readonly unsaved = signal<string | null>(null);
  /** The job as the server knows it after each write. */
  readonly written: Observable<Job> = this.answers.asObservable();

  constructor() {
    this.outbox.sent.pipe(takeUntilDestroyed()).subscribe(({ route, answer }) => {
      if (route === 'addProgress') this.answers.next(answer as Job);
    });
    const leave = (): void => this.flush();
    window.addEventListener('pagehide', leave);
    inject(DestroyRef).onDestroy(() => {
      window.removeEventListener('pagehide', leave);
      this.flush();
      if (this.again !== null) clearTimeout(this.again);
    });
  }

  write(makeId: string, copy: CopyProgress): void {
    // What was done first is sent first.
    if (this.outbox.waiting().length) {
      this.keep({ makeId, copies: [copy] });
      return;
    }
    // A make is only left for another with its page, which sends what waits.
    this.waiting = joined(this.waiting, { makeId, copies: [copy] });
    if (!this.sending) this.send();
  }

  private keep({ makeId, copies }: Done): void {
    const waiting = this.waiting;
    this.waiting = null;
    const all = waiting ? joined({ makeId, copies }, waiting) : { makeId, copies };
    const steps = all.copies.reduce((sum, { done }) => sum + done.length, 0);
    void this.outbox.keep(
      'addProgress',
      { id: makeId, body: { copies: [...all.copies] } },
      `folding, to step ${steps}`,
    );
  }

  private send(): void {
    const done = this.waiting;
    if (!done) return;
    this.waiting = null;
    this.sending = done;
    this.jobs.addProgress(done.makeId, [...done.copies]).subscribe({
      next: (job) => {
        this.sending = null;
        this.unsaved.set(null);
        this.answers.next(job);
        this.send();
      },
      error: (error: unknown) => {
        if (isGone(error)) {
          // It is kept on this device, and sent when the server is there again.
          this.sending = null;
          this.keep(done);
          return;
        }
        this.unsaved.set(failureText(error));
        this.again = setTimeout(() => {
          this.sending = null;
          this.waiting = this.waiting ? joined(done, this.waiting) : done;
          this.send();
        }, AGAIN_AFTER_MS);
      },
    });
  }

  /** The page is being left: what waits is sent without waiting for its turn. */
  private flush(): void {
    const done = this.waiting;
    this.waiting = null;
    if (done) this.jobs.addProgress(done.makeId, [...done.copies]).subscribe({ error: () => undefined });
  }
}
