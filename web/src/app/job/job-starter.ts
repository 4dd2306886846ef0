import { inject, Injectable, signal } from '@angular/core';
import { Router } from '@angular/router';
import {
  type Asked,
  draftOf,
  type Job,
  type JobDraft,
  type JobFile,
  jobFromFile,
  type JobMakeDraft,
  type LogEntry,
  makeDraftOf,
  type Make,
} from '@odd-corner/contract';
import { type Observable, of, switchMap } from 'rxjs';
import { failureText } from '../data/api';
import { Jobs } from '../data/jobs';
import { Papers } from '../data/papers';
import { newId } from '../data/new-id';
import { WorkshopSettings } from '../data/workshop-settings';
import { UndoBar } from '../ui/undo/undo-bar';
import { SHEET_FIRST } from './sheet-first';
import { nextStation } from './stations';

/** A make that a job is to be started with. */
export interface Started {
  readonly asked: Asked;
  readonly make: Make;
  /** The chance that was told with it. */
  readonly chance: number | null;
  readonly count: number;
}

const MOST_LETTERS = 80;

const titled = (title: string): string => title.trim().slice(0, MOST_LETTERS) || 'A job';

/** Starts jobs: from an answer, from a form, as a copy, from what was folded before; or adds to one that is there. */
@Injectable({ providedIn: 'root' })
export class JobStarter {
  private readonly jobs = inject(Jobs);
  private readonly papers = inject(Papers);
  private readonly settings = inject(WorkshopSettings);
  private readonly undo = inject(UndoBar);
  private readonly router = inject(Router);
  private readonly ids = new Map<string, string>();
  readonly starting = signal(false);

  start(title: string, one: Started): void {
    this.add({ title: titled(title), folderHandId: null, makes: [this.draftOf(one)] });
  }

  /** Adds a make to a job that is there: a kit. */
  addTo(id: string, one: Started): void {
    const added = this.draftOf(one);
    this.starting.set(true);
    // As the job stands now: the list may be older.
    this.jobs
      .get(id)
      .pipe(
        switchMap((job) => {
          const draft = draftOf(job);
          return job.makes.some((make) => make.id === added.id)
            ? of(job)
            : this.jobs.change(job, { ...draft, makes: [...draft.makes, added] });
        }),
      )
      .subscribe(this.opening('The job was not changed.', added.id));
  }

  /** The same makes once more, nothing of them folded or cut. */
  copy(job: Job): void {
    const { title, folderHandId, makes } = job;
    const anew = makes.map((make) => ({ ...makeDraftOf(make), id: this.idOf(`copy ${make.id} ${job.version}`) }));
    this.add({ title: titled(`${title.slice(0, MOST_LETTERS - 12)}, once more`), folderHandId, makes: anew });
  }

  /** A job that was taken along from another workshop, on papers of this one where they are the same. */
  fromFile(file: JobFile): void {
    this.starting.set(true);
    this.papers
      .all()
      .pipe(switchMap((shelf) => this.jobs.add(jobFromFile(file, shelf, newId))))
      .subscribe(this.opening('The job was not kept.'));
  }

  /** What was folded before, as it was folded then; for the purpose of its job where that is still known. */
  again(entry: LogEntry): void {
    const before: Observable<Job | null> = entry.jobId === null ? of(null) : this.jobs.get(entry.jobId);
    const begin = (job: Job | null): void => {
      const known = job?.makes.find(({ id }) => id === entry.makeId);
      const { ease, ruler } = this.settings.current();
      const asked: Asked = known?.asked ?? {
        ...{ text: '', purpose: null },
        options: { ...SHEET_FIRST, ease, ruler },
      };
      this.start(entry.title, { asked, make: entry.make, chance: known?.told?.chance ?? null, count: entry.copies });
    };
    this.starting.set(true);
    // A job that is gone takes only its purpose with it.
    before.subscribe({ next: begin, error: () => begin(null) });
  }

  private draftOf(one: Started): JobMakeDraft {
    return { ...one, id: this.idOf(JSON.stringify(one)), marks: null, art: null };
  }

  private add(draft: JobDraft): void {
    this.starting.set(true);
    const id = this.idOf(JSON.stringify(draft));
    this.jobs.add({ ...draft, id }).subscribe(this.opening('The job was not kept.'));
  }

  private opening(failed: string, make?: string): { next: (job: Job) => void; error: (error: unknown) => void } {
    return {
      next: (job) => {
        this.starting.set(false);
        // What is begun after this is another job, even where it is the same.
        this.ids.clear();
        void this.router.navigate(['/jobs', job.id, nextStation({ state: 'planned' })], { queryParams: { make } });
      },
      error: (error: unknown) => {
        this.starting.set(false);
        this.undo.failed(new Error(`${failed} ${failureText(error)}`));
      },
    };
  }

  /** The same pressed again, because its answer was lost, is the same. */
  private idOf(said: string): string {
    const id = this.ids.get(said) ?? newId();
    this.ids.set(said, id);
    return id;
  }
}
