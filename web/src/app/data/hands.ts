import { inject, Injectable } from '@angular/core';
import type { FolderHand, FolderHandDraft, NewFolderHand } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Conflicts, type Fact } from '../ui/conflicts/conflicts';
import { Figures } from '../ui/figures/figures';
import { Api } from './api';
import { byName, Collection } from './collection';

/** Whose hands fold in this workshop. */
@Injectable({ providedIn: 'root' })
export class Hands extends Collection<FolderHand> {
  private readonly api: Api;
  private readonly conflicts = inject(Conflicts);
  private readonly figures = inject(Figures);

  constructor() {
    const api = inject(Api);
    super(() => api.all('hands'), byName);
    this.api = api;
  }

  add(draft: NewFolderHand): Observable<FolderHand> {
    return this.api.call('addHand', { body: draft }).pipe(tap((hand) => this.put(hand)));
  }

  change(hand: FolderHand, next: FolderHandDraft): Observable<FolderHand> {
    const { id, name: title } = hand;
    const facts = ({ name, missMm }: FolderHandDraft): Fact[] => [
      { name: 'Name', text: name },
      { name: 'Misses by', text: this.figures.exact([missMm]) },
    ];
    return this.conflicts
      .write<FolderHand>({
        ...{ title, seen: hand, mine: facts(next), facts },
        put: ({ version }) => this.api.call('changeHand', { id, body: { ...next, version } }),
      })
      .pipe(tap((row) => this.put(row)));
  }

  remove(id: string): Observable<null> {
    return this.api.call('removeHand', { id }).pipe(tap(() => this.drop(id)));
  }

  restore(id: string): Observable<FolderHand> {
    return this.api.call('restoreHand', { id }).pipe(tap((hand) => this.put(hand)));
  }
}
