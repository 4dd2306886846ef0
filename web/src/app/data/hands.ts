import { computed, inject, Injectable } from '@angular/core';
import type { FolderHand, FolderHandDraft } from '@odd-corner/contract';
import type { Fact } from '../ui/conflicts/conflicts';
import { Figures } from '../ui/figures/figures';
import { Api } from './api';
import { KeptCollection } from './kept-collection';
import { WorkshopSettings } from './workshop-settings';

/** Whose hands fold in this workshop. */
@Injectable({ providedIn: 'root' })
export class Hands extends KeptCollection<FolderHand, FolderHandDraft> {
  private readonly figures = inject(Figures);
  private readonly settings = inject(WorkshopSettings);
  /** Who may have folded something, to be chosen: the workshop's usual hand is none of them. */
  readonly choices = computed(() => [
    { id: null, name: `the workshop’s usual hand, ${this.settings.current().hand}` },
    ...this.rows().map(({ id, name }) => ({ id, name })),
  ]);

  constructor() {
    const api = inject(Api);
    super('hands', {
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
