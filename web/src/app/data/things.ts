import { inject, Injectable } from '@angular/core';
import type { Thing, ThingDraft } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Api } from './api';
import { byName, Collection } from './collection';

/** Things that the maker folds for. */
@Injectable({ providedIn: 'root' })
export class Things extends Collection<Thing> {
  private readonly api: Api;

  constructor() {
    const api = inject(Api);
    super(() => api.call('things'), byName);
    this.api = api;
  }

  add(draft: ThingDraft): Observable<Thing> {
    return this.api.call('addThing', { body: draft }).pipe(tap((thing) => this.put(thing)));
  }

  remove(id: string): Observable<null> {
    return this.api.call('removeThing', { id }).pipe(tap(() => this.drop(id)));
  }

  restore(id: string): Observable<Thing> {
    return this.api.call('restoreThing', { id }).pipe(tap((thing) => this.put(thing)));
  }
}
