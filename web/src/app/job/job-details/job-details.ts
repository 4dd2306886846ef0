import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { Router } from '@angular/router';
import { tap } from 'rxjs';
import { draftOf, type Job, jobDraft, jobFileOf } from '@odd-corner/contract';
import { Hands } from '../../data/hands';
import { Jobs } from '../../data/jobs';
import { Field } from '../../ui/field/field';
import { controlOf, mayBeSent } from '../../ui/forms/schema-form';
import { fileName, saveFile } from '../../ui/save-file';
import { Photographs } from '../../ui/photographs/photographs';
import { PrintMake } from '../../ui/print-make/print-make';
import { Select } from '../../ui/select/select';
import { UndoBar } from '../../ui/undo/undo-bar';
import { JobInHand } from '../job-in-hand';
import { JobStarter } from '../job-starter';

/** What a job is called, who folds it, what was changed, and what can be done with all of it. */
@Component({
  selector: 'oc-job-details',
  imports: [DatePipe, Field, MatButtonModule, PrintMake, ReactiveFormsModule, Select, Photographs],
  templateUrl: './job-details.html',
  styleUrl: './job-details.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobDetails {
  protected readonly inHand = inject(JobInHand);
  private readonly hands = inject(Hands);
  private readonly jobs = inject(Jobs);
  private readonly starter = inject(JobStarter);
  private readonly undo = inject(UndoBar);
  private readonly router = inject(Router);

  protected readonly form = new FormGroup({ title: controlOf(jobDraft.shape.title, '') });
  protected readonly handChoices = this.hands.choices;
  protected readonly several = computed(() => this.inHand.job().makes.length > 1);

  constructor() {
    const titled = computed(() => this.inHand.job().title);
    effect(() => {
      // Whatever else is changed of it, what is being typed stays.
      const title = titled();
      untracked(() => this.form.reset({ title }));
    });
  }

  protected rename(): void {
    const { title } = this.form.getRawValue();
    const job = this.inHand.job();
    if (!mayBeSent(this.form) || title === null || title.trim() === job.title) return;
    this.inHand.change({ ...draftOf(job), title: title.trim() }, 'Name changed.');
  }

  protected chooseHand(folderHandId: string | null): void {
    const name = this.hands.rows().find(({ id }) => id === folderHandId)?.name ?? 'the usual hand';
    const draft = draftOf(this.inHand.job());
    // The chance was predicted for another hand.
    const makes = draft.makes.map((make) => ({ ...make, chance: null }));
    this.inHand.change({ ...draft, folderHandId, makes }, `Folded by ${name} now.`);
  }

  /** Takes the make that is open out of the job. */
  protected takeOut(): void {
    const [job, make] = [this.inHand.job(), this.inHand.make()];
    const draft = draftOf(job);
    this.inHand.change({ ...draft, makes: draft.makes.filter(({ id }) => id !== make.id) }, 'Taken out of the job.');
  }

  /** As a file that another workshop can open. */
  protected save(): void {
    const job = this.inHand.job();
    saveFile(`${fileName(job.title)}.json`, JSON.stringify(jobFileOf(job), null, 2), 'application/json');
  }

  protected copy(): void {
    this.starter.copy(this.inHand.job());
  }

  protected archive(): void {
    this.jobs.archive(this.inHand.job()).subscribe({
      next: (job) => {
        this.inHand.took(job);
        this.undo.done(job.archivedAt ? 'Archived.' : 'Back among the current jobs.', () =>
          this.jobs.archive(job).pipe(tap((back) => this.inHand.took(back))),
        );
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  protected remove(): void {
    const { id, title }: Job = this.inHand.job();
    this.jobs.remove(id).subscribe({
      next: () => {
        void this.router.navigate(['/jobs']);
        this.undo.done(`“${title}” is removed.`, () => this.jobs.restore(id));
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
