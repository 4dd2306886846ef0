import { inject, Injectable, signal } from '@angular/core';
import type { Recent, RecentDraft } from '@odd-corner/contract';
import { catchError, EMPTY, type Observable, tap } from 'rxjs';
import { Api } from './api';
import { whenChanged } from './changes';

/** What was asked last in this workshop, the latest first. It is a convenience: when it cannot be read, nothing is said. */
@Injectable({ providedIn: 'root' })
export class Recents {
  private readonly api = inject(Api);
  private readonly held = signal<readonly Recent[]>([]);
  readonly rows = this.held.asReadonly();

  constructor() {
    whenChanged('recent', () => this.refresh());
  }

  refresh(): void {
    this.take(this.api.call('recent')).subscribe();
  }

  add(draft: RecentDraft): void {
    this.take(this.api.call('addRecent', { body: draft })).subscribe();
  }

  private take(answer: Observable<Recent[]>): Observable<Recent[]> {
    return answer.pipe(
      tap((rows) => this.held.set(rows)),
      catchError(() => EMPTY),
    );
  }
}
