import { inject, Injectable } from '@angular/core';
import type { LogEntry, LogEntryDraft } from '@odd-corner/contract';
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
      () => api.call('pieces'),
      (a, b) => b.foldedAt.localeCompare(a.foldedAt),
    );
    this.api = api;
  }

  record(draft: LogEntryDraft): Observable<LogEntry> {
    return this.api.call('addPiece', { body: draft }).pipe(
      tap((piece) => {
        this.put(piece);
        this.papers.refresh();
      }),
    );
  }

  undo(id: string): Observable<null> {
    return this.api.call('undoPiece', { id }).pipe(
      tap(() => {
        this.drop(id);
        this.papers.refresh();
      }),
    );
  }
}
