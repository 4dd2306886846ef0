import { computed, DestroyRef, effect, inject, Injectable, signal } from '@angular/core';
import {
  draftOf,
  type EntryPapers,
  found,
  type Job,
  type JobDraft,
  jobDraft,
  type JobMake,
  type JobMakeDraft,
  type Make,
  makeOf,
  markMakerOf,
  marksWanted,
  optionsOf,
  type Paper,
  purposeOfOne,
  toFold,
} from '@odd-corner/contract';
import {
  COMMON_PAPER,
  entriesOf,
  formById,
  HANDS,
  type MarkMaker,
  type SizedForm,
  type SizeOptions,
  type HandCalled,
} from '@odd-corner/core';
import { concatMap, filter, finalize, from, last, type Observable, of, tap } from 'rxjs';
import { ApiFailure, failureText } from '../data/api';
import { Changes } from '../data/changes';
import { EyeTries } from '../data/eye-tries';
import { Hands } from '../data/hands';
import { Jobs } from '../data/jobs';
import { LearnedHands } from '../data/learned-hands';
import { Papers } from '../data/papers';
import { WorkshopSettings } from '../data/workshop-settings';
import { coloursOf, coloursOfMake, type PaperColours } from '../ui/drawing-view/paper-colours';
import { UndoBar } from '../ui/undo/undo-bar';
import type { EntryMarks } from '../workers/make-tasks';
import { type JobChange, JobHistory } from './job-history';

/** What is folded of a make: a plan or marks for it are of no use for another. */
const foldedOf = (make: Pick<JobMake, 'make'>): string => JSON.stringify(toFold(make.make));

/** The job that is open, the make of it that is being worked on, and all that changes them. */
@Injectable()
export class JobInHand {
  private readonly jobs = inject(Jobs);
  private readonly papers = inject(Papers);
  private readonly hands = inject(Hands);
  private readonly eyes = inject(EyeTries);
  private readonly settings = inject(WorkshopSettings);
  private readonly learned = inject(LearnedHands);
  private readonly undo = inject(UndoBar);
  private readonly history = inject(JobHistory);

  private readonly id = signal('');
  private readonly makeId = signal<string | null>(null);
  private readonly held = signal<Job | null>(null);
  readonly failed = signal<string | null>(null);
  readonly missing = signal(false);
  readonly saving = signal(false);
  /** Whether a station holds something that is not kept yet. */
  readonly drafting = signal(false);

  constructor() {
    const told = inject(Changes)
      .of('jobs')
      .pipe(filter((id) => (id === null || this.isOf(id)) && this.known() !== null))
      .subscribe(() => this.follow());
    inject(DestroyRef).onDestroy(() => told.unsubscribe());
  }

  /** Null until it is known. */
  readonly known = computed(() => {
    const job = this.held();
    return job?.id === this.id() ? job : null;
  });
  /** Stations that work out sizes wait until the shelf is known: its papers decide thicknesses. */
  readonly ready = computed(
    () => this.known() !== null && this.papers.state().kind !== 'loading' && this.settings.known(),
  );
  /** The job, for those that are only shown once it is there. */
  readonly job = computed((): Job => {
    const job = this.held();
    if (!job) throw new Error('No job is open.');
    return job;
  });
  readonly make = computed((): JobMake => {
    const { makes } = this.job();
    return makes.find(({ id }) => id === this.makeId()) ?? makes[0];
  });
  /** By how much the hand misses that folds it, in mm. */
  readonly handMm = computed(() => {
    const { folderHandId } = this.job();
    const own = this.hands.rows().find(({ id }) => id === folderHandId);
    return own?.missMm ?? HANDS[this.settings.current().hand].missMm;
  });
  /** Whose marks they are. */
  readonly maker = computed((): MarkMaker =>
    markMakerOf(this.make(), {
      handMm: this.learnedOn(this.make().make)?.missMm ?? this.handMm(),
      eye: this.eyes.of(this.job().folderHandId).eye,
    }),
  );
  /** How the marks of its entries are found; undefined where all are found with a ruler. */
  readonly entryMarks = computed((): EntryMarks | undefined => this.marksOf(this.make().make));
  /** What one of it is for; null where a sheet was there first. */
  readonly purpose = computed(() => purposeOfOne(this.make().asked));
  /** How its sheets are searched for: on its own papers, for its own hand. */
  readonly options = computed(() => this.optionsOn(this.make().make));
  /** Colours of the papers that its pieces are folded from. */
  readonly colours = computed(() => this.coloursOf(this.make().make));
  /** What was changed while it was open, the latest first. */
  readonly changes = computed(() => this.history.of(this.id()));

  /** Colours of a make that may not be kept yet: papers take turns among the copies. */
  coloursOf({ formId, params, entries }: Make): PaperColours {
    const papers = new Map(entries.map((entry) => [entry.key, entry.papers]));
    return coloursOfMake(entriesOf(formById(formId), params), (key, copy) => {
      const own = papers.get(key) ?? [null];
      const paper = this.paperOf(own[copy % own.length]);
      return paper && coloursOf(paper);
    });
  }

  /** How the marks of a make are found that may not be kept yet: as was chosen, and else as the workshop does. */
  marksOf(make: Make): EntryMarks | undefined {
    return marksWanted(this.make(), make, this.settings.current().school, this.maker());
  }

  /** How sheets of a make are searched for that may not be kept yet. */
  optionsOn(make: Make): SizeOptions {
    const { entries } = make;
    const [first] = entries;
    return optionsOf(this.make().asked.options, {
      gsm: this.paperOf(first.papers[0])?.gsm ?? COMMON_PAPER.gsm,
      thicknessMm: first.thicknessMm,
      thicknesses: Object.fromEntries(entries.map(({ key, thicknessMm }) => [key, thicknessMm])),
      handMm: this.handMm(),
      learned: this.learnedOn(make),
    });
  }

  /** How fast the hand is that folds it; null where nothing is known of it. */
  readonly pace = computed(() => this.learned.paceOf(this.job().folderHandId));

  /** What is known of the hand that folds it, on the paper of its first entry. */
  private learnedOn({ entries: [first] }: Make): HandCalled | null {
    return this.learned.of(this.job().folderHandId, this.paperOf(first.papers[0]));
  }

  /** From which papers an entry is folded; one that is new in it as the first one is. */
  papersFor(key: string): EntryPapers {
    const { entries } = this.make().make;
    return entries.find((entry) => entry.key === key) ?? entries[0];
  }

  /** An answer as it is kept in this job: from the papers that were chosen. */
  makeFrom(answer: SizedForm): Make {
    return makeOf(found(answer), (key) => this.papersFor(key));
  }

  paperOf(id: string | null): Paper | null {
    return this.papers.rows().find((one) => one.id === id) ?? null;
  }

  /** Opens a job, and one of its makes: the first when that is null or not among them. */
  open(id: string, makeId: string | null): void {
    this.makeId.set(makeId);
    if (this.id() === id && this.known()) return;
    this.id.set(id);
    this.history.open(id);
    this.reload();
  }

  reload(): void {
    this.failed.set(null);
    this.missing.set(false);
    this.jobs.get(this.id()).subscribe({
      next: (job) => this.took(job),
      error: (error: unknown) => {
        if (error instanceof ApiFailure && error.status === 404) this.missing.set(true);
        else this.failed.set(failureText(error));
      },
    });
  }

  /** Whether an id is that of the job that is open, or of one of its makes. */
  private isOf(id: string): boolean {
    return id === this.id() || (this.known()?.makes.some((make) => make.id === id) ?? false);
  }

  /** Reads what somebody else has changed; what is being kept just now answers by itself. */
  private follow(): void {
    if (this.saving()) return;
    this.jobs.get(this.id()).subscribe({
      next: (job) => {
        const known = this.known();
        // What this page has kept meanwhile is newer.
        if (!known || this.saving() || job.updatedAt < known.updatedAt) return;
        if (saidBy(draftOf(job)) === saidBy(draftOf(known))) this.took(withParts(job, known));
        // Where something else is being written here, both versions are shown when it is kept.
        else if (!this.drafting()) this.took(job);
      },
      error: (error: unknown) => {
        if (error instanceof ApiFailure && error.status === 404) this.missing.set(true);
      },
    });
  }

  /** Takes over what the server answered. */
  took(job: Job): void {
    if (job.id === this.id()) this.held.set(job);
  }

  /** Changes the make that is being worked on. @param words what is done, as it stands in the history */
  changeMake(part: Partial<JobMakeDraft>, words: string): void {
    const { id } = this.make();
    const draft = draftOf(this.job());
    this.change({ ...draft, makes: draft.makes.map((one) => (one.id === id ? { ...one, ...part } : one)) }, words);
  }

  /** Keeps a job as it should be; where its sheets or folds differ, folding starts again. */
  change(next: JobDraft, words: string): void {
    const before = this.job();
    const kept = changeOf(before, words);
    this.write(before, next).subscribe({
      next: (job) => {
        // When another version was kept instead, nothing of this one is there to be taken back.
        if (!this.isKept(job, next)) return;
        this.history.add(job.id, kept);
        const anew = this.differ(before, next).some(({ progress }) => progress.length > 0);
        this.undo.done(anew ? `${words} Folding starts again.` : words, () => this.back(kept));
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  /** Goes back to how the job stood before a change; that can be taken back as well. */
  goBack(to: JobChange): void {
    const now = this.job();
    this.back(to).subscribe({
      next: () => {
        this.history.add(now.id, changeOf(now, `Went back to before: ${to.words}`));
        this.undo.done('Undone.');
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  private back({ before, folded }: Pick<JobChange, 'before' | 'folded'>): Observable<Job> {
    return this.write(this.job(), before).pipe(
      concatMap((job) =>
        from(folded).pipe(
          concatMap(({ makeId, copies }) =>
            copies.length && job.makes.some(({ id }) => id === makeId)
              ? this.jobs.addProgress(makeId, [...copies])
              : of(job),
          ),
          last(null, job),
        ),
      ),
      tap((job) => this.took(job)),
    );
  }

  private write(before: Job, next: JobDraft): Observable<Job> {
    this.saving.set(true);
    return this.jobs.change(before, next).pipe(
      concatMap((job) => {
        const anew = this.isKept(job, next) ? this.differ(before, next).filter(({ progress }) => progress.length) : [];
        return from(anew).pipe(
          concatMap(({ id }) => this.jobs.clearProgress(id)),
          last(null, job),
        );
      }),
      tap((job) => this.took(job)),
      finalize(() => this.saving.set(false)),
    );
  }

  /** Makes that are folded otherwise afterwards. */
  private differ(before: Job, { makes }: JobDraft): readonly JobMake[] {
    return before.makes.filter((was) => {
      const now = makes.find(({ id }) => id === was.id);
      return now !== undefined && foldedOf(now) !== foldedOf(was);
    });
  }

  private isKept(job: Job, next: JobDraft): boolean {
    return saidBy(draftOf(job)) === saidBy(next);
  }
}

/** Says of a station, as long as it is there, whether it holds something that is not kept yet. To be asked where it is made. */
export function drafts(is: () => boolean): void {
  const { drafting } = inject(JobInHand);
  effect(() => drafting.set(is()));
  inject(DestroyRef).onDestroy(() => drafting.set(false));
}

/** How a job stands before something is done. */
const changeOf = (job: Job, words: string): JobChange => ({
  ...{ words, at: new Date().toISOString(), before: draftOf(job) },
  folded: job.makes.map(({ id, progress }) => ({ makeId: id, copies: progress })),
});

/** A job of which only the folding has gone on: what its makes are stays the very same, so that nobody works it out anew. */
const withParts = (job: Job, known: Job): Job => ({
  ...job,
  makes: job.makes.map((make) => {
    const before = known.makes.find(({ id }) => id === make.id);
    if (!before) return make;
    const { asked, make: own, marks, art, told } = before;
    return { ...make, asked, make: own, marks, art, told };
  }),
});

/** What a draft says, its parts in the order of its schema; a chance that is not told anew stays as it was. */
function saidBy(draft: JobDraft): string {
  const { makes, ...rest } = jobDraft.parse(draft);
  return JSON.stringify({ ...rest, makes: makes.map(({ chance: _, ...make }) => make) });
}
