import { inject, Injectable } from '@angular/core';
import {
  type BatchRulesSent,
  type CopyProgress,
  type CutPlanKept,
  draftOf,
  type Job,
  type JobDraft,
  type NewJob,
  type SeatsSent,
} from '@odd-corner/contract';
import { SHELF } from '@odd-corner/core';
import { forkJoin, map, type Observable, tap } from 'rxjs';
import { Conflicts, type Fact } from '../ui/conflicts/conflicts';
import { Figures } from '../ui/figures/figures';
import { Api, type Whole } from './api';
import { Collection } from './collection';
import { Hands } from './hands';
import { Papers } from './papers';

/** Jobs that are not folded or archived, the last touched first; any job by its id. */
@Injectable({ providedIn: 'root' })
export class Jobs extends Collection<Job> {
  private readonly api: Api;
  private readonly conflicts = inject(Conflicts);
  private readonly figures = inject(Figures);
  private readonly papers = inject(Papers);
  private readonly hands = inject(Hands);

  constructor() {
    const api = inject(Api);
    const open = (state: Job['state']): Observable<Whole<Job>> => api.all('jobs', { state, archived: 'no' });
    super(
      'jobs',
      () =>
        forkJoin([open('folding'), open('planned')]).pipe(
          map((parts) => ({
            rows: parts.flatMap(({ rows }) => rows),
            broken: parts.flatMap(({ broken }) => broken),
          })),
        ),
      (a, b) => b.updatedAt.localeCompare(a.updatedAt),
    );
    this.api = api;
  }

  get(id: string): Observable<Job> {
    return this.kept(this.api.call('job', { id }));
  }

  add(draft: NewJob): Observable<Job> {
    return this.kept(this.api.call('addJob', { body: draft }));
  }

  /** Changes a job as it was seen; where somebody else was quicker, the maker is asked which of both is kept. */
  change(seen: Job, next: JobDraft): Observable<Job> {
    return this.kept(
      this.conflicts.write<Job>({
        ...{ title: seen.title, seen, mine: this.facts(next), facts: (row) => this.facts(draftOf(row)) },
        put: ({ version }) => this.api.call('changeJob', { id: seen.id, body: { ...next, version } }),
      }),
    );
  }

  /** What can be said of a job, by name. */
  private facts({ title, folderHandId, makes }: JobDraft): Fact[] {
    const hand = this.hands.rows().find(({ id }) => id === folderHandId);
    return [
      { name: 'Name of the job', text: title },
      { name: 'Folded by', text: hand?.name ?? (folderHandId ? 'a folder who was removed' : 'the usual hand') },
      ...makes.flatMap(({ asked, make, count }, k): Fact[] => {
        const of = makes.length > 1 ? ` ${k + 1}` : '';
        const ruler = asked.options.ruler;
        return [
          { name: `Form${of}`, text: SHELF.has(make.formId) ? SHELF.form(make.formId).name : make.formId },
          { name: `What it is for${of}`, text: asked.text },
          { name: `Room left around it${of}`, text: asked.options.ease },
          { name: `How many${of}`, text: `${count}` },
          ...make.entries.map(({ key, sheet, params, papers }): Fact => {
            const sides = [sheet.widthMm, sheet.heightMm].map((mm) => this.figures.length(mm, ruler)).join(' × ');
            const names = papers.map((id) => this.nameOfPaper(id)).join(', ');
            const settled = Object.entries(params)
              .filter(([, value]) => value !== null)
              .map(([name, value]) => `, ${name} ${value}`);
            return { name: `Sheet of ${key}${of}`, text: `${sides}${settled.join('')}, ${names}` };
          }),
        ];
      }),
    ];
  }

  private nameOfPaper(id: string | null): string {
    const paper = this.papers.rows().find((one) => one.id === id);
    return paper?.name ?? (id ? 'no longer on the shelf' : 'not from the shelf');
  }

  /** Adds to what is done: nothing that another device has said is lost. */
  addProgress(makeId: string, copies: CopyProgress[]): Observable<Job> {
    return this.kept(this.api.call('addProgress', { id: makeId, body: { copies } }));
  }

  /** How the copies of a make are folded from now on. */
  changeBatch(makeId: string, rules: BatchRulesSent): Observable<Job> {
    return this.kept(this.api.call('changeBatch', { id: makeId, body: rules }));
  }

  /** Says who folds some copies; null gives them back. */
  takeSeats(makeId: string, seats: SeatsSent): Observable<Job> {
    return this.kept(this.api.call('takeSeats', { id: makeId, body: seats }));
  }

  /** Folding begins anew. */
  clearProgress(makeId: string): Observable<Job> {
    return this.kept(this.api.call('clearProgress', { id: makeId }));
  }

  acceptCut(makeId: string, { version }: Job, plan: CutPlanKept): Observable<Job> {
    return this.kept(this.api.call('acceptCut', { id: makeId, body: { version, plan } }));
  }

  /** What becomes of an accepted plan: it is given up, its sheets are cut, or they were not cut after all. */
  moveCut(how: 'dropCut' | 'doneCut' | 'undoneCut', makeId: string, { version }: Job): Observable<Job> {
    return this.kept(this.api.call(how, { id: makeId, body: { version } }));
  }

  /** Puts a job away, or back among the others. */
  archive({ id, version, archivedAt }: Job): Observable<Job> {
    return this.kept(this.api.call(archivedAt ? 'unarchiveJob' : 'archiveJob', { id, body: { version } }));
  }

  remove(id: string): Observable<null> {
    return this.api.call('removeJob', { id }).pipe(tap(() => this.drop(id)));
  }

  restore(id: string): Observable<Job> {
    return this.kept(this.api.call('restoreJob', { id }));
  }

  private kept(answer: Observable<Job>): Observable<Job> {
    return answer.pipe(tap((job) => this.put(job)));
  }
}
