import { inject, Injectable, signal } from '@angular/core';
import type { Job, Progress } from '@odd-corner/contract';
import { type Observable, retry, Subject, switchMap, tap, timer } from 'rxjs';
import { failureText } from '../data/api';
import { Jobs } from '../data/jobs';

const AGAIN_AFTER_MS = 2000;

/** Writes how far the hand has come. A newer place supersedes one still on its way; a failed write is tried again. */
@Injectable()
export class ProgressWriter {
  private readonly jobs = inject(Jobs);
  private readonly places = new Subject<{ readonly id: string; readonly progress: Progress }>();
  /** Why the last place is not kept yet, or null. */
  readonly unsaved = signal<string | null>(null);

  /** The job as the server knows it after each write. */
  readonly written: Observable<Job> = this.places.pipe(
    switchMap(({ id, progress }) =>
      this.jobs.setProgress(id, progress).pipe(
        retry({
          delay: (error: unknown) => {
            this.unsaved.set(failureText(error));
            return timer(AGAIN_AFTER_MS);
          },
        }),
        tap(() => this.unsaved.set(null)),
      ),
    ),
  );

  write(id: string, progress: Progress): void {
    this.places.next({ id, progress });
  }
}
