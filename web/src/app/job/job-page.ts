import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Router } from '@angular/router';
import { type Job, type TrayDraft, trayJobOf } from '@odd-corner/contract';
import { concatMap, finalize, of, tap } from 'rxjs';
import { ApiFailure, failureText } from '../data/api';
import { Jobs } from '../data/jobs';
import { Papers } from '../data/papers';
import { FoldStation } from '../fold/fold-station/fold-station';
import { RecordStation } from '../record/record-station/record-station';
import { Figures } from '../ui/figures/figures';
import { NotHere } from '../ui/not-here/not-here';
import { StateNote } from '../ui/state-note/state-note';
import { UndoBar } from '../ui/undo/undo-bar';
import { FormStation } from './form-station/form-station';
import { type Outcome, sameParts } from './job-change';
import { PurposeStation } from './purpose-station/purpose-station';
import { SheetStation } from './sheet-station/sheet-station';
import { SoonStation } from './soon-station/soon-station';
import { isStation, stripOf } from './stations';
import { Strip } from './strip/strip';

/** One job: the strip of its stations and the one that is open. */
@Component({
  selector: 'oc-job-page',
  imports: [
    MatButtonModule,
    Strip,
    StateNote,
    NotHere,
    PurposeStation,
    FormStation,
    SheetStation,
    SoonStation,
    FoldStation,
    RecordStation,
  ],
  templateUrl: './job-page.html',
  styleUrl: './job-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobPage {
  readonly id = input.required<string>();
  readonly station = input.required<string>();
  private readonly jobs = inject(Jobs);
  protected readonly papers = inject(Papers);
  private readonly figures = inject(Figures);
  private readonly undo = inject(UndoBar);
  private readonly router = inject(Router);

  protected readonly job = signal<Job | null>(null);
  /** As the stations of a tray read it; null for what is something else. */
  protected readonly tray = computed(() => {
    const job = this.job();
    return job && trayJobOf(job);
  });
  protected readonly failed = signal<string | null>(null);
  protected readonly missing = signal(false);
  protected readonly saving = signal(false);

  protected readonly open = computed(() => {
    const station = this.station();
    return isStation(station) ? station : null;
  });
  protected readonly paper = computed(() => {
    const paperId = this.tray()?.choice.paperId;
    return (paperId && this.papers.rows().find((p) => p.id === paperId)) || null;
  });
  protected readonly strip = computed(() => {
    const job = this.tray();
    return job ? stripOf(job, this.paper()?.name ?? null, this.figures) : [];
  });
  /** Stations that work out sizes wait until the shelf is known: its paper decides the thickness. */
  protected readonly ready = computed(() => this.job() !== null && this.papers.state().kind !== 'loading');

  constructor() {
    this.papers.refresh();
    effect(() => {
      this.id();
      untracked(() => this.load());
    });
  }

  protected load(): void {
    this.failed.set(null);
    this.missing.set(false);
    if (this.job()?.id !== this.id()) this.job.set(null);
    this.jobs.get(this.id()).subscribe({
      next: (job) => this.job.set(job),
      error: (error: unknown) => {
        if (error instanceof ApiFailure && error.status === 404) this.missing.set(true);
        else this.failed.set(failureText(error));
      },
    });
  }

  /** Keeps a decision; when it changes the sheets, folding starts again. */
  protected keep({ draft, refold }: Pick<Outcome, 'draft' | 'refold'>): void {
    const before = this.tray();
    if (!before) return;
    this.saving.set(true);
    const back: TrayDraft = { title: before.title, purpose: before.purpose, choice: before.choice };
    this.jobs
      .change(before, draft)
      .pipe(
        concatMap((job) =>
          refold && this.isKept(job, draft) && before.kept.makes[0].progress.length
            ? this.jobs.clearProgress(job.makes[0].id)
            : of(job),
        ),
        finalize(() => this.saving.set(false)),
      )
      .subscribe({
        next: (job) => {
          this.job.set(job);
          // When another version was kept instead, nothing of this one is there to be taken back.
          if (!this.isKept(job, draft) || job.title !== draft.title) return;
          this.undo.done(refold ? 'Kept. Sheets changed, so folding starts again.' : 'Kept.', () =>
            this.jobs.change(trayJobOf(job)!, back).pipe(
              concatMap((row) => {
                const [{ id, progress }] = before.kept.makes;
                return progress.length ? this.jobs.addProgress(id, progress) : of(row);
              }),
              tap((row) => this.job.set(row)),
            ),
          );
        },
        error: (error: unknown) => this.undo.failed(error),
      });
  }

  protected remove(): void {
    const job = this.job();
    if (!job) return;
    this.jobs.remove(job.id).subscribe({
      next: () => {
        void this.router.navigate(['/jobs']);
        this.undo.done(`“${job.title}” is removed.`, () => this.jobs.restore(job.id));
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  private isKept(job: Job, { choice }: TrayDraft): boolean {
    const tray = trayJobOf(job);
    return tray !== null && sameParts(tray.choice, choice);
  }
}
