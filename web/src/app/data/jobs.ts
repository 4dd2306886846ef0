import { inject, Injectable } from '@angular/core';
import {
  type CopyProgress,
  draftOf,
  type Job,
  type NewJob,
  type TrayDraft,
  type TrayJob,
  trayJobOf,
} from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Conflicts, type Fact } from '../ui/conflicts/conflicts';
import { Figures } from '../ui/figures/figures';
import { Api } from './api';
import { Collection } from './collection';
import { Papers } from './papers';

/** Jobs, the last touched first. */
@Injectable({ providedIn: 'root' })
export class Jobs extends Collection<Job> {
  private readonly api: Api;
  private readonly conflicts = inject(Conflicts);
  private readonly figures = inject(Figures);
  private readonly papers = inject(Papers);

  constructor() {
    const api = inject(Api);
    super(
      () => api.all('jobs'),
      (a, b) => b.updatedAt.localeCompare(a.updatedAt),
    );
    this.api = api;
  }

  get(id: string): Observable<Job> {
    return this.api.call('job', { id }).pipe(tap((job) => this.put(job)));
  }

  add(draft: NewJob): Observable<Job> {
    return this.api.call('addJob', { body: draft }).pipe(tap((job) => this.put(job)));
  }

  change(job: TrayJob, next: TrayDraft): Observable<Job> {
    const { id, title, kept } = job;
    const [make] = kept.makes;
    const draft = { ...draftOf(next, make.id, make), folderHandId: kept.folderHandId };
    return this.conflicts
      .write<Job>({
        ...{ title, seen: kept, mine: this.facts(next), facts: (row) => this.facts(trayJobOf(row)) },
        put: ({ version }) => this.api.call('changeJob', { id, body: { ...draft, version } }),
      })
      .pipe(tap((row) => this.put(row)));
  }

  private facts(tray: TrayDraft | null): Fact[] {
    if (!tray) return [];
    const { title, purpose, choice } = tray;
    const { lengthMm, widthMm, heightMm } = purpose.block;
    const paper = this.papers.rows().find(({ id }) => id === choice.paperId);
    return [
      { name: 'Name of the job', text: title },
      { name: 'What goes in', text: this.figures.exact([lengthMm, widthMm, heightMm]) },
      { name: 'Room left around it', text: purpose.ease },
      { name: 'Walls', text: choice.walls },
      { name: 'Tray sheet', text: this.figures.length(choice.tray.sheetMm, choice.ruler) },
      { name: 'Lid sheet', text: this.figures.length(choice.lid.sheetMm, choice.ruler) },
      { name: 'Paper', text: paper?.name ?? (choice.paperId ? 'no longer on the shelf' : 'not from the shelf') },
    ];
  }

  /** Adds to what is done: nothing that another device has said is lost. */
  addProgress(makeId: string, copies: CopyProgress[]): Observable<Job> {
    return this.api.call('addProgress', { id: makeId, body: { copies } }).pipe(tap((job) => this.put(job)));
  }

  /** Folding begins anew. */
  clearProgress(makeId: string): Observable<Job> {
    return this.api.call('clearProgress', { id: makeId }).pipe(tap((job) => this.put(job)));
  }

  remove(id: string): Observable<null> {
    return this.api.call('removeJob', { id }).pipe(tap(() => this.drop(id)));
  }

  restore(id: string): Observable<Job> {
    return this.api.call('restoreJob', { id }).pipe(tap((job) => this.put(job)));
  }
}
