import { inject, Injectable } from '@angular/core';
import type { LogEntry, LogEntryChange, NewLogEntry } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Api } from './api';
import { PagedList } from './paged-list';
import { Papers } from './papers';

/** So many entries are read at once: what is said of a form on a paper is said of these. */
const CHUNK = 100;

/** Folded pieces, the newest first. Recording and undoing move sheets, so the shelf is read again. */
@Injectable({ providedIn: 'root' })
export class Logbook {
  private readonly api = inject(Api);
  private readonly papers = inject(Papers);
  readonly list = new PagedList('log', { chunk: CHUNK, topic: 'log' });
  readonly broken = this.list.broken;

  refresh(): void {
    this.list.refresh();
  }

  record(draft: NewLogEntry): Observable<LogEntry> {
    return this.kept(this.api.call('addLogEntry', { body: draft }));
  }

  change(id: string, body: LogEntryChange): Observable<LogEntry> {
    return this.kept(this.api.call('changeLogEntry', { id, body }));
  }

  restore(id: string): Observable<LogEntry> {
    return this.kept(this.api.call('restoreLogEntry', { id })).pipe(tap(() => this.refresh()));
  }

  remove(id: string): Observable<null> {
    return this.api.call('removeLogEntry', { id }).pipe(
      tap(() => {
        this.list.drop(id);
        this.papers.refresh();
      }),
    );
  }

  private kept(answer: Observable<LogEntry>): Observable<LogEntry> {
    return answer.pipe(
      tap((entry) => {
        this.list.put(entry);
        this.papers.refresh();
      }),
    );
  }
}
