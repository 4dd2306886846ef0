import { inject, Injectable } from '@angular/core';
import type { Paper, PaperDraft } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Api } from './api';
import { byName, Collection } from './collection';

/** Papers on the shelf. */
@Injectable({ providedIn: 'root' })
export class Papers extends Collection<Paper> {
  private readonly api: Api;

  constructor() {
    const api = inject(Api);
    super(() => api.call('papers'), byName);
    this.api = api;
  }

  add(draft: PaperDraft): Observable<Paper> {
    return this.api.call('addPaper', { body: draft }).pipe(tap((paper) => this.put(paper)));
  }

  change(paper: Paper, next: PaperDraft): Observable<Paper> {
    return this.api
      .call('changePaper', { id: paper.id, body: { ...next, version: paper.version } })
      .pipe(tap((row) => this.put(row)));
  }

  remove(id: string): Observable<null> {
    return this.api.call('removePaper', { id }).pipe(tap(() => this.drop(id)));
  }

  restore(id: string): Observable<Paper> {
    return this.api.call('restorePaper', { id }).pipe(tap((paper) => this.put(paper)));
  }
}
