import { inject, Injectable } from '@angular/core';
import type { Thing, ThingDraft } from '@odd-corner/contract';
import type { Fact } from '../ui/conflicts/conflicts';
import { Figures } from '../ui/figures/figures';
import { Api } from './api';
import { KeptCollection } from './kept-collection';

/** Things that the maker folds for. */
@Injectable({ providedIn: 'root' })
export class Things extends KeptCollection<Thing, ThingDraft> {
  private readonly figures = inject(Figures);

  constructor() {
    const api = inject(Api);
    super('things', {
      all: () => api.all('things'),
      add: (body) => api.call('addThing', { body }),
      change: (id, body) => api.call('changeThing', { id, body }),
      remove: (id) => api.call('removeThing', { id }),
      restore: (id) => api.call('restoreThing', { id }),
    });
  }

  protected facts({ name, purpose }: ThingDraft): Fact[] {
    return [
      { name: 'Name', text: name },
      { name: 'What it is', text: this.figures.purpose(purpose) },
    ];
  }
}
