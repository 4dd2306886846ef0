import { inject, Injectable } from '@angular/core';
import type { Job, JobDraft, Progress } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Api } from './api';
import { Collection } from './collection';

/** Jobs, the last touched first. */
@Injectable({ providedIn: 'root' })
export class Jobs extends Collection<Job> {
  private readonly api: Api;

  constructor() {
    const api = inject(Api);
    super(
      () => api.call('jobs'),
      (a, b) => b.updatedAt.localeCompare(a.updatedAt),
    );
    this.api = api;
  }

  get(id: string): Observable<Job> {
    return this.api.call('job', { id }).pipe(tap((job) => this.put(job)));
  }

  add(draft: JobDraft): Observable<Job> {
    return this.api.call('addJob', { body: draft }).pipe(tap((job) => this.put(job)));
  }

  change(job: Job, next: JobDraft): Observable<Job> {
    return this.api
      .call('changeJob', { id: job.id, body: { ...next, version: job.version } })
      .pipe(tap((row) => this.put(row)));
  }

  setProgress(id: string, progress: Progress): Observable<Job> {
    return this.api.call('setProgress', { id, body: progress }).pipe(tap((job) => this.put(job)));
  }

  remove(id: string): Observable<null> {
    return this.api.call('removeJob', { id }).pipe(tap(() => this.drop(id)));
  }

  restore(id: string): Observable<Job> {
    return this.api.call('restoreJob', { id }).pipe(tap((job) => this.put(job)));
  }
}
