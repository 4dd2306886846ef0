import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { type Job, jobFile, type JobMake, type Paper } from '@odd-corner/contract';
import { SHELF } from '@odd-corner/core';
import { debounceTime } from 'rxjs';
import { Jobs } from '../data/jobs';
import { PagedList } from '../data/paged-list';
import { Papers } from '../data/papers';
import { JobStarter } from '../job/job-starter';
import { copiesOf, nextStation } from '../job/stations';
import { BrokenRows } from '../ui/broken-rows/broken-rows';
import { Field } from '../ui/field/field';
import { FigurePipe } from '../ui/figures/figure-pipes';
import { Figures } from '../ui/figures/figures';
import { pickFile } from '../ui/pick-file';
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

/** So many jobs of a group come at once. */
const CHUNK = 24;

/** Larger files are no job. */
const MOST_BYTES = 1_000_000;

/** A search waits until typing rests, in ms. */
const REST_MS = 200;

/** So many makes of a kit are told on its card. */
const MOST_MAKES = 3;

/** All jobs, those on the table first. */
@Component({
  selector: 'oc-jobs-page',
  imports: [BrokenRows, DatePipe, Field, FigurePipe, MatButtonModule, RouterLink, Segments, StateNote],
  templateUrl: './jobs-page.html',
  styleUrl: './jobs-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobsPage {
  private readonly jobs = inject(Jobs);
  private readonly papers = inject(Papers);
  protected readonly starter = inject(JobStarter);
  protected readonly wrong = signal<string | null>(null);
  private readonly figures = inject(Figures);
  protected readonly kinds = SHOWN;
  protected readonly kind = signal<string>('current');
  protected readonly words = new FormControl('');
  private readonly typed = toSignal(this.words.valueChanges.pipe(debounceTime(REST_MS)), { initialValue: '' });
  protected readonly next = nextStation;
  private readonly lists = GROUPS.map((group) => ({
    ...group,
    list: new PagedList('jobs', { chunk: CHUNK, topic: 'jobs' }),
  }));
  /** Whether anything was ever looked for: then there is more than what is shown. */
  private readonly narrowed = signal(false);

  protected readonly groups = computed(() =>
    this.lists
      .map(({ list, ...group }) => ({
        ...{ ...group, list, total: list.total() },
        jobs: list.rows().map((job) => ({ job, ...this.saidOf(job) })),
      }))
      .filter(({ jobs }) => jobs.length),
  );
  protected readonly known = computed(() => this.lists.every(({ list }) => list.state() === 'ready'));
  protected readonly several = computed(() => this.narrowed() || this.groups().length > 0);
  protected readonly failed = computed(
    () => this.lists.map(({ list }) => list.failed()).find((why) => why !== null) ?? null,
  );
  /** Jobs that cannot be read, of all groups. */
  protected readonly broken = {
    broken: computed(() => this.lists.flatMap(({ list }) => list.broken())),
    remove: (id: string) => this.jobs.remove(id),
    refresh: () => this.read(),
  };

  constructor() {
    this.papers.refresh();
    effect(() => this.read());
    this.words.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => this.narrowed.set(true));
  }

  /** Begins a job from a file of another workshop. */
  protected async pick(): Promise<void> {
    const file = await pickFile('.json,application/json');
    this.wrong.set(null);
    const read = file.size > MOST_BYTES ? null : jobFile.safeParse(await readJson(file));
    if (read?.success) this.starter.fromFile(read.data);
    else
      this.wrong.set(
        `“${file.name}” is not opened: ${read?.error.issues[0].message ?? 'it is too large to be a job.'}`,
      );
  }

  protected show(kind: string): void {
    this.narrowed.set(true);
    this.kind.set(kind);
  }

  protected read(): void {
    const archived = this.kind() === 'archived' ? 'yes' : 'no';
    const search = this.typed()?.trim() || undefined;
    for (const { state, list } of this.lists) list.ask({ state, archived, search });
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

/** What a file says; nothing that could be a job where it is not JSON. */
const readJson = async (file: Blob): Promise<unknown> => {
  try {
    return JSON.parse(await file.text()) as unknown;
  } catch {
    return null;
  }
};

/** How far folding has come, over all makes. */
function whereOf(makes: readonly JobMake[]): string {
  const begun = makes.flatMap(({ progress }) => progress.filter(({ done }) => done.length));
  const all = makes.reduce((sum, make) => sum + copiesOf(make), 0);
  const steps = begun.reduce((sum, { done }) => sum + done.length, 0);
  const said = `${steps} ${steps === 1 ? 'step' : 'steps'} done`;
  return all > 1 ? `${begun.length} of ${all} begun, ${said}` : said;
}
