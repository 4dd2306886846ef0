import { computed, inject, Injectable, signal } from '@angular/core';
import type { EyeTry, NewEyeTry } from '@odd-corner/contract';
import { type EyeLearned, eyeOf } from '@odd-corner/core';
import { type Observable, tap } from 'rxjs';
import { Api } from './api';
import { whenChanged } from './changes';

/** Tries to find places by eye, and what they say of each hand's eye. */
@Injectable({ providedIn: 'root' })
export class EyeTries {
  private readonly api = inject(Api);
  private readonly held = signal<readonly EyeTry[] | null>(null);
  /** Null until they are known. */
  readonly rows = this.held.asReadonly();

  private readonly learned = computed(() => {
    const byHand = new Map<string | null, EyeTry[]>();
    for (const one of this.held() ?? []) byHand.set(one.handId, [...(byHand.get(one.handId) ?? []), one]);
    return new Map([...byHand].map(([hand, tries]) => [hand, eyeOf(tries)]));
  });

  /** By what share of a length a hand's eye misses: as it is usual until somebody has tried. */
  of(handId: string | null): EyeLearned {
    return this.learned().get(handId) ?? eyeOf([]);
  }

  constructor() {
    whenChanged('eyeTries', () => this.held() && this.known().subscribe({ error: () => undefined }));
  }

  /** Reads them. */
  known(): Observable<readonly EyeTry[]> {
    return this.api.call('eyeTries').pipe(tap((rows) => this.held.set(rows)));
  }

  add(draft: NewEyeTry): Observable<EyeTry> {
    return this.api
      .call('addEyeTry', { body: draft })
      .pipe(tap((row) => this.held.update((rows) => [...(rows ?? []).filter(({ id }) => id !== row.id), row])));
  }

  remove(id: string): Observable<null> {
    return this.api
      .call('removeEyeTry', { id })
      .pipe(tap(() => this.held.update((rows) => (rows ?? []).filter((row) => row.id !== id))));
  }
}
