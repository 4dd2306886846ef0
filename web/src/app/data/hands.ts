import { inject, Injectable } from '@angular/core';
import type { FolderHand, FolderHandDraft } from '@odd-corner/contract';
import type { Fact } from '../ui/conflicts/conflicts';
import { Figures } from '../ui/figures/figures';
import { Api } from './api';
import { KeptCollection } from './kept-collection';

/** Whose hands fold in this workshop. */
@Injectable({ providedIn: 'root' })
export class Hands extends KeptCollection<FolderHand, FolderHandDraft> {
  private readonly figures = inject(Figures);

  constructor() {
    const api = inject(Api);
    super({
      all: () => api.all('hands'),
      add: (body) => api.call('addHand', { body }),
      change: (id, body) => api.call('changeHand', { id, body }),
      remove: (id) => api.call('removeHand', { id }),
      restore: (id) => api.call('restoreHand', { id }),
    });
  }

  protected facts({ name, missMm }: FolderHandDraft): Fact[] {
    return [
      { name: 'Name', text: name },
      { name: 'Misses by', text: this.figures.exact([missMm]) },
    ];
  }
}
