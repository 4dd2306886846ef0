import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { DatePipe } from '@angular/common';
import { RouterLink } from '@angular/router';
import { type Job, type TrayJob, trayJobOf } from '@odd-corner/contract';
import { Jobs } from '../data/jobs';
import { Papers } from '../data/papers';
import { LengthPipe } from '../ui/figures/figure-pipes';
import { SizesPipe } from '../ui/figures/sizes-pipe';
import { BrokenRows } from '../ui/broken-rows/broken-rows';
import { StateNote } from '../ui/state-note/state-note';

const GROUPS = [
  { state: 'folding', name: 'On the table' },
  { state: 'planned', name: 'Planned' },
  { state: 'folded', name: 'Folded' },
] as const satisfies readonly { state: Job['state']; name: string }[];

/** All jobs, those on the table first. */
@Component({
  selector: 'oc-jobs-page',
  imports: [BrokenRows, MatButtonModule, DatePipe, LengthPipe, RouterLink, SizesPipe, StateNote],
  templateUrl: './jobs-page.html',
  styleUrl: './jobs-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobsPage {
  protected readonly jobs = inject(Jobs);
  private readonly papers = inject(Papers);

  private readonly listed = computed(() => this.jobs.rows().map((job) => ({ job, tray: trayJobOf(job) })));
  protected readonly groups = computed(() =>
    GROUPS.map((group) => ({ ...group, jobs: this.listed().filter(({ job }) => job.state === group.state) })).filter(
      ({ jobs }) => jobs.length,
    ),
  );
  protected readonly failed = computed(() => {
    const state = this.jobs.state();
    return state.kind === 'failed' ? state.why : null;
  });

  constructor() {
    this.jobs.refresh();
    this.papers.refresh();
  }

  protected paperOf({ choice }: TrayJob): { name: string; front: string; back: string } | null {
    const paper = this.papers.rows().find(({ id }) => id === choice.paperId);
    return paper ? { name: paper.name, front: paper.colourFront, back: paper.colourBack } : null;
  }

  /** Where a press on the job leads: back to the table, to the logbook's numbers, or to its sheet. */
  protected next({ state }: Job): string {
    return state === 'folding' ? 'fold' : state === 'folded' ? 'record' : 'sheet';
  }
}
