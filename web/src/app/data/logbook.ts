import { inject, Injectable } from '@angular/core';
import type { LogEntry, LogEntryChange, NewLogEntry } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Api } from './api';
import { Collection } from './collection';
import { Papers } from './papers';

/** Folded pieces, the newest first. Recording and undoing move sheets, so the shelf is read again. */
@Injectable({ providedIn: 'root' })
export class Logbook extends Collection<LogEntry> {
  private readonly api: Api;
  private readonly papers = inject(Papers);

  constructor() {
    const api = inject(Api);
    super(
      () => api.all('log'),
      (a, b) => b.foldedAt.localeCompare(a.foldedAt),
    );
    this.api = api;
  }

  record(draft: NewLogEntry): Observable<LogEntry> {
    return this.api.call('addLogEntry', { body: draft }).pipe(
      tap((piece) => {
        this.put(piece);
        this.papers.refresh();
      }),
    );
  }

  change(id: string, body: LogEntryChange): Observable<LogEntry> {
    return this.api.call('changeLogEntry', { id, body }).pipe(
      tap((entry) => {
        this.put(entry);
        this.papers.refresh();
      }),
    );
  }

  restore(id: string): Observable<LogEntry> {
    return this.api.call('restoreLogEntry', { id }).pipe(
      tap((entry) => {
        this.put(entry);
        this.papers.refresh();
      }),
    );
  }

  remove(id: string): Observable<null> {
    return this.api.call('removeLogEntry', { id }).pipe(
      tap(() => {
        this.drop(id);
        this.papers.refresh();
      }),
    );
  }
}
