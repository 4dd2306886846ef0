import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Job, JobMake, Paper } from '@odd-corner/contract';
import { SHELF } from '@odd-corner/core';
import { Jobs } from '../data/jobs';
import { Papers } from '../data/papers';
import { copiesOf, nextStation } from '../job/stations';
import { BrokenRows } from '../ui/broken-rows/broken-rows';
import { Field } from '../ui/field/field';
import { Figures } from '../ui/figures/figures';
import { Segments } from '../ui/segments/segments';
import { StateNote } from '../ui/state-note/state-note';

const GROUPS = [
  { state: 'folding', name: 'On the table' },
  { state: 'planned', name: 'Planned' },
  { state: 'folded', name: 'Folded' },
] as const satisfies readonly { state: Job['state']; name: string }[];

const SHOWN = [
  { id: 'current', label: 'Current' },
  { id: 'archived', label: 'Archived' },
] as const;

/** So many makes of a kit are told on its card. */
const MOST_MAKES = 3;

/** All jobs, those on the table first. */
@Component({
  selector: 'oc-jobs-page',
  imports: [BrokenRows, DatePipe, Field, MatButtonModule, RouterLink, Segments, StateNote],
  templateUrl: './jobs-page.html',
  styleUrl: './jobs-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobsPage {
  protected readonly jobs = inject(Jobs);
  private readonly papers = inject(Papers);
  private readonly figures = inject(Figures);
  protected readonly kinds = SHOWN;
  protected readonly kind = signal<string>('current');
  protected readonly words = new FormControl('');
  private readonly typed = toSignal(this.words.valueChanges, { initialValue: '' });
  protected readonly next = nextStation;

  private readonly listed = computed(() => {
    const archived = this.kind() === 'archived';
    const wanted = (this.typed() ?? '').toLocaleLowerCase('en').split(/\s+/).filter(Boolean);
    return this.jobs
      .rows()
      .filter(({ archivedAt }) => (archivedAt !== null) === archived)
      .map((job) => ({ job, ...this.saidOf(job) }))
      .filter(({ words }) => wanted.every((word) => words.includes(word)));
  });
  protected readonly groups = computed(() =>
    GROUPS.map((group) => ({ ...group, jobs: this.listed().filter(({ job }) => job.state === group.state) })).filter(
      ({ jobs }) => jobs.length,
    ),
  );
  protected readonly several = computed(() => this.jobs.rows().length > 0);
  protected readonly failed = computed(() => {
    const state = this.jobs.state();
    return state.kind === 'failed' ? state.why : null;
  });

  constructor() {
    this.jobs.refresh();
    this.papers.refresh();
  }

  /** What a card shows of a job, and the words it is found by. */
  private saidOf(job: Job) {
    const makes = job.makes.map((make) => this.makeOf(make));
    const ids = new Set(job.makes.flatMap(({ make }) => make.entries.flatMap(({ papers }) => papers)));
    const papers = [...ids].flatMap((id) => this.papers.rows().find((paper) => paper.id === id) ?? []);
    return {
      makes: makes.slice(0, MOST_MAKES),
      more: Math.max(0, makes.length - MOST_MAKES),
      papers: papers.map(({ name, colourFront, colourBack }: Paper) => ({
        name,
        front: colourFront,
        back: colourBack,
      })),
      where: job.state === 'folding' ? whereOf(job.makes) : null,
      words: [job.title, ...makes.flatMap(({ form, holds }) => [form, holds]), ...papers.map(({ name }) => name)]
        .join(' ')
        .toLocaleLowerCase('en'),
    };
  }

  private makeOf({ id, asked, make, count }: JobMake) {
    const form = SHELF.has(make.formId) ? SHELF.form(make.formId).name : make.formId;
    const sheets = make.entries.map(({ sheet: { widthMm, heightMm } }) =>
      [widthMm, ...(widthMm === heightMm ? [] : [heightMm])]
        .map((mm) => this.figures.length(mm, asked.options.ruler))
        .join(' × '),
    );
    return {
      id,
      form: count > 1 ? `${count} × ${form}` : form,
      holds: asked.text || (asked.purpose ? this.figures.purpose(asked.purpose) : ''),
      sheets: sheets.join(' and '),
    };
  }
}

/** How far folding has come, over all makes. */
function whereOf(makes: readonly JobMake[]): string {
  const begun = makes.flatMap(({ progress }) => progress.filter(({ done }) => done.length));
  const all = makes.reduce((sum, make) => sum + copiesOf(make), 0);
  const steps = begun.reduce((sum, { done }) => sum + done.length, 0);
  const said = `${steps} ${steps === 1 ? 'step' : 'steps'} done`;
  return all > 1 ? `${begun.length} of ${all} begun, ${said}` : said;
}
