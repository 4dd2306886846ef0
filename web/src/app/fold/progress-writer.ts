import { DestroyRef, inject, Injectable, signal } from '@angular/core';
import type { Job, Progress } from '@odd-corner/contract';
import { type Observable, Subject } from 'rxjs';
import { failureText } from '../data/api';
import { Jobs } from '../data/jobs';

const AGAIN_AFTER_MS = 2000;

interface Place {
  readonly id: string;
  readonly progress: Progress;
}

/**
 * Writes how far the hand has come, one write at a time and always the newest place: quick steps skip the places in
 * between, and an older write can never land after a newer one. What fails is tried again.
 */
@Injectable()
export class ProgressWriter {
  private readonly jobs = inject(Jobs);
  private readonly answers = new Subject<Job>();
  private waiting: Place | null = null;
  private sending: Place | null = null;
  private again: ReturnType<typeof setTimeout> | null = null;

  /** Why the last place is not kept yet, or null. */
  readonly unsaved = signal<string | null>(null);
  /** The job as the server knows it after each write. */
  readonly written: Observable<Job> = this.answers.asObservable();

  constructor() {
    const leave = (): void => this.flush();
    window.addEventListener('pagehide', leave);
    inject(DestroyRef).onDestroy(() => {
      window.removeEventListener('pagehide', leave);
      this.flush();
      if (this.again !== null) clearTimeout(this.again);
    });
  }

  write(id: string, progress: Progress): void {
    this.waiting = { id, progress };
    if (!this.sending) this.send();
  }

  private send(): void {
    const place = this.waiting;
    if (!place) return;
    this.waiting = null;
    this.sending = place;
    this.jobs.setProgress(place.id, place.progress).subscribe({
      next: (job) => {
        this.sending = null;
        this.unsaved.set(null);
        this.answers.next(job);
        this.send();
      },
      error: (error: unknown) => {
        this.unsaved.set(failureText(error));
        this.again = setTimeout(() => {
          this.sending = null;
          this.waiting ??= place;
          this.send();
        }, AGAIN_AFTER_MS);
      },
    });
  }

  /** The page is being left: what waits is sent without waiting for its turn. */
  private flush(): void {
    const place = this.waiting;
    this.waiting = null;
    if (place) this.jobs.setProgress(place.id, place.progress).subscribe({ error: () => undefined });
  }
}
