import { inject, Injectable } from '@angular/core';
import type { Paper, PaperDraft } from '@odd-corner/contract';
import type { Fact } from '../ui/conflicts/conflicts';
import { Figures } from '../ui/figures/figures';
import { Api } from './api';
import { KeptCollection } from './kept-collection';

/** Papers on the shelf. */
@Injectable({ providedIn: 'root' })
export class Papers extends KeptCollection<Paper, PaperDraft> {
  private readonly figures = inject(Figures);

  constructor() {
    const api = inject(Api);
    super({
      all: () => api.all('papers'),
      add: (body) => api.call('addPaper', { body }),
      change: (id, body) => api.call('changePaper', { id, body }),
      remove: (id) => api.call('removePaper', { id }),
      restore: (id) => api.call('restorePaper', { id }),
    });
  }

  protected facts({ name, widthMm, heightMm, count, gsm, kind, caliperMm, price, ...more }: PaperDraft): Fact[] {
    const { figures } = this;
    return [
      { name: 'Name', text: name },
      { name: 'Size of one sheet', text: figures.exact([widthMm, heightMm]) },
      { name: 'Sheets', text: `${count}` },
      { name: 'Kind', text: kind },
      { name: 'Weight', text: figures.mark(`${gsm} g/m²`) },
      { name: 'Thickness', text: caliperMm === null ? 'estimated' : figures.mark(`${caliperMm} mm`) },
      { name: 'Price', text: price ? `${figures.money(price)} for ${price.sheets}` : '' },
      { name: 'May touch food', text: more.foodSafe === 'unknown' ? 'not known' : more.foodSafe },
      { name: 'Front', text: more.colourFront },
      { name: 'Back', text: more.colourBack },
    ];
  }
}
