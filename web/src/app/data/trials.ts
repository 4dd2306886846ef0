import { inject, Injectable } from '@angular/core';
import type { NewTrial, Trial, TrialChange } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Api } from './api';
import { PagedList } from './paged-list';

const CHUNK = 100;

/** What was tried, the newest first. */
@Injectable({ providedIn: 'root' })
export class Trials {
  private readonly api = inject(Api);
  readonly list = new PagedList('trials', { chunk: CHUNK, topic: 'trials' });

  readonly broken = this.list.broken;

  refresh(): void {
    this.list.refresh();
  }

  add(draft: NewTrial): Observable<Trial> {
    return this.api.call('addTrial', { body: draft }).pipe(tap(() => this.list.refresh()));
  }

  change(id: string, body: TrialChange): Observable<Trial> {
    return this.api.call('changeTrial', { id, body }).pipe(tap((row) => this.list.put(row)));
  }

  remove(id: string): Observable<null> {
    return this.api.call('removeTrial', { id }).pipe(tap(() => this.list.drop(id)));
  }

  restore(id: string): Observable<Trial> {
    return this.api.call('restoreTrial', { id }).pipe(tap(() => this.list.refresh()));
  }
}
