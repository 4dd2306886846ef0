import { inject, Injectable } from '@angular/core';
import type { NewPaper, Paper, PaperDraft } from '@odd-corner/contract';
import { forkJoin, map, type Observable, tap } from 'rxjs';
import type { Fact } from '../ui/conflicts/conflicts';
import { Figures } from '../ui/figures/figures';
import { Api } from './api';
import { KeptCollection } from './kept-collection';

/** Papers on the shelf. */
@Injectable({ providedIn: 'root' })
export class Papers extends KeptCollection<Paper, PaperDraft> {
  private readonly figures = inject(Figures);

  private readonly api: Api;

  constructor() {
    const api = inject(Api);
    super('papers', {
      all: () => api.all('papers'),
      add: (body) => api.call('addPaper', { body }),
      change: (id, body) => api.call('changePaper', { id, body }),
      remove: (id) => api.call('removePaper', { id }),
      restore: (id) => api.call('restorePaper', { id }),
    });
    this.api = api;
  }

  /** As they are on the shelf now. */
  all(): Observable<readonly Paper[]> {
    return this.api.all('papers').pipe(map(({ rows }) => rows));
  }

  /** Adds several, all or none of them. */
  addMany(papers: NewPaper[]): Observable<Paper[]> {
    return this.api.call('addPapers', { body: { papers } }).pipe(tap((rows) => rows.forEach((row) => this.put(row))));
  }

  /** Takes several off the shelf again. */
  removeMany(ids: readonly string[]): Observable<unknown> {
    return forkJoin(ids.map((id) => this.remove(id)));
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
      { name: 'Grain along', text: more.runs ?? '' },
      { name: 'Margin', text: more.marginsMm ? figures.mark(`${more.marginsMm} mm`) : '' },
      { name: 'Low mark', text: `${more.lowMark ?? ''}` },
      { name: 'Place', text: more.place },
    ];
  }
}
