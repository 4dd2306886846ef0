import { inject, Injectable } from '@angular/core';
import type { NewPaper, Paper, PaperDraft } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Conflicts, type Fact } from '../ui/conflicts/conflicts';
import { Figures } from '../ui/figures/figures';
import { Api } from './api';
import { byName, Collection } from './collection';

/** Papers on the shelf. */
@Injectable({ providedIn: 'root' })
export class Papers extends Collection<Paper> {
  private readonly api: Api;
  private readonly conflicts = inject(Conflicts);
  private readonly figures = inject(Figures);

  constructor() {
    const api = inject(Api);
    super(() => api.all('papers'), byName);
    this.api = api;
  }

  add(draft: NewPaper): Observable<Paper> {
    return this.api.call('addPaper', { body: draft }).pipe(tap((paper) => this.put(paper)));
  }

  change(paper: Paper, next: PaperDraft): Observable<Paper> {
    const { id, name: title } = paper;
    return this.conflicts
      .write<Paper>({
        ...{ title, seen: paper, mine: this.facts(next), facts: (row) => this.facts(row) },
        put: ({ version }) => this.api.call('changePaper', { id, body: { ...next, version } }),
      })
      .pipe(tap((row) => this.put(row)));
  }

  private facts({ name, widthMm, heightMm, count, gsm, kind, caliperMm, price, ...colours }: PaperDraft): Fact[] {
    const { figures } = this;
    return [
      { name: 'Name', text: name },
      { name: 'Size of one sheet', text: figures.exact([widthMm, heightMm]) },
      { name: 'Sheets', text: `${count}` },
      { name: 'Kind', text: kind },
      { name: 'Weight', text: figures.mark(`${gsm} g/m²`) },
      { name: 'Thickness', text: caliperMm === null ? 'estimated' : figures.mark(`${caliperMm} mm`) },
      { name: 'Price', text: price ? `${figures.money(price)} for ${price.sheets}` : '' },
      { name: 'Front', text: colours.colourFront },
      { name: 'Back', text: colours.colourBack },
    ];
  }

  remove(id: string): Observable<null> {
    return this.api.call('removePaper', { id }).pipe(tap(() => this.drop(id)));
  }

  restore(id: string): Observable<Paper> {
    return this.api.call('restorePaper', { id }).pipe(tap((paper) => this.put(paper)));
  }
}
