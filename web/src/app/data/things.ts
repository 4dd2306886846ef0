import { inject, Injectable } from '@angular/core';
import type { NewThing, Thing, ThingDraft } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Conflicts, type Fact } from '../ui/conflicts/conflicts';
import { Figures } from '../ui/figures/figures';
import { Api } from './api';
import { byName, Collection } from './collection';

/** Things that the maker folds for. */
@Injectable({ providedIn: 'root' })
export class Things extends Collection<Thing> {
  private readonly api: Api;
  private readonly conflicts = inject(Conflicts);
  private readonly figures = inject(Figures);

  constructor() {
    const api = inject(Api);
    super(() => api.all('things'), byName);
    this.api = api;
  }

  add(draft: NewThing): Observable<Thing> {
    return this.api.call('addThing', { body: draft }).pipe(tap((thing) => this.put(thing)));
  }

  change(thing: Thing, next: ThingDraft): Observable<Thing> {
    const { id, name: title } = thing;
    const facts = ({ name, purpose }: ThingDraft): Fact[] => [
      { name: 'Name', text: name },
      { name: 'What it is', text: this.figures.purpose(purpose) },
    ];
    return this.conflicts
      .write<Thing>({
        ...{ title, seen: thing, mine: facts(next), facts },
        put: ({ version }) => this.api.call('changeThing', { id, body: { ...next, version } }),
      })
      .pipe(tap((row) => this.put(row)));
  }

  remove(id: string): Observable<null> {
    return this.api.call('removeThing', { id }).pipe(tap(() => this.drop(id)));
  }

  restore(id: string): Observable<Thing> {
    return this.api.call('restoreThing', { id }).pipe(tap((thing) => this.put(thing)));
  }
}
